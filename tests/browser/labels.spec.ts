import { expect, test } from './fixtures';

/** Labels on the page that lead to no control of their own row, and rows that have none. */
const loose = () =>
  [...document.querySelectorAll('.field-row')].flatMap((row) => {
    const label = row.querySelector('label');
    const control = label && document.getElementById(label.htmlFor);
    return control && row.contains(control) ? [] : [row.textContent?.trim().slice(0, 40) ?? ''];
  });

test('the label of a field leads to its control, on every sheet', async ({ page, open }) => {
  await open('survey/r04');
  await page.locator('body').press('e');
  await page.locator('.field-row').first().waitFor({ timeout: 20_000 });
  expect(await page.evaluate(loose)).toEqual([]);
  await page.locator('.field-row label', { hasText: 'Purpose' }).first().click();
  await expect(page.getByLabel('Purpose').first()).toBeFocused();
  await open('survey?view=head-end&thing=recorder/hall-recorder');
  await page.locator('.field-row').first().waitFor({ timeout: 20_000 });
  expect(await page.evaluate(loose)).toEqual([]);
  await page.locator('.field-row label', { hasText: 'Rule' }).first().click();
  await expect(page.getByRole('combobox', { name: 'Rule', exact: true })).toBeFocused();
});

const sheets = [
  'survey?view=head-end&thing=supply/hall-box',
  'survey?view=head-end&thing=equipment/hall-ups',
  'survey?view=walk',
  'decide?view=plan',
];

for (const address of sheets)
  test(`no label is loose on ${address}`, async ({ page, open }) => {
    await open(address);
    await page.locator('.field-row').first().waitFor({ timeout: 20_000 });
    expect(await page.evaluate(loose)).toEqual([]);
  });
