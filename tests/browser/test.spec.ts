import { barriers } from './axe';
import { expect, runInList, saved, test, verdictRow } from './fixtures';

test('readings are taken in order; Enter moves on; the verdict and the tape move with them', async ({
  page,
  open,
}) => {
  await open('test/r15');
  await expect(page.getByText('Next: foreign voltage, AC.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Test/ })).toContainText('5 to test');

  // Live: only what may be read live.
  const field = (id: string) => verdictRow(page, id).getByRole('textbox');
  await expect(field('coax-loop-ohms')).toBeDisabled();
  await expect(verdictRow(page, 'coax-loop-ohms')).toContainText('needs run isolated');
  await page.keyboard.press('r');
  await page.keyboard.type('200 mV');
  await page.keyboard.press('Enter');
  await expect(field('foreign-ac-volts')).toHaveValue('0.2');
  await expect(field('shield-earth-volts')).toBeFocused();

  await page.getByRole('heading', { name: '15 Bollard row' }).click();
  await page.keyboard.press('i');
  await expect(field('night-volts')).toBeDisabled();
  // Dead now: but first it must be proven so.
  await expect(verdictRow(page, 'coax-loop-ohms')).toContainText('read the foreign voltage first');
  await field('foreign-ac-volts').fill('0.2');
  await field('foreign-ac-volts').press('Enter');
  // Nor does a meter that nobody proved prove anything.
  await expect(verdictRow(page, 'foreign-ac-volts')).toContainText('no proof that it is dead');
  await expect(verdictRow(page, 'coax-loop-ohms')).toContainText(
    'prove the meter, read the foreign voltage again',
  );
  await page.getByLabel(/meter proved on a known source/).check();
  await field('foreign-ac-volts').fill('0.1');
  await field('foreign-ac-volts').press('Enter');
  await field('coax-loop-ohms').fill('4.2 Ω');
  await field('coax-loop-ohms').press('Enter');
  await expect(verdictRow(page, 'coax-loop-ohms')).toContainText('as noted');
  await page.getByRole('heading', { name: '15 Bollard row' }).click();
  await page.keyboard.press('l');
  await field('night-volts').fill('24,1');
  await field('night-volts').press('Enter');
  await expect(verdictRow(page, 'night-volts')).toContainText('holds');
  await expect(page.getByText('Tested.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Test/ })).toContainText('4 to test');
  await saved(page);
});

test('the working panel follows the figure as a reading moves it', async ({ page, open }) => {
  await open('test/r08');
  await page.keyboard.press('w');
  const why = page.getByRole('complementary', { name: 'Why' });
  await expect(why.getByRole('heading').first()).toHaveText(/night, 8\.9\sV/);
  const field = verdictRow(page, 'night-volts').getByRole('textbox');
  await field.fill('12.2');
  await field.press('Enter');
  await expect(why.getByRole('heading').first()).toHaveText(/night, 12\.2\sV/);
  await expect(why).toContainText('Holds.');
  await page.getByRole('heading', { name: '8 Weighbridge' }).click();
  await page.keyboard.press('Escape');
  await expect(why).toBeHidden();
});

test('dangerous volts stop everything, in words a person obeys', async ({ page, open }) => {
  await open('test/r01');
  const field = verdictRow(page, 'foreign-ac-volts').getByRole('textbox');
  await field.fill('84');
  await field.press('Enter');
  await expect(page.getByRole('alert').first()).toHaveText(
    'Stop. Do not touch the cable. Get a licensed electrician.',
  );
  await expect(verdictRow(page, 'night-volts').getByRole('textbox')).toBeDisabled();
  // Nothing on the screen sends anybody to the cable.
  await expect(page.locator('.next')).toHaveText(
    'Nobody goes on before a licensed electrician has made it safe and the foreign voltage was read again.',
  );
  await expect(page.locator('.bench')).not.toContainText(/isolate|disconnect/);
  await expect(page.getByRole('img', { name: /centre and shield/ })).toBeHidden();
  await page.locator('h1').click();
  await page.keyboard.press('c');
  await expect(page.locator('.cause')).toHaveText(
    'Nobody goes on before a licensed electrician has made it safe and the foreign voltage was read again.',
  );
});

test('a wrong reading is struck out with a reason and stays readable', async ({ page, open }) => {
  await open('test/r08');
  await page.keyboard.press('g');
  const line = page
    .getByRole('table', { name: 'Readings of this run' })
    .getByRole('row', { name: 'Volts at the camera, night' });
  await line.getByRole('button', { name: 'Strike out' }).click();
  const reason = line.getByLabel('Why it is struck out');
  await reason.fill('lens was not covered');
  await reason.press('Enter');
  await expect(line).toContainText('struck out: lens was not covered');
  await expect(line).toContainText('8.9 V');
  await page.locator('h1').click();
  await page.keyboard.press('b');
  await expect(verdictRow(page, 'night-volts').getByRole('textbox')).toHaveValue('');
});

test('nonsense stays as typed, with what is allowed, and takes no reading', async ({ page, open }) => {
  await open('test/r08');
  const row = verdictRow(page, 'day-volts');
  const field = row.getByRole('textbox');
  for (const [typed, says] of [
    ['eleven', 'a number'],
    ['11 W', 'is not a unit for this'],
    ['-4', 'from 0 to 100 000'],
    ['1,234', 'two things'],
  ] as const) {
    await field.fill(typed);
    await field.press('Enter');
    await expect(row.getByRole('alert')).toContainText(says);
    await expect(field).toHaveValue(typed);
  }
  await page.locator('h1').click();
  await page.keyboard.press('g');
  await expect(page.getByRole('table', { name: 'Readings of this run' }).getByRole('row')).toHaveCount(7);
});

test('on a phone the fields are big enough for a thumb and nothing runs off the side', async ({
  page,
  open,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open('test/r16');
  const field = verdictRow(page, 'foreign-ac-volts').getByRole('textbox');
  expect((await field.boundingBox())!.height).toBeGreaterThanOrEqual(40);
  await field.fill('0.3');
  await field.press('Enter');
  // By the water less is dangerous.
  await expect(verdictRow(page, 'foreign-ac-volts')).toContainText('below 25 V limit');
  await page.getByRole('button', { name: 'Runs', exact: true }).click();
  await page.getByRole('searchbox').fill('gate in');
  await runInList(page, 'Gate in').click();
  await expect(page.getByRole('heading', { name: '23 Gate in' })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('with no run in hand the round says what to test in the time there is, and leads there', async ({
  page,
  server,
  open,
}) => {
  await open('test/r15');
  const site = page.url().split('/site/')[1]!.split('/')[0]!;
  await page.goto(`${server.address}/site/${site}/test`);
  const round = page.getByRole('region', { name: 'The round' });
  await expect(round).toContainText(
    /tests at \d+ places in 2\.0 h: \d+ % of what all tests together could tell/,
  );
  expect(await barriers(page, '.no-run')).toEqual([]);
  const places = round.locator('[data-place]');
  const many = await places.count();
  await round.getByLabel('Time at hand').fill('0.5');
  await round.getByLabel('Time at hand').press('Enter');
  await expect(round).toContainText(/in 0\.[45] h/);
  expect(await places.count()).toBeLessThanOrEqual(many);
  await round.getByLabel('Time at hand').fill('90');
  await round.getByLabel('Time at hand').press('Enter');
  await expect(round).toContainText('from 0.25 to 12 h');
  await round.getByRole('link').first().click();
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('Test');
  await expect(page.getByRole('group', { name: 'Instrument' })).toBeVisible();
});
