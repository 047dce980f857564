import { barriers } from './axe';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { choose, demoFile, expect, root, saved, test, verdictRow } from './fixtures';

const trace = (name: string): string => path.join(root, 'tests', 'reference', 'tdr', `${name}.csv`);
const events = (page: Page) => page.getByRole('table', { name: 'Events' });

/** The run proven dead, and its trace in view. */
async function deadTrace(page: Page): Promise<void> {
  await page.keyboard.press('i');
  await page.getByLabel(/meter proved on a known source/).check();
  const field = verdictRow(page, 'foreign-ac-volts').getByRole('textbox');
  await field.fill('0.2');
  await field.press('Enter');
  await page.locator('h1').click();
  await page.keyboard.press('e');
}

test('a trace is held back on a live run; imported, it stands under its line with what is on it', async ({
  page,
  open,
}) => {
  await open('test/r18');
  await page.keyboard.press('e');
  await expect(page.getByText('No trace of this run yet.')).toBeVisible();
  await expect(page.getByLabel('Import a trace')).toBeDisabled();
  await page.keyboard.press('b');
  await deadTrace(page);
  await page.getByLabel('Import a trace').setInputFiles(trace('joint-62m-open-180m'));
  await expect(events(page).getByRole('row', { name: /series resistance/ })).toContainText(
    /62 m.*2[0-9]\.\d Ω/,
  );
  await expect(page.getByRole('img', { name: /Run of camera 18/ })).toContainText('62 m, series resistance');

  // The marker moves by keys and says its metre; a row of the table puts it there.
  const marker = page.getByRole('slider', { name: 'Marker' });
  await events(page)
    .getByRole('row', { name: /series resistance/ })
    .click();
  await expect(marker).toHaveAttribute('aria-valuetext', '62 m');
  await marker.press('ArrowRight');
  await expect(marker).toHaveAttribute('aria-valuetext', '62 m');
  await page.getByLabel('Height of echoes').click();
  await choose(page, '× 20');
  await saved(page);
});

test('a known length fits the velocity factor, and a trace gives a run its length', async ({
  page,
  open,
}) => {
  await open('test/r15');
  await deadTrace(page);
  await page.getByLabel('Import a trace').setInputFiles(trace('open-143m'));
  await expect(events(page).getByRole('row', { name: /open/ })).toContainText('145 m');
  await page.getByLabel('Known length').fill('143');
  await page.getByLabel('Known length').press('Enter');
  await expect(page.getByText(/velocity factor 0\.83/)).toBeVisible();
  await expect(events(page).getByRole('row', { name: /open/ })).toContainText('143 m');
  await page.getByRole('button', { name: 'Take the marker as the run’s end' }).click();
  await expect(page.getByRole('img', { name: /Run of camera 15: 143 m/ })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByRole('img', { name: /Run of camera 15: 340 m/ })).toBeVisible();
});

test('what is no trace is refused in words, and a second trace can be laid over the first', async ({
  page,
  open,
}) => {
  await open('test/r18');
  await deadTrace(page);
  await page
    .getByLabel('Import a trace')
    .setInputFiles({ name: 'notes.csv', mimeType: 'text/csv', buffer: Buffer.from('hello\nthere') });
  await expect(page.getByRole('alert')).toContainText('columns time_ns and volts');
  for (const name of ['open-143m', 'short-88m'])
    await page.getByLabel('Import a trace').setInputFiles(trace(name));
  await expect(events(page).getByRole('row', { name: /short/ })).toBeVisible();
  await page.getByLabel('Compare with').click();
  await page.getByRole('option').nth(1).click();
  await expect(page.locator('.legend')).toContainText('earlier');
});

test('a rail is tried before it is set: what helps the farthest camera harms the nearest', async ({
  page,
  open,
}) => {
  await open('test/r08?view=volts');
  await expect(page.locator('.message')).toContainText('They explain both readings');
  await expect(
    page.getByText('No setting serves all: camera 8 needs 14.4 V, camera 11 bears at most 13.3 V.'),
  ).toBeVisible();
  await page.getByLabel('Volts tried').fill('14');
  await page.getByLabel('Volts tried').press('Enter');
  await expect(page.locator('[data-on-rail="11"]').getByRole('img', { name: /fails/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Back to 13.2 V' }).click();
  await expect(page.locator('[data-on-rail="11"]').getByRole('img', { name: /holds/ }).first()).toBeVisible();
  await expect(page.locator('[data-fix="parallel-cores"]')).toContainText('11.5 V');
  await page.getByLabel('Volts tried').fill('12.8');
  await page.getByLabel('Volts tried').press('Enter');
  await page.getByRole('button', { name: 'Note this setting' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Volts tried')).toHaveValue('12.8');
});

test('what is seen is picked from pictures; a ghost’s place gives metres', async ({ page, open }) => {
  await open('test/r07?view=picture');
  await page.locator('[data-symptom="ghost"]').click();
  await page.getByLabel('Ghost to the right').fill('2.5');
  await page.getByLabel('Ghost to the right').press('Enter');
  await expect(page.getByText(/an echo over/)).toContainText('163 m');
  await page.locator('[data-symptom="torn"]').click();
  await page.getByRole('button', { name: 'Take: ghost, torn' }).click();
  await expect(page.getByRole('button', { name: 'Take: ghost, torn' })).toBeDisabled();
  await page.keyboard.press('g');
  await expect(
    page.getByRole('table', { name: 'Readings of this run' }).getByRole('row', { name: /Picture/ }),
  ).toContainText('ghost, torn, ghost 1.3 µs to the right');
});

test('readings come in as a table, all of them or none', async ({ page, open }) => {
  await open('test/r15?view=log');
  const input = page.getByLabel('Readings to import');
  const file = (text: string) => ({ name: 'readings.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await input.setInputFiles(file('run;test;value\n15;insulation;12\n99;insulation;3\n'));
  const dialog = page.getByRole('dialog', { name: 'Readings from a table' });
  await expect(dialog.getByRole('alert')).toContainText('Line 3: there is no run 99');
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await expect(dialog.getByRole('button', { name: 'Take 1 reading' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await input.setInputFiles(
    file(
      'Camera,Test,Value,Time,Meter\n15,"Loop, centre and shield",4.2,2026-03-01 08:00,Bench meter 2\n15,coax loop,4.4,2026-04-01 08:00,Bench meter 2\n',
    ),
  );
  await dialog.getByRole('button', { name: 'Take 2 readings' }).click();
  await expect(dialog).toBeHidden();
  const table = page.getByRole('table', { name: 'Readings of this run' });
  await expect(table.getByRole('row', { name: /Loop, centre and shield/ })).toHaveCount(2);
  // Read twice: now there is a line over time.
  await expect(page.locator('.chart svg')).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('b');
  await expect(verdictRow(page, 'coax-loop-ohms').getByRole('textbox')).toHaveValue('4.4');
});

test('at 390 px every view of the tests fits the phone', async ({ page, open }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const view of ['bench', 'trace', 'volts', 'picture', 'cause', 'log']) {
    await open(`test/r08?view=${view}`);
    await expect(page.locator('.views [aria-current]')).toHaveText(view, { ignoreCase: true });
    expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(390);
  }
});

test('a pasted trace is taken as an imported one is', async ({ page, open }) => {
  await open('test/r18');
  await deadTrace(page);
  await expect(page.getByText('or paste it here')).toBeVisible();
  await page.locator('.trace').evaluate(
    (element, text) => {
      const data = new DataTransfer();
      data.setData('text', text);
      element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    },
    readFileSync(trace('short-88m'), 'utf8'),
  );
  await expect(events(page).getByRole('row', { name: /short/ })).toContainText('88 m');
});

test('the cause names the test that is worth most to what is chosen, what it takes and what it saves', async ({
  page,
  server,
}) => {
  const choices = [{ id: 'c12', option: 'ip-coax-unit', by: 'R. Tolland', at: '2026-03-12T09:00:00Z' }];
  const id = await server.newSite(JSON.stringify({ ...demoFile(), readings: [], choices }));
  await page.goto(`${server.address}/site/${id}/test/r12`);
  await page.locator('h1').click();
  await page.keyboard.press('c');
  const worth = page.locator('[data-for-plan]');
  await expect(worth).toContainText(
    /loop, centre and shield, 30 min\. In \d+ % of simulations “IP over coax, multi-port unit” would not hold/,
  );
  await expect(worth).toContainText(/saves [\d.]+ h of work \(\d+ EUR\) and 0\.\d of a night on average/);
  // Camera 1 has nothing chosen, so nothing is saved there.
  await page.goto(`${server.address}/site/${id}/test/r01`);
  await page.locator('h1').click();
  await page.keyboard.press('c');
  await expect(page.getByRole('heading', { name: 'Recommended next test' })).toBeVisible();
  await expect(worth).toHaveCount(0);
  expect(await barriers(page, '.cause')).toEqual([]);
});
