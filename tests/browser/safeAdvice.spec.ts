import type { Page } from '@playwright/test';
import { choose, expect, leaveList, saved, test, verdictRow } from './fixtures';

const cell = (page: Page, run: string, option: string) =>
  page.locator(`tr[data-run="${run}"] [data-option="${option}"]`);
const inHand = (page: Page) => page.getByRole('complementary', { name: 'The option in hand' });

test('a wet run: read at the bench, it holds for nothing that goes on using it', async ({ page, open }) => {
  await open('test/r11');
  await page.getByRole('combobox', { name: 'State of the run' }).click();
  await choose(page, 'Disconnected');
  await page.getByLabel(/meter proved on a known source/).check();
  const field = (id: string) => verdictRow(page, id).getByRole('textbox');
  await field('foreign-ac-volts').fill('0.1');
  await field('foreign-ac-volts').press('Enter');
  await field('insulation-megohms').fill('0.05');
  await field('insulation-megohms').press('Enter');
  await expect(verdictRow(page, 'insulation-megohms')).toContainText('wet or damaged');
  await field('shield-earth-volts').fill('18');
  await field('shield-earth-volts').press('Enter');
  await expect(verdictRow(page, 'shield-earth-volts')).toContainText('never just bond them');
  await saved(page);

  await page.getByRole('button', { name: /^Decide/ }).click();
  for (const option of ['keep', 'hd-coax', 'ip-coax-pair', 'ip-coax-unit']) {
    await cell(page, 'r11', option).click();
    await expect(inHand(page)).toContainText('Does not hold');
    await expect(inHand(page)).toContainText('insulation');
    await expect(inHand(page)).toContainText('different earths');
  }
  await expect(inHand(page)).toContainText(/fibre|dry cable/i);
});

test('a camera for DC on the AC box of the quay gets its converter, priced, and says why', async ({
  page,
  open,
}) => {
  await open('decide/r14');
  await cell(page, 'r14', 'hd-coax').click();
  await expect(inHand(page)).toContainText('Converter at the camera, 24 V AC to 12 V DC');
  await expect(inHand(page)).toContainText('Without it the camera burns');
  await cell(page, 'r01', 'hd-coax').click();
  await expect(inHand(page)).toContainText('1 Hall north desk');
  await expect(inHand(page)).not.toContainText('Converter at the camera');
});

test('an arrester that is noted in the survey stops power and data over the coax', async ({ page, open }) => {
  await open('survey/r11');
  await page.keyboard.press('e');
  const sheet = page.getByRole('complementary', { name: 'Sheet of run 11' });
  await sheet.getByRole('combobox', { name: 'On the way' }).press('ArrowDown');
  await page.getByRole('option', { name: 'Surge arrester', exact: true }).click();
  await leaveList(page);
  await saved(page);
  await page.getByRole('button', { name: /^Decide/ }).click();
  await expect(cell(page, 'r11', 'ip-coax-unit')).toContainText('arrester');
  await expect(cell(page, 'r11', 'keep')).not.toContainText('arrester');
});
