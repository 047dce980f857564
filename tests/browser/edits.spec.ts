import { expect, saved, test } from './fixtures';

/** Holds back what the page tells the evaluation, as a large site would: its answers come late. */
const slowWorker = (): void => {
  const post = Worker.prototype.postMessage;
  Worker.prototype.postMessage = function (this: Worker, ...given: Parameters<typeof post>) {
    setTimeout(() => post.apply(this, given), 1500);
  } as typeof post;
};

test('two edits of a sheet while the evaluation is still at the first are both kept', async ({
  page,
  server,
  siteId,
}) => {
  await page.addInitScript(slowWorker);
  await page.goto(`${server.address}/site/${siteId}/survey/r08`);
  await expect(page.locator('.stage h1').first()).toBeVisible();
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: /^Sheet of run/ });
  const view = sheet.getByRole('textbox', { name: 'View' });
  await expect(view).toBeVisible();
  await view.fill('Weighbridge east');
  await view.press('Tab');
  const number = sheet.getByRole('textbox', { name: 'Camera number' });
  await number.fill('88');
  await number.press('Tab');
  await saved(page);
  const response = await fetch(`${server.address}/api/sites/${siteId}`);
  const { file } = (await response.json()) as {
    file: { cameras: { id: string; name: string; number: number }[] };
  };
  expect(file.cameras.find(({ id }) => id === 'c08')).toMatchObject({ name: 'Weighbridge east', number: 88 });
});

test.describe('an evaluation that fails', () => {
  test('is said, shows no old figure as new, and can be tried again', async ({ page, server, siteId }) => {
    await page.addInitScript(() => {
      const post = Worker.prototype.postMessage;
      Worker.prototype.postMessage = function (this: Worker, ...given: Parameters<typeof post>) {
        if (sessionStorage.getItem('fail') !== 'yes') return post.apply(this, given);
        this.dispatchEvent(new ErrorEvent('error', { message: 'out of memory' }));
      } as typeof post;
    });
    await page.goto(`${server.address}/site/${siteId}/survey/r08`);
    await expect(page.locator('.stage h1').first()).toBeVisible();
    await page.keyboard.press('e');
    const sheet = page.getByRole('complementary', { name: /^Sheet of run/ });
    const view = sheet.getByRole('textbox', { name: 'View' });
    await expect(view).toBeVisible();
    await page.evaluate(() => sessionStorage.setItem('fail', 'yes'));
    await view.fill('Weighbridge east');
    await view.press('Tab');
    const alert = page.getByRole('alert').filter({ hasText: 'could not be worked out' });
    await expect(alert).toContainText('out of memory');
    await expect(page.locator('main')).toHaveAttribute('data-outdated', 'true');
    await page.evaluate(() => sessionStorage.removeItem('fail'));
    await alert.getByRole('button', { name: 'Try again' }).click();
    await expect(alert).toBeHidden();
    await expect(page.locator('main')).not.toHaveAttribute('data-outdated', 'true');
    await expect(page.getByRole('complementary', { name: 'Runs' })).toContainText('Weighbridge east');
  });
});
