import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

test('a broken chain is followed to its end, mended there, and holds; undo parts it again; by pointer', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/links`);
  await settled(page);
  const chain = page.locator('[data-chain="RADIO1 telemetry"]');
  await expect(chain).toHaveAttribute('data-state', 'breaks');
  await expect(chain).toContainText('57600 baud against 115200 baud');
  const hop = chain.locator('[data-hop=serial]');
  await expect(hop).toHaveAttribute('data-agrees', 'false');
  expect(await violations(page)).toEqual([]);
  await hop.getByRole('button', { name: /^FC1 S1/ }).click();
  await page.getByTestId('findings').locator('[data-check="link.baud-mismatch"]').getByRole('button', { name: 'Set FC1 to 57600' }).click();
  await settled(page);
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await expect(hop).toHaveAttribute('data-agrees', 'true');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(chain).toHaveAttribute('data-state', 'breaks');
  await chain
    .getByRole('group', { name: /^What mends RADIO1 UART to FC1 S1/ })
    .getByRole('button', { name: 'Set FC1 to 57600' })
    .click();
  await settled(page);
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await page.getByRole('checkbox', { name: 'Only what does not hold yet' }).check();
  await expect(page.locator('[data-chain="MAG1 compass"]')).toHaveCount(0);
  await expect(chain).toBeVisible();
});

test('the same from the entry line, and the link sheet is opened; by keyboard', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/wiring`);
  await settled(page);
  await enter(page, 'chain radio1', 'chain RADIO1');
  const chain = page.locator('[data-chain="RADIO1 telemetry"]');
  await expect(chain).toBeInViewport();
  await tabTo(page, '[data-chain="RADIO1 telemetry"] button:has-text("RADIO1 UART")');
  await page.keyboard.press('Enter');
  await tabTo(page, '[data-chain="RADIO1 telemetry"] button[data-mend]');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(chain).toHaveAttribute('data-state', 'agrees');
  await enter(page, 'go documents', 'documents');
  await tabTo(page, 'a[href$="/documents/links/aircraft"]');
  await page.keyboard.press('Enter');
  const row = page.getByTestId('document').getByRole('row', { name: /^RADIO1 telemetry serial wire/ });
  await expect(row).toContainText('In the radio tool on the bench computer over UART');
  await expect(row).toContainText('agrees');
});
