import type { Page } from '@playwright/test';
import { cell, choose, expect, runInList, slot, test } from './fixtures';

/** Counts keys and clicks as the page hears them. */
async function startCounting(page: Page): Promise<() => Promise<{ keys: number; clicks: number }>> {
  await page.evaluate(() => {
    const counted = { keys: 0, clicks: 0 };
    (window as unknown as { counted: typeof counted }).counted = counted;
    const isAlone = (key: string) => ['Shift', 'Control', 'Alt', 'Meta'].includes(key);
    window.addEventListener('keydown', ({ key }) => (counted.keys += isAlone(key) ? 0 : 1), true);
    window.addEventListener('pointerdown', () => (counted.clicks += 1), true);
  });
  return () =>
    page.evaluate(() => (window as unknown as { counted: { keys: number; clicks: number } }).counted);
}

test('a run with two segments, a joint and a camera is noted in under 90 keys and 12 clicks', async ({
  page,
  open,
}) => {
  await open('survey');
  const counted = await startCounting(page);
  const dialog = page.getByRole('dialog', { name: 'Add a run' });
  await page.keyboard.press('n');
  await expect(dialog.getByLabel('Camera number')).toBeFocused();
  await page.keyboard.press('Tab');
  await page.keyboard.type('Rope store');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Quay');
  // The list of known places closes, then past its button to the cable.
  while (!(await dialog.getByLabel('Length').evaluate((field) => field === document.activeElement)))
    await page.keyboard.press('Tab');
  await page.keyboard.type('60');
  await page.keyboard.press('Tab');
  // What is not understood holds the run back: it is not added without its second cable.
  await page.keyboard.type('soldered, rg6 25');
  await page.keyboard.press('Enter');
  await expect(dialog.getByText(/“rg6”: RG-6 as printed/).first()).toBeVisible();
  await expect(dialog).toBeVisible();
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await page.keyboard.type('copper 25');
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  const { keys, clicks } = await counted();
  test.info().annotations.push({ type: 'counted', description: `run: ${keys} keys, ${clicks} clicks` });
  expect(keys).toBeLessThan(90);
  expect(clicks).toBeLessThanOrEqual(12);

  const sheet = page.getByRole('complementary', { name: 'Sheet of run 26' });
  await expect(sheet.getByLabel('Cable of segment 1')).toContainText('RG-59, 20 AWG solid copper');
  await expect(sheet.getByLabel('Cable of segment 2')).toContainText('RG-6, 18 AWG solid copper');
  await expect(sheet.getByLabel('Length of segment 1', { exact: true })).toHaveValue('60');
  await expect(sheet.getByLabel('Joint after segment 1')).toHaveText('Soldered');
  // From there straight to the part that is still to be noted, and on by Tab.
  await sheet.getByRole('button', { name: 'Camera', exact: true }).press('Enter');
  await expect(sheet.getByRole('heading', { name: 'Camera', exact: true })).toBeFocused();
});

test('five readings in a row take a figure and Enter each', async ({ page, open }) => {
  await open('test/r16');
  // Keys are heard once the bench is there.
  await expect(page.getByRole('textbox', { name: 'Foreign voltage, AC' })).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByRole('textbox', { name: 'Foreign voltage, DC' })).toBeEnabled();
  const counted = await startCounting(page);
  const proved = page.getByLabel(/meter proved/);
  await proved.focus();
  await page.keyboard.press('Space');
  const first = page.getByRole('textbox', { name: 'Foreign voltage, AC' });
  await first.focus();
  for (const figure of ['0.2', '0.1', '0.3', '3.9', '3.8']) {
    await page.keyboard.type(figure);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('textbox', { name: 'Shield to earth' })).toHaveValue('0.3');
  await expect(page.getByRole('textbox', { name: 'Loop, power cores' })).toHaveValue('3.8');
  const { keys, clicks } = await counted();
  test.info().annotations.push({ type: 'counted', description: `readings: ${keys} keys, ${clicks} clicks` });
  expect(keys).toBeLessThanOrEqual(24);
  expect(clicks).toBe(0);
});

test('an option is chosen and a slot taken by number, a run found by its cable', async ({ page, open }) => {
  await open('decide/r08');
  const counted = await startCounting(page);
  await page.keyboard.press('n');
  await page.keyboard.type('6');
  await page.keyboard.press('Enter');
  await expect(cell(page, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
  await page.keyboard.press('4');
  await expect(slot(page, 'marshalling-recorder', 17)).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByText('Slot for camera 8 in Marshalling recorder')).toBeVisible();
  await page.keyboard.type('17');
  await page.keyboard.press('Enter');
  await expect(slot(page, 'marshalling-recorder', 17)).toContainText('Weighbridge');
  await page.keyboard.press('/');
  await page.keyboard.type('moulded');
  await page.keyboard.press('Enter');
  await expect(runInList(page, 'Lost property')).toHaveAttribute('aria-current', 'true');
  const { keys, clicks } = await counted();
  test.info().annotations.push({ type: 'counted', description: `number and find: ${keys} keys` });
  expect(keys).toBeLessThanOrEqual(18);
  expect(clicks).toBe(0);
});

test('a number that there is none of is refused, and Escape leaves all as it was', async ({ page, open }) => {
  await open('decide/r08');
  await page.keyboard.press('n');
  await page.keyboard.type('99');
  await page.keyboard.press('Enter');
  await expect(page.getByText('a whole number from 1 to 17')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('a whole number from 1 to 17')).toBeHidden();
  await expect(page.locator('tr[data-run="r08"] .chosen')).toHaveCount(0);
});

test('what one key did can be taken back beside where it shows', async ({ page, open }) => {
  await open('test/r07');
  await page.keyboard.press('i');
  const offer = page.locator('.offer');
  await expect(offer).toContainText('Run 7 is isolated.');
  await offer.getByRole('button', { name: /Undo/ }).click();
  await expect(offer).toBeHidden();
  await expect(page.getByRole('combobox', { name: 'State of the run' })).not.toContainText('Isolated');
});

test('who reads feet reads feet in sentences too', async ({ page, open }) => {
  await open('connect/r07?view=hook-up');
  await page.keyboard.press('m');
  const you = page.getByRole('dialog', { name: 'You and the site' });
  await you.locator('.p-select', { hasText: 'Metres' }).click();
  await choose(page, 'Feet');
  await you.getByRole('button', { name: 'Close' }).click();
  // All sentences are told anew meanwhile; whoever comes again finds them so.
  await page.reload();
  await expect(page.locator('.saved')).toHaveAttribute('data-whole', 'true');
  await page.keyboard.press('3');
  await cell(page, 'r11', 'new-category').click();
  await expect(page.locator('.options .sheet')).toContainText(/\d+ ft of Cat 6/);
  await expect(page.locator('.options')).not.toContainText(/\d m\b(?! *²)/);
});
