import { barriers } from './axe';
import { expect, test } from './fixtures';

test('every view says what it is for, the keys that work there and the words of the trade', async ({
  page,
  open,
}) => {
  await open('decide?view=risk');
  await page.getByRole('button', { name: /^Help/ }).click();
  const help = page.getByRole('dialog');
  await expect(help).toContainText('Ten thousand ways');
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await help.getByRole('button', { name: 'Glossary' }).click();
  await help.getByRole('searchbox', { name: 'Find a term' }).fill('ghost');
  await expect(help.getByRole('term').filter({ hasText: 'Ghost' })).toBeVisible();
  await help.getByRole('searchbox', { name: 'Find a term' }).fill('siamese');
  await expect(help.getByRole('img', { name: 'Siamese cable as it is drawn' })).toBeVisible();
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await help.getByRole('button', { name: 'Keys' }).click();
  await expect(help.getByText('next run', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(help).toBeHidden();
  await open('connect?view=radio');
  await page.keyboard.press('F1');
  await expect(help).toContainText('Radio paths as they are planned');
});

test('what is printed says first what it rests on', async ({ page, open }) => {
  for (const view of ['connect/r01?view=hook-up', 'allocate?view=ready', 'papers']) {
    await open(view);
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByText(/^Rests on 25 cameras, 112 readings, 40 gaps/)).toBeVisible();
    await page.emulateMedia({ media: 'screen' });
  }
});
