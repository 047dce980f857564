import { test } from './fixtures';
test('shots', async ({ page, open }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await open('survey?view=lists');
  await page.locator('[data-cell="c03 name"]').focus();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await page.waitForTimeout(300);
  await page.screenshot({ path: '/tmp/s1.png' });
});
