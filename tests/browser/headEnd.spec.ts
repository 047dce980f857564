import { barriers } from './axe';
import { choose, expect, saved, test } from './fixtures';

test('a supply box sums its load at once, and a fuse that is too small is said', async ({ page, open }) => {
  await open('survey?view=head-end&thing=supply/hall-box');
  const sheet = page.locator('[data-thing="supply/hall-box"]');
  await expect(sheet.locator('.sums')).toContainText('2.24 of 4.00 A');
  const fuse = sheet.getByLabel('Fuse of output 3');
  await fuse.fill('0.4');
  await fuse.press('Enter');
  await expect(sheet.getByText('Output 3 gives up to 0.43 A; its fuse is 0.4 A.')).toBeVisible();
  const rated = sheet.getByLabel('Rated amps');
  await rated.fill('2.5');
  await rated.press('Enter');
  await expect(sheet.getByText('Hall box gives 2.2 A at night; 80 % of its 2.5 A is 2.0 A.')).toBeVisible();
  await expect(page.locator('.thing.here')).toContainText('2 to put right');
  // A camera of the other current is hung on it, and taken off again.
  await sheet.getByLabel('Run on output 12').click();
  await page.getByRole('option', { name: '12 Mast, turning' }).click();
  await expect(
    sheet.getByText('Camera 12 takes AC; Hall box gives DC. The two are never mixed'),
  ).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('u');
  await expect(sheet.getByText('Camera 12 takes AC')).toBeHidden();
  await saved(page);
});

test('cameras behind one lead take volts from each other, and that is said where they are tested', async ({
  page,
  open,
  server,
  siteId,
}) => {
  await open('survey?view=head-end&thing=supply/hall-box');
  const sheet = page.locator('[data-thing="supply/hall-box"]');
  await sheet.getByRole('button', { name: 'Shared lead: output 2' }).click();
  const length = sheet.getByLabel('Length of the lead of output 2');
  await length.fill('60');
  await length.press('Enter');
  await sheet.getByLabel('Run on output 2').click();
  await page.getByRole('option', { name: '1 Hall north desk' }).click();
  await expect(sheet.locator('[data-output="2"]')).toContainText('1 Hall north desk');
  expect(await barriers(page, '[data-thing="supply/hall-box"]')).toEqual([]);
  await saved(page);
  await page.goto(`${server.address}/site/${siteId}/test/r02?view=volts`);
  await expect(page.locator('.volts')).toContainText(/behind the lead of 2 cameras, [\d.]+ A over 2\.5\d? Ω/);
  // Longer than it can bring: nothing of what hangs there is called safe.
  await page.goto(`${server.address}/site/${siteId}/survey?view=head-end&thing=supply/hall-box`);
  await length.fill('2000');
  await length.press('Enter');
  await expect(
    sheet.getByText('Output 2: its lead cannot bring what its cameras ask together; their supply collapses.'),
  ).toBeVisible();
});

test('a recorder takes any family of rules, and cannot go while runs are patched to it', async ({
  page,
  open,
}) => {
  await open('survey?view=head-end&thing=recorder/hall-recorder');
  // Cameras are placed on slots that a recorder of presets does not have: they are told to wait for others.
  await page.locator('[data-thing="recorder/hall-recorder"]').getByLabel('Rule', { exact: true }).click();
  await choose(page, 'One preset for the whole recorder');
  await expect(
    page.getByText('Cameras 1, 2 had a slot that it no longer has, and wait for another in Allocate.'),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Marshalling recorder/ }).click();
  const sheet = page.locator('[data-thing="recorder/marshalling-recorder"]');
  await sheet.getByLabel('Rule', { exact: true }).click();
  await choose(page, 'One preset for the whole recorder');
  await expect(sheet.getByLabel('Presets')).toHaveValue('16+0, 8+8, 0+16');
  await sheet.getByLabel('Presets').fill('16-0');
  await sheet.getByLabel('Presets').press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('presets such as 16+0');
  await sheet.getByLabel('Presets').fill('16+0, 12+4');
  await sheet.getByLabel('Presets').press('Enter');
  await expect(sheet.getByText('16 + 0, 12 + 4 (coax + IP), one for the whole recorder')).toBeVisible();
  await sheet.getByLabel('Disks').fill('8, 8 TB');
  await sheet.getByLabel('Disks').press('Enter');
  await expect(sheet.getByLabel('Disks')).toHaveValue('8, 8');
  await sheet.getByRole('button', { name: 'Remove' }).click();
  await expect(sheet.getByRole('alert')).toContainText(
    'Marshalling recorder is still needed by run 6, run 7',
  );
});

test('a rack, a circuit and a UPS know what they carry', async ({ page, open }) => {
  await open('survey?view=head-end&thing=equipment/hall-ups');
  const ups = page.locator('[data-thing="equipment/hall-ups"]');
  await expect(ups).toContainText(/Load .*88 of 900 W.*battery worn since 2024: count on no minutes/);
  // With a new battery its minutes count again.
  await ups.getByLabel('Year on the battery').fill('2025');
  await ups.getByLabel('Year on the battery').press('Enter');
  await expect(ups).toContainText(/lasts 176 min; battery worn from 2029/);
  // Letters are heard again once no field has the focus.
  await ups.getByLabel('Year on the battery').blur();
  await page.keyboard.press('[');
  await expect(page.locator('[data-thing="equipment/hall-rack"]')).toContainText(
    'Mounted in it: Hall recorder 2 U, Hall UPS 2 U.',
  );
  await page.keyboard.press('n');
  const note = page.getByRole('dialog', { name: 'Add head-end equipment' });
  await note.getByLabel('It is a').click();
  await choose(page, 'Network switch');
  await note.getByLabel('Name').fill('Hall switch');
  await note.getByRole('button', { name: 'Add' }).click();
  await expect(note).toBeHidden();
  const sheet = page.locator('[data-thing^="equipment/hall-switch-"]');
  await sheet.getByLabel('Rack', { exact: true }).click();
  await choose(page, 'Hall rack');
  await sheet.getByLabel('Circuit or UPS').click();
  await choose(page, 'Hall circuit');
  await sheet.getByLabel('Watts from the mains').fill('420');
  await sheet.getByLabel('Watts from the mains').press('Enter');
  await page.getByRole('button', { name: /^Hall circuit/ }).click();
  await expect(page.locator('[data-thing="equipment/hall-circuit"]')).toContainText('Hall switch 420 W');
});

test('what is typed of new gear outlives Escape and a change of kind; half-typed conditions a reload', async ({
  page,
  open,
}) => {
  await open('survey?view=head-end');
  const dialog = page.getByRole('dialog', { name: 'Add head-end equipment' });
  await page.getByRole('button', { name: /^Add/ }).first().click();
  await dialog.getByLabel('Name').fill('Quay recorder');
  await dialog.getByLabel('Name').press('Tab');
  await dialog.getByLabel('It is a').click();
  await choose(page, 'Supply box');
  await expect(dialog.getByLabel('Name')).toHaveValue('Quay recorder');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: /^Add/ }).first().click();
  await expect(dialog.getByLabel('Name')).toHaveValue('Quay recorder');

  await open('test/r07');
  await page.getByLabel('Conditions').pressSequentially('dry, low ti');
  await page.reload();
  await expect(page.getByLabel('Conditions')).toHaveValue('dry, low ti');
});
