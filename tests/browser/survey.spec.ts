import type { Page } from '@playwright/test';
import { choose, expect, runInList, saved, test } from './fixtures';

test('a segment’s length is edited with its unit, and nonsense is refused where it is typed', async ({
  page,
  open,
}) => {
  await open('survey/r01');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 1' });
  const length = sheet.getByLabel('Length of segment 1', { exact: true });
  await expect(length).toHaveValue('34');
  await length.fill('3/8 km');
  await length.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('fraction');
  await length.press('Escape');
  await expect(length).toHaveValue('3/8 km');
  await length.fill('-20');
  await length.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('more than 0, at most 5000 m');
  await length.fill('200ft');
  await length.press('Enter');
  await expect(length).toHaveValue('60.96');
  await expect(page.locator('.board [data-run="r01"]')).toContainText('61 m RG-59');
  await saved(page);
  await page.reload();
  await expect(page.locator('.board [data-run="r01"]')).toContainText('61 m RG-59');
});

test('a segment is added, joined and taken out again', async ({ page, open }) => {
  await open('survey/r01');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 1' });
  await sheet.getByRole('button', { name: 'Add a segment after' }).click();
  await expect(page.locator('.board [data-run="r01"]')).toContainText('44 m');
  await expect(sheet.getByLabel('Joint after segment 1')).toContainText('Coupler');
  await sheet.getByLabel('Cable of segment 2').click();
  await choose(page, /RG-11/);
  await expect(page.locator('.board [data-run="r01"]')).toContainText('44 m RG-59 + RG-11');
  await sheet.getByRole('button', { name: 'Remove', exact: true }).last().click();
  await expect(page.locator('.board [data-run="r01"]')).toContainText('34 m RG-59');
});

test('the camera’s own figures move its verdict', async ({ page, open }) => {
  await open('survey/r15');
  await page.keyboard.press('e');
  const night = page.getByLabel('Watts by night');
  await night.fill('300');
  await night.press('Enter');
  await expect(page.locator('.board [data-run="r15"]')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.locator('h1').first().click();
  await page.keyboard.press('2');
  await expect(page.locator('tr[data-verdict="night-volts"]')).toContainText(
    'the supply collapses under this load',
  );
});

test('a run is added with a new place, and a number that is taken is refused', async ({ page, open }) => {
  await open();
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog', { name: 'Add a run' });
  await dialog.getByRole('button', { name: 'Add the run' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Name the view');
  await dialog.getByLabel('View').fill('Rope store door');
  await dialog.getByRole('combobox', { name: 'Place' }).fill('Rope store');
  await dialog.getByLabel('Length').fill('45 m');
  await dialog.getByLabel('Camera number').fill('8');
  await dialog.getByRole('button', { name: 'Add the run' }).click();
  await expect(dialog.getByRole('alert')).toContainText(
    'a number of its own; camera “Weighbridge” has this one',
  );
  await dialog.getByLabel('Camera number').fill('26');
  await dialog.getByRole('button', { name: 'Add the run' }).click();
  await expect(dialog).toBeHidden();
  await expect(runInList(page, 'Rope store door')).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Sheet of run 26' })).toBeVisible();
  await expect(page.getByText('26 cameras, 2 recorders')).toBeVisible();
});

test('runs are found by name, place and cable, and the board is sorted by trouble', async ({
  page,
  open,
}) => {
  await open();
  await page.keyboard.press('/');
  await page.keyboard.type('rg11');
  await expect(page.locator('.runs .run')).toHaveCount(6);
  await page.getByRole('searchbox').fill('nowhere');
  await expect(page.getByText('Nothing matches the search.')).toBeVisible();
  await page.getByRole('searchbox').fill('');
  await page.getByRole('button', { name: 'trouble' }).click();
  await expect(page.locator('.board [data-run]').first()).toContainText('Ramp west');
});

test('on a phone: pick a run, change its length, see it on the board', async ({ page, open }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open();
  await page.getByRole('button', { name: 'Runs', exact: true }).click();
  await runInList(page, 'Kiosk A').click();
  await page.getByRole('button', { name: /^Edit 9/ }).click();
  const length = page.getByLabel('Length of segment 1', { exact: true });
  const box = await length.boundingBox();
  expect(box?.height).toBeGreaterThanOrEqual(40);
  await length.fill('55');
  await length.press('Enter');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('.board [data-run="r09"]')).toContainText('55 m');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('a jacket print tells the construction, and its marks the length', async ({ page, open }) => {
  await open('survey/r14');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 14' });
  const print = sheet.getByLabel('Jacket print of segment 1');
  await print.fill('acme RG-6/U 18AWG CCS 60% AL briad 0456 FT');
  await print.press('Enter');
  await expect(sheet.getByText('RG-6 18 AWG copper-clad steel 60 % braid; mark 456 ft')).toBeVisible();
  await expect(sheet.getByText('Not understood: ACME.')).toBeVisible();
  await sheet.getByRole('button', { name: /^Use RG-6, 18 AWG copper-clad steel/ }).click();
  await expect(page.locator('.board [data-run="r14"]')).toContainText('260 m RG-6 steel');
  const marks = sheet.getByLabel('Length marks of segment 1');
  await marks.fill('456 ft');
  await marks.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('Two marks with a comma between');
  await marks.fill('456 ft, 1320 ft');
  await marks.press('Enter');
  await expect(page.locator('.board [data-run="r14"]')).toContainText('263 m RG-6 steel');
  await page.locator('h1').first().click();
  await page.keyboard.press('2');
  await expect(page.locator('tr[data-verdict="coax-loop-ohms"]')).toContainText('as noted');
});

/** Waits until a part of the pages that is fetched while nothing else is done has come and runs. */
async function partIsHere(page: Page, part: string): Promise<void> {
  const file = await page.waitForFunction(
    (name) =>
      performance
        .getEntriesByType('resource')
        .map((entry) => entry.name)
        .find((url) => url.includes(`/${name}-`) && url.endsWith('.js')),
    part,
  );
  await page.evaluate((url) => import(url!), await file.jsonValue());
}

test('what is typed at once after a dialog is called for lands in its first field', async ({
  page,
  open,
}) => {
  await open('survey');
  await page.locator('.board').waitFor();
  await partIsHere(page, 'AddRunDialog');
  await page.keyboard.press('n');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('77');
  const number = page.getByRole('dialog').getByLabel('Camera number');
  await expect(number).toHaveValue('77');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Bollard row, far end');
  await expect(page.getByRole('dialog').getByLabel('View')).toHaveValue('Bollard row, far end');
});

test('what is typed for a form that is still on its way opens nothing else', async ({ page, open }) => {
  let send = (): void => undefined;
  const isSent = new Promise<void>((resolve) => (send = resolve));
  await page.route('**/assets/AddRunDialog-*.js', async (route) => {
    await isSent;
    await route.continue();
  });
  await open('survey');
  await page.locator('.board').waitFor();
  await page.keyboard.press('n');
  await page.keyboard.type('77');
  await expect(page.getByRole('heading', { level: 1, name: 'Board' })).toBeVisible();
  await expect(page).toHaveURL(/survey/);
  send();
  const number = page.getByRole('dialog', { name: 'Add a run' }).getByLabel('Camera number');
  await expect(number).toHaveValue('26');
  await expect(page.getByRole('dialog').getByRole('combobox', { name: 'Runs from' })).toContainText(
    'Marshalling office',
  );
});

test('a part of the program that cannot be fetched is said, and the rest goes on', async ({ page, open }) => {
  await page.route('**/assets/ConnectStage-*.js', (route) => route.abort());
  await open('survey/r08');
  await page.locator('.board').waitFor();
  await page.getByRole('button', { name: /^Connect/ }).click();
  await expect(page.getByRole('alert')).toContainText('A part of Neotrope could not be fetched');
  await page.getByRole('alert').getByRole('button', { name: 'OK' }).click();
  await page.getByRole('button', { name: /^Test/ }).click();
  await expect(page.locator('tr[data-verdict="night-volts"]')).toBeVisible();
});
