import type { Page } from '@playwright/test';
import { barriers } from './axe';
import { cell, choose, expect, saved, test } from './fixtures';

const inHand = (page: Page) => page.getByRole('complementary', { name: 'The option in hand' });
const choose24 = { run: 'r24', option: 'field-coax' };

test('two gatehouse cameras go over one old coax, and whoever still hangs on it is named', async ({
  page,
  open,
}) => {
  await open('decide/r23');
  await cell(page, 'r23', 'field-coax').click();
  await expect(inHand(page)).toContainText('Field switch on one old coax');
  await expect(inHand(page)).toContainText('A PoE switch at Gatehouse');
  await expect(inHand(page)).toContainText('its own camera has to go this way too, or leave its coax');
  await expect(inHand(page)).toContainText('rate over the one coax');
  await page.keyboard.press('Enter');
  await expect(cell(page, 'r23', 'field-coax')).toHaveClass(/chosen/);
  // Whose coax it is stands in the option’s words: its own, or that of the other camera there.
  const words = await inHand(page).innerText();
  const owner = words.includes('the coax of camera 24') ? 24 : 23;
  const other = owner === 24 ? 'r24' : 'r23';
  await cell(page, other, 'keep').click();
  await page.keyboard.press('Enter');
  if (owner === 23) {
    await cell(page, choose24.run, choose24.option).click();
    await page.keyboard.press('Enter');
  }
  await saved(page);
  await page.goto(page.url().replace(/decide.*$/, 'connect?view=failures'));
  await expect(page.getByText(`Camera ${owner} still hangs on its coax`)).toBeVisible();
  expect(await barriers(page, '.connect')).toEqual([]);

  await page.goto(page.url().replace(/connect.*$/, `decide/${other}`));
  await cell(page, other, 'field-coax').click();
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goto(page.url().replace(/decide.*$/, 'connect'));
  const tree = page.getByRole('tree', { name: 'Network' });
  const gate = tree.getByRole('treeitem', { name: /^PoE switch, Gatehouse/ });
  await expect(gate).toContainText('2 of 8');
  await expect(page.getByText('still hangs on its coax')).toHaveCount(0);
});

test('a kept camera is encoded, and hangs on its encoder with its old line', async ({ page, open }) => {
  await open('decide/r04');
  await cell(page, 'r04', 'encode').click();
  await expect(inHand(page)).toContainText('Keep the camera, encode its picture');
  await expect(inHand(page)).toContainText('One port of a full encoder at Ticket hall');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goto(page.url().replace(/decide.*$/, 'connect/r04?view=hook-up'));
  await expect(page.getByRole('img', { name: /Encoder, Ticket hall, a free input/ })).toBeVisible();
  await expect(page.locator('article.sheet')).toContainText('The picture becomes no better');
});

test('an encoder, an injector, a keyboard and a matrix are noted with what they have', async ({
  page,
  open,
}) => {
  await open('survey?view=head-end');
  const kinds = [
    ['Encoder', 'Inputs of the encoder', '8'],
    ['PoE injector', 'Watts of the injector', '15'],
    ['Video matrix', 'Outputs of the matrix', '8'],
  ] as const;
  for (const [kind, label, value] of kinds) {
    await page.getByRole('button', { name: /^Add a recorder/ }).click();
    const dialog = page.getByRole('dialog', { name: 'Add head-end equipment' });
    await dialog.getByLabel('It is a').click();
    await choose(page, kind);
    await dialog.getByLabel('Name', { exact: true }).fill(`Old ${kind.toLowerCase()}`);
    await dialog.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(dialog).toBeHidden();
    const field = page.getByLabel(label);
    await field.fill(value);
    await field.press('Enter');
    await page.locator('h1').click();
  }
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: /^Old video matrix/ }).click();
  await expect(page.getByLabel('Outputs of the matrix')).toHaveValue('8');
});
