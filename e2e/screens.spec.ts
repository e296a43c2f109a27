import { readFileSync } from 'node:fs';
import { asId, largeAircraft, writeAircraftFile, type AircraftId } from '@wired-falcon/core';
import { extractText, getDocumentProxy } from 'unpdf';
import { enter, expect, findings, settled, tabTo, test } from './bench.ts';

test('the brief says what the board has for what is wanted, and where it is short', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/brief`);
  await settled(page);
  await expect(page.getByText('3 outputs: left elevon, right elevon, throttle.')).toBeVisible();
  await page.getByRole('combobox', { name: /^Airframe/ }).selectOption({ label: 'V-tail' });
  await settled(page);
  await expect(page.getByText(/^5 outputs: left aileron/)).toBeVisible();
  const gnss = page.getByTestId('needs').locator('tr').filter({ hasText: 'GNSS over serial' });
  await expect(gnss).toContainText('S1, S3, S4, S5');
  await page.getByLabel('CAN bus needed').selectOption('1');
  await page.getByLabel('GNSS over serial needed').selectOption('3');
  await settled(page);
  const shortages = page.getByRole('list', { name: 'Shortages of FC1' });
  await expect(shortages).toContainText('CAN bus: 1 needed, 0 suitable on FC1.');
  await expect(shortages).toContainText(/GNSS over serial.*: 7 needed, 5 suitable on FC1\./);
  await page.getByLabel('Cells in series').selectOption('6');
  await settled(page);
  await expect(page.getByText('BAT1 is LiPo 4S')).toBeVisible();
  await page.reload();
  await settled(page);
  await expect(page.getByRole('combobox', { name: /^Airframe/ })).toHaveValue('v-tail');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(page.getByText('BAT1 as planned')).toBeVisible();
});

test('an output gets its function, and a number setting tells what it takes', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'find fc1', 'find FC1');
  await page.getByText(/^Outputs: 0 of 3 functions/).click();
  await page.getByLabel(/^out 2/).selectOption('elevon-left');
  await settled(page);
  await expect(page.getByText(/^Outputs: 1 of 3 functions/)).toBeVisible();
  await enter(page, 'add airspeed can', 'add Airspeed sensor, CAN');
  await settled(page);
  await enter(page, 'find aspd2', 'find ASPD2');
  const node = page.getByLabel('CAN node id, 0 for dynamic');
  await node.fill('200');
  await node.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('CAN node id, 0 for dynamic is a number from 0 to 127.');
  await expect(node).toHaveValue('200');
  await node.fill('42');
  await node.press('Enter');
  await settled(page);
  await expect(node).toHaveValue('42');
});

test('the booklet prints whole: its text is in the PDF, findings first', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/documents`);
  await settled(page);
  await page.getByRole('link', { name: 'Booklet Reedbed' }).click();
  await expect(page.getByTestId('booklet')).toBeVisible();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  const { text, totalPages } = await extractText(await getDocumentProxy(new Uint8Array(pdf)), { mergePages: true });
  const plain = text.replaceAll(/\s+/g, ' ');
  expect(totalPages).toBeGreaterThan(10);
  const places = [
    'Findings Reedbed',
    'Port card FC1',
    'Cable W01',
    'Cable W19',
    'Cut list Reedbed',
    'Labels Reedbed',
    'Bill of materials Reedbed',
    'Output card FC1',
  ];
  const at = places.map((words) => plain.lastIndexOf(words));
  expect(at.every((place) => place > 0)).toBe(true);
  expect([...at].sort((a, b) => a - b)).toEqual(at);
  expect(plain).toContain('BEC1 and ESC1 drive one rail with no diode or selector between them.');
  expect(plain).toMatch(/page 1 of \d+/);
});

test('the cut list takes the waste that is chosen, and the sheet goes out as a drawing with its text', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/documents/cut-list/aircraft`);
  await settled(page);
  const cells = page.getByTestId('document').locator('tbody tr').first().locator('td');
  const total = Number(await cells.nth(4).textContent());
  await page.getByLabel('Waste').fill('50');
  await expect(cells.nth(5)).toHaveText((total * 1.5).toFixed(2));
  await page.goto(aircraft);
  await settled(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG' }).click();
  const svg = readFileSync(await (await download).path(), 'utf8');
  expect(svg).toContain('<title>Reedbed, wiring sheet</title>');
  expect(svg).toMatch(/<text[^>]*>[^<]*(<tspan[^>]*>)?FC1/);
  expect(svg).not.toMatch(/class=|var\(--/);
});

test('an accepted finding lapses when its facts change, with a word about it', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  const finding = page.locator('[data-check="link.baud-mismatch"]');
  await finding.getByRole('button', { name: 'Accept, with a reason' }).click();
  await finding.getByLabel('Reason').fill('set at the field');
  await finding.getByRole('button', { name: 'Accept', exact: true }).click();
  await settled(page);
  await expect(page.getByRole('heading', { name: 'Accepted: 1' })).toBeVisible();
  await enter(page, 'find radio1', 'find RADIO1');
  await page.getByLabel('UART baud').selectOption('38400');
  await settled(page);
  await expect(page.locator('[data-check="link.baud-mismatch"]')).toContainText('("set at the field"); the facts have changed since.');
});

test('a cable with a pin map of its own is made in the ladder, by keys alone', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'open w15', 'opens its pin ladder');
  await settled(page);
  expect(await findings(page)).toContain('power.reversed');
  await tabTo(page, '[data-ladder="RNG1.1"]');
  for (const n of [1, 2, 3, 4]) {
    await expect(page.locator(`[data-ladder="RNG1.${n}"]`)).toBeFocused();
    await page.keyboard.press('Delete');
    await settled(page);
    if (n < 4) await page.keyboard.press('ArrowDown');
  }
  expect(await findings(page)).not.toContain('power.reversed');
  let row = 4;
  const goTo = async (wanted: number): Promise<void> => {
    for (; row !== wanted; row += Math.sign(wanted - row)) await page.keyboard.press(wanted > row ? 'ArrowDown' : 'ArrowUp');
  };
  for (const [from, to] of [
    [1, 4],
    [2, 3],
    [4, 1],
  ] as const) {
    await goTo(from);
    await expect(page.locator(`[data-ladder="RNG1.${from}"]`)).toBeFocused();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowRight');
    await goTo(to);
    await expect(page.locator(`[data-ladder="FC1.${to}"]`)).toBeFocused();
    await page.keyboard.press('Enter');
    await settled(page);
    await page.keyboard.press('ArrowLeft');
  }
  const checks = await findings(page);
  for (const check of ['power.reversed', 'wire.fits-but-wrong', 'wire.tx-to-tx', 'wire.no-common-ground'])
    expect(checks).not.toContain(check);
});

test('a cable with a pin map of its own is made in the ladder, by pointer', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await page.getByRole('button', { name: 'Cable W15' }).click();
  await page.getByRole('link', { name: 'Open pin ladder' }).click();
  await settled(page);
  expect(await findings(page)).toContain('power.reversed');
  const parts = page.getByTestId('ladder').getByRole('button', { name: /^Disconnect pin/ });
  for (let left = 4; left > 0; left--) {
    await expect(parts).toHaveCount(left);
    await parts.first().click();
    await settled(page);
  }
  await expect(parts).toHaveCount(0);
  for (const [from, to] of [
    [1, 4],
    [2, 3],
    [4, 1],
  ] as const) {
    await page.locator(`[data-ladder="RNG1.${from}"]`).click();
    await page.locator(`[data-ladder="FC1.${to}"]`).click();
    await settled(page);
  }
  const checks = await findings(page);
  for (const check of ['power.reversed', 'wire.fits-but-wrong', 'wire.tx-to-tx', 'wire.no-common-ground'])
    expect(checks).not.toContain(check);
});

test('an aircraft of 400 items stays usable: around one item, and lists that draw what is in sight', async ({ page, server }) => {
  let count = 0;
  const file = writeAircraftFile(largeAircraft(asId<AircraftId>('large'), () => `l${++count}`));
  const answer = await page.request.post(`${server.url}/api/aircraft/import`, {
    data: file,
    headers: { 'content-type': 'application/json' },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${server.url}/aircraft/${id}/wiring`);
  await settled(page);
  await expect(page.locator('[data-pin="FC1.m1.1"]')).toBeVisible();
  expect(await page.locator('[data-pin]').count()).toBeLessThan(250);
  await enter(page, 'find fc17', 'find FC17');
  await settled(page);
  await expect(page.locator('[data-pin="FC17.m1.1"]')).toBeVisible();
  await expect(page.locator('[data-pin="FC1.m1.1"]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Used ports only' }).click();
  await settled(page);
  await expect(page.locator('[data-pin="FC17.H.1"]')).toHaveCount(0);
  await page.goto(`${server.url}/aircraft/${id}/parts`);
  await settled(page);
  const items = page.getByTestId('items');
  await expect(items).toHaveAttribute('data-count', '400');
  expect(await items.locator('li').count()).toBeLessThan(60);
  expect(await page.getByTestId('findings').locator('li').count()).toBeLessThan(40);
});
