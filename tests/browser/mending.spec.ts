import { barriers } from './axe';
import { expect, leaveList, saved, test, verdictRow } from './fixtures';

test('what a run had is noted, and its readings from before no longer count', async ({ page, open }) => {
  await open('test/r13');
  await expect(verdictRow(page, 'coax-loop-ohms')).toContainText('in a joint');
  await page.keyboard.press('c');
  const was = page.getByRole('region', { name: 'What it was' });
  await was.getByRole('button', { name: 'Note what it was' }).click();
  const dialog = page.getByRole('dialog', { name: 'What it was' });
  await dialog.getByRole('button', { name: 'Note it' }).click();
  await expect(dialog).toContainText('Pick what it was, or say that nothing was wrong.');
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await dialog.locator('.p-multiselect').click();
  await page.getByRole('option', { name: 'Coax joint' }).click();
  await leaveList(page);
  await dialog.getByRole('textbox', { name: 'Done' }).fill('remade the twist at 97 m');
  await dialog.getByRole('button', { name: 'Note it' }).click();
  await expect(was.locator('[data-mending]')).toContainText(/coax joint; remade the twist at 97 m/);
  await expect(was.getByRole('status')).toContainText('from before the line was changed');
  await saved(page);
  await page.reload();
  await expect(page.locator('.cause .message')).toHaveText('No readings yet.');
  await page.keyboard.press('b');
  await expect(verdictRow(page, 'coax-loop-ohms')).toContainText('needs run isolated');
  await page.keyboard.press('g');
  await expect(page.getByRole('table', { name: 'Readings of this run' })).toContainText(
    'before the line was changed',
  );
  await page.keyboard.press('u');
  await page.keyboard.press('b');
  await expect(verdictRow(page, 'coax-loop-ohms')).toContainText('in a joint');
});
