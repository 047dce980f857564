import sharp from 'sharp';
import { choose, expect, leaveList, saved, test, TestServer } from './fixtures';

test('a camera is noted from a template, and what is special about it is put right', async ({
  page,
  open,
}) => {
  await open('survey/r04');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 4' });
  await sheet.getByLabel('Fill from template').click();
  await choose(page, 'Vandal-resistant dome, IR');
  await expect(sheet.getByLabel('Body')).toContainText('Vandal-resistant dome');
  await expect(sheet.getByLabel('Watts by night')).toHaveValue('3.8');
  await expect(sheet.getByLabel('Longest focal length')).toHaveValue('12');
  // A microphone brings the law with it.
  await sheet.getByRole('group', { name: 'Microphone' }).getByRole('button', { name: 'Yes' }).click();
  await expect(sheet.getByText('Recording sound is restricted by law in many places.')).toBeVisible();
  await sheet.getByRole('group', { name: 'Microphone' }).getByRole('button', { name: 'No' }).click();
  await expect(sheet.getByText('Recording sound is restricted')).toBeHidden();
  const focal = sheet.getByLabel('Focal length', { exact: true });
  await focal.fill('0.2');
  await focal.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('from 1 to 1000');
  await focal.fill('9');
  await focal.press('Enter');
  const target = sheet.getByLabel('Distance to the target');
  await target.fill('20 ft');
  await target.press('Enter');
  await expect(target).toHaveValue('6.1');
  await expect(sheet.locator('[data-view-figures]')).toContainText('Sees 30°');
  await saved(page);
});

test('a run says what is wrong with a lead without a print, and where its power comes from', async ({
  page,
  open,
}) => {
  await open('survey/r04');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 4' });
  await sheet.getByRole('button', { name: 'There is no print on it' }).click();
  await expect(sheet.getByText('No print on it. Take its construction as unknown')).toBeVisible();
  await sheet.getByLabel('Power comes through').click();
  await choose(page, 'A separate pair');
  await sheet.getByLabel('Cable of the separate pair').click();
  await choose(page, /Two 16 AWG/);
  await sheet.getByLabel('Length of the separate pair').fill('28 m');
  await sheet.getByLabel('Length of the separate pair').press('Enter');
  await sheet.getByLabel('Could a new cable be brought').click();
  await choose(page, 'Not feasible');
  await sheet.getByLabel('Why no new cable').fill('Listed ceiling');
  await sheet.getByLabel('Why no new cable').press('Enter');
  await saved(page);
  await page.reload();
  await expect(page.locator('.board')).toBeVisible();
  await page.keyboard.press('e');
  await expect(sheet.getByLabel('Length of the separate pair')).toHaveValue('28');
  await expect(sheet.getByLabel('Why no new cable')).toHaveValue('Listed ceiling');
});

test('what is noted of a place holds for every camera there', async ({ page, open }) => {
  await open('survey/r13');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 13' });
  await sheet.getByLabel('Reached by').click();
  await choose(page, 'From the ground');
  await sheet.getByLabel('Restrictions').press('ArrowDown');
  await page.getByRole('option', { name: 'Asbestos register' }).click();
  await leaveList(page);
  await expect(
    sheet.getByText('Read the asbestos register before anything here is opened or drilled.'),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await page.locator('h1').click();
  await page.keyboard.press('j');
  await page.keyboard.press('e');
  await expect(
    page.getByRole('complementary', { name: 'Sheet of run 14' }).getByLabel('Reached by'),
  ).toContainText('From the ground');
});

test('places are noted by putting them on the plan, and a scale from two points too close is refused', async ({
  page,
  open,
}) => {
  await open('survey?view=drawing&drawing=site-plan');
  const image = (await page.locator('.canvas image').boundingBox())!;
  await page.getByRole('button', { name: 'Junction box' }).click();
  await expect(page.getByText('Click where the junction box is.')).toBeVisible();
  await page.mouse.click(image.x + image.width * 0.6, image.y + image.height * 0.3);
  await expect(page.getByRole('heading', { name: 'Junction box' })).toBeVisible();
  const name = page.getByLabel('Name of the place');
  await name.fill('Lane box');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: 'Lane box' })).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('s');
  for (const x of [0.5, 0.502])
    await page.mouse.click(image.x + image.width * x, image.y + image.height * 0.2);
  await expect(page.getByRole('alert')).toContainText('too close together for a scale worth having');
  // A point near a mark is drawn to it: the route begins where the head end stands.
  await page.keyboard.press('Escape');
  await page.keyboard.press('r');
  const office = (await page.locator('[data-pin="place/marshalling"]').boundingBox())!;
  await page.mouse.move(office.x + office.width / 2 + 6, office.y + office.height / 2 + 5);
  await expect(page.locator('.cursor.caught')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('.cursor')).toBeHidden();
});

test('two windows draw on one plan, and see each other’s marks', async ({ page, context, open }) => {
  await open('survey?view=drawing&drawing=site-plan');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('[data-pin="camera/c08"]')).toBeVisible();
  await page.locator('[data-pin="camera/c08"]').focus();
  const before = (await other.locator('[data-pin="camera/c08"]').boundingBox())!.x;
  for (let step = 0; step < 3; step += 1) await page.keyboard.press('ArrowRight');
  await expect
    .poll(async () => Math.round((await other.locator('[data-pin="camera/c08"]').boundingBox())!.x - before))
    .toBe(30);
  await other.locator('[data-pin="camera/c08"]').focus();
  await other.keyboard.press('Delete');
  await expect(page.locator('[data-pin="camera/c08"]')).toHaveCount(0);
});

test('a photo that meets no server is not lost, and comes in when it is back', async ({ page }) => {
  const server = new TestServer();
  await server.start();
  const id = await server.newSite();
  await page.goto(`${server.address}/site/${id}/survey/r08`);
  await expect(page.locator('.board')).toBeVisible();
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 8' });
  const photo = {
    name: 'IMG_7.jpg',
    mimeType: 'image/jpeg',
    buffer: await sharp({ create: { width: 640, height: 480, channels: 3, background: '#446688' } })
      .jpeg()
      .toBuffer(),
  };
  // The sheet is fetched when it is first opened: the server goes once it stands there.
  const field = sheet.getByLabel('Photo of camera 8');
  await expect(field).toBeAttached();
  await server.kill();
  await field.setInputFiles(photo);
  await expect(sheet.getByAltText('Photo of camera 8, not uploaded yet')).toBeVisible();
  await server.start();
  await expect(sheet.getByRole('img', { name: /^Photo 1 of camera 8/ })).toBeVisible();
  await saved(page);
  await sheet.getByRole('button', { name: 'Take away photo 1' }).click();
  await expect(sheet.getByRole('img', { name: /^Photo 1/ })).toHaveCount(0);
  await page.locator('h1').click();
  await page.keyboard.press('u');
  await expect(sheet.getByRole('img', { name: /^Photo 1 of camera 8/ })).toBeVisible();
  await server.kill('SIGTERM');
});
