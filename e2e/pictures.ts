import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { enter, expect, settled, test } from './bench.ts';

interface Picture {
  readonly name: string;
  /** Its address below the server's. */
  readonly at: string;
  /** What is chosen on the page. */
  readonly stage?: (page: Page) => Promise<void>;
}

const pictures: readonly Picture[] = [
  {
    name: 'hangar',
    at: '',
    stage: async (page) => {
      await page.getByTestId('hangar').waitFor();
      await expect(page.getByText('checking')).toHaveCount(0);
    },
  },
  { name: 'brief', at: 'aircraft/saltmarsh/brief' },
  { name: 'boards', at: 'aircraft/mudflat/brief/boards', stage: (page) => page.locator('[data-board]').first().waitFor() },
  {
    name: 'layout',
    at: 'aircraft/saltmarsh/layout',
    stage: async (page) => {
      await page.getByLabel(/^field/).selectOption({ label: 'Climb' });
      await page.locator('[data-item="GNSS1"]').press('Enter');
      await page.locator('[data-testid="field"] path').first().waitFor({ state: 'attached' });
    },
  },
  { name: 'parts', at: 'aircraft/saltmarsh/parts' },
  { name: 'wiring', at: 'aircraft/reedbed/wiring' },
  { name: 'chains', at: 'aircraft/reedbed/links' },
  { name: 'channels', at: 'aircraft/reedbed/links/channels' },
  { name: 'ports', at: 'aircraft/mudflat/links/ports', stage: (page) => page.locator('[data-link]').first().waitFor() },
  {
    name: 'outputs',
    at: 'aircraft/saltmarsh/outputs',
    stage: async (page) => {
      await page.getByRole('application', { name: /^Right stick/ }).focus();
      for (const key of ['ArrowRight', 'ArrowDown']) for (let n = 0; n < 5; n++) await page.keyboard.press(key);
      await page.locator('[data-slot="main 1"]').click();
    },
  },
  {
    name: 'linkages',
    at: 'aircraft/saltmarsh/outputs/linkages',
    stage: async (page) => {
      await page.getByTestId('linkage-motion').getByLabel('Stick').fill('1850');
      await page.locator('.apexcharts-series path').first().waitFor();
    },
  },
  {
    name: 'directions',
    at: 'aircraft/saltmarsh/outputs/directions',
    stage: async (page) => {
      // The radio and the attitude are right; the outputs are asked for.
      for (const seen of ['rises', 'falls', 'rises', 'rises', 'level', 'nose up', 'right wing down', 'rises']) {
        for (const part of await page.locator('form[data-question] fieldset').all()) {
          const right = part.getByLabel(seen, { exact: true });
          await ((await right.count()) > 0 ? right : part.getByLabel('does not move')).check();
        }
        await page.getByRole('button', { name: 'That is what I observe' }).click();
      }
      await page.locator('[data-question="outputs.roll"]').waitFor();
    },
  },
  {
    name: 'firmware',
    at: 'aircraft/saltmarsh/firmware',
    stage: (page) => page.locator('[data-testid="firmware-load"][data-current="true"]').waitFor(),
  },
  {
    name: 'read-back',
    at: 'aircraft/saltmarsh/firmware/read-back',
    stage: async (page) => {
      // A dump with what people find at the field: a trim, a role, a value that was lost, and the calibration of its own.
      const dump = [
        '~ board ESTUARY7',
        '~ release 3.1',
        '~ holds changes',
        'CRAFT.SHAPE 21',
        'P20.ROLE 17',
        'P20.PACE 960',
        'P26.ROLE 31',
        'D10.JOB 311',
        'D10.REST 1520',
        'F1.BY 1',
        'GYRO.X.ZERO 17',
        'GYRO.Y.ZERO -4',
        'BOARD.SERIAL A2077',
        'WHAT.EVER 7',
      ].join('\n');
      await page.getByLabel('Paste the text here, or drop a file').fill(dump);
      await page.getByRole('button', { name: 'Compare with the plan' }).click();
      await page.locator('[data-testid="read-back"][data-current="true"]').waitFor();
    },
  },
  { name: 'power', at: 'aircraft/saltmarsh/power?situation=cruise' },
  { name: 'documents', at: 'aircraft/saltmarsh/documents' },
  // Last, since they change the aircraft.
  {
    name: 'dialect',
    at: 'aircraft/saltmarsh/firmware/dialect',
    stage: async (page) => {
      await page.getByRole('button', { name: 'Copy it, and use the copy here' }).click();
      await page.getByRole('heading', { name: 'Dialect: Numbered ports, own' }).waitFor();
      await settled(page);
      await page.getByRole('combobox', { name: 'Table' }).selectOption('roles');
      await page.getByLabel('MAVLink 2', { exact: true }).fill('77');
      await page.locator('[data-changed="P20.ROLE 77"]').waitFor();
      await page.getByRole('heading', { name: 'Lines' }).scrollIntoViewIfNeeded();
    },
  },
  {
    name: 'ladder',
    at: 'aircraft/reedbed/wiring',
    stage: async (page) => {
      await enter(page, 'add gnss compass serial i2c', 'adds GNSS1');
      await settled(page);
      await enter(page, 'gnss1 > s4', 'GNSS1 main > FC1 S4');
      await settled(page);
      await enter(page, 'gnss1 > i2c', 'branch of W21');
      await settled(page);
      await enter(page, 'open w20', 'opens its pin ladder');
      await settled(page);
    },
  },
];

for (const { name, at, stage } of pictures)
  test(name, async ({ page, server }) => {
    await page.goto(`${server.url}/${at}`);
    if (at !== '') await settled(page);
    await stage?.(page);
    await page.screenshot({ path: join(import.meta.dirname, '../docs/screenshots', `${name}.png`), animations: 'disabled' });
  });
