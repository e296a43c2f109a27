import { enter, expect, findings, settled, test, violations } from './bench.ts';

test('a board is put on a row without a cable, feeds and passes on, and is taken off; by pointer', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'add controller f7 rows', 'adds FC2');
  await settled(page);
  await enter(page, 'add stacked output board', 'adds PWR1');
  await settled(page);
  await enter(page, 'find pwr1', 'find PWR1');
  const margin = page.getByLabel('Margin');
  await margin.getByLabel('Mount PWR1 on').selectOption('stack on FC2 servos');
  await settled(page);
  await expect(margin.getByRole('button', { name: 'Separate PWR1 stack on FC2 servos' })).toBeVisible();
  await expect(page.locator('[data-mated="FC2 servos"]')).toHaveText('meets FC2 servos');
  expect(await violations(page)).toEqual([]);

  // The row is occupied.
  await page.keyboard.press('Escape');
  await page.locator('[data-pin="SRV1.lead.1"]').first().click();
  await page.locator('[data-pin="FC2.servos.1"]').first().click();
  await expect(page.getByText('PWR1 stack on FC2 servos: the port is occupied. Separate the two first.')).toBeVisible();

  await enter(page, 'find pwr1', 'find PWR1');
  await margin.getByRole('button', { name: 'Separate PWR1 stack on FC2 servos' }).click();
  await settled(page);
  await expect(page.locator('[data-mated]')).toHaveCount(0);
});

test('boards are mated and parted by the entry line, and undone', async ({ page, aircraft }) => {
  await page.goto(aircraft);
  await settled(page);
  await enter(page, 'add controller f7 rows', 'adds FC2');
  await settled(page);
  await enter(page, 'add stacked output board', 'adds PWR1');
  await settled(page);
  await enter(page, 'mate pwr1 > fc2', 'mounts PWR1 on FC2: 18 pins meet, without a cable');
  await settled(page);
  await expect(page.locator('[data-mated="PWR1 stack"]')).toHaveCount(1);
  await enter(page, 'separate pwr1', 'separates the two');
  await settled(page);
  await expect(page.locator('[data-mated]')).toHaveCount(0);
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(page.locator('[data-mated="PWR1 stack"]')).toHaveCount(1);
  await page.reload();
  await settled(page);
  await expect(page.locator('[data-mated="PWR1 stack"]')).toHaveCount(1);
  expect(await findings(page)).not.toContain('wire.contention');
});
