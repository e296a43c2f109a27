import { enter, expect, findings, settled, tabTo, test, violations } from './bench.ts';

test('plugs sit side by side on a row of pins, are shifted along it, and single pins get jumpers; by pointer', async ({
  page,
  aircraft,
}) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'add controller f7 rows', 'adds FC2');
  await settled(page);
  await enter(page, 'add servo 9g analog x2', 'adds SRV3 and SRV4');
  await settled(page);

  // A servo lead goes over the three pins of the output that is chosen, wherever it is in the row.
  await page.locator('[data-pin="SRV3.lead.1"]').click();
  await page.locator('[data-pin="FC2.servos.1"]').click();
  await expect(
    page.getByText('The plug at FC2 servos is over pins 1-3. Nothing guides a plug on a row: mark its first pin.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Make the cable' }).click();
  await settled(page);
  await page.locator('[data-pin="SRV4.lead.1"]').click();
  await page.locator('[data-pin="FC2.servos.4"]').click();
  await expect(page.getByText(/^The plug at FC2 servos is over pins 4-6\./)).toBeVisible();
  await page.getByRole('button', { name: 'Make the cable' }).click();
  await settled(page);
  expect(await findings(page)).not.toContain('wire.connector-mate');

  // Shifted by one pin, a servo lead is found: its ground is on the rail.
  const seat = page.getByLabel('Pins under the plug at FC2 servos pins 4-6');
  await expect(seat.getByRole('option')).toHaveText(Array.from({ length: 13 }, (_, i) => `pins ${i + 4}-${i + 6}`));
  await seat.selectOption('pins 5-7');
  await settled(page);
  expect(await findings(page)).toContain('power.reversed');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  expect(await findings(page)).not.toContain('power.reversed');

  // One wire to one pin: a jumper of one contact.
  await page.keyboard.press('Escape');
  await page.locator('[data-pin="RADIO1.UART.1"]').click();
  await page.locator('[data-pin="FC2.comms.2"]').click();
  await page.getByRole('radio', { name: 'Only these two pins' }).click();
  await expect(page.getByText(/^The plug at FC2 comms is over pin 2\./)).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a plug is put on a row from a pin on, and its ladder shows the pins under it; by keyboard', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'add controller f7 rows', 'adds FC2');
  await settled(page);
  await enter(page, 'add radio 433', 'adds RADIO3');
  await settled(page);
  await enter(page, 'radio3 > fc2 comms', 'conductors by signal, on FC2 comms pins 1-4');
  await settled(page);
  await enter(page, 'unplug w21 fc2', 'unplugs it from FC2 comms pins 1-4');
  await settled(page);
  await enter(page, 'plug w21 > fc2 comms.5', 'plugs its free end into FC2 comms, over pins 5 to 8');
  await settled(page);
  await enter(page, 'open w21', 'opens its pin ladder');
  await expect(page.getByRole('img', { name: /^Wires between RADIO3 UART and FC2 comms pins 5-8: / })).toBeVisible();
  await tabTo(page, '[data-testid=ladder] [data-ladder][tabindex="0"]');
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(page.getByRole('img', { name: /free end/ })).toBeVisible();
});
