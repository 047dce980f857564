import { demoFile, equipmentWithoutMonitors, expect, runInList, saved, test } from './fixtures';

interface Copied {
  id: string;
  number?: number;
  cameraId?: string;
  runId?: string;
  patchedTo?: unknown;
  name?: string;
  members?: { runId: string }[];
}

/** The demo ten times over: 240 cameras, each with its run and readings. */
function tenfold(): string {
  const file = demoFile() as unknown as Record<
    'cameras' | 'runs' | 'readings' | 'choices' | 'placements' | 'sheaths',
    Copied[]
  >;
  const copy = (list: Copied[], make: (one: Copied, k: number) => Copied) =>
    Array.from({ length: 10 }, (_, k) => list.map((one) => make(one, k))).flat();
  const onRuns = file.cameras.filter(({ id }) => file.runs.some(({ cameraId }) => cameraId === id));
  const renamed = (id: string | undefined, k: number) => `${id}-${k}`;
  return JSON.stringify({
    ...file,
    equipment: equipmentWithoutMonitors(),
    choices: [],
    placements: [],
    streams: [],
    networkConfigs: [],
    networkCameras: [],
    pins: [],
    photos: [],
    cameras: copy(onRuns, (camera, k) => ({
      ...camera,
      id: renamed(camera.id, k),
      number: camera.number! + 24 * k,
      name: `${camera.name} ${k}`,
    })),
    runs: copy(file.runs, ({ patchedTo: _, ...run }, k) => ({
      ...run,
      id: renamed(run.id, k),
      cameraId: renamed(run.cameraId, k),
    })),
    sheaths: copy(file.sheaths, (sheath, k) => ({
      ...sheath,
      id: renamed(sheath.id, k),
      members: sheath.members!.map((member) => ({ ...member, runId: renamed(member.runId, k) })),
    })),
    readings: copy(file.readings, (reading, k) => ({
      ...reading,
      id: renamed(reading.id, k),
      runId: renamed(reading.runId, k),
    })),
  });
}

test('a site of 240 cameras opens, is searched and is decided on', async ({ page, server }) => {
  const id = await server.newSite(tenfold());
  await page.goto(`${server.address}/site/${id}/survey`);
  await expect(page.getByText('240 cameras, 2 recorders')).toBeVisible();
  // Only what is in sight is drawn, and the rest comes when it is scrolled to.
  await expect(page.locator('.board [data-run]').first()).toBeVisible();
  expect(await page.locator('.board [data-run]').count()).toBeLessThan(120);
  await page.locator('.board').evaluate((board) => board.scrollTo(0, board.scrollHeight));
  await expect(page.locator('.board [data-run]').filter({ hasText: 'Gate out 9' })).toBeVisible();
  await page.getByRole('searchbox').fill('weighbridge 7');
  await expect(page.locator('.runs .run')).toHaveCount(1);
  await runInList(page, 'Weighbridge 7').click();
  await page.locator('h1').click();
  await page.keyboard.press('3');
  await page.locator('tr[data-run="r08-7"] [data-option="ip-coax-unit"]').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await expect(page.locator('tr[data-run="r08-7"] .chosen')).toHaveCount(1);
  await expect(page.getByText('239 open').first()).toBeVisible();
  await saved(page);
});

test('the round of 240 runs is weighed in threads', async ({ page, server }) => {
  const id = await server.newSite(tenfold());
  const threads: string[] = [];
  page.on('worker', (worker) => threads.push(worker.url()));
  await page.goto(`${server.address}/site/${id}/test`);
  const round = page.getByRole('region', { name: 'The round' });
  await expect(round).toContainText(/\d+ tests at \d+ places in 2\.0 h: \d+ % of what all tests together/);
  expect(threads.some((address) => address.includes('weigher'))).toBe(true);
});
