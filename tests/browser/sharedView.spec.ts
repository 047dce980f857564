import { barriers } from './axe';
import { cell, choose, expect, saved, test } from './fixtures';

test('a view is left to the wide camera of another, and is named as lost when that one stays as it is', async ({
  page,
  open,
}) => {
  await open('decide/r01');
  const inHand = page.getByRole('complementary', { name: 'The option in hand' });
  await page.getByRole('button', { name: /^Wide/ }).click();
  await expect(inHand).toContainText(
    'Nobody has noted another camera from whose place this view could be seen',
  );
  await page.getByLabel('Camera that could see this view').click();
  await choose(page, '2 Hall south desk');
  for (const [field, figure] of [
    ['Angle that takes in both views', '95'],
    ['Distance from that camera', '6 m'],
  ] as const) {
    await page.getByLabel(field).fill(figure);
    await page.getByLabel(field).press('Enter');
  }
  // 2560 pixels over 2 · 6 m · tan 47.5° are 195 a metre; a stranger’s face takes 250.
  await expect(inHand).toContainText('195 px/m');
  await page.locator('h1').click();
  await page.keyboard.press('c');
  await expect(inHand.getByRole('alert')).toContainText('a class of 8 MP for camera 2');
  await page.getByLabel('Angle that takes in both views').fill('80');
  await page.getByLabel('Angle that takes in both views').press('Enter');
  await expect(inHand).toContainText('254 px/m');
  expect(await barriers(page, '.sheet')).toEqual([]);
  await page.getByRole('button', { name: /^Choose/ }).click();
  await expect(cell(page, 'r01', 'shared-view')).toHaveClass(/chosen/);
  await expect(cell(page, 'r01', 'shared-view')).not.toHaveClass(/broken/);

  // The other camera is kept after all: nobody would see this view any more.
  await cell(page, 'r02', 'keep').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await expect(cell(page, 'r01', 'shared-view')).toHaveClass(/broken/);
  await cell(page, 'r01', 'shared-view').click();
  await expect(inHand).toContainText('gets no new IP camera: this view would be lost');
  await page.locator('h1').click();
  await page.keyboard.press('u');
  await expect(cell(page, 'r01', 'shared-view')).not.toHaveClass(/broken/);
  await saved(page);

  // Its own camera hangs nowhere when all is done, and its view is asked for in the other picture.
  await page.goto(page.url().replace(/decide.*$/, 'connect'));
  await expect(page.getByRole('treeitem', { name: /Hall south desk/ })).toBeVisible();
  await expect(page.getByRole('treeitem', { name: /Hall north desk/ })).toHaveCount(0);
});
