import { asId, type AircraftId } from '@wired-falcon/core';
import { paths } from '../apps/web/src/addresses/paths.ts';
import { tabsOf } from '../apps/web/src/addresses/screens.ts';
import { stages } from '../apps/web/src/stages/index.ts';
import { expect, settled, test, violations } from './bench.ts';

/** The id of the aircraft at an address. */
const idOf = (aircraft: string): AircraftId => asId<AircraftId>(aircraft.split('/').at(-1) ?? '');

for (const stage of stages)
  test(`axe finds nothing on any view of ${stage.title}`, async ({ page, server, aircraft }) => {
    for (const { to } of tabsOf(stage, idOf(aircraft))) {
      await page.goto(`${server.url}${to}`);
      await settled(page);
      expect(await violations(page), to).toEqual([]);
    }
  });

test('axe finds nothing in the hangar, on a document, labels, a pin ladder, and the list of keys', async ({ page, server, aircraft }) => {
  await page.goto(server.url);
  await page.getByTestId('hangar').waitFor();
  expect(await violations(page)).toEqual([]);
  await page.goto(`${server.url}${paths.document(idOf(aircraft), 'labels', 'aircraft')}`);
  await settled(page);
  expect(await violations(page), 'labels').toEqual([]);
  await page.goto(`${aircraft}/documents`);
  await settled(page);
  await page.getByRole('link', { name: 'Pin table W04' }).click();
  expect(await violations(page), 'document').toEqual([]);
  await page.goto(aircraft);
  await settled(page);
  await page.getByRole('button', { name: 'Cable W10' }).click();
  await page.getByRole('link', { name: 'Open pin ladder' }).click();
  await settled(page);
  expect(await violations(page), 'ladder').toEqual([]);
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
  expect(await violations(page), 'keys').toEqual([]);
});
