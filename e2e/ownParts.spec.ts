import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { enter, expect, settled, tabTo, test, violations } from './bench.ts';

const SAMPLE = 'GNSS receiver, serial';

/** Copies the sample as a part of the workshop's own, under a name, and saves it as its first revision. */
async function saveOwnPart(page: Page, url: string, name: string): Promise<string> {
  await page.goto(`${url}/workshop/parts`);
  await page.getByRole('button', { name: `Copy ${SAMPLE}`, exact: true }).click();
  await page.getByLabel('name', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Save as revision 1' }).click();
  await expect(page.getByTestId('part-state')).toHaveText('revision 1, saved');
  return page.url();
}

test('a part of our own: revised, and the revision adopted in an aircraft with its wires', async ({ page, server, aircraft }) => {
  const editor = await saveOwnPart(page, server.url, 'Puck of the shed');

  await page.goto(`${aircraft}/parts`);
  await settled(page);
  await page.getByLabel(/^Search by words/).fill('puck of the shed');
  await page.getByRole('button', { name: 'Add Puck of the shed' }).click();
  await settled(page);
  await enter(page, 'gnss1 > s4', 'GNSS1');
  await settled(page);

  await page.goto(editor);
  await page.getByRole('tab', { name: 'Ports and pins' }).click();
  await page.getByRole('button', { name: 'Move pin 2 down' }).click();
  await expect(page.getByLabel('pin 3 label')).toHaveValue('TX');
  await expect(page.getByTestId('part-problems')).toHaveAttribute('data-count', '0');
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(page.getByTestId('part-state')).toHaveText('revision 2, saved');

  await page.goto(`${aircraft}/parts`);
  await settled(page);
  const newer = page.getByTestId('newer-revisions');
  await expect(newer).toContainText('GNSS1: there is a newer revision of "Puck of the shed".');
  await newer.getByRole('button', { name: 'Review the changes' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Pin 2 TX of UART becomes')).toHaveValue('3');
  await expect(dialog.getByLabel('Pin 3 RX of UART becomes')).toHaveValue('2');
  expect(await violations(page), 'adopt').toEqual([]);
  await dialog.getByRole('button', { name: 'Adopt for GNSS1' }).click();
  await settled(page);
  await expect(newer).toHaveCount(0);

  // The wires went with their signals: what joined TX to RX still does.
  await page.goto(`${aircraft}/documents`);
  await settled(page);
  await page.getByRole('link', { name: 'Pin table W21' }).click();
  const rows = page.getByTestId('document').locator('tbody tr');
  await expect(rows.nth(1)).toHaveText(/^2RX.*TX2$/s);
  await expect(rows.nth(2)).toHaveText(/^3TX.*RX3$/s);

  await page.goto(`${aircraft}/parts`);
  await settled(page);
  await expect(newer).toHaveCount(0);
  await page.getByRole('button', { name: /^undo/ }).click();
  await settled(page);
  await expect(newer).toBeVisible();
});

test('a revision is adopted with a wire left behind, and with a mapping of our own', async ({ page, server, aircraft }) => {
  const editor = await saveOwnPart(page, server.url, 'Puck of the barn');
  await page.goto(`${aircraft}/wiring`);
  await settled(page);
  await enter(page, 'add puck of the barn', 'add Puck of the barn');
  await settled(page);
  await enter(page, 'gnss1 > s4', 'GNSS1');
  await settled(page);

  await page.goto(editor);
  await page.getByRole('tab', { name: 'Signals' }).click();
  await page.getByRole('button', { name: 'Leave out RX' }).click();
  await page.getByRole('tab', { name: 'Ports and pins' }).click();
  await page.getByRole('button', { name: 'Remove pin 3' }).click();
  await expect(page.getByTestId('part-problems')).toHaveAttribute('data-count', '0');
  await page.getByRole('button', { name: 'Save as revision 2' }).click();
  await expect(page.getByTestId('part-state')).toHaveText('revision 2, saved');

  await page.goto(`${aircraft}/parts`);
  await settled(page);
  await page.getByRole('button', { name: 'Review the changes' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Pin 3 RX of UART becomes')).toHaveValue('');
  await expect(dialog).toContainText(/The wire at GNSS1 .*RX.* goes out|RX/);
  // Two pins cannot become one.
  await dialog.getByLabel('Pin 3 RX of UART becomes').selectOption('2');
  await expect(dialog.getByRole('alert')).toContainText('two pins of its port "UART" would be merged into one');
  await expect(dialog.getByRole('button', { name: 'Adopt for GNSS1' })).toBeDisabled();
  await dialog.getByLabel('Pin 3 RX of UART becomes').selectOption('');
  await dialog.getByRole('button', { name: 'Adopt for GNSS1' }).click();
  await settled(page);
  await expect(page.getByTestId('newer-revisions')).toHaveCount(0);
});

test('a draft that does not hold together is kept over a reload and cannot be saved', async ({ page, server }) => {
  await page.goto(`${server.url}/workshop/parts`);
  await page.getByRole('button', { name: `Copy ${SAMPLE}`, exact: true }).click();
  const mass = page.getByLabel('mass, g');
  await mass.fill('31x');
  const problems = page.getByTestId('part-problems');
  await expect(problems).toContainText('mass, g: is not a number.');
  await expect(page.getByRole('button', { name: 'Save as revision 1' })).toBeDisabled();
  await page.reload();
  await expect(mass).toHaveValue('31x');
  await mass.fill('31');
  await expect(problems).toHaveAttribute('data-count', '0');

  // A pin that goes leaves orphans behind, which go with one click.
  await page.getByRole('tab', { name: 'Ports' }).click();
  await page.getByRole('button', { name: 'Remove pin 4' }).click();
  await expect(problems).not.toHaveAttribute('data-count', '0');
  const clean = page.getByRole('button', { name: /^Remove \d+ entr(y|ies) that refers? to something missing/ });
  await clean.click();
  await expect(clean).toHaveCount(0);
  await page.getByRole('button', { name: /^undo/ }).click();
  await page.getByRole('button', { name: /^undo/ }).click();
  await expect(problems).toHaveAttribute('data-count', '0');

  // A supply pin that no element of the circuit is on.
  await page.getByRole('tab', { name: 'Circuit' }).click();
  const elements = page.getByRole('button', { name: 'Remove this element' });
  while ((await elements.count()) > 0) await elements.click();
  await expect(problems).not.toHaveAttribute('data-count', '0');
  await expect(page.getByRole('button', { name: 'Save as revision 1' })).toBeDisabled();
  while ((await problems.getAttribute('data-count')) !== '0') await page.getByRole('button', { name: /^undo/ }).click();
  await expect(page.getByRole('button', { name: 'Save as revision 1' })).toBeEnabled();

  await page.getByRole('link', { name: 'Parts of the workshop' }).click();
  await page.getByRole('button', { name: `Discard the draft of ${SAMPLE}, own` }).click();
  await expect(page.getByTestId('own-parts')).not.toContainText(SAMPLE);
  await page.getByRole('button', { name: 'Restore it' }).click();
  await expect(page.getByTestId('own-parts')).toContainText(`${SAMPLE}, own`);
});

test('a part is made, exported and taken in again by keyboard alone; a file that is no part is refused', async ({ page, server }) => {
  await page.goto(`${server.url}/workshop/parts`);
  await tabTo(page, '#sample-search');
  await page.keyboard.type('servo 9g');
  await tabTo(page, 'button[aria-label^="Copy "]');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tab', { name: 'Facts' })).toBeVisible();
  await tabTo(page, 'input[maxlength], input.field');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Servo of the loft');
  await expect(page.getByRole('heading', { name: 'Servo of the loft' })).toBeVisible();
  await tabTo(page, 'button.action-main', 'Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('part-state')).toHaveText('revision 1, saved');
  const download = page.waitForEvent('download');
  await tabTo(page, 'header button.action:not(.action-main)', 'Shift+Tab');
  await page.keyboard.press('Enter');
  const file = await (await download).path();
  const text = readFileSync(file, 'utf8');
  expect(text).toContain('Servo of the loft');

  await page.goto(`${server.url}/workshop/parts`);
  await expect(page.getByTestId('own-parts')).toContainText('Servo of the loft');
  const take = async (content: string): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await tabTo(page, 'header button.action');
    await page.keyboard.press('Enter');
    await (await chooser).setFiles({ name: 'a.part.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  };
  await take('{"format": "something else"}');
  await expect(page.getByRole('alert')).toBeVisible();
  await take(text.replace('Servo of the loft', 'Servo of the cellar'));
  await expect(page.getByRole('heading', { name: 'Servo of the cellar' })).toBeVisible();
  await expect(page.getByTestId('part-state')).toHaveText('revision 1, changed since');
});

test('axe finds nothing on the pages of parts', async ({ page, server }) => {
  await page.goto(`${server.url}/workshop/parts`);
  await page.getByRole('button', { name: 'Copy Controller H7 carrier, 8 serial' }).waitFor();
  expect(await violations(page), 'workshop').toEqual([]);
  await page.getByRole('button', { name: 'Copy Controller H7 carrier, 8 serial' }).click();
  for (const tab of ['Facts', 'Ports and pins', 'Settings', 'Circuit', 'Signals', 'Paths', 'Lights and steps', 'Banks']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    expect(await violations(page), tab).toEqual([]);
  }
});
