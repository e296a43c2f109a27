import { describeAs, enter, expect, labelOf, settled, tabTo, test, violations } from './bench.ts';

test('undo of what somebody changed since says why, and offers the next by its name, by keyboard', async ({ browser, ownServer }) => {
  const address = `${ownServer.url}/aircraft/reedbed/wiring`;
  const [here, there] = [await browser.newContext(), await browser.newContext()];
  const [mine, theirs] = [await here.newPage(), await there.newPage()];
  await mine.goto(address);
  await settled(mine);
  const before = await labelOf(mine, ownServer.url, 'SRV1');
  await describeAs(mine, 'srv1', 'first of mine');
  await describeAs(mine, 'srv2', 'second of mine');
  await settled(mine);
  await theirs.goto(address);
  await settled(theirs);
  await describeAs(theirs, 'srv2', 'theirs');
  await settled(theirs);
  await expect(mine.getByTestId('frame')).toHaveAttribute('data-version', '3');
  await mine.locator('body').press('Control+z');
  await expect(mine.getByText('SRV2 was changed since.')).toBeVisible();
  await mine.locator('body').press('Control+z');
  const offer = mine.getByRole('button', { name: 'Undo instead: Describe SRV1 as "first of mine"' });
  await expect(offer).toHaveCount(1);
  expect(await violations(mine)).toEqual([]);
  await tabTo(mine, 'button:has-text("instead")', 'Shift+Tab');
  await mine.keyboard.press('Enter');
  await expect(mine.getByTestId('frame')).toHaveAttribute('data-version', '4');
  await expect(offer).toBeHidden();
  expect([await labelOf(mine, ownServer.url, 'SRV1'), await labelOf(mine, ownServer.url, 'SRV2')]).toEqual([before, 'theirs']);
  await here.close();
  await there.close();
});

test('an edit that the server does not take is found among others, shown with its text, and let go', async ({ page, ownServer }) => {
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(page);
  await ownServer.kill();
  await describeAs(page, 'srv1', 'good');
  await describeAs(page, 'srv2', 'turned \u202E around');
  await describeAs(page, 'radio1', 'good as well');
  await expect(page.getByTestId('saved-state')).toContainText('3 kept in this browser');
  await ownServer.start();
  const card = page.getByRole('group', { name: /^Not made: Describe SRV2/ });
  await expect(card).toContainText('cannot be seen');
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '2');
  await expect(card.getByRole('button', { name: 'Apply mine' })).toHaveCount(0);
  await card.getByRole('button', { name: 'Copy' }).press('Enter');
  await expect(card.getByLabel('The edit as text')).toBeFocused();
  await expect(card.getByLabel('The edit as text')).toHaveValue(/"label": "turned/);
  expect(await violations(page)).toEqual([]);
  // It outlives the window, and is asked about until it is answered.
  await page.reload();
  await settled(page);
  await page
    .getByRole('group', { name: /^Not made/ })
    .getByRole('button', { name: 'Discard it' })
    .click();
  await expect(page.getByRole('group', { name: /^Not made/ })).toHaveCount(0);
  expect([await labelOf(page, ownServer.url, 'SRV1'), await labelOf(page, ownServer.url, 'RADIO1')]).toEqual(['good', 'good as well']);
});

test('what the build before had kept in the browser is taken up', async ({ page, ownServer }) => {
  await page.goto(`${ownServer.url}/api/health`);
  const file = await (await page.request.get(`${ownServer.url}/api/aircraft/reedbed/export`)).text();
  const { aircraft } = JSON.parse(file) as { aircraft: { items: Record<string, { id: string; ref: string }> } };
  const servo = Object.values(aircraft.items).find(({ ref }) => ref === 'SRV1')?.id;
  if (servo === undefined) throw new Error('The demo aircraft has no SRV1.');
  await page.evaluate(async (item) => {
    localStorage.setItem('wired-falcon-author', 'bench 000000');
    const opening = indexedDB.open('wired-falcon-edits', 1);
    opening.onupgradeneeded = () => {
      opening.result.createObjectStore('pending', { keyPath: ['aircraft', 'session'] }).createIndex('aircraft', 'aircraft');
    };
    await new Promise((resolve) => (opening.onsuccess = resolve));
    const at = '2026-11-26T10:00:00.000Z';
    const edit = (n: number, was: string) => ({ kind: 'set-aircraft-note', note: `kept by the build before ${n}`, was });
    const by = 'bench 000000';
    const record = {
      aircraft: 'reedbed',
      session: 'gone',
      author: by,
      version: 0,
      edits: [{ editId: 'before1', at, by, edit: { kind: 'rename-item', item, ref: 'FLAP1', was: 'SRV1' } }],
      asked: [{ editId: 'before2', at, by, edit: edit(2, 'what nobody wrote') }],
    };
    const put = opening.result.transaction('pending', 'readwrite').objectStore('pending').put(record);
    await new Promise((resolve) => (put.onsuccess = resolve));
    opening.result.close();
  }, servo);
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await expect(page.getByText('One edit of an earlier window')).toBeVisible();
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '1');
  await expect(page.getByRole('group', { name: 'Not made: Change the note of the aircraft' })).toBeVisible();
  await settled(page);
  await enter(page, 'find flap1', 'find FLAP1');
});
