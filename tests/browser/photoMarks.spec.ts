import sharp from 'sharp';
import { barriers } from './axe';
import { expect, saved, test } from './fixtures';

test('an arrow and a word are put on a photo, by mouse and by keys, and taken away', async ({
  page,
  open,
}) => {
  await open('survey/r08');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 8' });
  const photo = await sharp({ create: { width: 1200, height: 800, channels: 3, background: '#778877' } })
    .jpeg()
    .toBuffer();
  await sheet
    .getByLabel('Photo of camera 8')
    .setInputFiles({ name: 'IMG_1.jpg', mimeType: 'image/jpeg', buffer: photo });
  await sheet.getByRole('button', { name: 'Photo 1 of camera 8, open it' }).click();
  const dialog = page.getByRole('dialog', { name: 'Photo of camera 8' });
  const paper = dialog.getByRole('application');
  await expect(paper).toBeVisible();
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  const box = (await paper.boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.25, box.y + box.height * 0.25);
  await expect(dialog.getByText('Click what the arrow points at.')).toBeVisible();
  await page.mouse.click(box.x + box.width * 0.75, box.y + box.height * 0.5);
  await expect(paper).toHaveAccessibleName(/1 marks/);
  await dialog.getByRole('button', { name: 'Words' }).click();
  await dialog.getByRole('textbox', { name: 'Words' }).fill('bad joint');
  await dialog.getByRole('textbox', { name: 'Words' }).press('Enter');
  await paper.focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Space');
  await expect(paper.getByText('bad joint')).toBeVisible();
  await expect(paper).toHaveAccessibleName(/2 marks/);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await saved(page);
  await page.reload();
  await page.locator('.stage h1').waitFor();
  await page.keyboard.press('e');
  await expect(sheet.locator('.shown .marks text')).toHaveText('bad joint');
  await sheet.getByRole('button', { name: 'Photo 1 of camera 8, open it' }).click();
  await dialog.getByRole('button', { name: 'Remove the last mark' }).click();
  await expect(paper.getByText('bad joint')).toBeHidden();
});
