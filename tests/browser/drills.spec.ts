import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { barriers } from './axe';
import { choose, expect, leaveList, test, type TestServer } from './fixtures';

const opened = async (page: Page, server: TestServer, id: string) => {
  await page.goto(`${server.address}/drills/${id}`);
  await expect(page.getByRole('list', { name: 'Tests' })).toBeVisible();
};
/** The key that stands before a test. */
const keyOf = async (page: Page, name: string): Promise<string> =>
  (await page.getByRole('button', { name }).locator('kbd').first().innerText()).trim();
const log = (page: Page) => page.getByRole('region', { name: 'Log' }).getByRole('listitem');
const certain = async (page: Page, cause: string) => {
  await page.getByLabel(cause, { exact: true }).fill('100');
};
const decide = async (page: Page, what: RegExp) => {
  await page.locator('.p-multiselect').click();
  await page.getByRole('option', { name: what }).click();
  await leaveList(page);
};
const points = (page: Page) => page.getByRole('region', { name: 'Points' });

test('a drill is played to its end by keys, found out, and told afterwards', async ({ page, server }) => {
  await page.goto(server.address);
  await page.getByRole('link', { name: 'Drills' }).click();
  await page.getByRole('link', { name: 'Two earths' }).click();
  await expect(page.getByRole('list', { name: 'Tests' })).toBeVisible();
  await page.keyboard.press('m');
  await page.keyboard.press(await keyOf(page, 'Foreign voltage, AC'));
  await page.keyboard.press(await keyOf(page, 'Shield to earth'));
  await page.keyboard.press(await keyOf(page, 'Picture'));
  await expect(log(page)).toHaveCount(3);
  await expect(log(page).nth(2)).toContainText('bars');
  expect(await barriers(page, '.drill')).toEqual([]);

  // Left in the middle, it goes on where it was.
  await page.reload();
  await expect(log(page)).toHaveCount(3);

  await page.keyboard.press('a');
  await certain(page, 'Earth difference');
  await expect(page.locator('.cause').filter({ hasText: 'Coax joint' })).toContainText('0 %');
  await decide(page, /isolating device/);
  await page.getByLabel('For the record').fill('Five volts between the earths of the two buildings.');
  expect(await barriers(page, '.drill')).toEqual([]);
  await page.getByRole('button', { name: 'That is my answer' }).click();
  // All that can be had: cause 30, metre 15, minutes 20, moves 10, money 15, record 10.
  await expect(points(page)).toContainText('100 of 100');
  await expect(page.getByRole('region', { name: 'How it was' })).toContainText('It was earth difference');
  await expect(page.getByText('isolate, never just bond them')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Your way' })).toContainText('Earth difference');
  await page.getByLabel('Line of somebody else').fill('earth-difference 71 points 30 min');
  await expect(page.getByRole('status').filter({ hasText: 'They: 71 points' })).toBeVisible();
  expect(await barriers(page, '.drill')).toEqual([]);

  await page.getByRole('link', { name: 'Another drill' }).click();
  await expect(page.getByRole('table', { name: 'Results' })).toContainText('Two earths');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'All as CSV' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain(',Two earths,2,');
  expect(await barriers(page, '.drills')).toEqual([]);
});

test('a step that is not safe ends it, with the reason and the rule', async ({ page, server }) => {
  await opened(page, server, 'only-at-night');
  await page.keyboard.press(await keyOf(page, 'Loop, centre and shield'));
  await expect(page.getByRole('alert')).toContainText('that was not safe');
  await expect(page.getByRole('alert')).toContainText('First isolate the run');
  await expect(points(page)).toContainText('0 of 100');
  // What ended stays ended; it is begun anew.
  await page.getByRole('button', { name: 'Play it again' }).click();
  await expect(log(page)).toHaveCount(0);
});

test('how a drill ended is kept for the firm, and others at it stand beside one’s own', async ({
  page,
  server,
  browser,
}) => {
  await page.goto(`${server.address}/drills`);
  await page.getByLabel('Who plays').fill('R. Tolland');
  await page.keyboard.press('Enter');
  await opened(page, server, 'hidden-tap');
  await page.keyboard.press(await keyOf(page, 'Loop, centre and shield'));
  await expect(points(page)).toContainText('0 of 100');
  await expect(page.getByRole('table', { name: 'Others at this drill' })).toBeHidden();

  // Somebody else, on another device.
  const other = await browser.newPage();
  await other.goto(`${server.address}/drills`);
  await expect(other.getByRole('table', { name: 'Results', exact: true })).toContainText('R. Tolland');
  await other.getByLabel('Who plays').fill('W. Iken');
  await other.keyboard.press('Enter');
  await opened(other, server, 'hidden-tap');
  await other.keyboard.press(await keyOf(other, 'Loop, centre and shield'));
  const others = other.getByRole('table', { name: 'Others at this drill' });
  await expect(others.getByRole('row', { name: /R\. Tolland/ })).toBeVisible();
  expect(await barriers(other, '.drill')).toEqual([]);
  await other.getByRole('link', { name: 'Another drill' }).click();
  const everybody = other.getByRole('table', { name: 'How far everybody is' });
  await expect(everybody.getByRole('row', { name: 'R. Tolland 1 0 1' })).toBeVisible();
  await expect(everybody.getByRole('row', { name: 'W. Iken 1 0 1' })).toBeVisible();
  expect(await barriers(other, '.drills')).toEqual([]);
  await other.close();
});

test('a drill that ends without a network is sent once there is one', async ({ page, server, browser }) => {
  await page.goto(`${server.address}/drills`);
  await page.getByLabel('Who plays').fill('T. Sallow');
  await page.keyboard.press('Enter');
  await opened(page, server, 'split-pair');
  await page.context().setOffline(true);
  await page.keyboard.press(await keyOf(page, 'Foreign voltage, AC'));
  await page.keyboard.press('a');
  await certain(page, 'Camera');
  await decide(page, /Another camera/);
  await page.getByRole('button', { name: 'That is my answer' }).click();
  await expect(points(page)).toContainText('of 100');
  const other = await browser.newPage();
  await other.goto(`${server.address}/drills`);
  await expect(other.getByRole('heading', { name: 'Drills', level: 1 })).toBeVisible();
  const everybody = other.getByRole('table', { name: 'Results', exact: true });
  await expect(everybody.getByText('T. Sallow')).toBeHidden();
  await page.context().setOffline(false);
  const sent = page.waitForResponse(
    (answer) => answer.url().endsWith('/drill-results') && answer.request().method() === 'POST',
  );
  await page.getByRole('link', { name: 'Another drill' }).click();
  expect((await sent).status()).toBe(204);
  await other.reload();
  await expect(everybody.getByText('T. Sallow')).toBeVisible();
  await other.close();
});

test('what this device kept and cannot be read any more is passed over', async ({ page, server }) => {
  await opened(page, server, 'only-at-night');
  await page.keyboard.press('i');
  await expect(log(page)).toHaveCount(1);
  for (const kept of ['{"only-at-night":{"moves":[{"kind":"test","test":"none"}]}}', '[3]', '"x"']) {
    await page.evaluate((text) => {
      localStorage.setItem('neotrope-drill-moves', text);
      localStorage.setItem('neotrope-drill-results', '{"a":1}');
      localStorage.setItem('neotrope-own-drills', '[1, null, {"id":"x"}]');
    }, kept);
    await opened(page, server, 'only-at-night');
    await expect(log(page)).toHaveCount(0);
  }
  await page.keyboard.press('i');
  await expect(log(page)).toHaveCount(1);
  await page.goto(`${server.address}/drills`);
  await expect(page.getByRole('link', { name: 'Two earths' })).toBeVisible();
});

test('to be sure and wrong costs what it should', async ({ page, server }) => {
  await opened(page, server, 'nothing-wrong');
  await page.keyboard.press(await keyOf(page, 'Picture'));
  await page.keyboard.press('a');
  await page.getByRole('button', { name: 'That is my answer' }).click();
  await expect(page.getByRole('alert')).toContainText('Say what is to be done');
  await certain(page, 'Camera');
  await decide(page, /Another camera/);
  await page.getByRole('button', { name: 'That is my answer' }).click();
  // No chance for what was so: nothing for cause, minutes and moves. Nowhere along the line: 15. 260 lost of 500: 15 × 0.48 = 7.2.
  // No word for the record, and no meter that was not proved: 5. Together 27.2.
  await expect(points(page)).toContainText('27 of 100');
  await expect(page.getByRole('region', { name: 'How it was' })).toContainText('costs 260 more');
});

test('a drill is written, refused where it contradicts itself, played, and goes out and in as a file', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/drills`);
  await page.getByRole('heading', { name: 'Drills', exact: true }).click();
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Keys' });
  await expect(help).toContainText('what this page is for');
  await help.getByRole('button', { name: 'This view' }).click();
  await expect(page.getByRole('dialog', { name: 'Drills' })).toContainText('hide what is wrong with them');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Write one' }).click();
  await page.getByLabel('Title').fill('Behind the pump house');
  await page
    .getByLabel('What whoever called said')
    .fill('Since the pump house was painted the picture sparkles.');
  await page.getByLabel('One sentence to remember').fill('Painters move cables.');
  await page.locator('.field-row').filter({ hasText: 'Troubles' }).locator('.p-multiselect').click();
  await page.getByRole('option', { name: 'Coax joint' }).click();
  await leaveList(page);
  await page.getByRole('combobox', { name: 'In the line' }).click();
  await choose(page, 'Ohms in series');
  const at = page.getByRole('textbox', { name: 'At', exact: true });
  await at.fill('300');
  await at.press('Enter');
  await page.getByRole('button', { name: 'Keep it and try it' }).click();
  await expect(page.getByRole('alert')).toContainText('on the line, which is 120 m long');
  expect(await barriers(page, '.editor')).toEqual([]);
  await at.fill('80');
  await at.press('Enter');
  await page.getByRole('button', { name: 'Keep it and try it' }).click();
  await expect(page.getByRole('heading', { name: 'Behind the pump house' })).toBeVisible();
  await page.keyboard.press('i');
  await page.keyboard.press('m');
  await page.keyboard.press(await keyOf(page, 'Foreign voltage, AC'));
  await page.keyboard.press(await keyOf(page, 'Reflectometer'));
  await expect(log(page).last()).toContainText(/(79|80|81) m: series resistance/);

  // Changed, it keeps what was written and begins anew.
  await page.getByRole('link', { name: 'All drills' }).click();
  await page.getByRole('link', { name: 'Change Behind the pump house' }).click();
  await expect(page.getByLabel('One sentence to remember')).toHaveValue('Painters move cables.');
  await at.fill('50');
  await at.press('Enter');
  await page.getByRole('button', { name: 'Keep it and try it' }).click();
  await expect(log(page)).toHaveCount(0);
  await page.keyboard.press('i');
  await page.keyboard.press('m');
  await page.keyboard.press(await keyOf(page, 'Foreign voltage, AC'));
  await page.keyboard.press(await keyOf(page, 'Reflectometer'));
  await expect(log(page).last()).toContainText(/(49|50|51) m: series resistance/);

  await page.getByRole('link', { name: 'All drills' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /Write Behind the pump house/ }).click();
  const file = await (await download).path();
  await page.getByRole('button', { name: /Take away Behind/ }).click();
  await expect(page.getByRole('link', { name: 'Behind the pump house', exact: true })).toBeHidden();
  await page
    .getByLabel('Drill to take in')
    .setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: readFileSync(file) });
  await expect(page.getByRole('link', { name: 'Behind the pump house', exact: true })).toBeVisible();
  await page
    .getByLabel('Drill to take in')
    .setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from('no drill') });
  await expect(page.getByRole('alert')).toBeVisible();

  await page.getByLabel('Code of a drill').fill('nonsense');
  await page.getByRole('button', { name: 'Open the code' }).click();
  await expect(page.getByRole('alert')).toContainText('is no code of a drill');
  await page.getByLabel('Code of a drill').fill('1-k7qf');
  await page.getByRole('button', { name: 'Open the code' }).click();
  await expect(page.getByRole('heading', { name: 'Drill 1-K7QF' })).toBeVisible();
  await page.getByRole('link', { name: 'All drills' }).click();
  // A file with the id of a shipped drill is its own drill, and opens as what it is.
  const like = {
    ...(JSON.parse(readFileSync(file, 'utf8')) as object),
    id: 'hidden-tap',
    title: 'Not the tap',
  };
  await page.getByLabel('Drill to take in').setInputFiles({
    name: 'b.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(like)),
  });
  await page.getByRole('link', { name: 'Not the tap', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Not the tap' })).toBeVisible();
});
