import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { expect, saved, test } from './fixtures';

const pin = (page: Page, id: string) => page.locator(`[data-pin="${id}"]`);
const middle = async (page: Page, id: string): Promise<{ x: number; y: number }> => {
  const box = (await pin(page, id).locator('circle').last().boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};

test('a camera is dragged, nudged and turned, and what it sees is told', async ({ page, open }) => {
  await open('survey?view=drawing&drawing=hall-plan');
  await expect(page.getByText('the sheet is 50 m wide')).toBeVisible();
  const before = await middle(page, 'camera/c03');
  await page.mouse.move(before.x, before.y);
  await page.mouse.down();
  await page.mouse.move(before.x - 60, before.y - 40, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await middle(page, 'camera/c03')).x).toBeLessThan(before.x - 50);
  await expect(page.getByRole('heading', { name: '3 Turnstiles' })).toBeVisible();
  await expect(page.locator('[data-view-figures]')).toContainText('Sees 62°, 6 m wide at 5 m.');
  await expect(page.locator('[data-view-figures]')).toContainText(
    'Now 213 px/m, enough to recognise a known person',
  );
  await expect(page.locator('[data-view-figures]')).toContainText('After 427 px/m');
  const focal = page.getByLabel('Focal length', { exact: true });
  await focal.fill('12');
  await focal.press('Enter');
  await expect(page.locator('[data-view-figures]')).toContainText('Sees 23°');

  // Nudged and turned by keys.
  await pin(page, 'camera/c03').focus();
  const dragged = await middle(page, 'camera/c03');
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Math.round((await middle(page, 'camera/c03')).x - dragged.x)).toBe(10);
  await page.keyboard.press(']');
  await expect(page.getByLabel('Direction in degrees')).toHaveValue('305');
  await saved(page);
  await page.reload();
  await expect.poll(async () => Math.round((await middle(page, 'camera/c03')).x - dragged.x)).toBe(10);
  // Off the drawing, and back with undo.
  await pin(page, 'camera/c03').focus();
  await page.keyboard.press('Delete');
  await expect(pin(page, 'camera/c03')).toHaveCount(0);
  await page.locator('h1').click();
  await page.keyboard.press('u');
  await expect(pin(page, 'camera/c03')).toHaveCount(1);
});

test('a route’s slack moves every segment along it, and a contradiction is said', async ({ page, open }) => {
  await open('survey?view=drawing&drawing=site-plan');
  await page.locator('[data-route="gate-road"] .grip').click({ position: { x: 3, y: 60 } });
  await expect(page.getByRole('heading', { name: 'Gate road' })).toBeVisible();
  await expect(page.locator('.sum b')).toHaveText('480 m');
  const slack = page.getByLabel('Slack');
  await slack.fill('20');
  await slack.press('Enter');
  await expect(page.locator('.sum b')).toHaveText('524 m');
  await page.locator('h1').click();
  await page.keyboard.press('b');
  // Both gate cameras are drawn along it; they share its geometry.
  for (const id of ['r23', 'r24'])
    await expect(page.locator(`.board [data-run="${id}"]`)).toContainText('524 m');
  await expect(page.locator('.board [data-run="r19"]')).toContainText('≠');
  await page.locator('.board [data-run="r19"]').dblclick();
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 19' });
  await expect(sheet.getByRole('status')).toContainText(
    'drawn 150 m ± 8 m and jacket marks 168 m ± 1 m are 18 m apart, more than the 15 m that their uncertainty allows.',
  );
  // A spur more of slack ends the dispute.
  await sheet.getByLabel('Reflectometer length of segment 1').fill('167');
  await sheet.getByLabel('Reflectometer length of segment 1').press('Enter');
  await expect(sheet.getByRole('status')).toContainText('drawn 150 m ± 8 m and reflectometer 167 m');
});

test('the plan pans and zooms, and a plan of 30 megapixels comes in smaller, with a word', async ({
  page,
  open,
}) => {
  await open('survey?view=drawing&drawing=site-plan');
  const image = page.locator('.canvas image');
  const wide = (await image.boundingBox())!.width;
  await page.getByRole('button', { name: 'Nearer' }).click();
  await expect.poll(async () => Math.round(((await image.boundingBox())!.width / wide) * 10)).toBe(15);
  await page.keyboard.press('f');
  await expect.poll(async () => Math.round((await image.boundingBox())!.width)).toBe(Math.round(wide));
  await page.mouse.move(640, 500);
  await page.mouse.wheel(0, -300);
  await expect.poll(async () => (await image.boundingBox())!.width).toBeGreaterThan(wide * 1.2);

  const large = await sharp({ create: { width: 6000, height: 5000, channels: 3, background: '#f7f4ec' } })
    .png()
    .toBuffer();
  await page
    .getByLabel('Drawing to add')
    .setInputFiles({ name: 'Roof.png', mimeType: 'image/png', buffer: large });
  await expect(page.getByText(/30 megapixels; it was made smaller, to 4381 by 3651/)).toBeVisible({
    timeout: 30_000,
  });
  await expect(page.getByText('no scale yet', { exact: true })).toBeVisible();
  await expect(page.getByText('Click two points whose distance you know')).toBeVisible();
  await page
    .getByLabel('Drawing to add')
    .setInputFiles({ name: 'Roof.png', mimeType: 'image/png', buffer: large.subarray(0, 900) });
  await expect(page.getByRole('alert')).toContainText('damaged or cut short');
  await page
    .getByLabel('Drawing to add')
    .setInputFiles({ name: 'Roof.dwg', mimeType: 'image/png', buffer: Buffer.from('AC1032 not a picture') });
  await expect(page.getByRole('alert')).toContainText('A drawing is a PNG, JPEG or SVG file');
});
