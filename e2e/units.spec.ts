import { expect, settled, test, violations } from './bench.ts';

test('lengths and masses are read and typed in inches and ounces, and the aircraft stays as it is; by keyboard', async ({
  page,
  whole,
}) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  const balance = page.getByTestId('balance');
  await expect(balance).toContainText(/Centre of gravity, station \d+ mm/);
  const stationMm = Number(await balance.getAttribute('data-station'));
  await page.getByLabel('Units').focus();
  await page.keyboard.press('i');
  await expect(balance).toContainText(/station \d+\.\d\d in/);
  const stationIn = Number(/station (\d+\.\d\d) in/.exec((await balance.textContent()) ?? '')?.[1]);
  expect(Math.abs(stationIn - stationMm / 25.4)).toBeLessThan(0.008);
  await expect(balance).toContainText(/Mass 1\d\d\.?\d? oz/);
  // Nothing is changed by reading it otherwise.
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '0');

  const receiver = page.locator('[data-item="RX1"]');
  await receiver.focus();
  await page.keyboard.press('Enter');
  const bar = page.getByRole('region', { name: 'Place of RX1' });
  const station = bar.getByLabel('Station');
  const was = await station.inputValue();
  // Left as it was shown it is not typed anew, though it is rounded for the eye.
  await station.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '0');
  await station.fill('20');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(receiver).toHaveAttribute('aria-label', /station 20\.00/);
  await station.fill('99999');
  await expect(bar.getByRole('alert')).toContainText(/^-\d+\.\d\d to \d+\.\d\d$/);
  expect(await violations(page)).toEqual([]);

  // It is kept by the browser, and a sheet has it in its head.
  await page.goto(`${whole}/documents/placement/aircraft`);
  await settled(page);
  await expect(page.getByRole('columnheader', { name: 'Station in' })).toBeVisible();
  await expect(page.getByRole('row', { name: /RX1/ })).toContainText('20.00');
  await page.getByLabel('Units').focus();
  await page.keyboard.press('m');
  await expect(page.getByRole('columnheader', { name: 'Station mm' })).toBeVisible();
  await expect(page.getByRole('row', { name: /RX1/ })).toContainText('508');

  await page.goto(`${whole}/layout`);
  await settled(page);
  await expect(receiver).toHaveAttribute('aria-label', /station 508,/);
  expect(was).toMatch(/^\d+\.\d\d$/);
});

test('a finding is read in inches, is accepted, and stays accepted in millimetres', async ({ page, mudflat }) => {
  await page.goto(`${mudflat}/layout/antennas`);
  await settled(page);
  const finding = page.locator('[data-check="place.gnss-near-transmitter"]').first();
  await expect(finding).toContainText('34 mm');
  await page.getByLabel('Units').selectOption('imperial');
  await expect(finding).toContainText('1.34 in');
  await expect(page.getByRole('region', { name: /^Distances/ })).toContainText('1.34 in');
  await finding.getByRole('button', { name: 'Accept, with a reason' }).click();
  await finding.getByLabel('Reason').fill('measured, and it holds');
  await page.keyboard.press('Enter');
  await settled(page);
  await page.getByLabel('Units').selectOption('metric');
  await expect(page.getByText(/measured, and it holds/)).toBeVisible();
  await expect(page.getByText('the facts have changed since')).toHaveCount(0);
});
