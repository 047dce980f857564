import { demoFile, expect, test, verdictRow } from './fixtures';

interface Run {
  id: string;
}

/** The demo with a trace of every run: the pulse, and an open end. */
function traced(): string {
  const file = demoFile() as unknown as { runs: Run[]; readings: object[] };
  const counts = Array.from({ length: 2000 }, (_, k) =>
    k < 8 ? 30_000 : k >= 1500 && k < 1508 ? 12_000 : 0,
  );
  const traces = file.runs.map(({ id }, index) => ({
    id: `${id}-seen`,
    runId: id,
    test: 'reflectometer',
    // Each a little different, so that none is known by another.
    trace: { stepNs: 1.3, voltsPerCount: 1e-5 * (1 + index / 1000), counts },
    at: '2026-04-01T09:00:00Z',
    by: 'I. Marlow',
    instrument: 'Echo box',
  }));
  return JSON.stringify({ ...file, readings: [...file.readings, ...traces] });
}

/** How many traces this browser keeps what was found on. */
const keptCount = () =>
  new Promise<number>((resolve, reject) => {
    const opening = indexedDB.open('neotrope-traces');
    opening.onerror = () => reject(new Error('not opened'));
    opening.onsuccess = () => {
      const counting = opening.result.transaction('found').objectStore('found').count();
      counting.onsuccess = () => {
        opening.result.close();
        resolve(counting.result);
      };
    };
  });

test('traces are read beside the board, and what was found is kept for the next time', async ({
  page,
  server,
}) => {
  const id = await server.newSite(traced());
  const whole = page.locator('.saved[data-whole=true]');
  await page.goto(`${server.address}/site/${id}/survey`);
  await expect(page.locator('.board [data-run]').first()).toBeVisible();
  await expect(whole).not.toContainText('traces');
  expect(await page.evaluate(keptCount)).toBeGreaterThanOrEqual(24);
  await page.goto(`${server.address}/site/${id}/test/r18`);
  await expect(verdictRow(page, 'reflectometer')).not.toContainText('being read');
  await expect(verdictRow(page, 'reflectometer')).toContainText(/ m/);
  expect(await page.evaluate(keptCount)).toBe(24);
});
