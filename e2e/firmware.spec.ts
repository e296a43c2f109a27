import type { Page } from '@playwright/test';
import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

/** The lines that the page says to load, as a controller would write them out. */
async function linesToLoad(page: Page): Promise<string> {
  await expect(page.getByTestId('firmware-load')).toHaveAttribute('data-current', 'true');
  const lines = await page.locator('[data-line]').evaluateAll((rows) => rows.map((row) => row.getAttribute('data-line') ?? ''));
  return lines.filter((line) => line !== '').join('\n');
}

/** Until the dump is compared with the newest version. */
async function compared(page: Page): Promise<void> {
  await settled(page);
  await expect(page.getByTestId('read-back')).toHaveAttribute('data-current', 'true');
}

async function paste(page: Page, dump: string): Promise<void> {
  await page.getByLabel('Paste the text here, or drop a file').fill(dump);
  await page.getByRole('button', { name: 'Compare with the plan' }).first().click();
  await compared(page);
}

const drift = (page: Page, name: string) => page.locator(`[data-drift][data-name="${name}"]`);

test('a dump with three drifts is settled both ways, by pointer', async ({ page, whole }) => {
  await page.goto(`${whole}/firmware`);
  await settled(page);
  expect(await violations(page)).toEqual([]);
  const dump = await linesToLoad(page);
  // Each line says what it rests on, and leads there.
  await expect(page.locator('[data-line="P20.ROLE 31"]')).toContainText('FC1 link B: protocol MAVLink 2');
  await page.locator('[data-line="P20.ROLE 31"]').getByRole('link', { name: 'protocol of link B' }).click();
  await expect(page).toHaveURL(/links\/ports/);
  await page.goto(`${whole}/firmware/read-back`);
  await settled(page);
  expect(await violations(page)).toEqual([]);
  await paste(
    page,
    dump.replace('D10.REST 1500', 'D10.REST 1520').replace('LOST.ACT 3', 'LOST.ACT 6').replace('N1.LIES 100', 'N1.LIES 102'),
  );
  expect(await violations(page)).toEqual([]);
  await expect(page.getByRole('button', { name: '3 differ' })).toBeVisible();
  await expect(drift(page, 'D10.REST')).toContainText('trim is 1520 us in the aircraft; the plan has 1500 us.');
  await expect(drift(page, 'LOST.ACT')).toContainText('the plan has returns.');
  // The aircraft is right about the trim: the plan changes.
  await page.getByRole('button', { name: 'Take the aircraft for D10.REST' }).click();
  await compared(page);
  await expect(page.getByRole('button', { name: '2 differ' })).toBeVisible();
  await expect(page.getByTestId('drift-said')).toHaveText('1 line changed in the plan.');
  // The plan is right about the rest: what is to be loaded is these lines alone.
  await page.getByRole('button', { name: 'Take the plan for LOST.ACT' }).click();
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.getByRole('button', { name: 'Copy what is to be loaded' }).click();
  await expect(page.getByText('Copied.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('LOST.ACT 3\nKEEP\nWAKE\n');
  // Taking the aircraft's side is an edit like any other.
  await page.keyboard.press('Control+z');
  await compared(page);
  await expect(drift(page, 'D10.REST')).toHaveAttribute('data-drift', 'differs');
  await page.getByRole('button', { name: "Take the aircraft's side for all 3 shown" }).click();
  await compared(page);
  await expect(page.getByText('Nothing to settle: what was read is what is planned.')).toBeVisible();
  await page.setViewportSize({ width: 768, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
});

test('a pass that was missed is told, and bad lines keep their numbers; by keyboard', async ({ page, whole }) => {
  await page.goto(`${whole}/firmware`);
  await settled(page);
  const dump = await linesToLoad(page);
  await enter(page, 'go read-back', 'read-back');
  await settled(page);
  await tabTo(page, 'textarea');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('There is nothing to read: the text is empty.');
  // The second pass was never loaded: what needs the first one is as delivered.
  const missed = dump.replace('F1.FORE -20', 'F1.FORE 0').replace('F1.RIGHT -17', 'F1.RIGHT 0');
  await page.getByLabel('Paste the text here, or drop a file').fill(`${missed}\nP7.\u0007ROLE 1\nWHAT.EVER 7`);
  await page.getByLabel('Paste the text here, or drop a file').focus();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await compared(page);
  await expect(page.getByRole('button', { name: '2 lost by a missed pass' })).toBeVisible();
  await expect(drift(page, 'F1.FORE')).toContainText('a pass was missed: the controller was not restarted between "F1.BY 1" and this line');
  await tabTo(page, 'button:text("2 not understood")');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-drift="bad"]')).toContainText('has control characters');
  await expect(page.locator('[data-drift="unknown"]')).toContainText('WHAT.EVER');
});

test('dumps are kept with a note, compared with each other, taken out and put back', async ({ page, whole }) => {
  await page.goto(`${whole}/firmware`);
  await settled(page);
  const dump = `~ board ESTUARY7\n~ release 3.1\n${await linesToLoad(page)}`;
  await page.goto(`${whole}/firmware/read-back`);
  await settled(page);
  await paste(page, `${dump}\nGYRO.X.ZERO 12`);
  await page.getByRole('textbox', { name: 'Note' }).fill('before the first flight');
  await page.getByRole('button', { name: 'Keep this dump' }).click();
  const shelf = page.getByTestId('dump-shelf');
  await expect(shelf.locator('[data-dump]')).toHaveCount(1);
  await expect(shelf).toContainText('before the first flight');
  await compared(page);
  await page.getByText('Another dump').click();
  await paste(page, `${dump.replace('D10.REST 1500', 'D10.REST 1511')}\nGYRO.X.ZERO 14`);
  await page.getByRole('button', { name: 'Keep this dump' }).click();
  await expect(shelf.locator('[data-dump]')).toHaveCount(2);
  for (const box of await shelf.getByRole('checkbox').all()) await box.check();
  await shelf.getByRole('button', { name: 'Compare the two chosen with each other' }).click();
  const between = page.getByTestId('between-dumps');
  await expect(between).toHaveAttribute('data-ready', 'true');
  await expect(between.locator('[data-between]')).toHaveCount(2);
  await expect(between).toContainText('D10.REST 1511');
  await expect(between).toContainText('calibration');
  expect(await violations(page)).toEqual([]);
  await shelf
    .getByRole('button', { name: /^Take out the dump/ })
    .first()
    .click();
  await expect(shelf.locator('[data-dump]')).toHaveCount(1);
  await shelf.getByRole('button', { name: 'Put it back' }).click();
  await expect(shelf.locator('[data-dump]')).toHaveCount(2);
  // What was read is known to the aircraft: another version is planned, and a finding says so.
  await page.goto(`${whole}/firmware`);
  await settled(page);
  await page.getByLabel('Version').fill('3.2');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByText('FC1 has firmware version 3.1, and 3.2 is planned.')).toBeVisible();
});
