import { readFileSync } from 'node:fs';
import { enter, expect, findings, settled, tabTo, test, violations } from './bench.ts';

test('the power river: a situation is chosen, a rail read, and a remedy seen in it, by pointer', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/power`);
  await settled(page);
  const river = page.getByRole('group', { name: 'Power river' });
  await expect(river).toBeVisible();
  await page.getByRole('button', { name: /^Jammed servo/ }).click();
  await expect(page.getByText(/is the worst servo to jam/)).toBeVisible();
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /stalled/);
  await expect(page.getByTestId('power-dry')).toContainText('Powered in reverse: RNG1.');
  await expect(page.getByTestId('power-starts')).toContainText('FC1 reg-9v runs, but may not start into its load');
  // Two regulators stand on the rail and share it, until one is taken off.
  const builtIn = page.getByTestId('supplies').locator('tr').filter({ hasText: 'ESC1 built-in' });
  await expect(builtIn).toContainText(/\d\.\d\d A.*of 2.00 A/);
  await page.getByRole('button', { name: "Pull ESC1's supply pin" }).click();
  await settled(page);
  await expect(builtIn).toContainText('0 mA');
  await river.locator('[data-device="BEC1.buck"]').click();
  await expect(page.getByRole('heading', { name: 'BEC1' })).toBeVisible();
});

test('the power river by keyboard, and on an aircraft without a supply; axe', async ({ page, aircraft, server }) => {
  await page.goto(`${aircraft}/power`);
  await settled(page);
  await tabTo(page, 'button[aria-pressed="true"]');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Servo storm/ })).toHaveAttribute('aria-pressed', 'true');
  await tabTo(page, '[data-device="BAT1.pack"]');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'BAT1' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Bare');
  await page.getByRole('button', { name: 'Create' }).click();
  await settled(page);
  await enter(page, 'go power', 'opens power');
  await expect(page.getByText('It needs a supply')).toBeVisible();
});

test('a jammed servo, a regulator lost and control with it; a second supply, and it survives; by pointer', async ({ page, oneSupply }) => {
  await page.goto(`${oneSupply}/power`);
  await settled(page);
  await page.getByRole('button', { name: /^Jammed servo/ }).click();
  // The river and its table come with the sentence.
  await expect(page.getByText(/is the worst servo to jam/)).toBeVisible();
  const river = page.getByRole('group', { name: 'Power river' });
  const low = await page.getByTestId('supplies').locator('tr').filter({ hasText: 'PWR2 diode-a' }).innerText();
  expect(Number(/(\d\.\d\d) V/.exec(low)?.[1])).toBeLessThan(5.1);
  const faults = page.getByTestId('faults');
  await expect(faults).not.toHaveAttribute('data-seq', '0');
  await expect(faults.getByRole('button', { name: /critical: control is lost/ })).toHaveAttribute('aria-pressed', 'true');
  await faults.getByRole('button', { name: 'BEC1 buck off', exact: true }).click();
  await expect(page.getByTestId('fault-shown')).toHaveAttribute('data-is-solved', 'true');
  await expect(page.getByTestId('fault-shown')).toContainText('control is lost');
  await expect(river.locator('[data-device="FC1.logic"]')).toHaveAttribute('aria-label', /on$/);
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /unpowered$/);
  const weak = page.locator('[data-check="power.single-point"]').filter({ hasText: 'BEC1 buck off' });
  await weak.getByRole('button', { name: 'Add a second supply' }).click();
  await settled(page);
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /on$/);
  await expect(weak).toHaveCount(0);
});

test('the same story without a pointer', async ({ page, oneSupply }) => {
  await page.goto(`${oneSupply}/power`);
  await settled(page);
  const faults = page.getByTestId('faults');
  await expect(faults).not.toHaveAttribute('data-seq', '0');
  await enter(page, 'scenario jammed', 'shows the power river in "Jammed servo"');
  await expect(page.getByText(/is the worst servo to jam/)).toBeVisible();
  const river = page.getByRole('group', { name: 'Power river' });
  await tabTo(page, '[data-testid="faults"] tbody button:text-is("BEC1 buck off")');
  await page.keyboard.press('Enter');
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /unpowered$/);
  await tabTo(page, '[data-check="power.single-point"]:has-text("BEC1 buck off") [data-remedy]', 'Shift+Tab');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /on$/);
});

test('a fault is looked at, what goes dark is seen, and the same by keyboard', async ({ page, oneSupply }) => {
  await page.goto(`${oneSupply}/power`);
  await settled(page);
  const faults = page.getByTestId('faults');
  await expect(faults).not.toHaveAttribute('data-seq', '0');
  await expect(faults.getByRole('button', { name: /critical: control is lost/ })).toHaveAttribute('aria-pressed', 'true');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SPICE netlist' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('* Saltmarsh, cruise: operating point');
  const table = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Currents as CSV' }).click();
  expect(readFileSync(await (await table).path(), 'utf8')).toContain('Cable,Pin A,Colour');
  await faults.getByRole('button', { name: 'BEC1 buck off', exact: true }).click();
  await expect(page.getByRole('button', { name: 'SPICE netlist' })).toBeDisabled();
  await expect(page.getByTestId('fault-shown')).toHaveAttribute('data-is-solved', 'true');
  const river = page.getByRole('group', { name: 'Power river' });
  await expect(river.locator('[data-device="FC1.logic"]')).toHaveAttribute('aria-label', /on$/);
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /unpowered$/);
  await page.getByRole('button', { name: 'Clear the fault' }).click();
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /on$/);

  // The same from the river: choose what fails, then how.
  await page.getByRole('button', { name: /^Climb/ }).click();
  await river.locator('[data-device="BEC1.buck"]').click();
  await expect(page.getByRole('group', { name: 'Fail BEC1' }).getByRole('button', { name: /^W05 wire 1/ })).toBeVisible();
  await page.getByRole('group', { name: 'Fail BEC1' }).getByRole('button', { name: 'BEC1 buck off' }).click();
  await expect(river.locator('[data-device="SRV1.servo"]')).toHaveAttribute('aria-label', /unpowered$/);
  await expect(page.getByRole('button', { name: /^Climb/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Clear the fault' }).click();
  await river.locator('[data-device="CC1.computer"]').scrollIntoViewIfNeeded();
  // A level flow is a line: it has a middle, and no height.
  const flow = await river.locator('[data-flow="CC1.computer"]').boundingBox();
  await page.mouse.click((flow?.x ?? 0) + (flow?.width ?? 0) / 2, (flow?.y ?? 0) + (flow?.height ?? 0) / 2);
  await page.getByRole('group', { name: 'Fail CC1' }).getByRole('button', { name: 'W20 wire 2 (red) open' }).click();
  await expect(river.locator('[data-device="CC1.computer"]')).toHaveAttribute('aria-label', /unpowered$/);
  await page.getByRole('button', { name: 'Clear the fault' }).click();

  await tabTo(page, '[data-testid="faults"] [role="group"] button:nth-child(2)');
  await page.keyboard.press('Enter');
  await expect(faults.locator('tbody')).toContainText('propulsion');
  await tabTo(page, '[data-testid="faults"] tbody button:text-is("ESC1 dead")');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('fault-shown')).toHaveAttribute('data-is-solved', 'true');
  await expect(page.getByTestId('fault-shown')).toContainText('ESC1 dead');
});

test('loads, mission and wires: a supply against its rating, a leg that is too long, a thicker wire', async ({ page, oneSupply }) => {
  await page.goto(`${oneSupply}/power`);
  await settled(page);
  await page.getByRole('link', { name: 'Loads' }).click();
  await page
    .getByRole('group', { name: 'Supply' })
    .getByRole('button', { name: /^BEC1 buck/ })
    .click();
  await expect(page.getByTestId('chart')).toContainText('rated 10.00 A');
  await expect(page.getByTestId('loads').getByRole('row', { name: /^Servo storm/ })).toContainText(/\d\.\d\d A\s*\d+ %/);
  await page.getByRole('link', { name: 'Mission', exact: true }).click();
  await expect(page.getByTestId('endurance')).toContainText(/\d+ min in cruise on 80 % of the pack capacity/);
  await expect(page.getByTestId('endurance')).toContainText('ends with charge left');
  await page.getByLabel('Minutes of leg 3').fill('95');
  await page.getByLabel('Minutes of leg 3').press('Enter');
  await settled(page);
  await expect(page.getByTestId('endurance')).toContainText('BAT1 runs out of usable charge');
  expect(await findings(page)).toContain('power.battery');
  await page.getByLabel('Usable share of pack capacity').fill('7');
  await expect(page.getByRole('alert')).toHaveText('0.1 to 1');
  await page.getByRole('link', { name: 'Wires and sensors' }).click();
  await expect(page.getByTestId('wires')).not.toHaveAttribute('data-power-seq', '0');
  await expect(page.getByRole('region', { name: 'Current sensors' })).toContainText('PM1 battery-current');
  const thicker = page.getByRole('button', { name: /^Use AWG/ }).first();
  const name = await thicker.getAttribute('aria-label');
  await thicker.click();
  await settled(page);
  await expect(page.getByRole('button', { name: name ?? '', exact: true })).toHaveCount(0);
});

test("a situation of one's own and a conditioner, by keyboard; axe on the pages of power", async ({ page, oneSupply }) => {
  await page.goto(`${oneSupply}/power`);
  await settled(page);
  await enter(page, 'go power situations', 'opens power situations');
  await tabTo(page, 'button:text-is("Add a situation")');
  await page.keyboard.press('Enter');
  await settled(page);
  await tabTo(page, '[data-testid="situations"] fieldset input', 'Shift+Tab');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('Tow');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByRole('row', { name: /^Tow/ })).toContainText('80 %');
  expect(await violations(page)).toEqual([]);
  // Out of the field, where a stroke is a stroke.
  await page.keyboard.press('Tab');
  await enter(page, 'go power', 'opens power');
  await expect(page.getByRole('button', { name: /^Tow/ })).toBeVisible();
  expect(await findings(page)).toContain('power.backup-unconditioned');
  await enter(page, 'go power conditioning', 'opens power conditioning');
  await tabTo(page, '[aria-label="Rail conditioner"] button');
  await page.keyboard.press('Enter');
  await settled(page);
  expect(await findings(page)).not.toContain('power.backup-unconditioned');
  expect(await violations(page)).toEqual([]);
  for (const place of ['loads', 'mission', 'wires']) {
    await page.goto(`${oneSupply}/power/${place}`);
    await settled(page);
    await expect(page.getByTestId(place)).not.toHaveAttribute('data-power-seq', '0');
    expect(await violations(page)).toEqual([]);
  }
});

test('the supplies, the faults and the nets are documents of their own', async ({ page, oneSupply }) => {
  await page.goto(`${oneSupply}/documents`);
  await settled(page);
  await page.getByRole('link', { name: 'Supplies and rails Saltmarsh' }).click();
  await expect(page.getByTestId('document')).toContainText('Computed, not measured');
  await page.goto(`${oneSupply}/documents`);
  await page.getByRole('link', { name: 'Nets in a situation Climb' }).click();
  const csv = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  expect(readFileSync(await (await csv).path(), 'utf8')).toContain('BEC1 buck');
  await page.goto(`${oneSupply}/documents`);
  await page.getByRole('link', { name: 'Single faults Saltmarsh' }).click();
  await expect(page.getByTestId('document')).toContainText('critical, inherent');
});

test('the brief asks that single faults be survived: a weakness of one regulator is to be mended then; by keyboard, and undone', async ({
  page,
  oneSupply,
}) => {
  const weak = page.locator('[data-check="power.single-point"]').first();
  await page.goto(`${oneSupply}/power`);
  await expect(weak).toHaveAttribute('data-severity', 'note');
  await page.goto(`${oneSupply}/brief`);
  const box = page.getByRole('checkbox', { name: /Single electrical faults must be survived/ });
  await box.focus();
  await page.keyboard.press('Space');
  await expect(box).toBeChecked();
  await page
    .getByRole('link', { name: /^Power/ })
    .first()
    .click();
  await expect(weak).toHaveAttribute('data-severity', 'mend');
  await page.keyboard.press('Control+z');
  await expect(weak).toHaveAttribute('data-severity', 'note');
});
