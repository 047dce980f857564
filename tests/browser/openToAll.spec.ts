import { allocateViews } from '../../web/stages/allocate/views';
import { connectViews } from '../../web/stages/connect/views';
import { decideViews } from '../../web/stages/decide/views';
import { surveyViews } from '../../web/stages/survey/views';
import { testViews } from '../../web/stages/test/views';
import { barriers } from './axe';
import { expect, test } from './fixtures';

/** Every view of every stage, with a run in hand and without. */
const pages: Record<string, string[]> = {
  survey: ['survey', ...surveyViews.map(({ id }) => `survey/r17?view=${id}`)],
  test: ['test', ...testViews.map(({ id }) => `test/r13?view=${id}`)],
  decide: ['decide', ...decideViews.map(({ id }) => `decide/r13?view=${id}`)],
  allocate: allocateViews.map(({ id }) => `allocate/r18?view=${id}`),
  connect: ['connect', ...connectViews.map(({ id }) => `connect/r18?view=${id}`)],
  plan: ['plan'],
};
const looks = [
  { theme: 'light', width: 1280 },
  { theme: 'dark', width: 390 },
  { theme: 'light', width: 320 },
] as const;

for (const [stage, views] of Object.entries(pages))
  for (const { theme, width } of looks)
    test(`${stage} stands in nobody’s way, ${theme} at ${width} px`, async ({ page, open }) => {
      await page.addInitScript((mode) => localStorage.setItem('neotrope-theme', mode), theme);
      await page.setViewportSize({ width, height: 820 });
      for (const view of views) {
        await open(view);
        await expect(page.locator('.saved')).toHaveAttribute('data-whole', 'true');
        await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
        expect(await barriers(page, 'html'), view).toEqual([]);
        // Nothing is to be scrolled sideways but what is wide by its nature.
        expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(
          width,
        );
      }
    });

test('dialogs that every stage has stand in nobody’s way', async ({ page, open }) => {
  await open('survey/r17');
  for (const [key, name] of [
    ['m', 'You and the site'],
    ['?', 'Keys'],
    ['Control+k', 'Find'],
    ['n', 'Add a run'],
  ] as const) {
    await page.keyboard.press(key);
    const dialog = page.getByRole('dialog', { name });
    await expect(dialog).toBeVisible();
    expect(await barriers(page, '.p-dialog'), name).toEqual([]);
    await dialog.getByRole('button', { name: 'Close' }).first().click();
    await expect(dialog).toBeHidden();
  }
});
