import { cell, expect, runInList, saved, slot, test, verdictRow } from './fixtures';

test('from low night volts to a recorder slot, and all of it still there after a reload', async ({
  page,
  open,
}) => {
  await open();
  await expect(page.getByRole('heading', { name: 'Board' })).toBeVisible();
  await runInList(page, 'Weighbridge').click();

  // Test: the night volts are too low, and the working says why.
  await page.getByRole('button', { name: /^Test/ }).click();
  const night = verdictRow(page, 'night-volts');
  await expect(night.getByRole('textbox')).toHaveValue('8.9');
  await expect(night).toContainText('too low with the lamps on');
  await night.getByRole('button', { name: /why/ }).click();
  const why = page.getByRole('complementary', { name: 'Why' });
  await expect(why).toContainText('V = (V₀ + √(V₀² − 4·R·P)) / 2');
  await expect(why).toContainText('at least 10.8 V');
  await expect(why).toContainText('The cores as noted explain the reading.');

  // Decide: keeping it does not hold, IP over coax does, and the total follows the choice.
  await page.getByRole('button', { name: /^Decide/ }).click();
  await cell(page, 'r08', 'keep').click();
  await expect(
    page.getByText(/Does not hold\. What would make it possible: a heavier or second pair/),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /^Choose/ })).toBeDisabled();
  const totalBefore = await page.locator('[data-total]').innerText();
  await cell(page, 'r08', 'ip-coax-unit').click();
  await expect(page.getByRole('complementary', { name: 'The option in hand' })).toContainText(
    'watts that arrive',
  );
  await page.getByRole('button', { name: /^Choose/ }).click();
  await expect(cell(page, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
  await expect(page.locator('[data-total]')).not.toHaveText(totalBefore);

  // Allocate: drag it onto an IP slot.
  await page.getByRole('button', { name: /^Allocate/ }).click();
  const tag = page.locator('.tray [data-camera="c08"]');
  await expect(tag).toBeVisible();
  await tag.dragTo(slot(page, 'marshalling-recorder', 17));
  await expect(slot(page, 'marshalling-recorder', 17)).toContainText('Weighbridge');
  await expect(tag).toHaveCount(0);

  // Undo both, do both again.
  await page.keyboard.press('u');
  await expect(slot(page, 'marshalling-recorder', 17)).not.toContainText('Weighbridge');
  await page.keyboard.press('u');
  await expect(tag).toHaveCount(0);
  await expect(slot(page, 'marshalling-recorder', 8)).toContainText('Weighbridge');
  await page.keyboard.press('U');
  await expect(tag).toBeVisible();
  await page.keyboard.press('U');
  await expect(slot(page, 'marshalling-recorder', 17)).toContainText('Weighbridge');
  await saved(page);

  await page.reload();
  await expect(slot(page, 'marshalling-recorder', 17)).toContainText('Weighbridge');
  await page.getByRole('button', { name: /^Papers/ }).click();
  await page.getByRole('button', { name: /^Plan sheet/ }).click();
  const line = page.getByRole('table', { name: 'Cameras' }).getByRole('row', { name: /8 Weighbridge/ });
  await expect(line).toContainText('Marshalling recorder 17');
  await page.keyboard.press('u');
  await expect(line).not.toContainText('Marshalling recorder 17');
});

test('the same by keys alone', async ({ page, open }) => {
  await open('decide');
  for (let k = 0; k < 8; k += 1) await page.keyboard.press('j');
  await expect(page.locator('tr[data-run="r08"]')).toHaveClass(/here/);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('n');
  await page.keyboard.type('6');
  await page.keyboard.press('Enter');
  await expect(cell(page, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
  await page.keyboard.press('4');
  await expect(page.locator('.tray [data-camera="c08"]')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.locator('.tray [data-camera="c08"]')).toHaveAttribute('aria-pressed', 'true');
  for (let k = 0; k < 18; k += 1) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(slot(page, 'hall-recorder', 19)).toContainText('Weighbridge');
  await page.keyboard.press('x');
  await expect(slot(page, 'hall-recorder', 19)).not.toContainText('Weighbridge');
});

test('what cannot be done says so when it is tried', async ({ page, open }) => {
  await open('decide/r08');
  await cell(page, 'r08', 'baluns').click();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(
    'Cannot be chosen: There is no category cable to this camera.',
  );
  await cell(page, 'r08', 'keep').click();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Cannot be chosen: volts by night');
  await expect(page.locator('tr[data-run="r08"] .chosen')).toHaveCount(0);
});

test('a button that has the focus is pressed by Enter, not passed over', async ({ page, open }) => {
  await open('decide/r01');
  await page.getByRole('button', { name: /Take it back/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('tr[data-run="r01"] .chosen')).toHaveCount(0);
});
