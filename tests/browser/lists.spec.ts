import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { choose, expect, saved, test } from './fixtures';

const listCell = (page: Page, row: string, key: string) => page.locator(`[data-cell="${row} ${key}"]`);
const importTable = (page: Page, name: string, text: string | Buffer) =>
  page.getByLabel('Table to import').setInputFiles({
    name,
    mimeType: 'application/octet-stream',
    buffer: typeof text === 'string' ? Buffer.from(text) : text,
  });
const dialog = (page: Page) => page.getByRole('dialog', { name: /^Import/ });
const rowOf = (page: Page, text: string | RegExp) =>
  dialog(page).getByRole('listitem').filter({ hasText: text });
const openList = async (page: Page, open: (stage?: string) => Promise<void>, list: string) => {
  await open('survey?view=lists');
  await page.getByRole('group', { name: 'Which list' }).getByRole('button', { name: list }).click();
};
const download = async (page: Page, button: string): Promise<Buffer> => {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: button, exact: true }).click();
  return readFileSync(await (await coming).path());
};

test('a cell is changed in place by keys, and refused in words', async ({ page, open }) => {
  await openList(page, open, 'Cameras');
  await listCell(page, 'c08', 'name').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Weighbridge deck');
  await page.keyboard.press('Enter');
  await expect(listCell(page, 'c08', 'name')).toHaveText('Weighbridge deck');
  // Enter moves on to the cell below, an arrow to the left.
  await expect(listCell(page, 'c09', 'name')).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(listCell(page, 'c09', 'number')).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.type('8');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(
    'a number of its own; camera “Weighbridge deck” has this one',
  );
  await page.keyboard.press('Escape');
  await expect(listCell(page, 'c09', 'number')).toHaveText('9');
  await saved(page);
  await page.keyboard.press('u');
  await expect(listCell(page, 'c08', 'name')).toHaveText('Weighbridge');
});

test('rows are found as one types, sorted, and several changed or removed together', async ({
  page,
  open,
}) => {
  await openList(page, open, 'Cameras');
  await page.getByRole('searchbox', { name: 'Find in the list' }).fill('quay box');
  await expect(page.getByText('3 of 25 rows')).toBeVisible();
  await page.getByLabel('Pick all rows').check();
  await page.getByLabel('Column to set').click();
  await choose(page, 'IR / white-light LEDs');
  await page.getByLabel('Value to set').click();
  await choose(page, 'White light');
  for (const id of ['c13', 'c14', 'c15']) await expect(listCell(page, id, 'lamps')).toHaveText('White light');
  await page.keyboard.press('Escape');
  await listCell(page, 'c13', 'name').focus();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Remove it' }).click();
  await expect(page.getByRole('alert')).toContainText('the readings of run 13, which are kept');
  await page.getByRole('searchbox', { name: 'Find in the list' }).fill('');
  await page.getByRole('button', { name: 'view', exact: true }).click();
  await expect(page.locator('.grid .line').first()).toContainText('Bay doors');
});

test('a picked row that another window takes away is not picked any more', async ({
  page,
  context,
  open,
}) => {
  await openList(page, open, 'Places');
  await page.getByRole('button', { name: 'Add a place' }).click();
  await page.getByRole('textbox', { name: 'place' }).fill('Rope store');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('searchbox', { name: 'Find in the list' }).fill('rope');
  await page.getByLabel('Pick all rows').check();
  await expect(page.getByText('Set in 1 row')).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('.grid')).toBeVisible();
  await other.keyboard.press('u');
  await other.keyboard.press('u');
  await expect(page.getByText('Set in 1 row')).toBeHidden();
  await expect(page.getByText('0 of 10 rows')).toBeVisible();
});

test('a place is added by its name', async ({ page, open }) => {
  await openList(page, open, 'Places');
  await page.getByRole('button', { name: 'Add a place' }).click();
  await page.getByRole('textbox', { name: 'place' }).fill('Rope store');
  await page.keyboard.press('Enter');
  await expect(page.getByText('11 rows')).toBeVisible();
  await expect(page.locator('[data-cell$=" name"]').filter({ hasText: 'Rope store' })).toBeVisible();
});

test('a list goes out as CSV and XLSX and comes back without a difference', async ({ page, open }) => {
  await openList(page, open, 'Segments');
  for (const kind of ['CSV', 'XLSX']) {
    const file = await download(page, kind);
    await importTable(page, `segments.${kind.toLowerCase()}`, file);
    await expect(dialog(page).getByRole('alert')).toContainText('Everything in this file is noted already.');
    await expect(dialog(page).getByRole('button', { name: 'as they are 29' })).toBeVisible();
    await dialog(page).getByRole('button', { name: 'Cancel' }).click();
    await expect(dialog(page)).toBeHidden();
  }
});

test('an import is seen row by row before it happens, and happens whole or not at all', async ({
  page,
  open,
}) => {
  await openList(page, open, 'Cameras');
  // Semicolons, commas for points, a slip in a heading, a formula in a cell, a camera twice.
  await importTable(
    page,
    'cameras.csv',
    'No;View;Locaton;Night (W);Remark;Colour\r\n8;Weighbridge deck;Lanes;9,5;=HYPERLINK("x");grey\r\n26;Rope store;Workshop;4;;white\r\n9;;Kiosks;bright;;white\r\n26;Again;Workshop;;;white\r\n',
  );
  await expect(dialog(page)).toContainText('Cells are separated by semicolons.');
  await expect(rowOf(page, '26')).toContainText('line 3 is the same camera');
  await expect(rowOf(page, '“bright”')).toBeVisible();
  await expect(dialog(page).getByRole('button', { name: 'Apply' })).toBeDisabled();
  await dialog(page).getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('25 rows')).toBeVisible();

  await importTable(
    page,
    'cameras.csv',
    'No;View;Locaton;Night (W);Remark;Colour\r\n8;Weighbridge deck;Lanes;9,5;=HYPERLINK("x");grey\r\n26;Rope store;Workshop;4;;white\r\n',
  );
  await expect(dialog(page).getByLabel('Column Colour is')).toContainText('(left out)');
  await expect(rowOf(page, 'Rope store')).toContainText('new:');
  await expect(rowOf(page, 'Weighbridge')).toContainText('night W 4.2 9.5');
  await dialog(page).getByRole('button', { name: 'Apply 2 rows' }).click();
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText('26 rows')).toBeVisible();
  await expect(page.locator('[data-cell^="c26-"][data-cell$=" name"]')).toHaveText('Rope store');
  await saved(page);
  // The formula stays the text it is, and goes out harmless.
  const csv = (await download(page, 'CSV')).toString('utf8');
  expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
  // One undo takes the whole import back.
  await page.keyboard.press('u');
  await expect(page.getByText('25 rows')).toBeVisible();
  await expect(listCell(page, 'c08', 'name')).toHaveText('Weighbridge');
});

test('a sheet with titles, floors and totals comes in at one go', async ({ page, open }) => {
  await openList(page, open, 'Cameras');
  await importTable(
    page,
    'survey.csv',
    [
      'sep=;',
      'Saltmarrow Ferry Terminal;;;',
      '',
      'Cam No;Location;View;W (night)',
      'Ground floor;;;',
      'CAM-08;Lanes;Weighbridge deck;9,5 W',
      'CAM-26;Workshop;Rope store;4',
      'Total;;;13,5',
    ].join('\r\n'),
  );
  await expect(dialog(page).getByLabel('Headings in line')).toContainText('Cam No, Location, View');
  await expect(dialog(page).getByLabel('Column W (night) is')).toContainText('night');
  await expect(dialog(page).locator('[data-kind="refused"]')).toHaveCount(2);
  await dialog(page).getByRole('button', { name: 'Leave out what is refused' }).click();
  await expect(dialog(page).locator('[data-kind="left-out"]')).toHaveText([/Ground floor/, /Total 13,5/]);
  await dialog(page).getByRole('button', { name: 'Apply 2 rows' }).click();
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText('26 rows')).toBeVisible();
  await expect(listCell(page, 'c08', 'name')).toHaveText('Weighbridge deck');
});

test('a word of a file that several cables go by is picked once, for all its rows', async ({
  page,
  open,
}) => {
  await openList(page, open, 'Segments');
  await importTable(page, 'segments.csv', 'Camera;Segment;Cable\r\n1;1;RG59\r\n2;1;rg59\r\n3;1;RG-11 BC\r\n');
  await expect(dialog(page).locator('[data-kind="refused"]')).toHaveCount(2);
  await expect(dialog(page)).toContainText('“RG59” cable, 2 rows');
  await dialog(page).getByLabel('“RG59” is').click();
  await choose(page, 'RG-59, 22 AWG copper-clad steel, aluminium braid');
  await expect(dialog(page).locator('[data-kind="refused"]')).toHaveCount(0);
  await dialog(page).getByRole('button', { name: 'Apply 3 rows' }).click();
  await expect(dialog(page)).toBeHidden();
  await saved(page);
});

test('a place that is not noted is made in the same import, and what columns are is remembered', async ({
  page,
  open,
}) => {
  await openList(page, open, 'Cameras');
  const text = 'Cam No;Spot;View\r\n26;Rope loft;Rope store\r\n27;Net loft;Nets\r\n';
  await importTable(page, 'new.csv', text);
  await dialog(page).getByLabel('Column Spot is').click();
  await choose(page, /^place$/);
  await expect(dialog(page).locator('[data-kind="refused"]')).toHaveCount(2);
  await dialog(page).getByRole('button', { name: 'Add all 2 as new places' }).click();
  await dialog(page).getByRole('button', { name: 'Apply 2 rows' }).click();
  await expect(dialog(page)).toBeHidden();
  await expect(page.getByText('27 rows')).toBeVisible();
  await saved(page);
  await page.reload();
  await importTable(page, 'again.csv', text.replace('Rope store', 'Ropes'));
  await expect(dialog(page).getByLabel('Column Spot is')).toContainText('place');
  await expect(dialog(page).getByRole('button', { name: 'Apply 1 row' })).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('group', { name: 'Which list' }).getByRole('button', { name: 'Places' }).click();
  await expect(page.locator('[data-cell$=" name"]').filter({ hasText: 'Net loft' })).toBeVisible();
});

test('rows are pasted from a spreadsheet', async ({ page, open }) => {
  await openList(page, open, 'Places');
  await page.locator('.lists').evaluate((lists) => {
    const data = new DataTransfer();
    data.setData('text/plain', 'Place\tHeight ft\tMains\nQuay\t30\tyes\n');
    lists.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await expect(rowOf(page, 'Quay')).toContainText('height m 8 9.14');
  await dialog(page).getByRole('button', { name: 'Apply 1 row' }).click();
  await expect(listCell(page, 'quay', 'mains')).toHaveText('yes');
});

test('what is no table is refused in words, and nothing changes', async ({ page, open }) => {
  await openList(page, open, 'Cameras');
  const zip = Buffer.from(
    '504b03041400000000000000000000000000000000000000000005000000612e747874504b01021400140000000000000000000000000000000000000000000500000000000000000000000000000000000000612e747874504b0506000000000100010033000000230000000000',
    'hex',
  );
  for (const [name, bytes, says] of [
    ['cameras.xlsx', zip, 'ZIP archive, not an XLSX workbook'],
    ['cameras.xlsx', Buffer.from('PK\x03\x04 broken'), 'damaged'],
    ['cameras.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1]), 'neither a CSV file nor an XLSX workbook'],
    ['cameras.csv', Buffer.from('number,view\n'), 'no row under the headings'],
  ] as const) {
    await importTable(page, name, bytes);
    await expect(page.getByRole('alert')).toContainText(says);
    await page.getByRole('button', { name: 'Dismiss' }).click();
  }
  await importTable(page, 'cameras.csv', Buffer.from('number,note\n8,caf\xe9\n', 'latin1'));
  await expect(dialog(page)).toContainText('not UTF-8; it was read as Windows-1252');
  await expect(rowOf(page, 'Weighbridge')).toContainText('café');
  await dialog(page).getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('25 rows')).toBeVisible();
});
