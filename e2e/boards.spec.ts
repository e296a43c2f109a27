import { type Page } from '@playwright/test';
import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

/** Waits until what is on the page is of the document that is shown. */
async function computed(page: Page, testId: 'boards' | 'move'): Promise<void> {
  await settled(page);
  await page.waitForFunction((id) => {
    const frame = document.querySelector<HTMLElement>('[data-testid=frame]');
    const shown = document.querySelector<HTMLElement>(`[data-testid=${id}]`);
    return frame !== null && shown !== null && shown.dataset['seq'] === frame.dataset['docSeq'];
  }, testId);
}

test('the controller of Mudflat is changed: ranked, planned, taken as one edit, and undone; by pointer', async ({ page, mudflat }) => {
  await page.goto(`${mudflat}/brief`);
  await settled(page);
  await page.getByRole('navigation', { name: 'Brief' }).getByRole('link', { name: 'Controllers' }).click();
  await computed(page, 'boards');
  const rows = page.locator('[data-board]');
  await expect(rows.first()).toContainText('in the aircraft now');
  await expect(rows.last()).toContainText('RX1 RC control');
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Plan the change to Controller H7 carrier, 8 serial' }).click();
  await computed(page, 'move');
  const move = page.getByTestId('move');
  await expect(move).toContainText('Every link and every function has a port or an output.');
  await expect(move.locator('[data-moved="RADIO1 telemetry"]')).toContainText('FC1 link 1FC1 link A');
  await expect(move.locator('[data-moved="motor 1"]')).toContainText('FC1 main 1');
  await expect(move.locator('[data-cable=W12]')).toContainText('Move the white wire from contact 3 to FC1 main 1 contact 1 (S).');
  await expect(move).toContainText('Unplug every pack and take the propellers off');
  expect(await violations(page)).toEqual([]);
  await move.getByRole('button', { name: 'Apply the change' }).click();
  await settled(page);
  await expect(move).toContainText('The change is made.');
  await expect(move.locator('[data-cable=W12]')).toContainText('re-pin');
  await page.goto(`${mudflat}/links`);
  await settled(page);
  await expect(page.locator('[data-chain="RADIO1 telemetry"]')).toContainText('FC1 link A');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(page.locator('[data-chain="RADIO1 telemetry"]')).toContainText('FC1 link 1');
});

test('a move is planned from the entry line and printed; a colleague changes the aircraft before it is taken; by keyboard', async ({
  page,
  mudflat,
  context,
}) => {
  await page.goto(`${mudflat}/wiring`);
  await settled(page);
  await enter(page, 'move to h7 wing', 'move to controller h7 wing board, servo regulator');
  await computed(page, 'move');
  const move = page.getByTestId('move');
  await expect(move).toContainText('FC1 becomes "Controller H7 wing board, servo regulator"');
  await page.emulateMedia({ media: 'print' });
  await expect(move.getByRole('button', { name: 'Apply the change' })).toBeHidden();
  await expect(move.locator('[data-cable=W32]')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  const other = await context.newPage();
  await other.goto(`${mudflat}/links`);
  await settled(other);
  await other.locator('[data-chain="CC1 companion"]').getByRole('button', { name: 'leave it out' }).click();
  await settled(other);
  await expect(move.locator('[data-moved="CC1 companion"]')).toHaveCount(0);
  await computed(page, 'move');
  await tabTo(page, '[data-testid=move] button.action:not([disabled])');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(move).toContainText('The change is made.');
  await page.keyboard.press('Control+z');
  await settled(page);
  await settled(other);
  await expect(other.locator('[data-chain="RADIO1 telemetry"]')).toContainText('FC1 link 1');
});

test('an aircraft without a controller is told what each would carry, and gets the best; a wanted port stays wanted', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('No controller yet');
  await page.keyboard.press('Enter');
  await settled(page);
  for (const name of ['RC receiver, CRSF full duplex', 'GNSS receiver, serial', 'Telemetry radio, 900 MHz class']) {
    await enter(page, `add ${name}`, `add ${name}`);
    await settled(page);
  }
  await enter(page, 'go brief boards', 'go brief boards');
  await computed(page, 'boards');
  await expect(page.getByText('No controller is in the aircraft yet')).toBeVisible();
  await page.getByRole('button', { name: 'Plan the change to Controller H7 carrier, 8 serial' }).click();
  await computed(page, 'move');
  await page.getByRole('button', { name: 'Apply the change' }).click();
  await settled(page);
  await enter(page, 'radio1 on aux c', 'RADIO1 on FC1 aux C');
  await settled(page);
  await expect(
    page.locator('[data-link="RADIO1 telemetry"]').getByRole('button', { name: /aux C: planned, fixed there by you/ }),
  ).toBeVisible();
  await page.reload();
  await settled(page);
  await expect(
    page.locator('[data-link="RADIO1 telemetry"]').getByRole('button', { name: /aux C: planned, fixed there by you/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Release all ports (1)' }).click();
  await settled(page);
  await expect(page.locator('[data-link="RADIO1 telemetry"]').getByRole('button', { name: /fixed there by you/ })).toHaveCount(0);
});
