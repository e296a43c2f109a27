import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

test('a broken chain is followed to its end, mended there hop by hop, and holds; undo parts it again; by pointer', async ({
  page,
  aircraft,
}) => {
  await page.goto(`${aircraft}/links`);
  await settled(page);
  const chain = page.locator('[data-chain="RADIO1 telemetry"]');
  await expect(chain).toHaveAttribute('data-state', 'breaks');
  await expect(chain).toContainText('network number 31 against network number 25');
  const [air, hop] = [chain.locator('[data-hop=air]'), chain.locator('[data-hop=serial]')];
  await expect(air).toHaveAttribute('data-agrees', 'false');
  await expect(hop).toHaveAttribute('data-agrees', 'false');
  expect(await violations(page)).toEqual([]);
  await chain
    .getByRole('group', { name: /^Remedies for RADIO2 radio to RADIO1 radio/ })
    .getByRole('button', { name: 'Set RADIO2 like RADIO1' })
    .click();
  await settled(page);
  await expect(air).toHaveAttribute('data-agrees', 'true');
  await expect(chain).toContainText('57600 baud against 115200 baud');
  await hop.getByRole('button', { name: /^FC1 S1/ }).click();
  await page.getByTestId('findings').locator('[data-check="link.baud-mismatch"]').getByRole('button', { name: 'Set FC1 to 57600' }).click();
  await settled(page);
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await expect(hop).toHaveAttribute('data-agrees', 'true');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(chain).toHaveAttribute('data-state', 'breaks');
  await chain
    .getByRole('group', { name: /^Remedies for RADIO1 UART to FC1 S1/ })
    .getByRole('button', { name: 'Set FC1 to 57600' })
    .click();
  await settled(page);
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(page.locator('[data-chain="CAM1 picture"]')).toHaveCount(1);
  await page.getByRole('checkbox', { name: 'Only chains with problems' }).check();
  await expect(page.locator('[data-chain="CAM1 picture"]')).toHaveCount(0);
  await expect(chain).toBeVisible();
});

test('the same from the entry line, and the link sheet is opened; by keyboard', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/wiring`);
  await settled(page);
  await enter(page, 'chain radio1', 'chain RADIO1');
  const chain = page.locator('[data-chain="RADIO1 telemetry"]');
  await expect(chain).toBeInViewport();
  for (const hop of ['air', 'serial']) {
    await tabTo(page, '[data-chain="RADIO1 telemetry"] button[data-mend]');
    await page.keyboard.press('Enter');
    await settled(page);
    await expect(chain.locator(`[data-hop=${hop}]`)).toHaveAttribute('data-agrees', 'true');
  }
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await enter(page, 'go documents', 'documents');
  await tabTo(page, 'a[href$="/documents/links/aircraft"]');
  await page.keyboard.press('Enter');
  const row = page.getByTestId('document').getByRole('row', { name: /^RADIO1 telemetry serial wire/ });
  await expect(row).toContainText('In the radio tool on the bench computer over UART');
  await expect(row).toContainText('agrees');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByLabel('Margin')).toBeHidden();
  await expect(row).toBeVisible();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
});

test('what is sent over a link is slowed down until it fits: by its remedy, and rate by rate', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/links`);
  await settled(page);
  const chain = page.locator('[data-chain="RADIO1 telemetry"]');
  const share = chain.locator('[data-share]');
  await expect(share).toHaveText('142 % of the capacity between RADIO2 radio and RADIO1 radio');
  await chain.getByText('messages, including your own rates').click();
  await chain.getByRole('textbox', { name: 'SERVO_OUTPUT_RAW, Hz' }).fill('2');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(share).toHaveText('76 % of the capacity between RADIO2 radio and RADIO1 radio');
  await chain.getByRole('textbox', { name: 'ATTITUDE, Hz' }).fill('5000');
  await page.keyboard.press('Enter');
  await expect(chain.getByRole('alert')).toHaveText('0 to 1000');
  await chain.getByRole('textbox', { name: 'ATTITUDE, Hz' }).fill('');
  await page.keyboard.press('Enter');
  await settled(page);
  await chain.getByRole('checkbox', { name: /^Messages are signed/ }).check();
  await settled(page);
  expect(Number(await share.getAttribute('data-share'))).toBeLessThan(50);
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(chain.getByRole('checkbox', { name: /^Messages are signed/ })).not.toBeChecked();
});

test('two radios are bonded and parted; by the margin and by the entry line', async ({ page, whole }) => {
  await page.goto(`${whole}/links`);
  await settled(page);
  const chain = page.locator('[data-chain="RADIO1 telemetry"]');
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await enter(page, 'unpair radio1 radio2', 'unpairs the two radios');
  await settled(page);
  await expect(chain.locator('[data-hop=air]')).toContainText('on the ground');
  await expect(chain.locator('[data-hop=usb]')).toHaveCount(0);
  await enter(page, 'pair radio1 radio2', 'their settings match');
  await settled(page);
  await expect(chain.locator('[data-hop=usb]')).toContainText('PC1 USB 1');
  await chain.getByRole('button', { name: /^RADIO2 radio/ }).click();
  const bonded = page.getByRole('region', { name: 'Paired radios' });
  await bonded.getByRole('button', { name: 'Unpair RADIO2 and RADIO1' }).click();
  await settled(page);
  await expect(chain.locator('[data-hop=usb]')).toHaveCount(0);
  await bonded.getByRole('combobox', { name: 'Pair RADIO2 with' }).selectOption({ label: 'RADIO1 radio' });
  await settled(page);
  await expect(chain.locator('[data-hop=usb]')).toHaveCount(1);
  expect(await violations(page)).toEqual([]);
});

test('an address set wrong parts the hop over the network, its remedy mends it, and bad input gets a sentence', async ({
  page,
  mudflat,
}) => {
  await page.goto(`${mudflat}/links`);
  await settled(page);
  const chain = page.locator('[data-chain="RADIO1 telemetry"]');
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  const hop = chain.locator('[data-hop=socket]');
  await hop.getByRole('button', { name: /^RADIO1 serial 1/ }).click();
  const sockets = page.getByRole('region', { name: 'Sockets' });
  await sockets.getByRole('button', { name: /^Change serial 1: UDP 14551 to 10.77.0.9:14550/ }).click();
  const form = sockets.getByRole('form', { name: 'Change the socket' });
  for (const [field, typed, said] of [
    [
      'To address',
      '999.1.1.1',
      '"999.1.1.1" is not an address: write four numbers from 0 to 255 with dots between them, such as 10.77.0.2.',
    ],
    ['To port', '70000', '70000 is not a port: ports go from 1 to 65535.'],
    ['To port', 'x', '"x" is not a port: enter a whole number from 1 to 65535.'],
  ] as const) {
    const was = await form.getByRole('textbox', { name: field }).inputValue();
    await form.getByRole('textbox', { name: field }).fill(typed);
    await form.getByRole('button', { name: 'Change it' }).click();
    await expect(form.getByRole('alert')).toHaveText(said);
    await expect(form.getByRole('textbox', { name: field })).toHaveValue(typed);
    await form.getByRole('textbox', { name: field }).fill(was);
  }
  await form.getByRole('textbox', { name: 'To address' }).fill('10.77.0.8');
  await form.getByRole('textbox', { name: 'To address' }).press('Enter');
  await settled(page);
  await expect(hop).toHaveAttribute('data-agrees', 'false');
  await expect(chain).toHaveAttribute('data-state', 'breaks');
  await expect(chain).toContainText('sends to 10.77.0.8');
  await chain.getByRole('button', { name: 'Point RADIO1 to PC1' }).click();
  await settled(page);
  await expect(hop).toHaveAttribute('data-agrees', 'true');
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await sockets.getByRole('button', { name: 'Add a socket' }).click();
  const added = sockets.getByRole('form', { name: 'New socket' });
  await added.getByRole('combobox', { name: 'Role' }).selectOption('server');
  await added.getByRole('textbox', { name: 'Own port' }).fill('14551');
  await added.getByRole('button', { name: 'Add it' }).click();
  await settled(page);
  await expect(page.getByTestId('findings')).toContainText('2 sockets of RADIO1 use UDP port 14551.');
  await expect(page.getByTestId('findings').getByRole('button', { name: 'Listen on 14552' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a link of your own is wanted and dropped, and one that exists by itself is left out; by keyboard', async ({ page, whole }) => {
  await page.goto(`${whole}/links`);
  await settled(page);
  await tabTo(page, 'summary:has-text("Add a link of your own")');
  await page.keyboard.press('Enter');
  await tabTo(page, 'form[aria-label="A link of your own"] button');
  await page.keyboard.press('Enter');
  const form = page.getByRole('form', { name: 'A link of your own' });
  await expect(form.getByRole('alert')).toHaveText('Choose both ends of the link.');
  await form.getByRole('combobox', { name: 'From', exact: true }).selectOption({ label: 'PC1 operator' });
  await form.getByRole('combobox', { name: 'To', exact: true }).selectOption({ label: 'FC1 flight controller' });
  await tabTo(page, 'form[aria-label="A link of your own"] button');
  await page.keyboard.press('Enter');
  await settled(page);
  const own = page.locator('[data-chain="PC1 telemetry"]');
  await expect(own).toHaveAttribute('data-state', 'agrees');
  await expect(own.locator('[data-hop]')).toHaveCount(3);
  await tabTo(page, '[data-chain="PC1 telemetry"] button:has-text("remove it")');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(own).toHaveCount(0);
  const companion = page.locator('[data-chain="CC1 companion"]');
  await tabTo(page, '[data-chain="CC1 companion"] button:has-text("leave it out")');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(companion).toHaveAttribute('data-state', 'off');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(companion).toHaveAttribute('data-state', 'agrees');
});

test('two compasses with one address part at their bus, and either is given another from the tile', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/links`);
  await settled(page);
  const [first, second] = [page.locator('[data-chain="MAG1 heading"]'), page.locator('[data-chain="MAG2 heading"]')];
  await expect(first.locator('[data-hop=i2c]')).toHaveAttribute('data-agrees', 'false');
  await expect(first).toContainText('I2C address: 0x0E against 0x0E of MAG2');
  await expect(second).toContainText('I2C address: 0x0E against 0x0E of MAG1');
  await first
    .getByRole('group', { name: /^Remedies for MAG1 I2C to FC1 I2C/ })
    .getByRole('button', { name: 'Set MAG2 to 0x0C' })
    .click();
  await settled(page);
  for (const chain of [first, second]) await expect(chain).not.toContainText('0x0E against');
  await expect(second.locator('[data-hop=i2c]')).toContainText('no other at 0x0C');
});
