import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { readAircraftFile, writeAircraftFile } from '@wired-falcon/core';
import { ofOlderParts } from '../packages/core/src/test/olderParts.ts';

const root = join(import.meta.dirname, '..');

interface Server {
  readonly url: string;
  /** The file of the demo aircraft, for a copy of its own for every test. */
  readonly reedbed: string;
  readonly saltmarsh: string;
  readonly mudflat: string;
}

interface Fixtures {
  /** A server of the test's own. */
  readonly ownServer: OwnServer;
  /** The address of a fresh copy of the demo aircraft. */
  readonly aircraft: string;
  /** The address of a fresh copy of Saltmarsh with one supply for its servos in the place of two, and motor leads that are too thin. */
  readonly oneSupply: string;
  /** The address of a fresh copy of Saltmarsh. */
  readonly whole: string;
  /** The address of a fresh copy of the demo aircraft whose parts are of older revisions, which state no facts. */
  readonly older: string;
  /** The address of a fresh copy of Mudflat. */
  readonly mudflat: string;
}

/** A server that a test starts, kills and starts again by itself, always on the same data and port. */
export class OwnServer {
  readonly #folder = mkdtempSync(join(tmpdir(), 'wired-falcon-own-'));
  #child: ChildProcess | undefined;
  #port = '0';
  url = '';

  /** @param more environment variables for this start, such as another access key */
  async start(more: Readonly<Record<string, string>> = {}): Promise<void> {
    const { child, url } = await startServer(this.#folder, this.#port, more);
    this.#child = child;
    this.#port = new URL(url).port;
    this.url = url;
  }

  /** Runs a command of `npm run backup` or `npm run restore` on its workshop. */
  keep(command: 'backup' | 'restore', name: string): void {
    const file = join(this.#folder, name);
    execFileSync('node', [join(root, 'apps/server/dist/keeping/main.js'), command, file], {
      env: { ...process.env, WF_DATA: this.#folder },
    });
  }

  get port(): number {
    return Number(this.#port);
  }

  /** Ends it at once, as a power cut does. */
  async kill(): Promise<void> {
    const child = this.#child;
    if (child?.pid === undefined) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    process.kill(child.pid, 'SIGKILL');
    await ended;
    this.#child = undefined;
  }

  async dispose(): Promise<void> {
    await this.kill();
    rmSync(this.#folder, { recursive: true, force: true });
  }
}

async function startServer(
  folder: string,
  port: string,
  more: Readonly<Record<string, string>> = {},
): Promise<{ readonly child: ChildProcess; readonly url: string }> {
  const child = spawn('node', [join(root, 'apps/server/dist/main.js')], {
    env: { ...process.env, WF_PORT: port, WF_DATA: folder, WF_DEMO: '1', WF_WEB: join(root, 'apps/web/dist'), ...more },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve, reject) => {
    child.once('exit', () => reject(new Error('The server ended before it listened.')));
    createInterface({ input: child.stdout }).on('line', (line) => {
      const found = /"listening":"([^"]+)"/.exec(line)?.[1];
      if (found !== undefined) resolve(found);
    });
  });
  return { child, url };
}

/** Each worker owns a server on a free port and a database of its own; it is ended by its pid. */
export const test = base.extend<Fixtures, { server: Server }>({
  server: [
    async ({}, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-e2e-'));
      const { child, url } = await startServer(folder, '0');
      const reedbed = await (await fetch(`${url}/api/aircraft/reedbed/export`)).text();
      const saltmarsh = await (await fetch(`${url}/api/aircraft/saltmarsh/export`)).text();
      const mudflat = await (await fetch(`${url}/api/aircraft/mudflat/export`)).text();
      await use({ url, reedbed, saltmarsh, mudflat });
      const ended = new Promise((resolve) => child.once('exit', resolve));
      if (child.pid !== undefined) process.kill(child.pid, 'SIGTERM');
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  ownServer: async ({}, use) => {
    const own = new OwnServer();
    await own.start();
    await use(own);
    await own.dispose();
  },
  aircraft: async ({ server }, use) => {
    await use(await imported(server.url, server.reedbed));
  },
  whole: async ({ server }, use) => {
    await use(await imported(server.url, server.saltmarsh));
  },
  mudflat: async ({ server }, use) => {
    await use(await imported(server.url, server.mudflat));
  },
  older: async ({ server }, use) => {
    const read = readAircraftFile(server.reedbed);
    if (!('design' in read)) throw new Error('Reedbed unreadable.');
    await use(await imported(server.url, writeAircraftFile(ofOlderParts(read.design))));
  },
  oneSupply: async ({ server }, use) => {
    const second = ['BAT2', 'BEC3', 'PWR3', 'W25', 'W26', 'W28'];
    const isSecond = (value: unknown): boolean => typeof value === 'object' && value !== null && second.includes(nameOf(value));
    const file = JSON.stringify(JSON.parse(server.saltmarsh), (key, value: unknown) => {
      // The thickest wires a size thinner, so that some are too thin.
      if (key === 'awg' && value === 10) return 12;
      if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
      return Object.fromEntries(Object.entries(value).filter(([, member]) => !isSecond(member)));
    });
    await use(await imported(server.url, file));
  },
});

/** The reference or tag of a thing in the file of an aircraft. */
function nameOf(value: object): string {
  if ('ref' in value) return String(value.ref);
  return 'tag' in value ? String(value.tag) : '';
}

async function imported(url: string, file: string): Promise<string> {
  const response = await fetch(`${url}/api/aircraft/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: file,
  });
  const created: unknown = await response.json();
  if (typeof created !== 'object' || created === null || !('id' in created)) throw new Error('The aircraft could not be copied.');
  return `${url}/aircraft/${String(created.id)}`;
}

export { expect };

/**
 * Waits until the findings, and what mends those in sight, are those of the document on the screen, everything is saved, and the sheet is
 * laid out. @param cards "all": until what mends those out of sight is there too
 */
export async function settled(page: Page, cards: 'in sight' | 'all' = 'in sight'): Promise<void> {
  await page.waitForFunction(
    (selector) => {
      const frame = document.querySelector<HTMLElement>('[data-testid=frame]');
      const sheet = document.querySelector<HTMLElement>('[data-testid=wiring]');
      if (frame === null) return false;
      const { docSeq, resultSeq, pending } = frame.dataset;
      const cards = [...document.querySelectorAll<HTMLElement>(selector)];
      if (cards.some(({ dataset }) => dataset['draftedFor'] !== docSeq)) return false;
      return docSeq === resultSeq && pending === '0' && (sheet === null || sheet.dataset['layoutSeq'] === docSeq);
    },
    `[data-drafted-for]${cards === 'all' ? '' : ':not([data-out-of-sight])'}`,
  );
}

/** Whether any of these findings has a remedy, also one that is out of sight. */
export async function haveRemedies(page: Page, mendable: Locator): Promise<boolean> {
  if ((await mendable.count()) === 0) await settled(page, 'all');
  return (await mendable.count()) > 0;
}

/** The checks that speak in the margin, in order. */
export function findings(page: Page): Promise<string[]> {
  return page
    .getByTestId('findings')
    .locator('[data-check]')
    .evaluateAll((rows) => rows.map((row) => row.getAttribute('data-check') ?? ''));
}

/** Presses Tab (or Shift Tab) until the element has the focus, as a person without a pointer does. */
export async function tabTo(page: Page, selector: string, key: 'Tab' | 'Shift+Tab' = 'Tab'): Promise<void> {
  const target = page.locator(selector).first();
  await target.waitFor();
  for (let presses = 0; presses < 150; presses++) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press(key);
  }
  throw new Error(`${selector} was not reached by ${key}.`);
}

/** Goes to a place of the wiring sheet with the arrow keys, each time towards it. */
export async function arrowTo(page: Page, selector: string): Promise<void> {
  const target = page.locator(selector);
  for (let presses = 0; presses < 120; presses++) {
    const away = await target.evaluate((element) => {
      const from = document.activeElement?.querySelector('circle, rect')?.getBoundingClientRect();
      const to = element.querySelector('circle, rect')?.getBoundingClientRect();
      if (element === document.activeElement || from === undefined || to === undefined) return undefined;
      return { x: to.x + to.width / 2 - from.x - from.width / 2, y: to.y + to.height / 2 - from.y - from.height / 2 };
    });
    if (away === undefined) break;
    const sideways = Math.abs(away.x) > 12;
    await page.keyboard.press(sideways ? (away.x > 0 ? 'ArrowRight' : 'ArrowLeft') : away.y > 0 ? 'ArrowDown' : 'ArrowUp');
  }
  await expect(target).toBeFocused();
}

/** Types a command into the entry line and takes the first completion. */
export async function enter(page: Page, command: string, expected: string): Promise<void> {
  await page.keyboard.press('/');
  await page.keyboard.type(command);
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText(expected);
  await page.keyboard.press('Enter');
}

/** The label of an item of an aircraft, as the server has it. */
export async function labelOf(page: Page, url: string, ref: string, aircraft = 'reedbed'): Promise<string> {
  const file = await (await page.request.get(`${url}/api/aircraft/${aircraft}/export`)).text();
  let label = '';
  JSON.parse(file, (_, value: unknown) => {
    if (typeof value === 'object' && value !== null && 'ref' in value && value.ref === ref && 'label' in value) label = String(value.label);
    return value;
  });
  return label;
}

/** Describes an item, as a person does who finds it by the entry line. */
export async function describeAs(page: Page, ref: string, text: string): Promise<void> {
  await enter(page, `find ${ref}`, `find ${ref.toUpperCase()}`);
  const field = page.getByLabel('Description');
  await field.fill(text);
  await field.press('Enter');
}

/**
 * What axe finds on the page, each with the elements it is about. The pages have no frames of other origins, so axe gathers its results in
 * the page itself, which takes half the time.
 */
export async function violations(page: Page): Promise<string[]> {
  const { violations: found } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return found.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`);
}
