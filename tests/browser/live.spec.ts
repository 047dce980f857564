import { cell, expect, saved, test } from './fixtures';

test('a desk sees what a phone does as it does it, and which run it has in hand', async ({
  page,
  open,
  server,
  siteId,
  browser,
}) => {
  await open('decide/r08');
  const run = (name: RegExp) =>
    page.getByRole('complementary', { name: 'Runs' }).getByRole('button', { name });
  const elsewhere = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await elsewhere.newPage();
  await phone.goto(server.address);
  await phone.getByLabel('Your name').fill('R. Tolland');
  await phone.getByLabel('Your name').press('Enter');
  await phone.goto(`${server.address}/site/${siteId}/decide/r09`);
  await expect(page.locator('.saved')).toContainText('1 other window here');
  await expect(run(/9.*R\. Tolland/)).toBeVisible();
  await phone.goto(`${server.address}/site/${siteId}/decide/r08`);
  await expect(run(/Weighbridge R\. Tolland/)).toBeVisible();

  // Nobody looks away, nobody reloads: the choice comes by itself.
  await cell(phone, 'r08', 'ip-coax-unit').click();
  await phone.getByRole('button', { name: /^Choose/ }).click();
  await expect(cell(page, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
  await cell(page, 'r08', 'ip-coax-pair').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await expect(cell(phone, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
  await saved(page);

  // Gone to another page, as a person goes; a browser that is ended from outside says nothing more.
  await phone.goto('about:blank');
  await expect(page.locator('.saved')).not.toContainText('other window');
  await elsewhere.close();
});
