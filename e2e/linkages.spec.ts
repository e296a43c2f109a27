import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

test('a linkage is brought to a wanted throw, its trim goes into the rod, and the surface sheet is printed; by pointer', async ({
  page,
  whole,
}) => {
  await page.goto(`${whole}/outputs/linkages`);
  await settled(page);
  const linkage = page.getByTestId('linkage');
  await expect(linkage.getByRole('heading', { name: 'SRV1, left aileron' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  // The surface follows the stick, and its holes are chosen in the drawing.
  const motion = page.getByTestId('linkage-motion');
  await expect(motion).toHaveAttribute('data-surface', '0.00');
  await motion.getByLabel('Stick').fill('1900');
  const before = Number(await motion.getAttribute('data-surface'));
  expect(before).toBeGreaterThan(20);
  await motion.locator('[data-hole="arm 8"]').click();
  await settled(page);
  await expect(linkage.getByRole('button', { name: '8 mm', exact: true }).first()).toHaveAttribute('aria-pressed', 'true');
  expect(Number(await motion.getAttribute('data-surface'))).toBeLessThan(0.8 * before);
  // The best holes for 25 and 18 degrees are taken with their pulses, in one step.
  const finder = page.getByTestId('hole-finder');
  const best = finder.locator('[data-holes]').first();
  const [arm = '', horn = ''] = ((await best.getAttribute('data-holes')) ?? '').split(' ');
  await best.getByRole('button').click();
  await settled(page);
  const row = page.locator('[data-servo="SRV1"]');
  await expect(row).toContainText(/25 deg.*18 deg/);
  await expect(linkage.getByLabel('Servo arm, axis to hole')).toHaveValue(arm);
  await expect(linkage.getByLabel('Horn, hinge to hole')).toHaveValue(horn);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(row).not.toContainText('18 deg');
  await page.keyboard.press('Control+y');
  await settled(page);
  await expect(page.getByTestId('command-throws').locator('[data-command="roll"]')).toContainText(/18 deg down.*25 deg up/);
  // A flown trim comes to turns of the clevis.
  await page.goto(`${whole}/outputs`);
  await settled(page);
  await page.locator('[data-slot="main 1"]').click();
  await page.getByTestId('slot-detail').getByLabel('Trim').fill('1540');
  await page.getByTestId('slot-detail').getByLabel('Trim').press('Enter');
  await settled(page);
  await page.goto(`${whole}/outputs/linkages?servo=SRV1`);
  await settled(page);
  const trim = page.getByTestId('trim-help');
  await expect(trim).toContainText(/1540 us is [0-9.]+ turns? (in|out) at one clevis/);
  await trim.getByRole('button', { name: 'Move the trim into the rod' }).click();
  await settled(page);
  await expect(trim).toContainText('The trim of the output is 1500 us.');
  await expect(linkage.getByLabel('Rod, hole to hole')).not.toHaveValue('');
  await page.getByTestId('loaded').getByRole('button', { name: 'Add it to Power as a situation' }).click();
  await settled(page);
  await page.getByTestId('loaded').getByRole('link').click();
  await expect(page.getByText('Surfaces loaded').first()).toBeVisible();
  await page.goto(`${whole}/documents/surface-sheet/aircraft`);
  await expect(page.getByTestId('document').locator('tbody tr').first()).toContainText(/SRV1.*left aileron.*25 deg.*18 deg/);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByTestId('document')).toContainText('Propellers off');
});

test('a linkage is begun, made to bind, and mended; by keyboard', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Stint');
  await page.keyboard.press('Enter');
  await page.getByTestId('frame').waitFor();
  await settled(page);
  await enter(page, 'go linkages', 'go outputs linkages');
  await expect(page.getByTestId('linkages')).toContainText('Add a servo');
  expect(await violations(page)).toEqual([]);
  await enter(page, 'add controller f4 wing', 'adds FC1');
  await enter(page, 'add servo 9g digital x2', 'adds SRV1');
  await settled(page);
  await tabTo(page, '[data-testid=linkage] button');
  await page.keyboard.press('Enter');
  await settled(page);
  const linkage = page.getByTestId('linkage');
  await expect(page.locator('[data-servo="SRV1"]')).toContainText('deg');
  await linkage.getByLabel('Servo arm, axis to hole').fill('0');
  await linkage.getByLabel('Servo arm, axis to hole').press('Enter');
  await expect(linkage.getByRole('alert')).toContainText('2 to 80');
  await linkage.getByLabel('Servo arm, axis to hole').fill('30');
  await linkage.getByLabel('Servo arm, axis to hole').press('Enter');
  await settled(page);
  await expect(linkage.locator('[data-finding="output.linkage"]')).toContainText('SRV1 binds at');
  await linkage.getByRole('group', { name: 'Hole of the arm' }).getByRole('button', { name: '10 mm' }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(linkage.locator('[data-finding]')).toHaveCount(0);
  // A rod that cannot be: said, and put right.
  await linkage.getByLabel('Rod, hole to hole').fill('20');
  await linkage.getByLabel('Rod, hole to hole').press('Enter');
  await settled(page);
  await expect(page.locator('[data-servo="SRV1"]')).toContainText('does not close');
  await linkage.locator('[data-finding="output.linkage"]').getByRole('button', { name: /^Rod / }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(linkage.locator('[data-finding]')).toHaveCount(0);
  // The other servo like the first.
  await page.locator('[data-servo="SRV2"]').getByRole('button').focus();
  await page.keyboard.press('Enter');
  await linkage.getByRole('button', { name: 'Same as SRV1' }).click();
  await settled(page);
  await expect(linkage.getByLabel('Servo arm, axis to hole')).toHaveValue('10');
  expect(await violations(page)).toEqual([]);
  await page.setViewportSize({ width: 768, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
});
