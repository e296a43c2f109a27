import { describeAs, expect, labelOf, settled, test } from './bench.ts';

test('the server is killed amid work: edits wait, outlive their window, and arrive in order', async ({ context, ownServer }) => {
  const first = await context.newPage();
  await first.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(first);
  await describeAs(first, 'srv1', 'before');
  await settled(first);
  await ownServer.kill();
  await describeAs(first, 'srv1', 'while it was gone');
  await describeAs(first, 'srv2', 'after it');
  await first.getByRole('button', { name: 'clear selection' }).click();
  await first.getByRole('button', { name: 'Set RADIO1 to 115200' }).click();
  await expect(first.getByTestId('saved-state')).toContainText('3 kept in this browser');
  await first.close();

  await ownServer.start();
  const second = await context.newPage();
  await second.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(second);
  await expect(second.getByText('3 edits of an earlier window had not reached the server')).toBeVisible();
  await expect(second.getByTestId('frame')).toHaveAttribute('data-version', '4');
  await settled(second);
  expect(await labelOf(second, ownServer.url, 'SRV1')).toBe('while it was gone');
  expect(await labelOf(second, ownServer.url, 'SRV2')).toBe('after it');
  await second.reload();
  await settled(second);
  await expect(second.getByTestId('frame')).toHaveAttribute('data-version', '4');
});

test('the server comes back by itself: the same window saves what waited', async ({ page, ownServer }) => {
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(page);
  await ownServer.kill();
  await describeAs(page, 'srv1', 'held back');
  await expect(page.getByTestId('saved-state')).toContainText('1 kept in this browser');
  await ownServer.start();
  await expect(page.getByTestId('saved-state')).toContainText('saved');
  expect(await labelOf(page, ownServer.url, 'SRV1')).toBe('held back');
});

test('edits that wait are not lost by going to another page of the same window', async ({ page, ownServer }) => {
  await page.goto(`${ownServer.url}/aircraft/reedbed/wiring`);
  await settled(page);
  await ownServer.kill();
  await describeAs(page, 'srv1', 'on the way out');
  await expect(page.getByTestId('saved-state')).toContainText('1 kept in this browser');
  await page.getByRole('link', { name: 'Hangar' }).click();
  await ownServer.start();
  await page.goBack();
  await expect(page.getByTestId('frame')).toHaveAttribute('data-version', '1');
  await settled(page);
  expect(await labelOf(page, ownServer.url, 'SRV1')).toBe('on the way out');
});

test('two people change one value: who comes second is asked, and decides', async ({ browser, aircraft }) => {
  const [here, there] = [await browser.newContext(), await browser.newContext()];
  const [mine, theirs] = [await here.newPage(), await there.newPage()];
  for (const page of [mine, theirs]) {
    await page.goto(aircraft);
    await settled(page);
  }
  await here.setOffline(true);
  await describeAs(mine, 'srv1', 'mine');
  await describeAs(theirs, 'srv1', 'theirs');
  await settled(theirs);
  await here.setOffline(false);
  const question = mine.getByRole('group', { name: /Not made/ });
  await expect(question).toBeVisible();
  await expect(mine.getByLabel('Description')).toHaveValue('theirs');
  await question.getByRole('button', { name: 'Apply mine' }).click();
  await expect(question).toBeHidden();
  await expect(mine.getByTestId('frame')).toHaveAttribute('data-version', '2');
  await theirs.bringToFront();
  await expect(theirs.getByTestId('frame')).toHaveAttribute('data-version', '2');
  await expect(theirs.getByLabel('Description')).toHaveValue('mine');
  await here.close();
  await there.close();
});
