import writeXlsx from 'write-excel-file/node';
import type { Locator, Page } from '@playwright/test';
import { expect, runInList, saved, testOnOwnServer as test } from './fixtures';

/** Goes on by Tab until this has the focus; the mouse is not touched. */
async function tabTo(page: Page, field: Locator): Promise<void> {
  await field.waitFor();
  for (let k = 0; k < 40; k += 1) {
    if (await field.evaluate((element) => element.contains(document.activeElement))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('forty Tabs did not lead there');
}

test('a small building is entered from nothing by keys only, each run in under 90', async ({
  page,
  server,
}) => {
  await page.goto(server.address);
  await tabTo(page, page.getByLabel('Name of the site'));
  await page.keyboard.type('Saltmarrow annex');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Annex office');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nothing is noted yet.')).toBeVisible();

  // A recorder.
  await page.keyboard.press('h');
  await expect(page.getByText('No head end gear is noted yet.')).toBeVisible();
  await page.keyboard.press('n');
  const note = page.getByRole('dialog', { name: 'Add head-end equipment' });
  await expect(note.getByLabel('Name')).toBeFocused();
  await page.keyboard.type('Annex recorder');
  await page.keyboard.press('Enter');
  await expect(note).toBeHidden();

  // Three runs, the second and third where the first one is.
  await page.keyboard.press('b');
  const dialog = page.getByRole('dialog', { name: 'Add a run' });
  const keys = await page.evaluateHandle(() => {
    const counted = { keys: 0 };
    window.addEventListener('keydown', () => (counted.keys += 1), true);
    return counted;
  });
  for (const [number, view, length, goesOn] of [
    [1, 'Stair', '22', ''],
    [2, 'Door', '31', 'soldered, rg6 copper 12'],
    [3, 'Yard', '48', 'joint, rg6 copper 30'],
  ] as const) {
    const before = await keys.evaluate(({ keys: count }) => count);
    await page.keyboard.press('n');
    await expect(dialog.getByLabel('Camera number')).toBeFocused();
    await page.keyboard.press('Tab');
    await page.keyboard.type(view);
    if (number === 1) {
      await tabTo(page, dialog.getByRole('combobox', { name: 'Place' }));
      await page.keyboard.type('Annex');
    }
    await tabTo(page, dialog.getByLabel('Length'));
    await page.keyboard.type(length);
    await page.keyboard.press('Tab');
    await page.keyboard.type(goesOn);
    await page.keyboard.press('Enter');
    await expect(dialog).toBeHidden();
    await expect(runInList(page, view)).toBeVisible();
    expect((await keys.evaluate(({ keys: count }) => count)) - before).toBeLessThan(90);
    await page.keyboard.press('Escape');
  }
  await saved(page);
  await expect(page.getByText('3 to note')).toBeVisible();
});

test('a messy workbook comes in at one go', async ({ page, open }) => {
  const text = (value: string) => ({ value, type: String });
  const workbook = await writeXlsx(
    [
      [text('Saltmarrow Ferry Terminal'), null, null, null],
      [text('Camera list, third issue'), null, null, null],
      [],
      [text('Cam No'), text('Location'), text('View'), text('W (night)')],
      [text('Ground floor'), null, null, null],
      [text('CAM-08'), text('Lanes'), text('Weighbridge deck'), text('9,5 W')],
      [text('CAM-25'), text('Rope loft'), text('Rope store'), { value: 4, type: Number }],
      [text('Total'), null, null, { value: 13.5, type: Number }],
    ],
    { sheet: 'Cameras' },
  ).toBuffer();
  await open('survey?view=lists');
  await page.getByRole('group', { name: 'Which list' }).getByRole('button', { name: 'Cameras' }).click();
  await page.getByLabel('Table to import').setInputFiles({
    name: 'issue 3.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: workbook,
  });
  const dialog = page.getByRole('dialog', { name: /^Import/ });
  await expect(dialog.getByLabel('Headings in line')).toContainText('Cam No, Location, View');
  await dialog.getByLabel('“Rope loft” is').click();
  await page.getByRole('option', { name: 'add as a new place: “Rope loft”' }).click();
  await dialog.getByRole('button', { name: 'Leave out what is refused' }).click();
  await dialog.getByRole('button', { name: 'Apply 2 rows' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('25 rows')).toBeVisible();
  await expect(page.locator('[data-cell="c08 name"]')).toHaveText('Weighbridge deck');
  await saved(page);
});
