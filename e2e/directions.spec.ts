import type { Page } from '@playwright/test';
import { enter, expect, settled, test, violations } from './bench.ts';

/** Answers the question that is there, each part by the words of an option. */
async function answer(page: Page, ...words: readonly string[]): Promise<void> {
  const parts = page.locator('form[data-question] fieldset');
  for (const [i, word] of words.entries()) await parts.nth(i).getByLabel(word, { exact: true }).check();
  await page.getByRole('button', { name: 'That is what I observe' }).click();
}

const STILL = 'does not move';
/** Every channel as it should be; the pitch channel of this firmware rises with a pull. */
async function radioRight(page: Page): Promise<void> {
  await answer(page, 'rises', STILL, STILL, STILL);
  await answer(page, STILL, 'falls', STILL, STILL);
  await answer(page, STILL, STILL, 'rises', STILL);
  await answer(page, STILL, STILL, STILL, 'rises');
}

async function attitudeRight(page: Page): Promise<void> {
  await answer(page, 'level');
  await answer(page, 'nose up');
  await answer(page, 'right wing down');
  await answer(page, 'rises');
}

test('four wrong aircraft are led right, each in the step where it is wrong; by pointer', async ({ page, whole }) => {
  await page.goto(`${whole}/outputs/directions`);
  await settled(page);
  const verdict = page.getByTestId('verdict');
  expect(await violations(page)).toEqual([]);
  await expect(page.getByRole('img', { name: 'The roll channel rises, the others do not move' })).toBeVisible();
  await expect(page.getByTestId('board-lies')).toContainText(/The firmware is set to: .*, code \d+\./);
  // 1. The roll channel falls: it is reversed in the radio, and the plan knows.
  await answer(page, 'falls', STILL, STILL, STILL);
  await answer(page, STILL, 'falls', STILL, STILL);
  await answer(page, STILL, STILL, 'rises', STILL);
  await answer(page, STILL, STILL, STILL, 'rises');
  await expect(verdict).toContainText('Reverse channel 1, roll in the radio. Leave the outputs as they are.');
  await verdict.getByRole('button', { name: 'Change it in the plan, and ask again' }).click();
  await settled(page);
  await radioRight(page);
  await expect(page.locator('[data-step="radio"]')).toHaveAttribute('data-state', 'right');
  // What was answered is there after a reload.
  await page.reload();
  await settled(page);
  await expect(page.locator('[data-question="attitude.rest"]')).toBeVisible();
  // 2. Nose up shows as left wing down: the board is turned. An answer that cannot be is asked once more.
  await answer(page, 'level');
  await answer(page, 'left wing down');
  await answer(page, 'left wing down');
  await answer(page, 'rises');
  await expect(verdict).toHaveAttribute('data-verdict', 'impossible');
  await verdict.getByRole('button', { name: 'Ask me again' }).click();
  await answer(page, 'left wing down');
  await answer(page, 'nose up');
  await expect(verdict.locator('[data-mend="orientation"]')).toContainText(
    /Never correct this by reversing outputs\. Set its orientation to "nose (left|right)"\./,
  );
  await verdict.getByRole('button', { name: 'Change it in the plan, and ask again' }).click();
  await settled(page);
  await attitudeRight(page);
  await expect(page.locator('[data-step="attitude"]')).toHaveAttribute('data-state', 'right');
  // 3. The halves of the tail are plugged in crosswise.
  await answer(page, 'down', 'up');
  await answer(page, 'up', 'up');
  await answer(page, 'down', 'up');
  await answer(page, 'down', 'down');
  await answer(page, 'as its propeller needs: air flows aft');
  await expect(verdict).toContainText('Swap the outputs of left V-tail and right V-tail.');
  await verdict.getByRole('button', { name: 'Change it in the plan, and ask again' }).click();
  await settled(page);
  await answer(page, 'down', 'up');
  await answer(page, 'up', 'up');
  await answer(page, 'up', 'down');
  await answer(page, 'down', 'down');
  await answer(page, 'as its propeller needs: air flows aft');
  // 4. Against all that was proven the ailerons act the wrong way: the attitude is looked at again.
  await expect(page.getByRole('img', { name: 'Right wing lowered, seen from behind' })).toBeVisible();
  await answer(page, 'down', 'up');
  await answer(page, 'down', 'down');
  await answer(page, 'down', 'up');
  await expect(verdict).toContainText('the result of the attitude step about roll cannot be right');
  expect(await violations(page)).toEqual([]);
  await verdict.getByRole('button', { name: 'Ask me again' }).click();
  await expect(page.locator('[data-question="attitude.wing"]')).toBeVisible();
  await answer(page, 'right wing down');
  await answer(page, 'down', 'up');
  await answer(page, 'up', 'up');
  await answer(page, 'up', 'down');
  await answer(page, 'down', 'down');
  await answer(page, 'as its propeller needs: air flows aft');
  await answer(page, 'up', 'down');
  await answer(page, 'down', 'down');
  await answer(page, 'down', 'up');
  await expect(verdict).toContainText('All four steps are correct');
  await page.goto(`${whole}/documents/direction-card/aircraft`);
  await expect(page.getByTestId('document')).toContainText('Propellers off for all four steps');
});

test('the lift motors of a new quad are numbered as they turned; by keyboard', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Stilt');
  await page.keyboard.press('Enter');
  await page.getByTestId('frame').waitFor();
  await settled(page);
  await enter(page, 'go directions', 'go outputs directions');
  await expect(page.getByTestId('directions')).toContainText('Add a controller with outputs');
  await page.goto(page.url().replace(/\/outputs.*/, '/brief'));
  await page.getByRole('combobox', { name: /^Airframe/ }).selectOption({ label: 'quad, X' });
  await settled(page);
  await enter(page, 'add controller f4 wing', 'adds FC1');
  await enter(page, 'add controller 20 a 6 cells x4', 'adds ESC1');
  await settled(page);
  await enter(page, 'go outputs', 'go outputs');
  await page.getByTestId('output-plan').getByRole('button', { name: 'Apply the plan' }).click();
  await settled(page);
  await enter(page, 'go directions', 'go outputs directions');
  const form = page.locator('form[data-question]');
  const byKeys = async (...words: readonly string[]): Promise<void> => {
    for (const [i, word] of words.entries()) {
      await form.locator('fieldset').nth(i).getByLabel(word, { exact: true }).focus();
      await page.keyboard.press('Space');
    }
    await page.keyboard.press('Enter');
  };
  await byKeys('rises', STILL, STILL, STILL);
  await byKeys(STILL, 'falls', STILL, STILL);
  await byKeys(STILL, STILL, 'rises', STILL);
  await byKeys(STILL, STILL, STILL, 'rises');
  for (const word of ['level', 'nose up', 'right wing down', 'rises']) await byKeys(word);
  // Motors 1 and 2 are plugged in crosswise; each turns as the motor at its place has to.
  const places = await page.locator('form[data-question] fieldset').first().locator('label').allInnerTexts();
  expect(places).toContain('none turns');
  const seen = [
    ['front left', 'clockwise'],
    ['rear left', 'counter-clockwise'],
    ['front right', 'counter-clockwise'],
    ['rear right', 'clockwise'],
  ] as const;
  for (const [place, turn] of seen) await byKeys(place, turn);
  const verdict = page.getByTestId('verdict');
  await expect(verdict).toContainText('Number the motors as tested');
  await verdict.getByRole('button', { name: 'Change it in the plan, and ask again' }).focus();
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.locator('[data-question="outputs.motor-1"]')).toBeVisible();
  await page.setViewportSize({ width: 768, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
  expect(await violations(page)).toEqual([]);
});
