import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { dumpOf } from './firmware.ts';
import { startServer } from './server.ts';
import { report, statsOf } from './stats.ts';

const DEMO = ['reedbed', 'saltmarsh', 'mudflat'];
/** Presses that are measured, and those before them, while the code is not compiled yet. */
const PRESSES = 100;
const FIRST = 20;

/** Ms after a key was pressed. */
interface Noted {
  readonly picture: number;
  readonly findings: number;
}

/** What a hand does on a page, again and again: it comes there, and presses these keys in turn. */
interface Story {
  readonly page: string;
  readonly come: (page: Page) => Promise<void>;
  readonly keys: readonly string[];
}

const STORIES: readonly Story[] = [
  {
    page: 'layout',
    come: async (page) => page.locator('svg[aria-label="Plan view, nose up"] [data-item]').first().focus(),
    keys: ['ArrowRight', 'ArrowLeft'],
  },
  { page: 'power', come: addServo, keys: ['Control+z', 'Control+y'] },
  { page: 'links', come: addServo, keys: ['Control+z', 'Control+y'] },
  { page: 'links/channels', come: choose('Stick mode', '4'), keys: ['Control+z', 'Control+y'] },
  { page: 'links/modes', come: choose('Control comes back', 'signal'), keys: ['Control+z', 'Control+y'] },
  { page: 'outputs', come: rateOfBank, keys: ['Control+z', 'Control+y'] },
  { page: 'outputs/linkages', come: otherHole, keys: ['Control+z', 'Control+y'] },
  { page: 'links/picture', come: addField, keys: ['Control+z', 'Control+y'] },
  { page: 'firmware', come: systemId, keys: ['Control+z', 'Control+y'] },
  { page: 'firmware/read-back', come: readBack, keys: ['Control+z', 'Control+y'] },
];

/** Another system id, on the page of what is to be loaded. */
async function systemId(page: Page): Promise<void> {
  await page.getByLabel('System id').fill('9');
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { level: 2 }).first().click();
  await settled(page);
}

/** What the plan says, read back from the controller and compared, with a system id that was set since. */
async function readBack(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'What to load' }).click();
  await page.locator('[data-testid=firmware-load][data-current=true]').waitFor();
  const dump = await planText(page);
  await systemId(page);
  await page.getByRole('link', { name: 'Read back' }).click();
  await compare(page, dump);
  await page.getByRole('heading', { level: 2 }).first().click();
  await settled(page);
}

/** An edit of the RC plan to take back and to make again. */
function choose(label: string, value: string): (page: Page) => Promise<void> {
  return async (page) => {
    await page.getByLabel(label).selectOption(value);
    await page.getByRole('heading', { level: 2 }).first().click();
    await settled(page);
  };
}

/** A field of the picture, put on or taken off. */
async function addField(page: Page): Promise<void> {
  await page.getByRole('region', { name: 'Fields' }).locator('input:enabled').first().click();
  await page.getByRole('heading', { level: 2 }).first().click();
  await settled(page);
}

/** Another hole of the first servo's arm. */
async function otherHole(page: Page): Promise<void> {
  await page.getByRole('group', { name: 'Hole of the arm' }).getByRole('button', { name: '8 mm', exact: true }).click();
  await page.getByRole('heading', { level: 2 }).first().click();
  await settled(page);
}

/** Another pulse of the first bank. */
async function rateOfBank(page: Page): Promise<void> {
  await page.locator('[data-bank] select').first().selectOption('PWM');
  await page
    .getByLabel(/^Rate of bank/)
    .first()
    .fill('51');
  await page
    .getByLabel(/^Rate of bank/)
    .first()
    .press('Enter');
  await page.getByRole('heading', { level: 2 }).first().click();
  await settled(page);
}

/** An edit to take back and to make again. */
async function addServo(page: Page): Promise<void> {
  await page.keyboard.press('/');
  await page.keyboard.type('add servo 9g');
  await page.getByRole('option').first().waitFor();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await settled(page);
}

/**
 * From a key to the picture that it changes, and to the findings, in the real page on the real server, by one hand that waits for what
 * it sees. The browser with its worker and the server share the processors.
 */
export async function benchPages(root: string): Promise<void> {
  const { url, stop } = await startServer(root, { WF_DEMO: '1', WF_WEB: join(root, 'apps/web/dist') });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  for (const story of STORIES) {
    for (const aircraft of DEMO) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
      const page = await context.newPage();
      await page.goto(`${url}/aircraft/${aircraft}/${story.page}`);
      await settled(page);
      await story.come(page);
      const noted = await pressed(page, story.keys);
      const what = `${aircraft}, ${story.page}: from key to`;
      report(`${what} picture`, statsOf(noted.map(({ picture }) => picture)), 'ms', 'p95 50 ms');
      report(`${what} findings`, statsOf(noted.map(({ findings }) => findings)), 'ms', 'p95 100 ms');
      await context.close();
    }
  }
  await browser.close();
  await stop();
}

const DUMP_LINES = 10_000;
const DUMPS = 25;

/** A dump of 10,000 lines on the page: from the choice of the file until the drift is shown, read and compared in the worker. */
export async function benchReadBack(root: string): Promise<void> {
  const { url, stop } = await startServer(root, { WF_DEMO: '1', WF_WEB: join(root, 'apps/web/dist') });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })).newPage();
  await page.goto(`${url}/aircraft/saltmarsh/firmware`);
  await page.locator('[data-testid=firmware-load][data-current=true]').waitFor();
  const dump = dumpOf(await planText(page), DUMP_LINES);
  await page.getByRole('link', { name: 'Read back' }).click();
  const taken: number[] = [];
  for (let n = 0; n < DUMPS; n += 1) {
    // Another text each time, so that nothing is known of it.
    taken.push(await compare(page, `${dump}\nTUNE.RUN ${n}`));
  }
  report('saltmarsh, firmware/read-back: 10,000 lines, from file to drift', statsOf(taken.slice(3)), 'ms', '300 ms');
  await browser.close();
  await stop();
}

/** The lines that the page says to load. */
async function planText(page: Page): Promise<string> {
  const lines = await page.locator('[data-line]').evaluateAll((rows) => rows.map((row) => row.getAttribute('data-line') ?? ''));
  return lines.filter((line) => line !== '').join('\n');
}

/** Opens a file with a dump. Gives the ms from then until the drift of the dump is shown. */
async function compare(page: Page, dump: string): Promise<number> {
  await page.getByTestId('read-back').evaluate((main) => {
    window.wfDrift = new Promise((resolve) => {
      let from = 0;
      // Shown in the same frame or not: a drift of before is current until another dump is there.
      let isNew = main.dataset['current'] === 'false';
      document.addEventListener('change', () => (from = performance.now()), { once: true, capture: true });
      const watcher = new MutationObserver(() => {
        isNew ||= main.dataset['current'] === 'false';
        if (from === 0 || !isNew || main.dataset['current'] !== 'true') return;
        watcher.disconnect();
        resolve(performance.now() - from);
      });
      watcher.observe(main, { attributes: true });
    });
  });
  await page
    .getByLabel('File with a dump')
    .first()
    .setInputFiles({ name: 'dump.txt', mimeType: 'text/plain', buffer: Buffer.from(dump, 'utf8') });
  return page.evaluate(() => window.wfDrift ?? Promise.reject(new Error('Nobody watches the drift.')));
}

async function pressed(page: Page, keys: readonly string[]): Promise<readonly Noted[]> {
  await page.evaluate(watch);
  const noted: Noted[] = [];
  for (let n = 0; n < FIRST + PRESSES; n++) {
    await page.keyboard.press(keys[n % keys.length] ?? '');
    const one = await page.evaluate(next);
    if (n >= FIRST) noted.push(one);
  }
  return noted;
}

/** Until the findings are those of the document, and nothing waits to be sent. */
async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const frame = document.querySelector<HTMLElement>('[data-testid=frame]')?.dataset;
    return frame?.['docSeq'] !== undefined && frame['docSeq'] === frame['resultSeq'] && frame['pending'] === '0';
  });
}

declare global {
  interface Window {
    wfNext?: () => Promise<Noted>;
    wfDrift?: Promise<number>;
  }
}

/** In the page: notes after each key when what follows from it is painted. */
function watch(): void {
  const frame = document.querySelector<HTMLElement>('[data-testid=frame]');
  if (frame === null) throw new Error('There is no aircraft on this page.');
  let pressedAt = 0;
  let picture: number | undefined;
  let done: ((noted: Noted) => void) | undefined;
  let last: Noted | undefined;
  window.addEventListener('keydown', ({ timeStamp }) => (pressedAt = timeStamp), { capture: true });
  /** A task after the next frame: what was changed before it has been painted then. */
  const painted = (then: (ms: number) => void): void => {
    const from = pressedAt;
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => then(performance.now() - from);
      port2.postMessage('');
    });
  };
  let [seenDoc, seenResult] = [frame.dataset['docSeq'], frame.dataset['resultSeq']];
  new MutationObserver(() => {
    const { docSeq, resultSeq } = frame.dataset;
    if (docSeq !== seenDoc) painted((ms) => (picture = ms));
    if (resultSeq !== seenResult && resultSeq === docSeq)
      painted((ms) => {
        last = { picture: picture ?? ms, findings: ms };
        done?.(last);
      });
    [seenDoc, seenResult] = [docSeq, resultSeq];
  }).observe(frame, { attributes: true });
  window.wfNext = () =>
    new Promise((resolve) => {
      done = (noted) => {
        done = undefined;
        last = undefined;
        resolve(noted);
      };
      if (last !== undefined) done(last);
    });
}

/** In the page: what was noted of the last key, a moment later, so that the next one finds it at rest. */
async function next(): Promise<Noted> {
  const noted = await window.wfNext?.();
  if (noted === undefined) throw new Error('Nobody watches this page.');
  await new Promise((resolve) => setTimeout(resolve, 120));
  return noted;
}
