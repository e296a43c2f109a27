import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { describeAs, expect, labelOf, settled, test, violations } from './bench.ts';

const BUILT = join(import.meta.dirname, '../apps/web/dist');

async function savedState(page: Page, text: string): Promise<void> {
  await expect(page.getByTestId('saved-state')).toContainText(text);
}

/** Waits until the browser holds the application and the document as it is on the screen. */
async function keptByBrowser(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  const shown = Number(await page.getByTestId('frame').getAttribute('data-version'));
  await expect.poll(() => page.evaluate(versionsKept)).toContain(shown);
}

/** The versions of the documents that the browser holds. Runs in the page. */
function versionsKept(): Promise<number[]> {
  return new Promise((resolve, reject) => {
    const opening = indexedDB.open('wired-falcon-edits');
    opening.onerror = () => reject(new Error('The browser has no database.'));
    opening.onsuccess = () => {
      const all = opening.result.transaction('copies').objectStore('copies').getAll();
      all.onsuccess = () => {
        opening.result.close();
        resolve(all.result.map((copy: { loaded: { version: number } }) => copy.loaded.version));
      };
    };
  });
}

/** The first pages that the browser holds. Runs in the page. */
async function pagesKept(): Promise<string[]> {
  const texts: string[] = [];
  for (const name of await caches.keys()) {
    const found = await (await caches.open(name)).matchAll('/index.html', { ignoreSearch: true });
    for (const one of found) texts.push(await one.text());
  }
  return texts;
}

test.describe('with the application kept by the browser', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a page is loaded again while the server is away: it opens, works, keeps, and delivers later', async ({ page, ownServer }) => {
    await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
    await settled(page);
    await describeAs(page, 'srv1', 'before');
    await settled(page);
    await keptByBrowser(page);
    await ownServer.kill();
    await page.reload();
    await savedState(page, 'the server does not answer');
    await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '1');
    await describeAs(page, 'srv1', 'while it was away');
    await savedState(page, '1 kept in this browser');
    await page.reload();
    await savedState(page, '1 kept in this browser');
    await expect(page.getByText('One edit of an earlier window')).toBeVisible();
    await page.getByRole('link', { name: /^Power/ }).click();
    await expect(page.getByRole('heading', { name: /Power/ }).first()).toBeVisible();
    await ownServer.start();
    await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '2');
    await savedState(page, 'saved');
    expect(await labelOf(page, ownServer.url, 'SRV1')).toBe('while it was away');
    expect(await labelOf(page, ownServer.url, 'SRV2')).not.toBe('while it was away');
  });

  test('a new build takes over at the next open, and the queue is there', async ({ context, ownServer }) => {
    const folder = mkdtempSync(join(tmpdir(), 'wired-falcon-build-'));
    cpSync(BUILT, folder, { recursive: true });
    await ownServer.kill();
    await ownServer.start({ WF_WEB: folder });
    const first = await context.newPage();
    await first.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
    await settled(first);
    await keptByBrowser(first);
    await ownServer.kill();
    await describeAs(first, 'srv1', 'made with the old build');
    await savedState(first, '1 kept in this browser');

    // The new build: another first page, and a service worker that knows it. The old one was not told of it.
    const page = readFileSync(join(folder, 'index.html'), 'utf8').replace('</head>', '<meta name="build" content="new"></head>');
    writeFileSync(join(folder, 'index.html'), page);
    const worker = readFileSync(join(folder, 'sw.js'), 'utf8');
    const changed = worker.replace(/(\{[^{}]*index\.html[^{}]*revision:")[^"]+|(revision:")[^"]+("[^{}]*index\.html)/, '$1$2new$3');
    expect(changed).not.toBe(worker);
    writeFileSync(join(folder, 'sw.js'), changed);
    await first.close();
    await ownServer.start({ WF_WEB: folder });
    const second = await context.newPage();
    await second.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
    await expect(second.locator('meta[name=build]')).toHaveAttribute('content', 'new');
    await expect(second.getByTestId('frame')).toHaveAttribute('data-version', '1');
    await settled(second);
    expect(await labelOf(second, ownServer.url, 'SRV1')).toBe('made with the old build');
    // Once no page of the old service worker is open the browser keeps the new build alone, also for when the server is away.
    await second.close();
    const third = await context.newPage();
    await third.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
    await expect.poll(() => third.evaluate(pagesKept)).toEqual([expect.stringContaining('name="build"')]);
    await ownServer.kill();
    await third.reload();
    await expect(third.locator('meta[name=build]')).toHaveAttribute('content', 'new');
    await savedState(third, 'the server does not answer');
    rmSync(folder, { recursive: true, force: true });
  });
});

test('the key of the workshop was changed: it is asked for in the page, and everything stays', async ({ page, ownServer }) => {
  const [old, fresh] = ['reed warbler at low tide', 'sedge warbler at high tide'];
  await ownServer.kill();
  await ownServer.start({ WF_ACCESS_KEY: old });
  await page.goto(`${ownServer.url}/`);
  await page.getByLabel('Access key').fill(old);
  await page.getByRole('button', { name: 'Open' }).click();
  await expect(page.getByRole('heading', { name: 'Hangar' })).toBeVisible();
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(page);
  await ownServer.kill();
  await ownServer.start({ WF_ACCESS_KEY: fresh });
  await describeAs(page, 'srv1', 'with the old key');
  const asked = page.getByRole('region', { name: 'Access key' });
  await expect(asked).toContainText('One edit waits, and is kept.');
  await savedState(page, '1 kept in this browser: the workshop needs its access key');
  expect(await violations(page)).toEqual([]);
  await asked.getByLabel('Access key').fill(old);
  await asked.getByLabel('Access key').press('Enter');
  await expect(asked.getByRole('alert')).toContainText('not the access key');
  await asked.getByLabel('Access key').fill(fresh);
  await asked.getByLabel('Access key').press('Enter');
  await expect(asked).toBeHidden();
  await savedState(page, 'saved');
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '1');
});

test('a workshop is restored under an open window: it says so and makes what was unsent again', async ({ page, ownServer }) => {
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(page);
  await describeAs(page, 'srv1', 'in the backup');
  await settled(page);
  ownServer.keep('backup', 'early.backup');
  await describeAs(page, 'srv1', 'after the backup');
  await settled(page);
  await ownServer.kill();
  await describeAs(page, 'srv2', 'never sent');
  ownServer.keep('restore', 'early.backup');
  await ownServer.start();
  await expect(page.getByText('The workshop was restored from a backup')).toBeVisible();
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '2');
  await settled(page);
  expect([await labelOf(page, ownServer.url, 'SRV1'), await labelOf(page, ownServer.url, 'SRV2')]).toEqual(['in the backup', 'never sent']);
});

test('a browser that keeps nothing says so, warns before the window closes, and shows every screen', async ({ page, ownServer }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'localStorage', {
      get: () => {
        throw new DOMException('Storage is blocked.', 'SecurityError');
      },
    });
    IDBFactory.prototype.open = () => {
      throw new DOMException('A private window keeps nothing.', 'InvalidStateError');
    };
  });
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(page);
  await ownServer.kill();
  await describeAs(page, 'srv1', 'nowhere but here');
  await savedState(page, '1 in this window only, leave it open: the server does not answer');
  const warned = page.waitForEvent('dialog');
  const closing = page.close({ runBeforeUnload: true });
  const dialog = await warned;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  await closing;
  await ownServer.start();
  await savedState(page, 'saved');
  expect(await labelOf(page, ownServer.url, 'SRV1')).toBe('nowhere but here');
  for (const path of ['/', '/workshop/parts', '/aircraft/reedbed/brief', '/aircraft/reedbed/documents']) {
    await page.goto(`${ownServer.url}${path}`);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect(page.getByText('This screen failed')).toBeHidden();
  }
});

test('on plain HTTP under another name, without service worker and locks, the queue works as it does elsewhere', async ({ ownServer }) => {
  await ownServer.kill();
  await ownServer.start({ WF_NAMES: 'bench.example' });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--host-resolver-rules=MAP bench.example 127.0.0.1'],
  });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const address = `http://bench.example:${ownServer.port}/aircraft/reedbed/wiring`;
  const [first, alive] = [await context.newPage(), await context.newPage()];
  for (const page of [first, alive]) {
    await page.goto(address);
    await settled(page);
  }
  expect(await first.evaluate(() => [window.isSecureContext, 'locks' in navigator, 'serviceWorker' in navigator])).toEqual([
    false,
    false,
    false,
  ]);
  await ownServer.kill();
  await alive.bringToFront();
  await describeAs(alive, 'srv2', 'of a window that lives');
  await savedState(alive, '1 kept in this browser');
  await first.bringToFront();
  await describeAs(first, 'srv1', 'of a window that was closed');
  await savedState(first, '1 kept in this browser');
  await first.close();
  await ownServer.start({ WF_NAMES: 'bench.example' });
  const second = await context.newPage();
  await second.goto(address);
  await expect(second.getByTestId('frame')).toHaveAttribute('data-version', '2');
  await settled(second);
  expect([await labelOf(second, ownServer.url, 'SRV1'), await labelOf(second, ownServer.url, 'SRV2')]).toEqual([
    'of a window that was closed',
    'of a window that lives',
  ]);
  await browser.close();
});

test('another program on the port takes nothing: the edits wait for the server', async ({ page, ownServer }) => {
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(page);
  await ownServer.kill();
  const { createServer } = await import('node:http');
  const asked: string[] = [];
  const stranger = createServer((request, response) => {
    asked.push(`${request.method ?? ''} ${request.url ?? ''}`);
    response.writeHead(404, { 'content-type': 'text/html' }).end('<h1>Another program</h1>');
  });
  await new Promise<void>((resolve) => stranger.listen(ownServer.port, '127.0.0.1', resolve));
  await describeAs(page, 'srv1', 'not for strangers');
  await expect.poll(() => asked.filter((line) => line.startsWith('POST')).length).toBeGreaterThan(1);
  await savedState(page, '1 kept in this browser: the server does not answer');
  stranger.closeAllConnections();
  await new Promise((resolve) => stranger.close(resolve));
  await ownServer.start();
  await savedState(page, 'saved');
  expect(await labelOf(page, ownServer.url, 'SRV1')).toBe('not for strangers');
});
