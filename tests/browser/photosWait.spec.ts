import sharp from 'sharp';
import { expect, saved, testOnOwnServer as test } from './fixtures';

test('a photo taken while the server is away outlives the tab, and is kept when it is back', async ({
  page,
  server,
  context,
}) => {
  const siteId = await server.newSite();
  const address = `${server.address}/site/${siteId}/survey/r03`;
  await page.goto(address);
  await expect(page.locator('.stage h1')).toBeVisible();
  await page.keyboard.press('e');
  const photo = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#335544' } })
    .jpeg()
    .toBuffer();
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 3' });
  // The sheet is fetched when it is first opened: the server goes once it stands there.
  const field = sheet.getByLabel('Photo of camera 3');
  await expect(field).toBeAttached();
  await server.kill();
  await field.setInputFiles({ name: 'IMG_9.jpg', mimeType: 'image/jpeg', buffer: photo });
  await expect(sheet.getByAltText('Photo of camera 3, not uploaded yet')).toBeVisible();
  await expect(page.locator('.saved')).toContainText('1 photo not uploaded yet');
  await page.close();

  await server.start();
  const again = await context.newPage();
  await again.goto(address);
  await expect(again.locator('.stage h1')).toBeVisible();
  await again.keyboard.press('e');
  const later = again.getByRole('complementary', { name: 'Sheet of run 3' });
  await expect(later.getByAltText('Photo 1 of camera 3, Surveyor')).toBeVisible();
  await expect(later.getByAltText('Photo of camera 3, not uploaded yet')).toBeHidden();
  await saved(again);
  await again.reload();
  await expect(again.locator('.stage h1')).toBeVisible();
  await again.keyboard.press('e');
  await expect(later.getByAltText('Photo 1 of camera 3, Surveyor')).toBeVisible();
});
