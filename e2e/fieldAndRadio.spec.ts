import { readFileSync } from 'node:fs';
import { extractText, getDocumentProxy } from 'unpdf';
import { enter, expect, findings, settled, tabTo, test, violations } from './bench.ts';

test('a compass beside the motor leads is a finding; the leads are twisted, and it goes; by pointer', async ({ page, whole }) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  expect(await findings(page)).not.toContain('place.compass-field');
  await enter(page, 'move gnss1 660 -80 -60', 'moves it');
  await settled(page);
  const finding = page.locator('[data-check="place.compass-field"]');
  await expect(finding).toContainText('turn the heading of GNSS1 by 6 degrees');
  // The field is drawn for the document on the screen.
  await page.getByLabel(/^field, uT/).selectOption({ label: 'Climb' });
  const field = page.getByTestId('field');
  const seq = (await page.getByTestId('frame').getAttribute('data-doc-seq')) ?? '';
  await expect(field).toHaveAttribute('data-field-seq', seq);
  const lines = await field.locator('path').count();
  expect(lines).toBeGreaterThan(2);
  await finding.getByRole('button', { name: /^Twist W/ }).click();
  await settled(page);
  await expect(finding).toHaveCount(0);
  await expect(field).not.toHaveAttribute('data-field-seq', seq);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(finding).toHaveCount(1);
});

test('a lead is twisted in its own field, by keyboard', async ({ page, whole }) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  await enter(page, 'move gnss1 660 -80 -60', 'moves it');
  await settled(page);
  const finding = page.locator('[data-check="place.compass-field"]');
  await expect(finding).toHaveCount(1);
  await page.goto(`${whole}/wiring`);
  await settled(page);
  await page.getByRole('button', { name: 'Cable W04' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Twist mm').focus();
  await page.keyboard.type('3');
  await page.keyboard.press('Enter');
  await expect(page.getByText('One turn of twisted wires takes 5 to 500 mm.')).toBeVisible();
  await page.keyboard.type('0');
  await page.keyboard.press('Enter');
  await settled(page);
  // It is led another way and back, by its field.
  const led = page.getByLabel('Route');
  await led.focus();
  await page.keyboard.press('ArrowDown');
  await settled(page);
  await expect(led).not.toHaveValue('');
  await page.getByRole('button', { name: /^undo/ }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(led).toHaveValue('');
  await page.goto(`${whole}/layout`);
  await settled(page);
  await expect(finding).toHaveCount(0);
});

test('an antenna that is too near is led away, and what arrives is in the table; by pointer', async ({ page, mudflat }) => {
  await page.goto(`${mudflat}/layout/antennas`);
  await settled(page);
  const pair = page.getByRole('region', { name: /^Distances/ }).getByRole('row', { name: /RADIO1.*second antenna/ });
  await expect(pair).toContainText('34 mm');
  await expect(pair).toContainText('stated');
  await page
    .locator('[data-check="place.gnss-near-transmitter"]')
    .getByRole('button', { name: /^Move its antenna/ })
    .click();
  await settled(page);
  expect(await findings(page)).not.toContain('place.gnss-near-transmitter');
  await expect(pair).not.toContainText('stated');
  expect(await violations(page)).toEqual([]);
});

test('antennas side by side: another pair is taken, and it reaches further; by keyboard', async ({ page, whole }) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  await tabTo(page, 'nav[aria-label="Layout"] a:has-text("Range")');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('reach')).toContainText('quarter-wave whip to half-wave dipole reaches 17.0 km');
  await expect(page.getByTestId('chart')).toBeVisible();
  const row = page.getByRole('row', { name: /^quarter-wave whip long beam of rods/ });
  await expect(row).toContainText('76 % further');
  await row.getByRole('button', { name: 'Use' }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByTestId('reach')).toContainText('quarter-wave whip to long beam of rods reaches 29.9 km');
  expect(await violations(page)).toEqual([]);
});

test('the placement sheet prints with its plan, the radios are a sheet, and the plan goes out as a drawing full size', async ({
  page,
  whole,
}) => {
  await page.goto(`${whole}/documents/placement/aircraft`);
  await settled(page);
  const plan = page.getByRole('img', { name: 'Plan with the numbers of the table' });
  await expect(plan.locator('text')).toHaveCount(26);
  const pdf = await page.pdf({ preferCSSPageSize: true });
  const { text } = await extractText(await getDocumentProxy(new Uint8Array(pdf)), { mergePages: true });
  const plain = text.replaceAll(/\s+/g, ' ');
  expect(plain).toContain('Placement Saltmarsh');
  expect(plain).toMatch(/SRV1 left aileron 560 620 left 55 up/);
  expect(await violations(page)).toEqual([]);

  await page.goto(`${whole}/documents/radios/aircraft`);
  await settled(page);
  await expect(page.getByTestId('document')).toContainText('Fit the antenna before powering the radio.');
  await expect(page.getByTestId('document').getByRole('row', { name: /^RADIO1/ })).toContainText('17.0 km');

  await page.goto(`${whole}/layout`);
  await settled(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG' }).click();
  const svg = readFileSync(await (await download).path(), 'utf8');
  expect(svg).toMatch(/<svg[^>]* width="[0-9.]+mm" height="[0-9.]+mm"/);
  expect(svg).toContain('FC1');
  expect(svg).not.toMatch(/class=|var\(--/);
});

test('sensors and reach: how the controller lies, what hovering takes, what is closed in; by keyboard; axe', async ({ page, mudflat }) => {
  await page.goto(`${mudflat}/layout`);
  await settled(page);
  await tabTo(page, 'nav[aria-label="Layout"] a:has-text("Sensors and reach")');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('hover')).toContainText('of each of 4 motors');
  const lies = page.getByRole('region', { name: /^Inertial sensors/ }).getByRole('cell');
  await expect(lies).toHaveText(['FC1', 'forward', 'right', 'up', '0.0 deg', /^\d+ mm$/]);
  const reach = page.getByRole('region', { name: /^Parts reachable after assembly/ });
  await expect(reach.getByRole('row', { name: /^FC1 USB/ })).toContainText('by its hatch above');
  const before = await lies.last().textContent();
  await enter(page, 'move fc1 500 0 0', 'moves it');
  await settled(page);
  await expect(lies.last()).not.toHaveText(before ?? '');
  expect(await violations(page)).toEqual([]);
});

test('a body of carbon hides the horizon from what stands in it; by keyboard; axe', async ({ page, whole }) => {
  await page.goto(`${whole}/layout/antennas`);
  await settled(page);
  const shadows = page.getByRole('region', { name: /^Obstructions between an antenna and the horizon/ });
  await expect(shadows).not.toContainText('carbon body');
  await page.keyboard.press('Escape');
  await enter(page, 'go brief', 'opens brief');
  const body = page.getByRole('group', { name: 'Made of carbon' }).getByRole('checkbox', { name: 'body' });
  await body.focus();
  await page.keyboard.press('Space');
  await settled(page);
  await expect(body).toBeChecked();
  expect(await violations(page)).toEqual([]);
  await page.goto(`${whole}/layout/antennas`);
  await settled(page);
  await expect(shadows.getByRole('row').filter({ hasText: 'RX1' }).filter({ hasText: 'carbon body' })).toContainText('all round');
});
