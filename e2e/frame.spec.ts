import { enter, expect, findings, settled, tabTo, test, violations } from './bench.ts';

test('undo and redo hold over a reload', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await page.getByRole('button', { name: 'Set RADIO1 to 115200' }).click();
  await settled(page);
  expect(await findings(page)).not.toContain('link.baud-mismatch');
  await page.reload();
  await settled(page);
  expect(await findings(page)).not.toContain('link.baud-mismatch');
  await page.keyboard.press('Control+z');
  await settled(page);
  expect(await findings(page)).toContain('link.baud-mismatch');
  await page.reload();
  await settled(page);
  expect(await findings(page)).toContain('link.baud-mismatch');
  await expect(page.getByRole('button', { name: /^undo/ })).toBeDisabled();
  await page.keyboard.press('Control+y');
  await settled(page);
  expect(await findings(page)).not.toContain('link.baud-mismatch');
});

test('what another window does arrives here', async ({ page, context, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  const other = await context.newPage();
  await other.goto(aircraft);
  await settled(other);
  await other.getByRole('button', { name: 'Set RADIO1 to 115200' }).click();
  await settled(other);
  await page.bringToFront();
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '1');
  await settled(page);
  expect(await findings(page)).not.toContain('link.baud-mismatch');
});

test('a finding is accepted with a reason, a stop with its words typed, and taken back', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  const count = (await findings(page)).length;
  const stop = page.locator('[data-check="power.parallel-regulators"]');
  await stop.getByRole('button', { name: 'Accept, with a reason' }).click();
  await stop.getByLabel('Reason').fill('both are the same kind');
  await expect(stop.getByRole('button', { name: 'Accept', exact: true })).toBeDisabled();
  await stop.getByLabel(/Type "accept this stop"/).fill('accept this stop');
  await stop.getByRole('button', { name: 'Accept', exact: true }).click();
  await settled(page);
  await expect(page.getByRole('heading', { name: 'Accepted: 1' })).toBeVisible();
  await expect(page.getByRole('heading', { name: `Findings: ${count - 1}` })).toBeVisible();
  await page.getByRole('button', { name: 'withdraw' }).click();
  await settled(page);
  await expect(page.getByRole('heading', { name: `Findings: ${count}` })).toBeVisible();
});

test('a cable is pulled, fitted, swapped and re-pinned in its ladder', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await page.getByRole('button', { name: 'Cable W10' }).click();
  await page.getByRole('link', { name: 'Open pin ladder' }).click();
  await tabTo(page, '[data-ladder="RADIO1.1"]');
  await page.keyboard.press('x');
  await settled(page);
  await expect(page.getByTestId('findings')).toContainText('the two share no ground');
  await page.getByRole('button', { name: 'Re-pin by signal', exact: true }).first().click();
  await settled(page);
  expect(await findings(page)).toEqual(['wire.look-alike']);
  await page.getByRole('button', { name: 'Supply pin pulled' }).click();
  await settled(page);
  await expect(page.locator('[data-ladder="RADIO1.4"]')).not.toContainText('V 5.00');
  await page.getByRole('button', { name: /^undo/ }).click();
  await tabTo(page, '[data-ladder="RADIO1.1"]');
  await page.keyboard.press('c');
  await settled(page);
  await expect(page.getByRole('button', { name: 'Pin 1 GND of RADIO1 UART, contact pulled' })).toBeVisible();
  await page.keyboard.press('Delete');
  await settled(page);
  await expect(page.getByLabel('Margin').getByText('3, AWG 28')).toBeVisible();
});

test('an aircraft is made from nothing, and every empty screen says what to do first', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Tern');
  await page.getByRole('button', { name: 'Create' }).click();
  await settled(page);
  await expect(page.getByText('First add the parts')).toBeVisible();
  await enter(page, 'add controller f4 wing', 'add Controller F4 wing board');
  await enter(page, 'add servo 12g x2', 'add Servo 12 g, metal gear x2');
  await settled(page);
  await enter(page, 'srv1 > out 1', '3 conductors by signal');
  await settled(page);
  await expect(page.locator('[data-item="SRV1"]')).toBeVisible();
  await page.getByRole('link', { name: 'Hangar' }).click();
  await expect(page.getByTestId('hangar').locator('tr', { hasText: 'Tern' })).toContainText('3');
});

test('the entry line offers what makes most sense first, Escape empties it, and a slash begins anew', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Plover');
  await page.getByRole('button', { name: 'Create' }).click();
  await settled(page);
  for (const [text, effect] of [
    ['add controller f4 wing', 'add Controller F4 wing board'],
    ['add servo 12g x2', 'add Servo 12 g, metal gear x2'],
  ] as const)
    await enter(page, text, effect);
  await settled(page);
  const line = page.getByRole('combobox', { name: 'Entry line' });
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await expect(line).toBeFocused();
  await page.keyboard.type('srv1 > fc1');
  // What Enter will do is told before it is pressed: the output, with all of its conductors.
  await expect(page.getByRole('option').first()).toContainText('SRV1 lead > FC1 out 1');
  await expect(page.getByRole('option').first()).toContainText('3 conductors by signal');
  await page.keyboard.press('Escape');
  await expect(line).toHaveValue('');
  await expect(line).not.toBeFocused();
  // Left with a click, it keeps what was typed; a slash marks it, and typing takes its place.
  await page.keyboard.press('/');
  await page.keyboard.type('srv2 > fc');
  await page.mouse.click(700, 15);
  await expect(line).not.toBeFocused();
  await page.keyboard.press('/');
  await page.keyboard.type('srv2 > fc1');
  await expect(line).toHaveValue('srv2 > fc1');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.locator('[data-item="SRV2"]')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('an aircraft file goes out and comes in; another file is refused in a sentence', async ({ page, server, aircraft }) => {
  await page.goto(`${aircraft}/documents`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export Reedbed' }).click();
  const file = await (await download).path();
  await page.goto(server.url);
  await page
    .getByLabel('Aircraft file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"other"}') });
  await expect(page.getByRole('alert')).toContainText('The file is not an aircraft');
  await page.getByLabel('Aircraft file').setInputFiles(file);
  await settled(page);
  await expect(page.getByRole('heading', { name: 'Reedbed' })).toBeVisible();
});

test('a document prints without the frame, with aircraft and date on the page', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/documents`);
  await page.getByRole('link', { name: 'Port card FC1' }).click();
  await page.emulateMedia({ media: 'print' });
  for (const hidden of [page.getByLabel('Margin'), page.getByRole('button', { name: 'Print' }), page.getByLabel('Entry line')])
    await expect(hidden).toBeHidden();
  await expect(page.getByTestId('document')).toContainText(/Reedbed, after 0 edits, \d+ \w+ \d{4}/);
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
});

test('a wrong length is told in a sentence and stays in its field', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await page.getByRole('button', { name: 'Cable W10' }).click();
  const field = page.getByLabel('Length mm');
  await field.fill('about 20 cm');
  await field.press('Enter');
  await expect(page.getByText('A length is a number of millimetres, up to 20 000.')).toBeVisible();
  await expect(field).toHaveValue('about 20 cm');
  await field.fill('215,5');
  await field.press('Enter');
  await settled(page);
  await expect(field).toHaveValue('215.5');
});
