import { readFileSync } from 'node:fs';
import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

test('another dialect is looked at and taken, the port card changes, and undo brings the first back; by pointer', async ({
  page,
  aircraft,
}) => {
  await page.goto(`${aircraft}/brief`);
  await settled(page);
  const field = page.getByLabel(/^Firmware dialect/);
  await field.selectOption({ label: 'Role table (sample)' });
  const changes = page.getByRole('region', { name: 'What changes with Role table' });
  await expect(changes.getByRole('row', { name: 'FC1 S4 17 J15' })).toBeVisible();
  await expect(changes.getByRole('row', { name: 'pitch channel rises on pull push' })).toBeVisible();
  await changes.getByRole('button', { name: 'Use Role table' }).click();
  await settled(page);
  await expect(changes).toHaveCount(0);
  await enter(page, 'go documents', 'documents');
  await page.getByRole('link', { name: 'Port card FC1' }).click();
  const port = page.getByTestId('document').getByRole('row', { name: /^S4 / });
  await expect(port).toContainText('J15');
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(port).not.toContainText('J15');
  await expect(port).toContainText('17');
});

test('a dialect is exported, changed, imported, read as tables and taken, and a damaged one gets a sentence; by keyboard', async ({
  page,
  server,
  aircraft,
}) => {
  await page.goto(`${server.url}/workshop/dialects`);
  await tabTo(page, 'button[aria-label="Export Numbered ports"]');
  const [download] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')]);
  const text = readFileSync(await download.path(), 'utf8');
  const take = async (file: string): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await tabTo(page, 'button:has-text("Import a dialect")', 'Shift+Tab');
    await page.keyboard.press('Enter');
    await (await chooser).setFiles({ name: 'ours.dialect.json', mimeType: 'application/json', buffer: Buffer.from(file) });
  };
  await take(text.replace('"code": "311"', '"code": "312"'));
  await expect(page.getByRole('alert')).toContainText('Functions aileron-left and aileron-right have the same code, 312.');
  await take(text.replace('"numbered-ports"', '"ours"').replace('"Numbered ports"', '"What we fly"').replace('"S4": "17"', '"S4": "98"'));
  await expect(page.getByRole('status')).toHaveText('"What we fly" is saved as revision 1.');
  expect(await violations(page)).toEqual([]);
  await tabTo(page, '[data-testid=own-dialects] a:has-text("What we fly")');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('table', { name: 'Board PLOVER4: F4 wing board' }).getByRole('row', { name: 'serial port S4 98' }),
  ).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await page.goto(`${aircraft}/brief`);
  await settled(page);
  await tabTo(page, 'select:has(option:text-is("Role table (sample)"))');
  await page.keyboard.type('What we fly');
  const changes = page.getByRole('region', { name: 'What changes with What we fly' });
  await expect(changes.getByRole('row')).toHaveText(['WhatNowThen', 'FC1 S41798']);
  await tabTo(page, 'button:has-text("Use What we fly")');
  await page.keyboard.press('Enter');
  await settled(page);
  expect(await violations(page)).toEqual([]);
  await enter(page, 'undo', 'undoes your last edit');
  await settled(page);
  await expect(page.getByLabel(/^Firmware dialect/).locator('option:checked')).toHaveText('Numbered ports (sample)');
});
