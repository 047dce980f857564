import { barriers } from './axe';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { choose, expect, root, runInList, test } from './fixtures';

const demoPath = path.join(root, 'demo', 'saltmarrow.neotrope.json');

test('the plan goes out as CSV and site file, and the site file comes in again', async ({ page, open }) => {
  await open('papers?view=plan');
  const csv = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Plan as CSV' }).click();
  const lines = readFileSync(await (await csv).path(), 'utf8')
    .trimEnd()
    .split('\r\n');
  expect(lines).toHaveLength(25);
  expect(lines[18]).toMatch(/^c18,18,Parts cage,workshop,Workshop,r18,142,new-category,/);
  const file = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Site file' }).click();
  const text = readFileSync(await (await file).path(), 'utf8');
  expect(JSON.parse(text)).toEqual(JSON.parse(readFileSync(demoPath, 'utf8')));
  await page.goto(new URL('/', page.url()).href);
  await page
    .getByLabel('Site file')
    .setInputFiles({ name: 'back.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByRole('heading', { name: 'Board' })).toBeVisible();
  await expect(page.locator('.runs .run')).toHaveCount(24);
});

test('a site file that is not sound is refused with its places', async ({ page, server }) => {
  await page.goto(server.address);
  const broken = JSON.parse(readFileSync(demoPath, 'utf8')) as {
    cameras: { number: unknown }[];
    version: number;
  };
  broken.cameras[3]!.number = 'four';
  const send = (text: string) =>
    page
      .getByLabel('Site file')
      .setInputFiles({ name: 'site.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await send(JSON.stringify(broken));
  await expect(page.getByRole('alert')).toContainText('cameras[3].number is "four", allowed: a number');
  await send(JSON.stringify({ ...broken, version: 9 }));
  await expect(page.getByRole('alert')).toContainText('written by a newer Neotrope');
  await send(JSON.stringify(broken).slice(0, 4000));
  await expect(page.getByRole('alert')).toContainText('cut short');
});

test('a new site starts empty, says what to do next, and takes its first run', async ({ page, server }) => {
  await page.goto(server.address);
  await page.getByLabel('Name of the site').fill('Saltmarrow annex');
  await page.getByLabel('Where the recorders are').fill('Annex');
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('Nothing is noted yet.')).toBeVisible();
  for (const [stage, says] of [
    ['Test', 'Nothing to test yet.'],
    ['Decide', 'Nothing to decide yet.'],
    ['Allocate', 'This site has no recorder yet.'],
    ['Sign off', 'There is nothing to accept yet.'],
    ['Papers', 'Saltmarrow annex'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${stage}`) }).click();
    await expect(page.getByText(says).first()).toBeVisible();
  }
  await page.keyboard.press('1');
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('View').fill('Annex stair');
  await dialog.getByRole('combobox', { name: 'Place' }).fill('Annex');
  await dialog.getByLabel('Length').fill('30');
  await dialog.getByRole('button', { name: 'Add the run' }).click();
  await expect(runInList(page, 'Annex stair')).toBeVisible();

  // A recorder and a supply box, and the run goes all the way to a slot.
  await page.keyboard.press('Escape');
  await page.locator('h1').click();
  await page.keyboard.press('h');
  await expect(page.getByText('No head end gear is noted yet.')).toBeVisible();
  await page.keyboard.press('n');
  const note = page.getByRole('dialog', { name: 'Add head-end equipment' });
  await note.getByRole('button', { name: 'Add' }).click();
  await expect(note.getByRole('alert')).toContainText('Give it a name');
  await note.getByLabel('Name').fill('Annex recorder');
  await note.getByLabel('Inputs', { exact: true }).fill('1.5');
  await note.getByLabel('Additional IP channels').click();
  await expect(note.getByRole('alert').first()).toContainText('Enter a whole number from 0 to 64');
  await note.getByLabel('Inputs', { exact: true }).fill('4');
  await note.getByRole('button', { name: 'Add' }).click();
  await expect(note).toBeHidden();
  await page.keyboard.press('n');
  await note.getByLabel('It is a').click();
  await choose(page, 'Supply box');
  await note.getByLabel('Name').fill('Annex box');
  await note.getByRole('button', { name: 'Add' }).click();
  await expect(note).toBeHidden();
  await runInList(page, 'Annex stair').click();
  await page.keyboard.press('3');
  await page.locator('[data-option="hd-coax"]').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await page.keyboard.press('4');
  await page.keyboard.press('f');
  await expect(page.locator('[data-recorder^="annex-recorder-"] [data-slot="1"]')).toContainText(
    'Annex stair',
  );
  await page.keyboard.press('8');
  await page.getByRole('button', { name: /^Plan sheet/ }).click();
  await expect(page.getByRole('row', { name: /Annex stair/ })).toContainText('Annex recorder 1');
});

test('a site is copied, archived, brought back, and the demo had anew', async ({ page, server, siteId }) => {
  await page.goto(server.address);
  const row = page.locator(`[data-site="${siteId}"]`);
  await row.getByRole('button', { name: 'Copy' }).click();
  const copy = page.getByRole('listitem').filter({ hasText: 'Saltmarrow Ferry Terminal, copy' }).first();
  await expect(copy).toContainText('as imported');
  await copy.getByRole('link', { name: 'Saltmarrow Ferry Terminal, copy' }).click();
  await expect(page.getByText('25 cameras, 2 recorders')).toBeVisible();
  await page.goto(server.address);
  await row.getByRole('button', { name: 'Archive' }).click();
  await expect(row).toBeHidden();
  await page.getByRole('button', { name: /archived$/ }).click();
  await row.getByRole('button', { name: 'Bring back' }).click();
  await expect(row.getByRole('button', { name: 'Archive' })).toBeVisible();
  await page.getByRole('button', { name: 'A fresh demo' }).click();
  await expect(page.getByText('25 cameras, 2 recorders')).toBeVisible();
  // Its drawings came along.
  await expect(page.locator('.board')).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.locator('.canvas image')).toBeVisible();
});

test('a deleted site is in the bin, comes back whole, and goes for good by its name only', async ({
  page,
  server,
  siteId,
}) => {
  await page.goto(server.address);
  const row = page.locator(`[data-site="${siteId}"]`);
  await row.getByRole('button', { name: 'Delete' }).click();
  await expect(row).toBeHidden();
  await page.getByRole('button', { name: /in the bin$/ }).click();
  await row.getByRole('button', { name: 'Put back' }).click();
  await row.getByRole('link', { name: 'Saltmarrow Ferry Terminal' }).click();
  await expect(page.getByText('25 cameras, 2 recorders')).toBeVisible();
  await page.goto(server.address);
  await row.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: /in the bin$/ }).click();
  await row.getByRole('button', { name: 'Delete for good' }).click();
  const dialog = page.getByRole('dialog', { name: 'Delete for good' });
  const go = dialog.getByRole('button', { name: 'Delete for good' });
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await dialog.getByLabel('Type the name of the site').fill('Saltmarrow Ferry');
  await expect(go).toBeDisabled();
  await dialog.getByLabel('Type the name of the site').fill('Saltmarrow Ferry Terminal');
  await go.click();
  await expect(dialog).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Start a site' })).toBeVisible();
  await expect(row).toHaveCount(0);
});

test('each person has metres or feet, AWG or mm², and what is stored stays', async ({ page, open }) => {
  await open('survey/r01');
  await page.keyboard.press('e');
  const length = page.getByLabel('Length of segment 1', { exact: true });
  await expect(length).toHaveValue('34');
  await page.keyboard.press('Escape');
  await page.locator('h1').click();
  await page.keyboard.press('m');
  const own = page.getByRole('dialog', { name: 'You and the site' });
  await own.getByLabel('Lengths in').click();
  await choose(page, 'Feet');
  await own.getByLabel('Cores in').click();
  await choose(page, 'mm²');
  await own.getByRole('button', { name: 'Close' }).click();
  await expect(own).toBeHidden();
  await expect(page.locator('.board [data-run="r01"]')).toContainText('112 ft');
  await page.keyboard.press('e');
  await expect(length).toHaveValue('111.55');
  await expect(page.getByLabel('Cable of segment 1')).toContainText('mm²');
  // Going through the field changes nothing; a bare figure is feet, and metres are taken as metres.
  await length.focus();
  await length.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await length.fill('10 m');
  await length.press('Enter');
  await expect(length).toHaveValue('32.81');
});

test('the printed plan is the sheet alone', async ({ page, open }) => {
  await open('papers?view=plan');
  await expect(page.getByRole('row', { name: /24 Gate out/ })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.frame > header')).toBeHidden();
  await expect(page.locator('.runs')).toBeHidden();
  const pdf = (await page.pdf({ format: 'A4', landscape: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)!.length).toBeGreaterThanOrEqual(2);
});

test('the key sheet lists the stage’s keys, and the theme is kept', async ({ page, open }) => {
  await open('allocate');
  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys' });
  await expect(sheet).toContainText('fill the rest');
  await expect(sheet).toContainText('next run');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await page.keyboard.press('t');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

for (const stage of ['survey', 'test/r08', 'decide/r08', 'allocate', 'signoff/r08', 'papers']) {
  test(`${stage} needs no page scroll at 1280 by 800`, async ({ page, open }) => {
    await open(stage);
    const size = await page.evaluate(() => [
      document.documentElement.scrollWidth,
      document.documentElement.scrollHeight,
    ]);
    expect(size).toEqual([1280, 800]);
  });
}

test('a site begins as such sites usually are, and asks for all of it', async ({ page, server }) => {
  await page.goto(server.address);
  // Who works here is asked for once.
  await page.getByLabel('Your name').fill('R. Tolland');
  await page.getByLabel('Your name').press('Enter');
  await expect(page.getByRole('heading', { name: 'Who works here?' })).toBeHidden();
  await page.getByLabel('Name of the site').fill('Saltmarrow kiosk');
  await page.getByLabel('Where the recorders are').fill('Back office');
  await page.getByLabel('Start from').click();
  await choose(page, /^Shop: 8 cameras/);
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('8 to note')).toBeVisible();
  await expect(runInList(page, 'Goods door')).toBeVisible();
  await page.keyboard.press('8');
  await expect(page.getByText(/^Rests on 8 cameras, 0 readings, \d+ gaps, prices as shipped/)).toBeVisible();
  await page.goto(server.address);
  await expect(page.getByRole('heading', { name: 'Who works here?' })).toBeHidden();
});
