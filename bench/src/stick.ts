import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { startServer } from './server.ts';
import { report, statsOf } from './stats.ts';

const FRAMES = 300;

/** From frame to frame on the page of linkages while its stick goes from end to end and back: 16.7 ms are 60 frames a second. */
export async function benchStick(root: string): Promise<void> {
  const { url, stop } = await startServer(root, { WF_DEMO: '1', WF_WEB: join(root, 'apps/web/dist') });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/aircraft/saltmarsh/outputs/linkages`);
  await page.getByTestId('linkage-motion').waitFor();
  await page.locator('.apexcharts-series path').first().waitFor();
  const frames = await page.evaluate(move, FRAMES);
  report('saltmarsh, linkages: from frame to frame while the stick moves', statsOf(frames), 'ms', 'p95 17 ms');
  await browser.close();
  await stop();
}

/** Moves the stick a little at each frame, as a hand does, and notes how long each took. */
async function move(count: number): Promise<readonly number[]> {
  const stick = document.querySelector<HTMLInputElement>('[data-testid=linkage-motion] input[type=range]');
  const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
  if (stick === null || write === undefined) throw new Error('There is no stick.');
  const [least, most] = [Number(stick.min), Number(stick.max)];
  const times: number[] = [];
  let last = await new Promise<number>(requestAnimationFrame);
  for (let n = 0; n < count; n++) {
    const share = 0.5 + 0.5 * Math.sin(n / 12);
    write.call(stick, String(Math.round(least + share * (most - least))));
    stick.dispatchEvent(new Event('input', { bubbles: true }));
    const now = await new Promise<number>(requestAnimationFrame);
    if (n >= 20) times.push(now - last);
    last = now;
  }
  return times;
}
