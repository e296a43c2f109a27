import type { Page } from '@playwright/test';
import { enter, expect, findings, settled, tabTo, test, violations } from './bench.ts';

/** Where the aircraft balances, in mm aft of the nose. */
async function balance(page: Page): Promise<number> {
  return Number(await page.getByTestId('balance').getAttribute('data-station'));
}

test('a part is moved by pointer, and the balance moves while it is dragged; undone', async ({ page, whole }) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  const before = await balance(page);
  const pack = page.locator('[data-item="BAT1"]');
  const at = await pack.getAttribute('aria-label');
  const box = await pack.boundingBox();
  if (box === null) throw new Error('The pack is not drawn.');
  // At its lower end, where nothing lies above it.
  const [x, y] = [box.x + 3, box.y + box.height - 3];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 20, { steps: 4 });
  await page.mouse.move(x, y - 40, { steps: 4 });
  await expect.poll(() => balance(page)).toBeLessThan(before - 5);
  // Nothing is changed as long as it is held.
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '0');
  await page.mouse.up();
  await settled(page);
  await expect(pack).not.toHaveAttribute('aria-label', at ?? '');
  expect(await balance(page)).toBeLessThan(before - 5);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(pack).toHaveAttribute('aria-label', at ?? '');
});

test('pushed out of its band it says stop, and the remedy brings it back; by keyboard', async ({ page, whole }) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  await enter(page, 'move bat1 180 0 -43', 'moves it');
  await settled(page);
  expect(await findings(page)).toContain('place.cg');
  await expect(page.getByTestId('balance')).toContainText('outside');
  const finding = page.locator('[data-check="place.cg"]');
  await expect(finding).toContainText('too far forward');
  await finding.getByRole('button', { name: 'Move BAT1' }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(finding).toHaveCount(0);
  // One key takes the solved place of the pack too.
  await enter(page, 'move bat1 260 0 -43', 'moves it');
  await settled(page);
  await expect(page.getByTestId('balance').getByRole('button', { name: /Move BAT1/ })).toBeVisible();
  await page.locator('[data-item="FC1"]').focus();
  await page.keyboard.press('b');
  await settled(page);
  await expect(page.locator('[data-item="BAT1"]')).toHaveAttribute('aria-label', /station 335/);
});

test('arrow keys move a part by 5 and by 1 mm, r turns it, and its place can be typed', async ({ page, whole }) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  await page.getByLabel('Show').selectOption({ label: 'under the wing' });
  await tabTo(page, '[data-item="RX1"]');
  const receiver = page.locator('[data-item="RX1"]');
  await expect(receiver).toHaveAttribute('aria-label', /station 620, butt line 50, water line 40/);
  await page.keyboard.press('ArrowUp');
  await settled(page);
  await expect(receiver).toHaveAttribute('aria-label', /station 615, butt line 50/);
  await page.keyboard.press('Shift+ArrowLeft');
  await settled(page);
  await expect(receiver).toHaveAttribute('aria-label', /station 615, butt line 49/);
  await page.keyboard.press('Enter');
  const bar = page.getByRole('region', { name: 'Place of RX1' });
  await receiver.focus();
  await page.keyboard.press('r');
  await settled(page);
  await expect(bar.getByRole('button', { name: /Turn, now 90/ })).toBeVisible();
  await bar.getByLabel('Water line').fill('30');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(receiver).toHaveAttribute('aria-label', /water line 30/);
  await bar.getByLabel('Fine turn').fill('12');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(receiver).toHaveAttribute('transform', /rotate\(12\)/);
  await bar.getByLabel('Rolled').selectOption('180');
  await settled(page);
  await expect(bar.getByLabel('Rolled')).toHaveValue('180');
  // The cable of what is chosen is written with the lengths of its branches, and that somebody typed them.
  await expect(page.locator('[data-way]')).toHaveText(['W16 170 mm typed', 'W16 160 mm typed']);
  await bar.getByLabel('As weighed').fill('16');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByTestId('balance')).toContainText('4267 g');
  expect(await violations(page)).toEqual([]);
});

test('a new aircraft: an airframe to begin with, numbers in the brief, parts put into bays; axe', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Bare wing');
  await page.getByRole('button', { name: 'Create' }).click();
  await settled(page);
  await enter(page, 'go layout', 'opens layout');
  await expect(page.getByRole('img', { name: 'The airframe from above' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByLabel('Span').fill('90');
  await expect(page.getByRole('alert')).toContainText('From 200 to 8000 mm.');
  await page.getByLabel('Span').fill('1400');
  await page.keyboard.press('Enter');
  await settled(page);
  await enter(page, 'add lipo 4s', 'adds BAT1');
  await settled(page);
  expect(await findings(page)).toContain('place.not-placed');
  await page.getByRole('button', { name: 'BAT1', exact: true }).first().click();
  await page.getByRole('region', { name: 'Place of BAT1' }).getByLabel('Bay').selectOption({ label: 'nose' });
  await settled(page);
  await expect(page.locator('[data-item="BAT1"]')).toBeVisible();
  expect(await findings(page)).not.toContain('place.not-placed');
  // What lies in bays is put there at once; a motor stays for a person to place.
  await enter(page, 'add controller f4', 'adds FC1');
  await enter(page, 'add receiver sbus', 'adds RX1');
  await enter(page, 'add motor 28', 'adds MOT1');
  await page.getByRole('button', { name: 'Place in bays' }).click();
  await settled(page);
  await expect(page.locator('[data-item="FC1"]')).toBeVisible();
  await expect(page.locator('[data-item="RX1"]')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Place in bays' })).toHaveCount(0);
  await expect(page.locator('[data-name="FC1"]')).toHaveText('FC1');
  expect(await findings(page)).not.toContain('place.bay-overflow');
  await expect(page.getByTestId('not-placed')).toHaveText('Not placed yet:MOT1');
  await enter(page, 'go brief', 'opens brief');
  const span = page.getByRole('textbox', { name: /^Span\s*mm/ });
  await span.fill('-5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('1 to 20000');
  // The sketch follows what is typed, before it is saved.
  const wing = page.getByRole('img', { name: 'The airframe from above' }).locator('polygon').first();
  const drawn = (await wing.getAttribute('points')) ?? '';
  await span.fill('1600');
  await expect(wing).toHaveAttribute('points', /800/);
  await span.fill('-5');
  await span.blur();
  await expect(wing).toHaveAttribute('points', drawn);
  await span.fill('1500');
  await expect(wing).not.toHaveAttribute('points', drawn);
  await expect(wing).toHaveAttribute('points', /750/);
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(span).toHaveValue('1500');
  expect(await violations(page)).toEqual([]);
});

test('bays and routes are changed in numbers, and what that does is found; by keyboard; axe', async ({ page, whole }) => {
  await page.goto(`${whole}/layout`);
  await settled(page);
  await tabTo(page, 'nav[aria-label="Layout"] a:has-text("Bays and routes")');
  await page.keyboard.press('Enter');
  const length = page.getByLabel('nose, length');
  await length.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('150');
  await page.keyboard.press('Enter');
  await settled(page);
  expect(await findings(page)).toContain('place.bay-overflow');
  await page.getByRole('button', { name: /^undo/ }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  expect(await findings(page)).not.toContain('place.bay-overflow');

  await page.getByLabel('spar to left wing root, joint').focus();
  await page.keyboard.type('left wing');
  await page.keyboard.press('Enter');
  await settled(page);
  expect(await findings(page)).toContain('place.joint-unbroken');
  const joints = page.locator('[data-check="place.joint-unbroken"]');
  const before = await joints.count();
  await joints.first().getByRole('button', { name: 'Plugs at "left wing"' }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(joints).toHaveCount(before - 1);
  await page.getByRole('button', { name: /^undo/ }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(joints).toHaveCount(before);

  const rows = page.getByRole('region', { name: 'Bays' }).getByRole('row');
  const count = await rows.count();
  await page.getByRole('button', { name: 'Add a bay' }).focus();
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(count + 1);
  await page.getByLabel('Name of new bay').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('left wing');
  await page.keyboard.press('Enter');
  await settled(page);
  await page.getByRole('button', { name: 'Remove left wing', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(count);
  // A bay with something in it stays, and says why.
  await page.getByRole('button', { name: 'Remove nose', exact: true }).click();
  await expect(page.getByText(/is in this bay\. Move its parts first\./)).toBeVisible();
  expect(await violations(page)).toEqual([]);
});
