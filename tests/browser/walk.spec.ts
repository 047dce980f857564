import sharp from 'sharp';
import { expect, saved, test } from './fixtures';

test('on a phone: the next thing to note, a photo, a note, later, and what could not be reached', async ({
  page,
  server,
  open,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open('survey?view=walk');
  // What holds up a test comes first.
  const card = page.locator('.card');
  await expect(card).toContainText('4 Lost property');
  await expect(card).toContainText('How long is the cable?');
  await expect(page.getByText('40 left in all')).toBeVisible();
  const marks = card.getByLabel('Length marks of segment 1');
  expect((await marks.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await marks.fill('100 m, 131 m');
  await marks.press('Enter');
  await card.getByRole('button', { name: 'Noted, next' }).click();
  await expect(card).not.toContainText('How long is the cable?');
  await expect(page.getByText('39 left in all')).toBeVisible();

  // A photo with a location in it is kept without.
  const photo = await sharp({ create: { width: 800, height: 600, channels: 3, background: '#804020' } })
    .jpeg()
    .withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
    .toBuffer();
  await card
    .locator('input[type=file]')
    .setInputFiles({ name: 'IMG_1.jpg', mimeType: 'image/jpeg', buffer: photo });
  const kept = card.locator('figure img');
  await expect(kept).toBeVisible();
  const address = await kept.getAttribute('src');
  const bytes = Buffer.from(await (await fetch(`${server.address}${address}`)).arrayBuffer());
  expect((await sharp(bytes).metadata()).exif).toBeUndefined();
  await card
    .locator('input[type=file]')
    .setInputFiles({ name: 'IMG_2.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a photo') });
  await expect(card.getByRole('alert')).toContainText('JPEG, PNG or HEIC');
  const note = card.getByLabel('Note on the run');
  await note.fill('Lid is loose');
  await note.press('Enter');

  // A whole place at a time; later comes later.
  await page.getByRole('button', { name: /^Quay/ }).click();
  await expect(card).toContainText('12 Mast, turning');
  const first = await card.getAttribute('data-gap');
  await card.getByRole('button', { name: 'Later' }).click();
  await expect(card).not.toHaveAttribute('data-gap', first!);
  await card.getByRole('button', { name: 'Could not reach it' }).click();
  await card.getByRole('button', { name: 'No ladder or lift' }).click();
  await expect(card).not.toContainText('12 Mast, turning');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await saved(page);
  await page.reload();
  await expect(page.locator('.card')).toBeVisible();

  // At the desk the run says so.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.locator('h1').click();
  await page.keyboard.press('g');
  await expect(
    page.getByRole('button', { name: /Could not be reached: No ladder or lift. Go again./ }),
  ).toBeVisible();
});
