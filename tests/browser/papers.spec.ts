import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import readXlsx from 'read-excel-file/node';
import { barriers } from './axe';
import { decidedDemo } from './decided';
import { expect, leaveList, saved, test, testOnOwnServer } from './fixtures';

test.describe.configure({ timeout: 300_000 });

/** The decided demo with a plan pinned beside it in which the turnstiles go to IP. */
async function withAlternate(): Promise<string> {
  const file = JSON.parse(await decidedDemo()) as {
    choices: { id: string; option: string }[];
    demands?: object[];
    plans?: object[];
  };
  const options = Object.fromEntries(file.choices.map(({ id, option }) => [id, option]));
  const plan = {
    id: 'all-ip',
    name: 'All on IP',
    at: '2026-03-12T09:00:00Z',
    by: 'R. Tolland',
    pinned: true,
    options: { ...options, c03: 'ip-coax-unit' },
    demands: {
      id: 'demands',
      goal: 'ip',
      figures: 'as-known',
      years: 10,
      caps: {},
      sparePercent: 0,
      spareSlots: 0,
      policies: {
        route: 'cheapest',
        blocks: 'mix',
        power: 'central',
        joints: 'crimp',
        format: 'lower',
        order: 'cost',
        listed: 'no-cable',
        oldCable: 'leave',
      },
    },
    buys: [],
    proof: { kind: 'by-hand' },
  };
  return JSON.stringify({ ...file, plans: [plan] });
}
/** What the download of a button holds. */
async function got(page: Page, name: RegExp): Promise<string> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name }).click();
  return (await download).path();
}
const textOf = (pdf: string): string =>
  execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' });
const cells = (page: Page, table: string) =>
  page.getByRole('table', { name: table, exact: true }).getByRole('row');

test('an offer with an alternate is put on record by a name, called final in words, and accepted', async ({
  page,
  server,
}) => {
  const id = await server.newSite(await withAlternate());
  await page.goto(`${server.address}/site/${id}/survey`);
  await expect(page.getByRole('heading', { name: 'Board' })).toBeVisible();
  await page.keyboard.press('8');
  const sheet = page.getByRole('article');
  await expect(sheet).toContainText('Runs that are not tested through: cameras 15, 16, 23, 24.');
  await expect(sheet).toContainText('prices as shipped, which nobody here has confirmed');

  await page.locator('.p-multiselect').click();
  await page.getByRole('option', { name: 'All on IP' }).click();
  await leaveList(page);
  await expect(cells(page, 'Alternates').nth(1)).toContainText('3: IP over coax, multi-port unit');

  const give = page.getByRole('button', { name: 'Put on record' });
  await give.click();
  await expect(page.getByRole('alert')).toContainText('Enter who prepared it');
  await page.getByLabel('Prepared by').fill('M. Ash');
  await page.getByLabel('It is final').check();
  await give.click();
  await expect(page.getByRole('alert')).toContainText('do not call it final');
  await page.getByRole('textbox', { name: 'What is said of what it rests on' }).fill('Subject to tests.');
  await give.click();
  await expect(page.locator('[data-offer="1"]')).toContainText('M. Ash');

  // The next one says what changed since.
  const visits = page.getByLabel('Visits', { exact: true });
  await visits.fill('20');
  await visits.press('Enter');
  await expect(cells(page, 'Price').filter({ hasText: 'Travel' })).toContainText('€1,200');
  await give.click();
  await expect(page.locator('[data-offer="2"]')).toBeVisible();
  await expect(cells(page, 'Changes').nth(1)).toContainText('Travel');
  await page.getByRole('button', { name: 'Accepted', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('Enter the name of whoever says yes.');
  await page.getByLabel('Accepted by').fill('J. Holm');
  await page.getByRole('button', { name: 'Accepted', exact: true }).click();
  await expect(page.locator('[data-offer="2"]')).toContainText('accepted by J. Holm');
  await saved(page);
  expect(await barriers(page, '.papers')).toEqual([]);

  // The PDF says what the screen says, on the paper that is picked.
  const net = await cells(page, 'Price').last().locator('td').last().innerText();
  const text = textOf(await got(page, /^PDF/));
  expect(text).toContain(net.trim());
  expect(text).toContain('Weighbridge');
  expect(text).toContain('Accepted');
  expect(text).toMatch(/1 of \d/);
  await page.getByRole('combobox', { name: 'Paper size' }).click();
  await page.getByRole('option', { name: 'Letter' }).click();
  expect(readFileSync(await got(page, /^PDF/), 'latin1')).toMatch(/\/MediaBox \[0 0 612 792\]/);
});

test('the hand-over pack reads as on the screen, and its workbook adds up in another program', async ({
  page,
  server,
}) => {
  const id = await server.newSite(await decidedDemo());
  await page.goto(`${server.address}/site/${id}/papers?view=hand-over`);
  await expect(cells(page, 'Cables')).toHaveCount(25);
  const text = textOf(await got(page, /^PDF/));
  expect(text).toContain('Contents');
  for (const row of await cells(page, 'Cables').filter({ hasText: 'Mast, turning' }).all())
    for (const cell of await row.locator('td.num').allInnerTexts()) expect(text).toContain(cell.trim());

  await page.keyboard.press('a');
  await expect(cells(page, 'Parts').last()).toContainText('In all');
  const sum = Number((await cells(page, 'Parts').last().locator('td').nth(4).innerText()).replace(/\D/g, ''));
  const [sheet] = await readXlsx(await got(page, /^Workbook/));
  const rows = sheet!.data;
  const at = rows[0]!.indexOf('Cost [EUR]');
  const costs = rows.slice(1, -1).map((row) => Number(row[at]));
  expect(costs.reduce((all, cost) => all + cost, 0)).toBe(sum);
  expect(Number(rows.at(-1)![at])).toBe(sum);

  const csv = readFileSync(await got(page, /^CSV/), 'utf8');
  expect(csv).toContain('Cost [EUR]');
  expect(JSON.parse(readFileSync(await got(page, /^JSON/), 'utf8'))).toMatchObject({ id: 'parts' });
  expect(await barriers(page, '.papers')).toEqual([]);
});

testOnOwnServer(
  'papers bear the firm with its mark, what is set aside for the unknown, and lengths as they are read',
  async ({ page, server }) => {
    const id = await server.newSite(await decidedDemo());
    await page.goto(`${server.address}/site/${id}/papers`);
    const sheet = page.getByRole('article');
    await expect(sheet).toContainText('The price');
    await page.keyboard.press('m');
    const dialog = page.getByRole('dialog', { name: 'You and the site' });
    const field = async (name: string, text: string) => {
      await dialog.getByLabel(name).fill(text);
      await dialog.getByLabel(name).press('Enter');
    };
    await field('Name of the firm', 'Marlow & Ridley, installers');
    await field('Address of the firm', 'Rope Walk 3, Saltmarrow');
    const mark =
      '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="30"><rect width="90" height="30" fill="#1f6f5f"/></svg>';
    await dialog
      .getByLabel('Mark of the firm')
      .setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(mark) });
    await expect(dialog.getByRole('img', { name: /Mark of Marlow/ })).toBeVisible();
    await dialog.getByRole('button', { name: 'Begin new sites with this firm' }).click();
    await expect(dialog.getByText('New sites begin with this firm.')).toBeVisible();
    await dialog.getByRole('combobox', { name: 'Lengths in' }).click();
    await page.getByRole('option', { name: 'Feet' }).click();
    await dialog.getByRole('button', { name: 'Close' }).first().click();
    await expect(sheet).toContainText('Rope Walk 3, Saltmarrow');

    const another = page.getByLabel('Provisional sums, another');
    await another.fill('Making good of the quay wall');
    await another.press('Enter');
    const sum = page.getByLabel('Provisional sums, figure of line 1');
    await sum.fill('1500');
    await sum.press('Enter');
    await expect(cells(page, 'Price').filter({ hasText: 'Making good of the quay wall' })).toContainText(
      '1,500',
    );
    await saved(page);

    await page.getByRole('heading', { name: 'Papers', exact: true }).click();
    await page.keyboard.press('v');
    await expect(cells(page, 'Run r12').nth(1)).toContainText('157 ft');
    const pdf = await got(page, /^PDF/);
    const text = textOf(pdf);
    expect(text).toContain('Marlow & Ridley, installers');
    expect(text).toContain('1345 ft');
    expect(execFileSync('pdfimages', ['-list', pdf], { encoding: 'utf8' })).toMatch(/image|smask/);

    // Whatever site is begun afterwards, and by whom, bears it from its first paper on.
    await page.goto(server.address);
    await page.getByLabel('Name of the site').fill('Saltmarrow annex');
    await page.getByLabel('Where the recorders are').fill('Annex');
    await page.getByRole('button', { name: 'Start' }).click();
    await page.getByText('Nothing is noted yet.').waitFor();
    await page.goto(page.url().replace(/(\/site\/[^/]+).*/, '$1/papers'));
    await expect(page.getByRole('article')).toContainText('Rope Walk 3, Saltmarrow');
  },
);
