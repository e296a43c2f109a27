import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

test('channels and modes of a new wing, planned from nothing; by pointer', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Avocet');
  await page.keyboard.press('Enter');
  await page.getByTestId('frame').waitFor();
  await settled(page);
  await enter(page, 'add controller f4 wing', 'adds FC1');
  await enter(page, 'add rc receiver sbus 16 channels', 'adds RX1');
  await enter(page, 'rx1 > s2', 'RX1 SBUS > FC1 S2');
  await enter(page, 'go channels', 'go links channels');
  const channels = page.getByTestId('channels');
  await expect(channels).toContainText('16 channels arrive at FC1 by SBUS from RX1.');
  expect(await violations(page)).toEqual([]);
  await channels.getByRole('button', { name: 'Begin: roll, pitch, throttle, yaw' }).click();
  await settled(page);
  await expect(channels.locator('[data-channel="3"]')).toHaveAttribute('data-use', 'throttle');
  await channels.getByLabel('Channel 7 use').selectOption('flaps');
  await channels.getByRole('button', { name: 'Add a switch' }).click();
  await channels.getByLabel('Channel 7 source').selectOption('switch 3');
  await settled(page);
  await expect(channels.getByLabel('Set-up of the radio')).toContainText('7 flaps from switch 3');
  await page.getByRole('navigation', { name: 'Links' }).getByRole('link', { name: 'Modes and failsafe' }).click();
  const modes = page.getByTestId('modes');
  await expect(modes.locator('[data-gives]')).toHaveText(['manual', 'self-level', 'return']);
  // A seventh of the strip is given to another mode, in the middle of a slot.
  await modes.getByLabel('manual to, us').fill('1200');
  await modes.getByLabel('manual to, us').press('Enter');
  await settled(page);
  await expect(modes.locator('[data-finding="link.dialect-refuses"]')).toContainText('1200 us, where no slot of the firmware has one');
  await modes.getByRole('button', { name: '800 to 1110 us' }).click();
  await settled(page);
  await expect(modes.locator('[data-finding="rc.mode-reach"]').first()).toContainText('belongs to no mode');
  await modes.getByRole('button', { name: 'Widen manual' }).click();
  await settled(page);
  await expect(modes.locator('[data-finding="rc.mode-reach"]')).toHaveCount(0);
  expect(await violations(page)).toEqual([]);
  await modes.getByLabel('manual to, us').fill('700');
  await modes.getByLabel('manual to, us').press('Enter');
  await expect(modes.getByRole('alert')).toContainText('801 to 2200');
  await page.setViewportSize({ width: 768, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
});

test('measured channels are imported, one reversed and one short, and mended; by keyboard', async ({ page, whole }) => {
  await page.goto(`${whole}/links/channels`);
  await settled(page);
  const channels = page.getByTestId('channels');
  await tabTo(page, '[data-testid=channels] details summary');
  await page.keyboard.press('Enter');
  await tabTo(page, '[data-testid=channels] textarea');
  await page.keyboard.insertText('channel,first,centre,last\n1,1998,1501,1003\n4,1120,1500,1999\n15,1000,1500,2000\nfour,1,2,3');
  await tabTo(page, '[data-testid=channels] form button[type=submit]');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByTestId('import-said')).toContainText('Line 5: "four" is not a channel from 1 to 32.');
  await expect(page.getByTestId('import-said')).toContainText('Channel 15 is not assigned: its values were left out.');
  await expect(page.getByTestId('import-said')).toContainText('Measured: 2 channels.');
  await expect(channels.locator('[data-channel="1"] [data-verdict]')).toHaveAttribute('data-verdict', 'reversed');
  await expect(channels.locator('[data-channel="4"] [data-verdict]')).toHaveAttribute('data-verdict', 'short');
  await expect(channels.locator('[data-finding="rc.channel-ends"]')).toContainText(
    'The lower end of channel 4 (yaw) is 1120 us, 120 us short of 1000 us.',
  );
  await tabTo(page, '[data-finding="rc.direction"] [data-mend]', 'Shift+Tab');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(channels.locator('[data-finding="rc.direction"]')).toHaveCount(0);
  await expect(channels.getByLabel('Set-up of the radio')).toContainText('Reversed in the radio so far: 1');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(channels.locator('[data-finding="rc.direction"]')).toHaveCount(1);
  // The sticks of the monitor: roll to the right in four steps.
  await tabTo(page, '[data-testid=monitor] [role=application][aria-label^="Right stick"]');
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect(channels.locator('[data-monitored="1"]')).toHaveAttribute('data-us', '2000');
  await expect(channels.locator('[data-monitored="2"]')).toHaveAttribute('data-us', '1495');
  await page.keyboard.press('ArrowUp');
  await expect(channels.locator('[data-monitored="2"]')).toHaveAttribute('data-us', /^14[0-4]\d$/);
  expect(await violations(page)).toEqual([]);
});

test('a converter that drops the flag breaks the failsafe; it is mended, and the cards are printed', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Dunlin');
  await page.keyboard.press('Enter');
  await page.getByTestId('frame').waitFor();
  await settled(page);
  await enter(page, 'add controller 8-bit fed through its servo row', 'adds FC1');
  await enter(page, 'add rc receiver sbus 16 channels', 'adds RX1');
  await enter(page, 'add converter sbus to ppm', 'adds CONV1');
  await enter(page, 'rx1 > conv1 sbus', 'RX1 SBUS > CONV1 SBUS');
  await enter(page, 'conv1 out > fc1 ppm', 'CONV1 out > FC1 ppm in');
  await enter(page, 'go channels', 'go links channels');
  await page
    .getByTestId('channels')
    .getByRole('button', { name: /^Begin: throttle/ })
    .click();
  await settled(page);
  await page.getByRole('navigation', { name: 'Links' }).getByRole('link', { name: 'Modes and failsafe' }).click();
  await settled(page);
  const modes = page.getByTestId('modes');
  await expect(modes.locator('[data-finding="rc.failsafe"]').first()).toContainText(
    'FC1 does not detect loss of signal: CONV1 out keeps sending the last channels.',
  );
  await expect(page.getByTestId('loss-picture').getByRole('img')).toHaveAttribute(
    'aria-label',
    /does not detect it: flies on with the last channels/,
  );
  await modes.getByRole('button', { name: 'Set CONV1 to "stops its pulses"' }).click();
  await settled(page);
  await expect(modes.locator('[data-finding="rc.failsafe"]')).not.toContainText(['does not notice']);
  await modes
    .getByLabel('Loss of signal')
    .getByRole('combobox', { name: 'Loss of signal' })
    .selectOption({ label: 'levels the wings and glides down' });
  await modes.getByLabel('Test of RX1, transmitter off, propellers off').selectOption('flag sent, controller reported it');
  await settled(page);
  await expect(modes.locator('[data-finding="rc.failsafe"]')).toHaveCount(0);
  expect(await violations(page)).toEqual([]);
  for (const [document, words] of [
    ['channel-card', 'flight mode'],
    ['mode-card', 'manual: sticks to surfaces'],
    ['failsafe-card', 'levels the wings and glides down'],
    ['radio-setup', 'A separate model'],
  ] as const) {
    await page.goto(`${page.url().replace(/\/(links|documents)\/.*$/, '')}/documents/${document}/aircraft`);
    await settled(page);
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('main').or(page.locator('body')).first()).toContainText(words);
    expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(5000);
    await page.emulateMedia({ media: 'screen' });
  }
});

test('a picture is laid out: fields moved by keys and by pointer, one without a source taken off', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/links`);
  await settled(page);
  await enter(page, 'go picture', 'go links picture');
  const picture = page.getByTestId('picture');
  await expect(picture).toContainText('VTX2 draws the on-screen display in its digital video: 48 columns and 18 lines.');
  const timer = picture.locator('[data-field="timer"]');
  await expect(timer).toHaveAttribute('data-at', '41 17');
  await tabTo(page, '[data-field="timer"]');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowLeft');
  await settled(page);
  await expect(timer).toHaveAttribute('data-at', '40 16');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(timer).toHaveAttribute('data-at', '41 16');
  // By the pointer: four characters to the left, over nothing else.
  const box = await timer.boundingBox();
  if (box === null) throw new Error('The field is not drawn.');
  await page.mouse.move(box.x + 5, box.y + 5);
  await page.mouse.down();
  await page.mouse.move(box.x + 5 - 4 * 16, box.y + 5 - 3 * 24, { steps: 4 });
  await page.mouse.up();
  await settled(page);
  await expect(timer).toHaveAttribute('data-at', '37 13');
  await picture.getByLabel('airspeed in the OSD').check();
  await settled(page);
  await expect(picture.locator('[data-finding="osd.field-without-source"]').first()).toContainText('FC1 needs an airspeed sensor for it');
  await picture.getByRole('button', { name: 'Remove the field' }).click();
  await settled(page);
  await expect(picture.locator('[data-field="airspeed"]')).toHaveCount(0);
  await expect(page.getByTestId('alarms')).toContainText('Enter the maximum distance');
  await picture.getByLabel('Maximum distance from home').fill('1500');
  await picture.getByLabel('Maximum distance from home').press('Enter');
  await picture.getByLabel('Ground speed on return').fill('15');
  await picture.getByLabel('Ground speed on return').press('Enter');
  await expect(page.getByTestId('alarms')).toContainText('the endurance in cruise less the way home');
  expect(await violations(page)).toEqual([]);
});
