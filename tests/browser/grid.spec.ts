import type { Page } from '@playwright/test';
import { barriers } from './axe';
import { expect, saved, test } from './fixtures';

const cell = (page: Page, row: string, key: string) => page.locator(`[data-cell="${row} ${key}"]`);
const openList = async (page: Page, open: (stage?: string) => Promise<void>, list: string) => {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await open('survey?view=lists');
  await page.getByRole('group', { name: 'Which list' }).getByRole('button', { name: list }).click();
  await expect(page.getByRole('grid')).toBeVisible();
};

test('cells are taken together, copied, pasted elsewhere and filled down, each one edit', async ({
  page,
  open,
}) => {
  await openList(page, open, 'Cameras');
  await cell(page, 'c01', 'name').focus();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(page.getByRole('status').filter({ hasText: '3 × 1 cells selected' })).toBeVisible();
  await expect(cell(page, 'c02', 'name')).toHaveAttribute('aria-selected', 'true');
  expect(await barriers(page, '.lists')).toEqual([]);
  await page.keyboard.press('Control+c');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(
    'Hall north desk\nHall south desk\nTurnstiles',
  );
  await cell(page, 'c10', 'name').focus();
  await page.keyboard.press('Control+v');
  await expect(cell(page, 'c12', 'name')).toHaveText('Turnstiles');
  await expect(cell(page, 'c10', 'name')).toHaveText('Hall north desk');

  // One cell over many, then the first of many down.
  await cell(page, 'c05', 'lamps').focus();
  await page.keyboard.press('Enter');
  await page.getByRole('option', { name: 'White light' }).click();
  await expect(cell(page, 'c05', 'lamps')).toHaveText('White light');
  await cell(page, 'c05', 'lamps').focus();
  for (let k = 0; k < 4; k += 1) await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+d');
  for (const id of ['c06', 'c07', 'c08', 'c09'])
    await expect(cell(page, id, 'lamps')).toHaveText('White light');
  await saved(page);
  await page.keyboard.press('u');
  await expect(cell(page, 'c08', 'lamps')).not.toHaveText('White light');
  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await expect(cell(page, 'c12', 'name')).toHaveText('Mast, turning');
});

test('what does not fit is not pasted, and says which cell', async ({ page, open }) => {
  await openList(page, open, 'Cameras');
  await page.evaluate(() => navigator.clipboard.writeText('A\tB\nC\tcandles'));
  await cell(page, 'c01', 'name').focus();
  const lamps = cell(page, 'c01', 'lamps');
  await lamps.focus();
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('alert')).toContainText('Nothing was pasted.');
  await expect(cell(page, 'c01', 'name')).toHaveText('Hall north desk');
});

test('keys lead to the ends of the list, also where nothing is drawn yet', async ({ page, open }) => {
  await openList(page, open, 'Cameras');
  await cell(page, 'c01', 'number').focus();
  await page.keyboard.press('End');
  // The focus follows once the far columns are drawn.
  const focused = page.locator('[data-row="c01"] [data-cell]:focus');
  await expect(cell(page, 'c01', 'number')).not.toBeFocused();
  await expect(focused).not.toHaveAttribute('data-cell', / (number|name)$/);
  await page.keyboard.press('Home');
  await expect(cell(page, 'c01', 'number')).toBeFocused();
  await page.keyboard.press('Control+End');
  await expect(page.locator('[data-row="c25"] [data-cell]:focus')).toHaveCount(1);
  await page.keyboard.press('Control+Home');
  await expect(cell(page, 'c01', 'number')).toBeFocused();
  await page.keyboard.press('PageDown');
  await expect(cell(page, 'c01', 'number')).not.toBeFocused();
  await expect(page.locator('[data-cell$=" number"]:focus')).toHaveCount(1);
});

test('columns are moved and made wider, and stay so', async ({ page, open }) => {
  await openList(page, open, 'Cameras');
  const headings = page.getByRole('columnheader');
  const third = headings.nth(3).getByRole('button');
  const name = (await third.textContent())!.trim();
  const before = (await headings.nth(3).boundingBox())!.width;
  await third.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await headings.nth(3).boundingBox())!.width).toBeGreaterThan(before);
  await page.keyboard.press('Alt+ArrowRight');
  await expect(headings.nth(4)).toHaveText(name);
  await page.reload();
  await expect(headings.nth(4)).toHaveText(name);
  await page.getByRole('button', { name: 'Reset columns' }).click();
  await expect(headings.nth(3)).toHaveText(name);
});
