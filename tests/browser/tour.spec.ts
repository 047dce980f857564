import { barriers } from './axe';
import { cell, expect, test } from './fixtures';

test('the tour is the work itself: seven steps from a reading to the plan', async ({ page, server }) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'A tour in seven steps' }).click();
  const tour = page.getByRole('complementary', { name: 'The tour' });
  await expect(tour).toContainText('1 of 7');
  await tour.getByRole('button', { name: 'Take me there' }).click();
  await expect(page.getByRole('heading', { name: '16 Fuel berth' })).toBeVisible();
  expect(await barriers(page, '.tour')).toEqual([]);
  await page.keyboard.press('i');
  await expect(tour).toContainText('2 of 7');
  await page.getByLabel(/meter proved/).check();
  const type = async (label: string, figure: string) => {
    await page.getByRole('textbox', { name: label }).fill(figure);
    await page.getByRole('textbox', { name: label }).press('Enter');
  };
  await type('Foreign voltage, AC', '0.2');
  await expect(tour).toContainText('3 of 7');
  await page.reload();
  await expect(tour).toContainText('3 of 7');
  await page.getByLabel(/meter proved/).check();
  await type('Foreign voltage, DC', '0.1');
  const loop = page.locator('tr[data-verdict="coax-loop-ohms"]');
  await expect(loop.locator('.expected')).toContainText(' to ');
  const [, low, high] =
    /([\d.]+) to ([\d.]+)/.exec((await loop.locator('.expected').textContent()) ?? '') ?? [];
  await type('Loop, centre and shield', ((Number(low) + Number(high)) / 2).toFixed(1));
  await expect(tour).toContainText('4 of 7');
  await tour.getByRole('button', { name: 'Take me there' }).click();
  await expect(tour).toContainText('5 of 7');
  await tour.getByRole('button', { name: 'Take me there' }).click();
  await cell(page, 'r16', 'keep').click();
  await page.keyboard.press('Enter');
  await expect(tour).toContainText('6 of 7');
  await tour.getByRole('button', { name: 'Take me there' }).click();
  await expect(page.locator('.tray [data-camera="c16"]')).toBeVisible();
  await page.keyboard.press('f');
  await expect(tour).toContainText('7 of 7');
  await tour.getByRole('button', { name: 'Take me there' }).click();
  await expect(page.getByText(/^Rests on 25 cameras/)).toBeVisible();
  await tour.getByRole('button', { name: 'End the tour' }).click();
  await expect(tour).toBeHidden();
});
