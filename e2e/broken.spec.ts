import type { Page } from '@playwright/test';
import { describeAs, enter, expect, findings, labelOf, settled, test, violations } from './bench.ts';

/** Has the browser load a script of the application with one place of it changed. */
async function withScript(page: Page, glob: string, place: RegExp, by: string): Promise<void> {
  await page.route(glob, async (route) => {
    const response = await route.fetch();
    const text = await response.text();
    const changed = text.replace(place, by);
    if (changed === text) throw new Error(`There is no such place in ${route.request().url()}.`);
    return route.fulfill({ response, body: changed });
  });
}

test('a check that throws is named, all others are there, and what follows is computed as ever', async ({ page, aircraft }) => {
  await withScript(
    page,
    '**/follower.worker-*.js',
    /(id:["'`]link\.air-mismatch["'`].{0,200}?)run:/,
    '$1run:()=>{throw new Error("No such pin.")},was:',
  );
  await page.goto(aircraft);
  await settled(page);
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin.getByRole('alert')).toContainText('(link.air-mismatch) could not run on this version; all others did');
  await expect(margin.getByRole('alert')).toContainText('No such pin.');
  expect(await findings(page)).toContain('wire.servo-lead');
  expect(await findings(page)).not.toContain('link.air-mismatch');
  expect(await violations(page)).toEqual([]);
  const before = (await findings(page)).filter((id) => id === 'wire.servo-lead').length;
  await enter(page, 'cut w08', 'cut W08');
  await settled(page);
  expect((await findings(page)).filter((id) => id === 'wire.servo-lead')).toHaveLength(before - 1);
});

test('without the worker the margin says why nothing is checked, never that nothing was found, and edits are saved', async ({
  page,
  server,
  aircraft,
}) => {
  await page.route('**/follower.worker-*.js', (route) => route.abort());
  await page.goto(aircraft);
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin.getByRole('alert')).toContainText('The checks could not run on this version');
  await expect(margin.getByRole('alert')).toContainText('Its script could not be loaded. Load the page again');
  await expect(margin).not.toContainText('No findings');
  await describeAs(page, 'srv1', 'without checks');
  await expect(page.getByTestId('frame')).toHaveAttribute('data-pending', '0');
  expect(await labelOf(page, server.url, 'SRV1', aircraft.split('/').at(-1))).toBe('without checks');
});

test('a page that throws leaves the frame as it is, and is drawn again with the next change', async ({ page, aircraft }) => {
  await withScript(
    page,
    '**/BriefView-*.js',
    /(["'`])What the aircraft is to be[^"'`]*\1/,
    '(()=>{if(window.wfWhole!==true)throw new Error("No frame.");return "What the aircraft is to be."})()',
  );
  await page.goto(`${aircraft}/brief`);
  await expect(page.getByRole('heading', { name: 'The page "brief" broke' })).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('No frame.');
  await settled(page);
  expect(await findings(page)).toContain('wire.servo-lead');
  expect(await violations(page)).toEqual([]);
  await enter(page, 'add servo 9g', 'add Servo 9 g');
  await settled(page);
  await expect(page.getByRole('heading', { name: 'The page "brief" broke' })).toBeVisible();
  await page.evaluate(() => Object.assign(window, { wfWhole: true }));
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('What the aircraft is to be.')).toBeVisible();
});

test('a page that cannot be loaded says so in its place, and the others work', async ({ page, aircraft }) => {
  await page.route('**/PowerView-*.js', (route) => route.abort());
  await page.goto(aircraft);
  await settled(page);
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: /^Power/ })
    .press('Enter');
  await expect(page.getByRole('heading', { name: 'This page could not be loaded' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('i');
  await expect(page).toHaveURL(/parts$/);
  await expect(page.getByRole('heading', { name: 'This page could not be loaded' })).toHaveCount(0);
});

test('without the layout engine the wiring sheet says why it is not drawn, and the margin and edits work', async ({ page, aircraft }) => {
  await page.route('**/layout.worker-*.js', (route) => route.abort());
  await page.goto(`${aircraft}/wiring`);
  await expect(page.getByTestId('wiring').getByRole('alert')).toContainText('The sheet of this version could not be laid out');
  await page.getByRole('heading', { name: /^Findings: / }).waitFor();
  expect(await findings(page)).toContain('wire.servo-lead');
  await page.unroute('**/layout.worker-*.js');
  await enter(page, 'add servo 9g', 'add Servo 9 g');
  await expect(page.getByTestId('wiring')).not.toHaveAttribute('data-layout-seq', '0');
  await expect(page.getByTestId('wiring').getByRole('alert')).toHaveCount(0);
});

/** Has calculators of the worker throw, each with its id as the error. */
async function withCalculatorsThrowing(page: Page, ids: readonly string[]): Promise<void> {
  const any = ids.map((id) => id.replace('.', '\\.')).join('|');
  const place = new RegExp(`id:["'\`](${any})["'\`],steps:`, 'g');
  await withScript(page, '**/follower.worker-*.js', place, 'id:"$1",steps:()=>{throw new Error("no $1")},was:');
}

test('a map of the field that throws is told above the plan, which stays', async ({ page, whole }) => {
  await withCalculatorsThrowing(page, ['layout.field']);
  await page.goto(`${whole}/layout`);
  await settled(page);
  await page.getByLabel(/^field/).selectOption({ label: 'Cruise' });
  const told = page.getByRole('alert').filter({ hasText: 'The field of this version could not be computed' });
  await expect(told).toContainText('no layout.field');
  await expect(page.locator('[data-item="FC1"]')).toBeVisible();
  expect(await findings(page)).not.toEqual([]);
  expect(await violations(page)).toEqual([]);
  await page.getByLabel(/^field/).selectOption('');
  await expect(told).toHaveCount(0);
});

test('a netlist, a sheet of currents and a fault that cannot be solved are told, and the river stays', async ({ page, whole }) => {
  await withCalculatorsThrowing(page, ['power.netlist', 'power.currents', 'power.faulty']);
  await page.goto(`${whole}/power`);
  await settled(page);
  await page.getByRole('button', { name: 'SPICE netlist' }).press('Enter');
  await expect(page.getByText('The netlist could not be made. The error: no power.netlist')).toBeVisible();
  await page.getByRole('button', { name: 'Currents as CSV' }).press('Enter');
  await expect(page.getByText('The sheet of currents could not be made. The error: no power.currents')).toBeVisible();
  await page.getByTestId('faults').locator('tbody button').first().press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'The situation with this fault could not be solved' })).toContainText(
    'no power.faulty',
  );
  await expect(page.getByTestId('supplies')).toBeVisible();
});
