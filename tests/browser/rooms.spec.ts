import { readFileSync } from 'node:fs';
import { barriers } from './axe';
import { cell, choose, demoFile, expect, saved, test } from './fixtures';

const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
/** The demo with a camera more on its coax through a unit. */
const withUnit = (): string => {
  const file = demoFile();
  return JSON.stringify({
    ...file,
    choices: [...file.choices, { id: 'c08', option: 'ip-coax-unit', ...who }],
  });
};

test('watts are told from the circuit to each camera, today and when all is done', async ({
  page,
  server,
}) => {
  const id = await server.newSite(withUnit());
  await page.goto(`${server.address}/site/${id}/connect?view=power&at=today`);
  const power = page.getByRole('tree', { name: 'Power' });
  const box = power.locator('[data-power="marshalling-box"]');
  await expect(box).toContainText('8 Weighbridge');
  await expect(power.locator('[data-power="hall-ups"]')).toContainText(
    'battery worn since 2024: count on no minutes',
  );
  expect(await barriers(page, '.connect')).toEqual([]);
  // Every sum says how it was reached.
  await page.getByRole('button', { name: /^Why .* W: Hall UPS$/ }).click();
  const why = page.getByRole('complementary', { name: 'Why' });
  await expect(why).toContainText('Hall recorder');
  await expect(why).toContainText('Without mains its battery, in the middle of its life, lasts');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'when all is done' }).click();
  await expect(box).not.toContainText('8 Weighbridge');
  const unit = power.locator('[data-power^="coax-unit-"][data-power$="-marshalling"]');
  await expect(unit).toContainText('8 Weighbridge');
});

test('a rack shows what is in it and what is to come, and the change says what it frees', async ({
  page,
  server,
}) => {
  const id = await server.newSite(withUnit());
  await page.goto(`${server.address}/site/${id}/connect?view=racks`);
  const rack = page.getByRole('img', { name: /^Hall rack, from the top: Hall recorder at 11 to 12/ });
  await expect(rack).toContainText('to come');
  await page.getByRole('button', { name: /of heat$/ }).click();
  await expect(page.getByRole('complementary', { name: 'Why' })).toContainText(
    'What its gear takes itself becomes heat where it stands',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByText('1 input of Marshalling recorder')).toBeVisible();
  expect(await barriers(page, '.connect')).toEqual([]);
  await page.getByRole('button', { name: 'today', exact: true }).click();
  await expect(rack).not.toContainText('to come');
});

test('addresses are typed, refused in words, given out, and go out and in as a table', async ({
  page,
  server,
}) => {
  const id = await server.newSite(withUnit());
  await page.goto(`${server.address}/site/${id}/connect?view=addresses`);
  const cell = (row: string, key: string) => page.locator(`[data-cell="${row} ${key}"]`);
  await expect(cell('camera/c01', 'address')).toContainText('10.20.0.101');
  await expect(page.getByText('No route from it to the internet')).toBeVisible();
  expect(await barriers(page, '.connect')).toEqual([]);
  await cell('camera/c08', 'address').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('10.20.0.101');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('10.20.0.101 is taken by camera 1');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('10.20.0.108');
  await page.keyboard.press('Enter');
  await expect(cell('camera/c08', 'address')).toContainText('10.20.0.108');

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV', exact: true }).click(),
  ]);
  const text = readFileSync(await download.path(), 'utf8');
  expect(text).toContain('camera 8,Weighbridge,10.20.0.108');
  const send = (table: string) =>
    page.getByLabel('Table to import').setInputFiles({
      name: 'addresses.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(table),
    });
  await send('device,address\ncamera 8,10.20.0.88\ncamera 18,10.9.0.1\n');
  const preview = page.getByRole('dialog');
  await expect(preview).toContainText('10.9.0.1 is in no camera network of this site');
  await page.keyboard.press('Escape');
  await send('device,address\ncamera 8,10.20.0.88\n');
  await preview.getByRole('button', { name: /^Apply|^Import|^Take/ }).click();
  await expect(cell('camera/c08', 'address')).toContainText('10.20.0.88');
  await saved(page);

  // What a router hands out is kept: nobody is given it, and whoever has it is named.
  await page.goto(`${server.address}/site/${id}/allocate?view=ready`);
  const kept = page.getByLabel('Addresses kept free at Hall recorder');
  await kept.fill('10.20.0.99 to 10.20.0.80');
  await kept.press('Enter');
  await expect(page.getByText('Enter ranges such as 10.20.0.200 to 10.20.0.250.')).toBeVisible();
  await kept.fill('10.9.0.1');
  await kept.press('Enter');
  await expect(page.getByRole('alert')).toContainText(
    'That cannot be: addresses of 10.20.0.5/24: 10.9.0.1 would be kept outside it.',
  );
  await kept.fill('10.20.0.80-10.20.0.99');
  await kept.press('Enter');
  await expect(kept).toHaveValue('10.20.0.80 to 10.20.0.99');
  const bits = page.getByLabel('Network bits of Hall recorder');
  await bits.fill('28');
  await bits.press('Enter');
  await expect(page.getByRole('alert')).toContainText(
    'That cannot be: addresses of 10.20.0.5/28: 10.20.0.80 to 10.20.0.99 would be kept outside it.',
  );
  await saved(page);
  await page.goto(`${server.address}/site/${id}/connect?view=addresses`);
  await expect(page.getByText('kept free: 10.20.0.80 to 10.20.0.99')).toBeVisible();
  await expect(page.getByRole('alert')).toContainText(
    'camera 8: 10.20.0.88 is one of those that are kept, 10.20.0.80 to 10.20.0.99.',
  );
});

test('a scan comes in as a table, reorders the channels, and one that is none says why', async ({
  page,
  open,
}) => {
  await open('connect?view=radio');
  const channels = page.getByRole('table');
  await expect(channels.getByRole('row').nth(1)).toContainText('116');
  await expect(page.getByRole('img', { name: /^5 GHz. Gatehouse: channel 36 at -74 dBm/ })).toBeVisible();
  expect(await barriers(page, '.connect')).toEqual([]);
  // What it carries is traced to what is sent, lost on the way and heard there.
  await page.getByRole('button', { name: 'Why 19 Mb/s: Gatehouse to Ticket hall' }).click();
  const why = page.getByRole('complementary', { name: 'Why' });
  await expect(why).toContainText('Carries the cameras of this place together.');
  await page.getByRole('button', { name: 'Why 1.5 m: Gatehouse to Ticket hall' }).click();
  await expect(why).toContainText('The beam is clear.');
  await page.keyboard.press('Escape');
  const scan = async (table: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Scan at Ticket hall…' }).click(),
    ]);
    await chooser.setFiles({ name: 'scan.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  };
  await scan('name,strength\nhall,-60\n');
  await expect(page.getByRole('alert').first()).toContainText('No column tells the channel');
  await expect(channels.getByRole('row').nth(1)).toContainText('116');
  await scan('name,channel,signal,width\nneighbour,116,-50,20\n');
  await expect(page.getByText('1 access point taken at Ticket hall; columns not read: name.')).toBeVisible();
  await expect(channels.getByRole('row').nth(1)).toContainText('108');
  await page.keyboard.press('u');
  await expect(channels.getByRole('row').nth(1)).toContainText('116');
});

test('monitors say what they lose, and a camera that goes to another recorder leaves a tile empty', async ({
  page,
  server,
}) => {
  const file = demoFile();
  const moved = { id: 'c04', recorderId: 'marshalling-recorder', slot: 18 };
  const choices = [...file.choices, { id: 'c04', option: 'ip-coax-unit', ...who }];
  const id = await server.newSite(
    JSON.stringify({ ...file, choices, placements: [...file.placements, moved] }),
  );
  await page.goto(`${server.address}/site/${id}/connect?view=racks`);
  await expect(page.getByRole('heading', { name: 'Hall monitor' })).toBeVisible();
  await expect(page.getByText('Camera 4 is on Marshalling recorder then: its tile is empty')).toBeVisible();
  await page.goto(`${server.address}/site/${id}/survey?view=head-end&thing=equipment/hall-monitor`);
  const tiles = page.getByLabel('Cameras in its tiles');
  await expect(tiles).toHaveValue('1, 2, 3, 4');
  await tiles.fill('1, 2, 99');
  await tiles.press('Enter');
  await expect(page.getByText('numbers of cameras of this site, such as 1, 2, 3')).toBeVisible();
  await tiles.fill('1, 2, 3');
  await tiles.press('Enter');
  await saved(page);
});

test('two runs share a cable as far as it has conductors, and the steering of a camera is noted', async ({
  page,
  server,
}) => {
  const file = demoFile() as unknown as { runs: { id: string; segments: Record<string, unknown>[] }[] };
  const leg = { kind: 'spare-pairs', outCores: 1, backCores: 1 };
  const runs = file.runs.map((run) =>
    ['r20', 'r22'].includes(run.id)
      ? { ...run, segments: run.segments.map((segment) => ({ ...segment, cable: 'pair-cat5e', leg })) }
      : run,
  );
  const id = await server.newSite(JSON.stringify({ ...file, runs, sheaths: [] }));
  /** The sheet of a run in Survey. */
  const openSheet = async (runId: string): Promise<void> => {
    await page.goto(`${server.address}/site/${id}/survey/${runId}`);
    await expect(page.locator('.stage h1').first()).toBeVisible();
    await page.keyboard.press('e');
  };
  await openSheet('r20');
  const same = page.getByLabel('Segment 1 is in the same cable as');
  await same.click();
  await choose(page, 'Camera 22, segment 1');
  await expect(same).toContainText('Camera 22, segment 1');
  await saved(page);
  await page.keyboard.press('Escape');
  await page.goto(`${server.address}/site/${id}/decide/r20`);
  await cell(page, 'r20', 'ip-category').click();
  await expect(page.getByText('Its cable carries camera 22 on other pairs').first()).toBeVisible();

  await openSheet('r12');
  await expect(page.getByLabel('Address on the bus')).toHaveValue('3');
  await page.getByLabel('Address on the bus').fill('300');
  await page.getByLabel('Address on the bus').press('Enter');
  await expect(page.getByText('Enter a whole number from 0 to 255.')).toBeVisible();
  await page.goto(`${server.address}/site/${id}/connect/r12?view=hook-up&at=today`);
  await expect(page.locator('article.sheet')).toContainText('A to A and B to B (white A, green B)');
});
