import { enter, expect, settled, tabTo, test, violations, haveRemedies } from './bench.ts';

test('a bank is broken and mended, sticks are moved and surfaces seen, a function is dragged; by pointer', async ({ page, mudflat }) => {
  await page.goto(`${mudflat}/outputs`);
  await settled(page);
  const rack = page.getByTestId('rack');
  const slot = (label: string) => rack.locator(`[data-slot="${label}"]`);
  await expect(slot('out 1')).toHaveAttribute('data-function', 'motor-1');
  await expect(page.getByTestId('output-plan')).toContainText('9 of 9 functions have an output of FC1, in 3 of 5 banks.');
  await expect(page.getByTestId('output-plan')).toContainText('Everything is as planned.');
  expect(await violations(page)).toEqual([]);
  // What is taken off by hand, the plan puts back: the servo still hangs there.
  await slot('out 11').click();
  await page.getByTestId('slot-detail').locator('select').selectOption('free');
  await settled(page);
  await expect(slot('out 11')).toHaveAttribute('data-function', 'none');
  await page.getByTestId('output-plan').getByRole('button', { name: 'Apply the plan' }).click();
  await settled(page);
  await expect(slot('out 11')).toHaveAttribute('data-function', 'aileron-right');
  // Servos for 333 Hz get 450: a stop at each of them, and the bank runs slower again by what is offered there.
  await rack.getByLabel('Rate of bank C').fill('450');
  await rack.getByLabel('Rate of bank C').press('Enter');
  await settled(page);
  await slot('out 10').click();
  const detail = page.getByTestId('slot-detail');
  await expect(detail.locator('[data-finding="output.rate-too-fast"]')).toContainText(
    'SRV1 on FC1 out 10 gets 450 Hz, above its limit of 333 Hz.',
  );
  await detail.getByRole('button', { name: 'Bank C at 333 Hz' }).click();
  await settled(page);
  await expect(detail.locator('[data-finding]')).toHaveCount(0);
  await rack.getByLabel('Rate of bank C').fill('9000');
  await rack.getByLabel('Rate of bank C').press('Enter');
  await expect(rack.getByRole('alert')).toContainText('25 to 1000');
  await rack.getByLabel('Rate of bank C').fill('333');
  await rack.getByLabel('Rate of bank C').press('Enter');
  // A stick to the right: the left aileron goes down and the right one up, and the pulses with them.
  const motion = page.getByTestId('motion');
  const surface = (name: string) => motion.locator(`[data-surface="${name}"]`);
  await expect(surface('aileron-left')).toHaveAttribute('data-value', '0');
  const stick = page.getByRole('application', { name: /^Right stick/ });
  const box = await stick.boundingBox();
  if (box === null) throw new Error('The stick is not there.');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(surface('aileron-left')).toHaveAttribute('data-value', '100');
  await expect(surface('aileron-right')).toHaveAttribute('data-value', '-100');
  await expect(slot('out 10')).toHaveAttribute('data-us', '2000');
  await expect(slot('out 11')).toHaveAttribute('data-us', '1000');
  // Levelled, it is asked back from a bank; by hand it is not.
  await rack.getByRole('button', { name: 'Centre the sticks' }).click();
  await rack.getByRole('button', { name: 'right wing down' }).click();
  await expect(surface('aileron-left')).toHaveAttribute('data-value', '0');
  await rack.getByRole('button', { name: 'self-levelling' }).click();
  await expect(surface('aileron-left')).toHaveAttribute('data-value', '-44');
  await expect(motion).toHaveAttribute('aria-label', /aileron left 44 % up/);
  await rack.getByRole('button', { name: 'on its lift motors' }).click();
  await expect(motion.locator('[data-rotor="1"]')).toHaveAttribute('data-value', '0');
  // The rudder goes to a free output of its bank with its plug, and comes back by undo.
  await slot('out 13').dragTo(slot('out 12'));
  await settled(page);
  await expect(slot('out 12')).toHaveAttribute('data-function', 'rudder');
  await expect(slot('out 13')).toHaveAttribute('data-function', 'elevator');
  await expect(slot('out 12')).toContainText('SRV4');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(slot('out 12')).toHaveAttribute('data-function', 'elevator');
  await expect(slot('out 12')).toContainText('SRV3');
  // A channel that goes out as it comes in follows the switches of the radio; what no channel is planned for has a slider.
  await slot('out 15').click();
  await page.getByTestId('slot-detail').locator('select').selectOption('RC channel 5');
  await settled(page);
  const first = Number(await slot('out 15').getAttribute('data-us'));
  expect(first).toBeGreaterThan(900);
  const positions = rack.getByRole('group', { name: 'switch 1' }).getByRole('button');
  await positions.last().focus();
  await page.keyboard.press('Enter');
  await expect(positions.last()).toHaveAttribute('aria-pressed', 'true');
  expect(Number(await slot('out 15').getAttribute('data-us'))).toBeGreaterThan(first + 400);
  await slot('out 16').click();
  await page.getByTestId('slot-detail').locator('select').selectOption('dropper');
  await settled(page);
  await expect(slot('out 16')).toHaveAttribute('data-us', '1500');
  await rack.getByLabel('dropper', { exact: true }).fill('1');
  await expect(slot('out 16')).toHaveAttribute('data-us', '2000');
  expect(await violations(page)).toEqual([]);
  await page.goto(`${mudflat}/documents/motor-plan/aircraft`);
  await expect(page.getByTestId('document').locator('tbody tr').first()).toHaveText(
    /1.*rear left.*counter-clockwise.*15 x 5 in, counter-clockwise.*out 1/,
  );
});

test('the outputs of a new wing are planned from nothing, and a payload is passed through; by keyboard', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByLabel('New aircraft').fill('Stint');
  await page.keyboard.press('Enter');
  await page.getByTestId('frame').waitFor();
  await settled(page);
  await enter(page, 'go outputs', 'go outputs');
  await expect(page.getByTestId('rack')).toContainText('Add a controller with outputs');
  expect(await violations(page)).toEqual([]);
  await enter(page, 'add controller f4 wing', 'adds FC1');
  await enter(page, 'add servo 9g digital x2', 'adds SRV1');
  await enter(page, 'add controller 20 a 6 cells', 'adds ESC1');
  await enter(page, 'add servo 25 g can', 'adds SRV3');
  await settled(page);
  // A servo on a bus takes no output: the rudder is on it, and the plan leaves it there.
  await page.getByLabel('Function of SRV3').selectOption('rudder');
  await settled(page);
  const rack = page.getByTestId('rack');
  const slot = (label: string) => rack.locator(`[data-slot="${label}"]`);
  await expect(page.getByTestId('output-plan').getByRole('button', { name: 'Apply the plan' })).toBeEnabled();
  await tabTo(page, '[data-testid=output-plan] button');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByTestId('output-plan')).toContainText('Everything is as planned.');
  const functions = await rack.locator('[data-slot]').evaluateAll((all) => all.map((one) => one.getAttribute('data-function')));
  expect([...functions].sort()).toEqual(['elevon-left', 'elevon-right', 'none', 'none', 'none', 'throttle']);
  // The last output passes a channel on.
  await tabTo(page, '[data-slot="out 1"]');
  for (let n = 0; n < 5; n++) await page.keyboard.press('ArrowRight');
  await expect(slot('out 6')).toBeFocused();
  await page.keyboard.press('Enter');
  const detail = page.getByTestId('slot-detail');
  await detail.locator('select').selectOption('RC channel 7');
  await settled(page);
  await expect(slot('out 6')).toHaveAttribute('data-function', 'rc-7');
  await expect(detail).toContainText('Passes RC channel 7 through unchanged.');
  await detail.getByLabel('Minimum').fill('1700');
  await detail.getByLabel('Minimum').press('Enter');
  await expect(page.getByText('FC1 out6: the trim, 1500 us, must be between 1700 and 2000 us.')).toBeVisible();
  // Taken along to the output before, and back.
  await slot('out 6').focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await settled(page);
  await expect(slot('out 5')).toHaveAttribute('data-function', 'rc-7');
  await expect(slot('out 5')).toBeFocused();
  expect(await violations(page)).toEqual([]);
  await page.setViewportSize({ width: 768, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(768);
  await page.goto(page.url().replace(/\/outputs.*/, '/documents'));
  await page
    .getByRole('link', { name: /^Output card/ })
    .first()
    .click();
  await expect(page.getByTestId('document')).toContainText('RC channel 7');
});

test('the broken demo aircraft comes to no finding above a note by remedies and plans alone', async ({ page, aircraft }) => {
  await page.goto(`${aircraft}/outputs`);
  await settled(page);
  const above = page.getByTestId('findings').locator('[data-check]:not([data-severity="note"])');
  const mendable = above.filter({ has: page.locator('[data-remedy]') });
  const mend = async (): Promise<void> => {
    for (let round = 0; round < 40 && (await haveRemedies(page, mendable)); round++) {
      await mendable.first().locator('[data-remedy]').first().click();
      await settled(page);
    }
  };
  expect(await above.count()).toBeGreaterThan(15);
  await mend();
  const plan = page.getByTestId('output-plan');
  await plan.getByRole('button', { name: 'Apply the plan' }).click();
  await settled(page);
  await mend();
  expect(await above.count()).toBe(0);
  const functions = await page.locator('[data-slot]').evaluateAll((all) => all.map((one) => one.getAttribute('data-function')));
  expect(functions.filter((name) => name !== 'none').sort()).toEqual(['elevon-left', 'elevon-right', 'throttle']);
});
