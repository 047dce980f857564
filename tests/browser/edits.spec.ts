import { expect, runInList, saved, test } from './fixtures';

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
  const view = sheet.getByRole('textbox', { name: 'View', exact: true });
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
    const view = sheet.getByRole('textbox', { name: 'View', exact: true });
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

test('what a sheet did not understand stays with its run', async ({ page, open }) => {
  await open('survey/r08');
  await page.keyboard.press('e');
  const number = page
    .getByRole('complementary', { name: /^Sheet of run/ })
    .getByRole('textbox', { name: 'Camera number' });
  await number.fill('eight');
  await number.press('Tab');
  await expect(number).toHaveAttribute('aria-invalid', 'true');
  await runInList(page, 'Turnstiles').click();
  await expect(number).toHaveValue('3');
  await expect(number).not.toHaveAttribute('aria-invalid', 'true');
});

test('a recorder’s key is for that recorder and address alone, and is forgotten on leaving', async ({
  page,
  open,
}) => {
  await open('allocate');
  await page.keyboard.press('w');
  const key = page.getByLabel('Key of the recorder');
  const address = page.getByLabel('Address and port of the recorder');
  await address.fill('10.20.0.5:80');
  await key.fill('ferry');
  await page.getByLabel('Recorder to write to').click();
  await page.getByRole('option').last().click();
  await expect(key).toHaveValue('');
  await expect(address).toHaveValue('');
  // The list is gone before it is asked for again: a click on one that is on its way out picks nothing.
  await expect(page.getByRole('option')).toHaveCount(0);
  await page.getByLabel('Recorder to write to').click();
  await page.getByRole('option').first().click();
  await expect(address).toHaveValue('10.20.0.5:80');
  await expect(key).toHaveValue('ferry');
  await address.fill('10.20.0.6:80');
  await expect(key).toHaveValue('');
  await key.fill('ferry');
  await page.getByRole('heading').first().click();
  await page.keyboard.press('r');
  await expect(key).toBeHidden();
  await page.keyboard.press('w');
  await expect(address).toHaveValue('10.20.0.6:80');
  await expect(key).toHaveValue('');
});
