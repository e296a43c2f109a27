import type { Locator, Page } from '@playwright/test';
import { arrowTo, enter, expect, findings, settled, tabTo, test, violations } from './bench.ts';

/** The heading of the margin, with what is selected. */
const heading = (page: Page): Locator => page.getByLabel('Margin').getByRole('heading', { level: 2 });

test('a twin-motor aircraft is wired from an empty document, by entry line and pointer', async ({ page, server }) => {
  let actions = 0;
  const command = async (typed: string, expected: string): Promise<void> => {
    await enter(page, typed, expected);
    await settled(page);
    actions += 1;
  };
  const click = async (target: Locator): Promise<void> => {
    await target.click();
    actions += 1;
  };
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Twin survey');
  await page.keyboard.press('Enter');
  await page.getByTestId('frame').waitFor();
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: /^Wiring/ })
    .click();

  for (const [typed, adds] of [
    ['add controller f7 mini', 'FC1'],
    ['add lipo 4s 5000', 'BAT1'],
    ['add power module 60', 'PM1'],
    ['add motor controller 40 x2', 'ESC1 and ESC2'],
    ['add motor 35 x2', 'MOT1 and MOT2'],
    ['add servo 9 digital x5', 'SRV1 to SRV5'],
    ['add regulator 5 3 buck', 'BEC1'],
    ['add gnss compass serial i2c', 'GNSS1'],
    ['add receiver sbus', 'RX1'],
    ['add radio 900', 'RADIO1'],
    ['add camera analog 7', 'CAM1'],
    ['add video transmitter analog 7 to 25', 'VTX1'],
  ] as const)
    await command(typed, `adds ${adds}`);

  // Each join as a person says it: the first offer is the right one, with the count of its conductors.
  for (const [typed, does] of [
    ['bat1 > pm1', 'PM1 battery2 conductors'],
    ['length w01 60', 'sets its length to 60 mm'],
    ['pm1 load > esc1', 'ESC1 power2 conductors'],
    ['pm1 load > esc2', 'ESC2 powerbranch of W02: 2 conductors'],
    ['length w02 60', 'makes each of its 2 legs'],
    ['pm1 > fc1', 'FC1 power6 conductors'],
    ['length w03 150', 'sets its length to 150 mm'],
    ['pm1 load > bec1', 'BEC1 inbranch of W02: 2 conductors by signal, 2 splices'],
    ['esc1 > mot1', 'MOT1 phases3 conductors'],
    ['esc2 > mot2', 'MOT2 phases3 conductors'],
    ['bec1 > fc1', 'FC1 out 12 conductors'],
    ['srv1 > fc1', 'FC1 out 23 conductors'],
    ['srv2 > fc1', 'FC1 out 33 conductors'],
    ['srv3 > fc1', 'FC1 out 43 conductors'],
    ['srv4 > fc1', 'FC1 out 53 conductors'],
    ['srv5 > fc1', 'FC1 out 63 conductors'],
    ['esc1 > fc1', 'FC1 out 72 conductors'],
    ['esc2 > fc1', 'FC1 out 82 conductors'],
    ['gnss1 > fc1', 'FC1 T14 conductors'],
    ['rx1 > fc1', 'FC1 T23 conductors'],
    ['radio1 > fc1', 'FC1 G14 conductors'],
    ['cam1 > vtx1', 'VTX1 AV2 conductors'],
    ['pm1 load > vtx1', 'becomes part of W02: 2 conductors'],
  ] as const)
    await command(typed, does);

  // The compass on the second port, and the camera's supply, by pointer.
  const join = async (from: string, to: string, button: RegExp): Promise<void> => {
    await click(page.locator(`[data-pin="${from}"]`).first());
    await click(page.locator(`[data-pin="${to}"]`).first());
    await click(page.getByRole('button', { name: button }));
    await settled(page);
  };
  await join('GNSS1.main.5', 'FC1.I2C.2', /^Add the branch to W/);
  await join('PM1.load.1', 'CAM1.AV.2', /^Add the wires to W02/);

  await page.keyboard.press('Escape');
  await settled(page);
  // The worst come first: what is above a note is in sight.
  const cards = page.getByTestId('findings').locator('[data-severity]');
  const said = await cards.evaluateAll((all) =>
    all.map((card) => `${card.getAttribute('data-severity')} ${card.getAttribute('data-check')}`),
  );
  expect(said.some((words) => words.startsWith('note '))).toBe(true);
  expect(said.filter((words) => !words.startsWith('note ')).filter((words) => !/power\.(ground-return|single-point)$/.test(words))).toEqual(
    [],
  );
  await expect(page.getByRole('region', { name: 'Not wired yet' })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Unplugged' })).toHaveCount(0);
  console.log(`a twin-motor aircraft from an empty document: ${actions} actions`);
});

test('a compass gets its branch, an end is unplugged and plugged in elsewhere, and taken off, by pointer', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'add gnss compass serial i2c', 'adds GNSS1');
  await settled(page);
  await page.locator('[data-pin="GNSS1.main.2"]').click();
  await page.locator('[data-pin="FC1.S4.3"]').click();
  await page.getByRole('button', { name: 'Make the cable' }).click();
  await settled(page);
  const before = await findings(page);

  await page.locator('[data-pin="GNSS1.main.5"]').first().click();
  await page.locator('[data-pin="FC1.I2C.2"]').click();
  await expect(page.getByText('The plug of W21 is in GNSS1 main: the cable gets a branch.')).toBeVisible();
  await page.getByRole('button', { name: 'Add the branch to W21' }).click();
  await settled(page);
  await expect(heading(page)).toContainText('W21');
  await expect(page.getByLabel('Margin').getByText('loom, 3 ends')).toBeVisible();
  expect(before.filter((check) => check === 'wire.partial')).toEqual([]);

  // The ladder shows one end opposite another; the third is folded, and comes opposite at a click.
  await page.getByRole('link', { name: 'Open pin ladder' }).click();
  await expect(page.getByRole('img', { name: /^Wires between GNSS1 main and FC1 S4: / })).toBeVisible();
  await page.getByRole('button', { name: 'Show FC1 I2C opposite' }).click();
  await expect(page.getByRole('img', { name: 'Wires between GNSS1 main and FC1 I2C: 4 to 3, 5 to 2' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('link', { name: 'Back to the sheet' }).click();
  await settled(page);

  await page.getByRole('button', { name: 'Unplug W21 from FC1 S4' }).click();
  await settled(page);
  await page.getByLabel('Margin').evaluate((margin) => margin.scrollTo(0, margin.scrollHeight));
  await expect(page.getByTestId('findings')).toContainText('W21 at GNSS1 main and FC1 I2C has an unplugged end.');
  const unplugged = page.getByRole('region', { name: 'Unplugged' });
  expect(await violations(page)).toEqual([]);
  await unplugged.getByRole('button', { name: 'W21, free end' }).click();
  await page.locator('[data-pin="FC1.S4.1"]').click();
  await settled(page);
  await expect(unplugged).toHaveCount(0);

  await page.getByRole('button', { name: 'Remove the end at FC1 I2C' }).click();
  await settled(page);
  await expect(heading(page)).toHaveText('W21 GNSS1 to FC1 S4');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(page.getByLabel('Margin').getByText('loom, 3 ends')).toBeVisible();
});

test('two servos on one output, an end unplugged and plugged in again, the ladder, without a pointer', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'add servo 9g analog', 'adds SRV3');
  await settled(page);
  await enter(page, 'srv3 > fc1 out 2', 'branch of W07: 3 conductors by signal, 3 splices');
  await settled(page);
  await expect(page.getByLabel('Done')).toHaveText('Connect SRV3 lead and FC1 out 2 in W07');
  await enter(page, 'unplug w07 srv3', 'unplugs it from SRV3 lead');
  await settled(page);
  await expect(page.getByRole('region', { name: 'Unplugged' })).toContainText('W07');
  await enter(page, 'plug w07 > srv3', 'plugs its free end into SRV3 lead');
  await settled(page);
  await expect(page.getByRole('region', { name: 'Unplugged' })).toHaveCount(0);

  await enter(page, 'open w07', 'opens its pin ladder');
  await tabTo(page, '[data-testid=ladder] [data-ladder][tabindex="0"]');
  const drawing = page.getByTestId('ladder').getByRole('img');
  const shown = await drawing.getAttribute('aria-label');
  await page.keyboard.press('o');
  await expect(drawing).not.toHaveAttribute('aria-label', shown ?? '');
  await tabTo(page, '[data-testid=ladder] [data-ladder][tabindex="0"]');
  const wires = page.getByLabel('Margin').getByText(/^\d+, AWG/);
  await expect(wires).toHaveText(/^9,/);
  await page.keyboard.press('Delete');
  await settled(page);
  await expect(wires).toHaveText(/^7,/);
});

test('a branch is made with the arrow keys on the sheet', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await tabTo(page, 'svg [tabindex="0"]');
  await arrowTo(page, '[data-pin="RADIO1.UART.3"]');
  await page.keyboard.press('Enter');
  await arrowTo(page, '[data-pin="FC1.S4.3"]');
  await page.keyboard.press('Enter');
  await tabTo(page, 'button:has-text("Add the branch to W10")');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByLabel('Margin').getByText('loom, 3 ends, 1 splice')).toBeVisible();
});

test('a plug is changed to one that fits loosely, and that is found', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await page.getByRole('button', { name: 'Cable W10' }).click();
  await page.getByRole('button', { name: 'Change the plug at FC1 S1' }).click();
  await page.getByLabel('Ways of the plug at FC1 S1').selectOption('5');
  await settled(page);
  await expect(page.getByTestId('findings')).toContainText('The 5-way plug of W10 fits loosely into the 4-way FC1 S1 and shifts.');
  await page.getByRole('button', { name: 'Fit the mating plug' }).click();
  await settled(page);
  expect(await findings(page)).not.toContain('wire.connector-mate');
});

test('a plug is changed and an end taken off without a pointer', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'find w10', 'find W10');
  await tabTo(page, 'aside button[aria-label="Change the plug at FC1 S1"]');
  await page.keyboard.press('Enter');
  await tabTo(page, 'aside select[aria-label="Ways of the plug at FC1 S1"]');
  await page.keyboard.press('ArrowDown');
  await settled(page);
  await expect(page.getByTestId('findings')).toContainText('The 5-way plug of W10 fits loosely into the 4-way FC1 S1 and shifts.');

  await enter(page, 'radio1 > fc1 s4', 'branch of W10');
  await settled(page);
  await enter(page, 'find w10', 'find W10');
  await expect(page.getByLabel('Margin')).toContainText('loom, 3 ends');
  await tabTo(page, 'aside button[aria-label="Remove the end at FC1 S4"]');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByLabel('Margin')).not.toContainText('loom');
});

test('a radio is exchanged and keeps its cable, by pointer', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await page.getByRole('button', { name: 'Item RADIO1' }).click();
  await page.getByText('Update or replace the part').click();
  await page.getByLabel('Replacement for RADIO1').selectOption({ index: 2 });
  const other = await page.getByLabel('Replacement for RADIO1').locator('option:checked').textContent();
  await page.locator('aside').getByRole('button', { name: 'Look' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Adopt for RADIO1/ })
    .click();
  await settled(page);
  await expect(page.getByLabel('Margin')).toContainText(other ?? '?');
  await expect(page.getByRole('button', { name: 'Cable W10' })).toBeVisible();
});

test('a message leaves the entry line free, goes by itself when it asks nothing, and stays while it is looked at', async ({
  page,
  aircraft,
}) => {
  await page.clock.install();
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'undo', 'undoes your last edit');
  const message = page.getByText('There is nothing to undo.');
  await expect(message).toBeVisible();
  const [said, line] = [await message.boundingBox(), await page.getByLabel('Entry line').boundingBox()];
  expect((said?.y ?? Infinity) + (said?.height ?? 0)).toBeLessThan(line?.y ?? 0);
  await page.keyboard.press('/');
  await page.keyboard.type('radio1 > fc1');
  await page.getByRole('listbox').getByRole('option').first().click();
  await settled(page);
  await message.hover();
  await page.clock.runFor(60_000);
  await expect(message).toBeVisible();
  await page.mouse.move(10, 600);
  await page.clock.runFor(20_000);
  await expect(message).toHaveCount(0);
});

test('a controller is exchanged: servo leads and functions stay, what is lost is said before, by keyboard', async ({ page, whole }) => {
  await page.goto(whole);
  await settled(page);
  const functions = (): Promise<string[]> =>
    page
      .locator('aside select:has(option:text-is("no function"))')
      .evaluateAll((lists) => lists.flatMap((list) => (list instanceof HTMLSelectElement && list.value !== '' ? [list.value] : [])));
  await enter(page, 'find fc1', 'find FC1');
  await expect(heading(page)).toContainText('FC1');
  const before = await functions();
  expect(before.length).toBeGreaterThan(4);
  await tabTo(page, 'summary:has-text("Update or replace the part")');
  await page.keyboard.press('Enter');
  const choice = page.getByLabel('Replacement for FC1');
  await choice.selectOption({ label: 'Controller H7 carrier, Ethernet, 2 GNSS ports' });
  await tabTo(page, 'aside button:has-text("Look")');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('instead of');
  await expect(dialog).not.toContainText(/The function of FC1 [^.]* is removed/);
  expect(await violations(page)).toEqual([]);
  await tabTo(page, '[role=dialog] button:has-text("Adopt for FC1")', 'Shift+Tab');
  await page.keyboard.press('Enter');
  await settled(page);
  // What can take its place now is what it was before.
  const others = page.getByLabel('Replacement for FC1').getByRole('option', { name: 'Controller H7 carrier, 8 serial' });
  await expect(others).toHaveCount(1);
  expect(await functions()).toEqual(before);
  await page.getByRole('button', { name: /^undo/ }).press('Enter');
  await settled(page);
  await expect(others).toHaveCount(0);
});
