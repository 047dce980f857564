import type { Page } from '@playwright/test';
import { expect, test } from './fixtures';

/** Whether the bench expects a coax loop of so many ohms. */
async function isExpected(page: Page, ohms: number): Promise<boolean> {
  const shown = await page.locator('tr[data-verdict="coax-loop-ohms"] .expected').textContent();
  const [, low, high] = /([\d.]+) to ([\d.]+)/.exec(shown ?? '') ?? [];
  return Number(low) <= ohms && ohms <= Number(high);
}

test('a cable by its data sheet goes before the tables, is put right once, and gives way again', async ({
  page,
  open,
}) => {
  await open('survey/r01');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 1' });
  await sheet.getByRole('button', { name: 'By data sheet' }).click();
  const dialog = page.getByRole('dialog', { name: 'Cable by its data sheet' });
  await dialog.getByRole('button', { name: 'Use this cable' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Name: not as a data sheet would say it');
  const type = async (label: string, text: string) => {
    await dialog.getByLabel(label, { exact: true }).fill(text);
    await dialog.getByLabel(label, { exact: true }).press('Tab');
  };
  await type('Name of the cable', 'Dock coax');
  await type('Ohms per km of the centre', '90');
  await type('Ohms per km of the shield', '10');
  await type('Loss by frequency', 'plenty');
  await expect(dialog.getByText(/such as “10: 2.1, 100: 6.9”/)).toBeVisible();
  await type('Loss by frequency', '10: 3, 100: 10');
  await type('Velocity factor', '0.7');
  await type('Impedance', '75');
  await dialog.getByRole('button', { name: 'Use this cable' }).click();
  await expect(dialog).toBeHidden();
  await expect(sheet.getByLabel('Cable of segment 1')).toContainText('Dock coax');

  // Its ohms are what the bench expects: 34 m of 100 Ω a kilometre.
  await page.keyboard.press('2');
  await expect.poll(() => isExpected(page, 3.4)).toBe(true);
  expect(await isExpected(page, 1.7)).toBe(false);

  await open('survey/r01');
  await page.keyboard.press('e');
  await sheet.getByRole('button', { name: 'Its data sheet' }).click();
  await type('Ohms per km of the centre', '40');
  await dialog.getByRole('button', { name: 'Change it everywhere' }).click();
  await expect(dialog).toBeHidden();
  await page.locator('h1').click();
  await page.keyboard.press('2');
  await expect.poll(() => isExpected(page, 1.7)).toBe(true);
  expect(await isExpected(page, 3.4)).toBe(false);

  // Deleted, its segments are of the tables again; undone, they are not.
  await open('survey/r01');
  await page.keyboard.press('e');
  await sheet.getByRole('button', { name: 'Its data sheet' }).click();
  await dialog.getByRole('button', { name: 'Delete this data sheet' }).click();
  await expect(sheet.getByLabel('Cable of segment 1')).not.toContainText('Dock coax');
  await page.locator('h1').click();
  await page.keyboard.press('u');
  await expect(sheet.getByLabel('Cable of segment 1')).toContainText('Dock coax');
});
