import { type Page } from '@playwright/test';
import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

/** Waits until the plan on the page is one of the document that is shown. */
async function planned(page: Page): Promise<void> {
  await settled(page);
  await page.waitForFunction(() => {
    const frame = document.querySelector<HTMLElement>('[data-testid=frame]');
    const board = document.querySelector<HTMLElement>('[data-testid=ports]');
    return frame !== null && board !== null && board.dataset['seq'] === frame.dataset['docSeq'];
  });
}

test('the plan of ports is read, taken, and undone; by pointer', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/links`);
  await settled(page);
  await page.getByRole('navigation', { name: 'Links' }).getByRole('link', { name: 'Port board' }).click();
  await planned(page);
  const board = page.getByTestId('ports');
  await expect(board).toContainText('Every link has a port.');
  expect(await violations(page)).toEqual([]);
  await board.getByRole('button', { name: /^CC1 companion on FC1 S6: wired there now/ }).click();
  await expect(board).toContainText('CC1 companion on FC1 S6: software port: bytes are lost at times.');
  await board.getByRole('button', { name: 'Apply the plan' }).click();
  await planned(page);
  await expect(board).toContainText('Everything is wired and set up as planned.');
  await page.getByRole('navigation', { name: 'Links' }).getByRole('link', { name: 'Chains' }).click();
  await expect(page.locator('[data-chain="RNG1 height"]')).toHaveAttribute('data-state', 'agrees');
  await expect(page.locator('[data-chain="CC1 companion"]')).toHaveAttribute('data-state', 'agrees');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(page.locator('[data-chain="RNG1 height"]')).toHaveAttribute('data-state', 'not-joined');
});

test('a link is kept on a port of your own choice, and the others give way; by keyboard', async ({ page, mudflat }) => {
  await page.goto(`${mudflat}/wiring`);
  await settled(page);
  await enter(page, 'solve ports', 'solve ports');
  await planned(page);
  const row = page.locator('[data-link="PAY1 payload"]');
  await expect(page.getByTestId('ports')).toContainText('PAY1 payload: FC1 pos 2');
  await tabTo(page, '[data-link="PAY1 payload"] button[aria-label^="PAY1 payload on FC1 link 3"]');
  await page.keyboard.press('Enter');
  await tabTo(page, '[aria-live=polite] button');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('ports')).toContainText('PAY1 payload: FC1 link 3');
  await expect(page.getByTestId('ports')).toContainText('RNG1 height above ground: FC1 pos 2');
  await expect(row.getByRole('button', { name: /link 3: planned, fixed there by you/ })).toBeVisible();
  await tabTo(page, '[data-testid=ports] button.action:not([disabled])', 'Shift+Tab');
  await page.keyboard.press('Enter');
  await planned(page);
  await expect(page.getByTestId('ports')).toContainText('Everything is wired and set up as planned.');
});

test("a colleague's edit makes a plan stale: it is solved again, and what is taken fits the newest document", async ({
  page,
  aircraft,
  context,
}) => {
  await page.goto(`${aircraft}/links/ports`);
  await planned(page);
  const other = await context.newPage();
  await other.goto(`${aircraft}/links`);
  await settled(other);
  await other.locator('[data-chain="CC1 companion"]').getByRole('button', { name: 'leave it out' }).click();
  await settled(other);
  await expect(page.locator('[data-link="CC1 companion"]')).toHaveCount(0);
  await planned(page);
  await page.getByRole('button', { name: 'Apply the plan' }).click();
  await planned(page);
  await expect(page.getByTestId('ports')).toContainText('Everything is wired and set up as planned.');
  await settled(other);
  await expect(other.locator('[data-chain="RNG1 height"]')).toHaveAttribute('data-state', 'agrees');
});

const DEVICES: readonly (readonly [typed: string, ref: string])[] = [
  ['RC receiver, CRSF full duplex', 'RX1'],
  ['GNSS receiver, serial', 'GNSS1'],
  ['GNSS receiver with compass, serial and I2C', 'GNSS2'],
  ['Rangefinder, serial, 40 m', 'RNG1'],
  ['Telemetry radio, 900 MHz class', 'RADIO1'],
  ['Telemetry radio, 433 MHz class', 'RADIO2'],
  ['Companion, small, 5 V 2.5 A', 'CC1'],
  ['Digital video air unit', 'VTX1'],
  ['Gimbal, serial control', 'PAY1'],
  ['Telemetry radio, 433 MHz class', 'RADIO3'],
];

test('a new aircraft of ten serial devices is short by two; a part gives way, and the plan wires the others; by pointer', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Ten devices');
  await page.keyboard.press('Enter');
  await settled(page);
  await enter(page, 'solve ports', 'solve ports');
  await planned(page);
  const board = page.getByTestId('ports');
  await expect(board).toContainText('No controller in the aircraft: there are no ports.');
  await enter(page, 'add Controller H7 carrier, 8 serial', 'add Controller H7 carrier, 8 serial');
  await planned(page);
  await expect(board).toContainText('Nothing needs a port yet.');
  for (const [name, ref] of DEVICES) {
    await enter(page, `add ${name}`, `add ${name}`);
    await planned(page);
    await expect(page.locator(`[data-link^="${ref} "]`).first()).toBeVisible();
  }
  await expect(board).toContainText('get no port.');
  const leftOut = page.locator('[data-link][data-planned=none]');
  const before = await leftOut.count();
  expect(before).toBeGreaterThan(0);
  expect(await violations(page)).toEqual([]);
  await expect(board.getByRole('link', { name: 'Which controller has a port for each link, and at what cost' })).toBeVisible();
  await board.getByRole('button', { name: 'Replace RNG1' }).first().click();
  await planned(page);
  await expect(leftOut).toHaveCount(before - 1);
  await board.getByRole('button', { name: 'Apply the plan' }).click();
  await planned(page);
  await expect(board).toContainText('Everything is wired and set up as planned.');
  await page.getByRole('navigation', { name: 'Links' }).getByRole('link', { name: 'Chains' }).click();
  for (const chain of ['RX1 rc', 'GNSS1 position', 'RNG1 height']) {
    await expect(page.locator(`[data-chain="${chain}"]`)).toHaveAttribute('data-state', 'agrees');
  }
});
