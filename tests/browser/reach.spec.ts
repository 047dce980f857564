import { barriers } from './axe';
import { expect, runInList, test } from './fixtures';

test('from the top to the work by keys: skip, leave a field, turn letters off', async ({ page, open }) => {
  await open('survey');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#work')).toBeFocused();

  // A field is left by Escape as it was, and keys are keys again.
  await page.keyboard.press('j');
  await page.keyboard.press('e');
  const length = page.getByRole('textbox', { name: 'Length' }).first();
  const before = await length.inputValue();
  await length.fill('999');
  await page.keyboard.press('Escape');
  await expect(length).not.toBeFocused();
  await expect(length).toHaveValue(before);
  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/test\//);
  // So is a list to pick from: once to close it, once to leave it.
  const state = page.getByRole('combobox', { name: 'State of the run' });
  await state.focus();
  await page.keyboard.press('ArrowDown');
  await expect(state).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('Escape');
  await expect(state).toHaveAttribute('aria-expanded', 'false');
  await page.keyboard.press('Escape');
  await expect(state).not.toBeFocused();

  // Letters with Alt only, kept over a reload.
  await page.keyboard.press('m');
  const you = page.getByRole('dialog', { name: 'You and the site' });
  await you.locator('.p-select', { hasText: 'Alone' }).click();
  await page.getByRole('option', { name: 'With Alt' }).click();
  await you.getByRole('button', { name: 'Close' }).click();
  await expect(you).toBeHidden();
  await page.reload();
  await expect(page.locator('.stage h1')).toBeVisible();
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/test\//);
  await page.keyboard.press('Alt+3');
  await expect(page).toHaveURL(/\/decide\//);
  await page.keyboard.press('Alt+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('pressed with Alt');
});

test('everything is found in one place: a run by its cable, a view, something to do', async ({
  page,
  open,
}) => {
  await open('survey/r01');
  await page.keyboard.press('Control+k');
  const find = page.getByRole('dialog', { name: 'Find' });
  const field = find.getByRole('combobox');
  await expect(field).toBeFocused();
  await field.fill('ramp');
  await expect(find.getByRole('option', { selected: true })).toContainText('13 Ramp east');
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await field.press('ArrowDown');
  await expect(find.getByRole('option', { selected: true })).toContainText('14 Ramp west');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/survey\/r14/);

  await page.keyboard.press('Control+k');
  await field.fill('trade');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/decide\/r14\?view=curve/);

  await page.keyboard.press('Control+k');
  await field.fill('light or');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('what a search leaves out is said in every stage', async ({ page, open }) => {
  await open('survey');
  const runs = page.getByRole('complementary', { name: 'Runs' });
  await page.keyboard.press('/');
  await page.keyboard.type('Cat 5e');
  await expect(runs.getByRole('status')).toContainText('3 of 24 runs shown, in every stage');
  await page.keyboard.press('Enter');
  await expect(runInList(page, 'Slip')).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('3');
  await expect(page.getByRole('grid', { name: 'Options of every camera' }).getByRole('row')).toHaveCount(4);
  await expect(runs.getByRole('status')).toContainText('3 of 24 runs shown');
  await runs.getByRole('button', { name: 'Show all' }).click();
  await expect(page.getByRole('grid', { name: 'Options of every camera' }).getByRole('row')).toHaveCount(25);
  await expect(runs.getByRole('status')).toBeEmpty();
});

test('one cell of the table is a stop of Tab, says what it shows, and takes the focus along', async ({
  page,
  open,
}) => {
  await open('decide/r13');
  const cell = page.locator('[data-run="r13"] [data-roving][tabindex="0"]');
  await cell.focus();
  await expect(cell).toHaveAttribute('aria-label', /, (holds|just holds|does not hold|not possible)/);
  await page.keyboard.press('ArrowDown');
  const next = page.locator('[data-run="r14"] [data-roving][tabindex="0"]');
  await expect(next).toBeFocused();
  await expect(page.locator('.decide [data-roving][tabindex="0"]')).toHaveCount(1);
});

test('a panel that closes gives the keys back to where they were', async ({ page, open }) => {
  await open('test/r07');
  const why = page.locator('tr[data-verdict="coax-loop-ohms"]').getByRole('button', { name: 'why' });
  await why.focus();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('complementary', { name: 'Why' });
  await expect(panel).toBeVisible();
  await panel.getByRole('button', { name: /^Close/ }).focus();
  await page.keyboard.press('Enter');
  await expect(panel).toBeHidden();
  await expect(why).toBeFocused();

  await open('survey/r07');
  const edit = page.getByRole('button', { name: /^Edit 7/ });
  const row = page.locator('.board [data-roving][tabindex="0"]').first();
  await expect(edit).toBeVisible();
  await row.focus();
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 7' });
  await sheet.getByRole('button', { name: /^Close/ }).press('Enter');
  await expect(sheet).toBeHidden();
  await expect(row).toBeFocused();
});
