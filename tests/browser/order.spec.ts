import { demoFile, equipmentWithoutMonitors, expect, saved, test } from './fixtures';

interface Fact {
  id: string;
  runId?: string;
  cameraId?: string;
}
const six = ['c01', 'c02', 'c04', 'c05', 'c18', 'c19'];

/** Six cameras on the first six inputs of a tail recorder of twelve, each to be IP on one of the last six. */
function tailRecorder(): string {
  const file = demoFile() as unknown as Record<'cameras' | 'runs' | 'recorders' | 'readings', Fact[]>;
  const runs = six.map((cameraId, index) => ({
    ...file.runs.find((run) => run.cameraId === cameraId)!,
    patchedTo: { recorderId: 'hall-recorder', input: index + 1 },
  }));
  const kept = new Set(runs.map(({ id }) => id));
  return JSON.stringify({
    ...file,
    equipment: equipmentWithoutMonitors(),
    runs,
    cameras: file.cameras.filter(({ id }) => six.includes(id)),
    readings: file.readings.filter(({ runId }) => kept.has(runId!)),
    recorders: file.recorders
      .filter(({ id }) => id === 'hall-recorder')
      .map((recorder) => ({ ...recorder, inputs: 12, rules: { kind: 'highest-first', extraIpSlots: 0 } })),
    choices: six.map((id) => ({ id, option: 'ip-coax-unit', at: '2026-03-12T09:11:00Z', by: 'R. Tolland' })),
    placements: six.map((id, index) => ({ id, recorderId: 'hall-recorder', slot: 7 + index })),
    streams: [],
    networkConfigs: [],
    networkCameras: [],
    sheaths: [],
    pins: [],
    photos: [],
  });
}

test('a tail recorder turns six inputs over six nights with one restart', async ({ page, server }) => {
  const id = await server.newSite(tailRecorder());
  await page.goto(`${server.address}/site/${id}/allocate?view=order`);
  await page.getByRole('textbox', { name: 'Cameras in a night' }).fill('1');
  await page.keyboard.press('Enter');
  await expect(page.getByText('6 nights, 1 restart', { exact: true })).toBeVisible();
  const nights = page.locator('ol.nights > li');
  await expect(nights).toHaveCount(6);
  await expect(nights.first()).toContainText(/7, 8, 9, 10, 11 and 12/);
  await expect(nights.first()).toContainText(/restart/);
  for (const later of [1, 2, 3, 4, 5]) await expect(nights.nth(later)).not.toContainText(/restart/);
  await saved(page);
});
