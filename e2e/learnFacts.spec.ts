import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

test('an aircraft of older parts learns their newer facts after a look at them, and undo takes all of it back; by pointer', async ({
  page,
  older,
}) => {
  await page.goto(`${older}/parts`);
  await settled(page);
  await page.getByRole('button', { name: 'Update to newer facts of these parts' }).click();
  const dialog = page.getByTestId('learn-facts');
  await expect(page.getByTestId('newer-revisions')).toContainText('13 items have an older revision of their part: CAM1, CC1, ESC1, FC1');
  await expect(dialog.getByRole('row', { name: /^FC1 the clocks of its serial ports and what its USB is/ })).toBeVisible();
  await expect(dialog.getByRole('row', { name: /^MOT1 which way its motor and its propeller turn/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: /^Update \d+ items/ }).click();
  await settled(page);
  await expect(page.getByTestId('newer-revisions')).toHaveCount(0);
  await enter(page, 'find rx1', 'find RX1');
  await page.getByText('Facts of the part').click();
  await expect(page.getByTestId('part-facts')).toContainText('Loss of signal, SBUS: reported by a flag in its frames');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(page.getByTestId('part-facts')).toContainText('Loss of signal, SBUS: not known');
});

test('the same from the note about unknown facts, and an item is put on the bench; by keyboard', async ({ page, older }) => {
  await page.goto(`${older}/parts`);
  await settled(page);
  await tabTo(page, 'button:has-text("Update to newer facts of these parts")');
  await page.keyboard.press('Enter');
  await tabTo(page, 'button:has-text("Leave as it is")');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('learn-facts')).toHaveCount(0);
  await expect(page.getByTestId('newer-revisions')).toBeVisible();
  await tabTo(page, 'button:has-text("Update to newer facts of these parts")');
  await page.keyboard.press('Enter');
  await tabTo(page, '[role=dialog] button:has-text("Update ")');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByTestId('newer-revisions')).toHaveCount(0);
  await enter(page, 'add bench supply', 'INS1');
  await settled(page);
  await enter(page, 'find ins1', 'find INS1');
  await tabTo(page, 'label:has-text("Where") select');
  await expect(page.getByRole('combobox', { name: 'Where' })).toHaveValue('bench');
  await page.keyboard.type('on the ground');
  await settled(page);
  await expect(page.getByRole('combobox', { name: 'Where' })).toHaveValue('ground');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(page.getByRole('combobox', { name: 'Where' })).toHaveValue('bench');
});
