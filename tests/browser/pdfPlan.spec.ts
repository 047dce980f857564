import { barriers } from './axe';
import { expect, saved, test } from './fixtures';

/** A PDF of two A4 pages lying on their side, with a rectangle on each. */
function pdf(encrypt = ''): Buffer {
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R 5 0 R] /Count 2 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 842 595] /Contents 4 0 R /Resources << >> >>',
    '<< /Length 27 >>\nstream\n0 0 0 RG 40 40 200 100 re S\nendstream',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 842 595] /Contents 6 0 R /Resources << >> >>',
    '<< /Length 28 >>\nstream\n0 0 0 RG 40 40 700 500 re S \nendstream',
  ];
  let text = '%PDF-1.4\n';
  const at = objects.map((body, index) => {
    const from = text.length;
    text += `${index + 1} 0 obj\n${body}\nendobj\n`;
    return from;
  });
  const start = text.length;
  const line = (offset: number) => `${String(offset).padStart(10, '0')} 00000 n \n`;
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${at.map(line).join('')}`;
  return Buffer.from(
    `${text}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R ${encrypt} >>\nstartxref\n${start}\n%%EOF\n`,
    'latin1',
  );
}
const upload = (name: string, buffer: Buffer) => ({ name, mimeType: 'application/pdf', buffer });

test('a page of a PDF becomes a drawing, to scale where its title block says one', async ({ page, open }) => {
  await open('survey?view=drawing');
  await page.getByLabel('Drawing to add').setInputFiles(upload('Upper floor.pdf', pdf()));
  const dialog = page.getByRole('dialog', { name: 'Which page is the plan?' });
  await expect(dialog.getByAltText('Page 1 of the PDF')).toBeVisible();
  await expect(dialog.getByText('of 2')).toBeVisible();
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await dialog.getByRole('button', { name: 'Next page' }).click();
  await expect(dialog.getByAltText('Page 2 of the PDF')).toBeVisible();
  await dialog.getByLabel('Drawing scale, 1 to').fill('200');
  await dialog.getByLabel('Drawing scale, 1 to').press('Tab');
  await dialog.getByRole('button', { name: 'Use this page' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'Upper floor' })).toHaveAttribute('aria-pressed', 'true');
  // 842 points are 297 mm; at 1 to 200 that is 59 m.
  await expect(page.getByText('the sheet is 59 m wide')).toBeVisible();
  await saved(page);
});

test('a PDF with a password, one cut short and a page that is not there say what is wrong', async ({
  page,
  open,
}) => {
  await open('survey?view=drawing');
  const file = page.getByLabel('Drawing to add');
  const dialog = page.getByRole('dialog', { name: 'Which page is the plan?' });
  const drawings = page.getByRole('group', { name: 'Which drawing' }).getByRole('button');
  await expect(drawings).toHaveCount(2);
  const lock = `/Encrypt << /Filter /Standard /V 1 /R 2 /O (${'a'.repeat(32)}) /U (${'b'.repeat(32)}) /P -4 >> /ID [(x) (x)]`;
  await file.setInputFiles(upload('locked.pdf', pdf(lock)));
  await expect(dialog.getByRole('alert')).toContainText('has a password');
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await file.setInputFiles(upload('cut.pdf', pdf().subarray(0, 60)));
  await expect(dialog.getByRole('alert')).toContainText('damaged or cut short');
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await file.setInputFiles(upload('plan.pdf', pdf()));
  await dialog.getByLabel('Page', { exact: true }).fill('3');
  await dialog.getByLabel('Page', { exact: true }).press('Tab');
  await expect(dialog.getByText('from 1 to 2')).toBeVisible();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await expect(drawings).toHaveCount(2);
});
