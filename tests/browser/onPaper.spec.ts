import { readFileSync } from 'node:fs';
import { barriers } from './axe';
import { choose, expect, test } from './fixtures';

test('a drawing prints to scale with its legend and lists, and goes out as SVG and PDF', async ({
  page,
  open,
}) => {
  await open('survey?view=drawing&drawing=hall-plan');
  await page.getByRole('button', { name: 'Print or export…' }).click();
  const dialog = page.getByRole('dialog', { name: /^Print or export/ });
  await expect(dialog.getByText(/^1 : 200 on A4/)).toBeVisible();
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  const save = async (kind: string): Promise<Buffer> => {
    const coming = page.waitForEvent('download');
    await dialog.getByRole('button', { name: kind, exact: true }).click();
    return readFileSync(await (await coming).path());
  };
  const svg = (await save('SVG')).toString('utf8');
  expect(svg).toMatch(/^<svg [^>]*width="250\.00mm"/);
  expect(svg).toContain('<image href="data:image/');
  expect(svg).toContain('1 : 200');
  const pdf = await save('PDF');
  expect(pdf.subarray(0, 5).toString('latin1')).toBe('%PDF-');
  expect(pdf.toString('latin1')).toMatch(/\/MediaBox \[0 0 841\.89 595\.28\]/);

  await dialog.locator('.p-select').click();
  await choose(page, 'A3');
  await expect(dialog.getByText(/ on A3/)).toBeVisible();

  // Printed there is the plan and its lists, and no button.
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.only-printed svg')).toBeVisible();
  await expect(page.locator('.only-printed').getByRole('heading', { name: 'Cameras' })).toBeVisible();
  await expect(page.locator('button:visible')).toHaveCount(0);
});
