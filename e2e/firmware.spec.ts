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
  // On paper every line is there, though the screen draws those in sight only.
  const all = Number(await page.getByTestId('drift-lines').getAttribute('data-count'));
  expect(await page.locator('[data-drift]').count()).toBeLessThan(all);
  await page.evaluate(() =>
    addEventListener('beforeprint', () => {
      document.body.dataset['printed'] = String(document.querySelectorAll('[data-drift]').length);
    }),
  );
  await page.pdf({ preferCSSPageSize: true });
  expect(await page.locator('body').getAttribute('data-printed')).toBe(String(all));
  await expect(page.getByTestId('drift-lines')).toHaveAttribute('data-count', String(all));
  // The plan is right about the rest: what is to be loaded is these lines alone.
  await page.getByRole('button', { name: 'Take the plan for LOST.ACT' }).click();
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.getByRole('button', { name: 'Copy the lines to load' }).click();
  await expect(page.getByText('Copied.')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('LOST.ACT 3\nKEEP\nWAKE\n');
  // Taking the aircraft's side is an edit like any other.
  await page.keyboard.press('Control+z');
  await compared(page);
  await expect(drift(page, 'D10.REST')).toHaveAttribute('data-drift', 'differs');
  await page.getByRole('button', { name: "Take the aircraft's side for all 3 shown" }).click();
  await compared(page);
  await expect(page.getByText('Nothing to settle: the dump matches the plan.')).toBeVisible();
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

test('what was read is compared with the plan of a colleague as soon as it changes, and nothing of it is lost', async ({ page, whole }) => {
  await page.goto(`${whole}/firmware`);
  await settled(page);
  const dump = await linesToLoad(page);
  const other = await page.context().newPage();
  await other.goto(`${whole}/firmware`);
  await settled(other);
  await page.goto(`${whole}/firmware/read-back`);
  await settled(page);
  await paste(page, dump);
  await expect(page.getByText('Nothing to settle: the dump matches the plan.')).toBeVisible();
  await other.getByLabel('System id').fill('9');
  await other.keyboard.press('Enter');
  await settled(other);
  await expect(drift(page, 'CRAFT.NUMBER')).toContainText('the plan has 9');
  await compared(page);
  await page.getByRole('button', { name: 'Take the aircraft for CRAFT.NUMBER' }).click();
  await compared(page);
  await expect(page.getByText('Nothing to settle: the dump matches the plan.')).toBeVisible();
  await expect(other.getByLabel('System id')).toHaveValue(/^1?$/);
  await other.close();
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
    .getByRole('button', { name: /^Remove the dump/ })
    .first()
    .click();
  await expect(shelf.locator('[data-dump]')).toHaveCount(1);
  await shelf.getByRole('button', { name: 'Restore it' }).click();
  await expect(shelf.locator('[data-dump]')).toHaveCount(2);
  // What was read is known to the aircraft: another version is planned, and a finding says so.
  await page.goto(`${whole}/firmware`);
  await settled(page);
  await page.getByLabel('Version').fill('3.2');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByText('FC1 has firmware version 3.1, and 3.2 is planned.')).toBeVisible();
});

test('an aircraft is begun with a dump, and the next of a series gets what is not of the first alone', async ({ page, whole }) => {
  await page.goto(`${whole}/firmware`);
  await settled(page);
  const dump = `~ board ESTUARY7\n${await linesToLoad(page)}\nGYRO.X.ZERO 12\nGYRO.Y.ZERO 3`;
  await page.goto(`${whole}/firmware/read-back`);
  await settled(page);
  await paste(page, dump);
  await page.getByRole('button', { name: 'For the next aircraft of the series' }).click();
  const series = page.getByTestId('series');
  await expect(series).toHaveAttribute('data-ready', 'true');
  await expect(series).toContainText('2 lines belong to this aircraft alone and are left out.');
  await expect(series).toContainText('Keep the aircraft still during start-up');
  await expect(series.getByRole('button', { name: 'Copy pass 2' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  // Another aircraft from the same dump.
  await page.goto(new URL('/', page.url()).href);
  await page.getByRole('link', { name: 'Aircraft from a dump' }).click();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('textbox', { name: 'Name' }).fill('Found on the shelf');
  await page.getByLabel('Board').selectOption({ label: 'Controller H7 carrier, 8 serial' });
  await page.getByRole('button', { name: 'Propose an aircraft' }).click();
  await expect(page.getByRole('alert')).toHaveText('There is nothing to read: the text is empty.');
  await page.getByLabel('Paste the text here, or drop a file').fill(dump);
  await page.getByRole('button', { name: 'Propose an aircraft' }).click();
  const proposal = page.getByTestId('proposal');
  await expect(proposal).toContainText('GNSS1 (GNSS receiver) at FC1 pos E: the port is set to GNSS binary.');
  expect(await violations(page)).toEqual([]);
  await proposal.getByRole('button', { name: 'Create this aircraft' }).click();
  await settled(page);
  await expect(page.getByText('Found on the shelf')).toBeVisible();
  await paste(page, dump);
  await expect(page.getByText('Nothing to settle: the dump matches the plan.')).toBeVisible();
});

test('a dialect is copied, a code changed, and the text changes; errors stand at their line; by pointer and by keyboard', async ({
  page,
  whole,
}) => {
  await page.goto(`${whole}/firmware/dialect`);
  await settled(page);
  expect(await violations(page)).toEqual([]);
  const lines = page.getByRole('textbox', { name: 'Lines of the dialect' });
  await expect(lines).toHaveAttribute('aria-readonly', 'true');
  await page.getByRole('button', { name: 'Copy it, and use the copy here' }).click();
  await expect(page.getByRole('heading', { name: 'Dialect: Numbered ports, own' })).toBeVisible();
  await settled(page);
  // A code is changed: the lines of this aircraft that hold it change.
  await page.getByRole('combobox', { name: 'Table' }).selectOption('roles');
  await page.getByLabel('MAVLink 2', { exact: true }).fill('77');
  const preview = page.getByTestId('dialect-preview').last();
  await expect(preview.locator('[data-changed="P20.ROLE 77"]')).toContainText('P20.ROLE 31');
  await expect(preview.locator('[data-changed]')).toHaveCount(2);
  // A draft has an undo of its own, before anything is saved.
  await page.getByRole('button', { name: 'Undo in the draft' }).click();
  await expect(page.getByLabel('MAVLink 2', { exact: true })).toHaveValue('31');
  await expect(preview).toContainText('No line of this aircraft changes');
  await page.getByRole('button', { name: 'Redo in the draft' }).click();
  await expect(page.getByLabel('MAVLink 2', { exact: true })).toHaveValue('77');
  // What has no table of its own is changed in the text of all tables; while that is broken its line is named and codes wait.
  const tables = page.getByRole('textbox', { name: 'Tables of the dialect' });
  await tables.click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  await page.keyboard.press('Backspace');
  await expect(page.getByText('Line 3: This is not valid JSON: comma expected.')).toBeVisible();
  await expect(page.getByLabel('MAVLink 2', { exact: true })).not.toBeEditable();
  await page.keyboard.type(', "versions": "2.x",');
  await expect(page.getByLabel('MAVLink 2', { exact: true })).toBeEditable();
  await expect(page.getByTestId('draft-problems')).toHaveAttribute('data-count', '0');
  // Two dumps teach the code of another protocol.
  const taught = page.getByTestId('teach');
  await taught.getByText('Teach it from two dumps').click();
  await taught.getByLabel('Which port').selectOption('C');
  await taught.getByLabel('Before').first().selectOption('none');
  await taught.getByLabel('After').first().selectOption('gimbal');
  await taught.getByLabel('Dump before the change').fill('P23.ROLE 0\nP20.ROLE 77');
  await taught.getByLabel('Dump after the change').fill('P23.ROLE 86\nP20.ROLE 77');
  await taught.getByRole('button', { name: 'Find the rule' }).click();
  await expect(taught.locator('[data-lesson]')).toContainText('protocol: nothing is written 0; gimbal control is written 86.');
  await taught.getByRole('button', { name: 'Add this rule to the dialect' }).click();
  await expect(page.getByLabel('gimbal control', { exact: true })).toHaveValue('86');
  // A test that a person writes down: not met at first.
  await page.getByRole('textbox', { name: 'Tests of the dialect' }).click();
  await page.keyboard.type('port on ESTUARY7: port=B role=mavlink-2 -> P20.ROLE 31');
  await expect(page.getByTestId('expected')).toHaveAttribute('data-unmet', '1');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await page.keyboard.type('77');
  await expect(page.getByTestId('expected')).toHaveAttribute('data-met', '1');
  // A line that does not hold together is marked at its place, and is not saved.
  await lines.click();
  // Undo in the field leaves the lines that were there.
  await page.keyboard.press('Control+z');
  await expect(lines).toContainText('airframe (airframe; delivered 0) CRAFT.SHAPE {kind}');
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  await page.keyboard.type(' {nothing');
  await expect(page.getByTestId('draft-problems')).toContainText('Line 2: Line "airframe": A "{" is not closed.');
  await expect(page.locator('.cm-lint-marker-error')).toBeVisible();
  const save = page.getByRole('button', { name: /^Save as revision 2/ });
  // What is not saved yet outlives a reload.
  await page.reload();
  await settled(page);
  await expect(page.getByTestId('draft-problems')).toContainText('Line 2: Line "airframe": A "{" is not closed.');
  await expect(save).toBeDisabled();
  expect(await violations(page)).toEqual([]);
  await lines.click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  for (let n = 0; n < ' {nothing'.length; n += 1) await page.keyboard.press('Backspace');
  await expect(page.getByTestId('draft-problems')).toHaveAttribute('data-count', '0');
  await save.click();
  await expect(page.getByText('Revision 2 of the workshop')).toBeVisible();
  await settled(page);
  await expect(tables).toContainText('"versions": "2.x"');
  await page.goto(`${whole}/firmware`);
  await settled(page);
  await expect(page.locator('[data-line="P20.ROLE 77"]')).toBeVisible();
  // The edit that took the revision can be undone: the dialect page then offers the newer one.
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(page.locator('[data-line="P20.ROLE 31"]')).toBeVisible();
  await page.goto(`${whole}/firmware/dialect`);
  await settled(page);
  await expect(page.getByTestId('dialect-preview').first()).toContainText('2 of 130 lines of this aircraft change.');
  // From an older revision nothing is saved over the newer one.
  await expect(page.getByText('An older revision; revision 2 is the newest.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Save as revision/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Use the newer revision' }).click();
  await settled(page);
  await expect(page.getByText('Revision 2 of the workshop')).toBeVisible();
});

test('companion and radios have their steps and their texts, which follow the plan', async ({ page, whole }) => {
  await page.goto(`${whole}/firmware/companions`);
  await settled(page);
  const companion = page.locator('[data-setup="CC1"]');
  await expect(companion).toContainText('Device /dev/ttyS1. 921600 baud. It connects to FC1 link B.');
  await expect(page.locator('[data-setup="RADIO1"]')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await companion.getByText('The text', { exact: true }).click();
  await expect(companion.locator('pre')).toContainText('[serial UART2]');
  await companion.getByRole('link', { name: 'baud of FC1 link B' }).click();
  await expect(page).toHaveURL(/links\/ports/);
});
