import { describe, expect, it } from 'vitest';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { runFindings } from '#core/test/findings';
import type { QuantityTestId } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import { usesOf, type Uses } from '.';

const site = saltmarrowUnshared();
const common = {
  id: 'x',
  runId: 'x',
  at: '2026-04-01T09:00:00Z',
  by: 'I. Marlow',
  instrument: 'Bench meter 1',
};
const read = (test: QuantityTestId, value: number): RunReadings => ({ [test]: { ...common, test, value } });

function usesOfRun(runId: string, more: RunReadings = {}): Uses {
  const run = site.run[runId]!;
  const camera = site.camera[run.cameraId]!;
  const readings = { ...readingsByRun(site).get(runId), ...more };
  return usesOf(site, run, camera, runFindings(site, run, camera, readings), readings);
}
const use = (uses: Uses, id: string) => uses.uses.find((one) => one.id === id)!;

describe('what a run is fit for', () => {
  it('a short sound run carries everything, with its margins and what they rest on', () => {
    const uses = usesOfRun('r01', read('power-loop-ohms', 1.4));
    expect(uses.message).toBe('Fit for pictures up to HD over coax, 8 MP and IP over the coax.');
    expect(use(uses, 'ip-coax').margins.find(({ unit }) => unit === 'W')).toMatchObject({
      status: 'holds',
      basis: 'measured',
    });
    expect(use(uses, 'power')).toMatchObject({ status: 'holds', basis: 'measured' });
    expect(use(uses, 'cvbs').message).toMatch(/^fit: .* at most|^fit: .* at least/);
  });
  it('the loss of each format is that of the cable at its top frequency', () => {
    // 34 m of RG-59: 0.34 × (√6 + 0.0045 × 6) dB at 6 MHz.
    expect(use(usesOfRun('r01'), 'cvbs').margins.find(({ unit }) => unit === 'dB')!.value).toBeCloseTo(
      0.34 * (Math.sqrt(6) + 0.0045 * 6),
      2,
    );
  });
  it('a steel core starves a camera over coax', () => {
    const watts = use(usesOfRun('r14'), 'ip-coax').margins.find(({ unit }) => unit === 'W')!;
    // Down to the converter's 37 V the loop lets (50 − 37)/33.4 A through; the converter keeps 1.5 W.
    expect(watts.value).toBeCloseTo((37 * (50 - 37)) / 33.4 - 1.5, 2);
    expect(watts.basis).toBe('measured');
  });
  it('a camera that starves at night is not fit as it is, but its coax is for IP', () => {
    const uses = usesOfRun('r08');
    expect(use(uses, 'cvbs').status).toBe('fails');
    expect(use(uses, 'ip-coax').status).not.toBe('fails');
    expect(uses.message).toBe('Fit for IP over the coax.');
  });
  it('what a trace shows takes its decibels', () => {
    const counts = (at: number, height: number) =>
      Array.from({ length: 900 }, (_, k) =>
        k < 8 ? 30_000 : k >= at && k < at + 8 ? height : k >= 820 && k < 828 ? 12_000 : 0,
      );
    const trace = (height: number): RunReadings => ({
      reflectometer: {
        ...common,
        test: 'reflectometer',
        trace: { stepNs: 1.3, voltsPerCount: 1e-5, counts: counts(300, height) },
      },
    });
    const loss = (readings: RunReadings) =>
      use(usesOfRun('r18', readings), 'hd1080').margins.find(({ unit }) => unit === 'dB')!.value;
    expect(loss(trace(6000))).toBeGreaterThan(loss(trace(0)) + 0.5);
  });
  it('a coax that does not go through carries nothing, and its cores still do', () => {
    const cut = usesOfRun('r01', {
      ...read('power-loop-ohms', 1.4),
      continuity: { ...common, test: 'continuity', found: 'open' },
    });
    expect(use(cut, 'cvbs')).toMatchObject({
      status: 'fails',
      message: 'not fit: the coax is open',
      basis: 'measured',
    });
    expect(cut.message).toBe('Fit for power only.');
  });
  it('category cable is held against a channel with its cords', () => {
    expect(use(usesOfRun('r22'), 'ip-category')).toMatchObject({
      status: 'close',
      margins: [{ limit: { value: 102 } }],
    });
    expect(usesOfRun('r22').uses.some(({ id }) => id === 'ip-coax')).toBe(false);
  });
  it('a measured link wins over the model', () => {
    const slow = use(
      usesOfRun('r01', { link: { ...common, test: 'link', rateMbps: 3, throughputMbps: 2, lostPercent: 1 } }),
      'ip-coax',
    );
    expect(slow).toMatchObject({ status: 'fails' });
    expect(slow.margins[0]).toMatchObject({ unit: 'Mb/s', basis: 'measured', value: 2 });
  });
  it('names the readings that could still turn a decision, and none that could not', () => {
    const unread = usesOfRun('r23').worthReading.map(({ test }) => test);
    expect(unread).toContain('reflectometer');
    expect(usesOfRun('r01', { ...read('power-loop-ohms', 1.4) }).worthReading).toEqual([]);
  });
  it('are plain data, which passes from thread to thread', () => {
    for (const id of Object.keys(site.run)) {
      const uses = usesOfRun(id);
      expect(structuredClone(uses)).toEqual(uses);
    }
  });
  it('says so when nothing is left', () => {
    const cut = Array.from({ length: 600 }, (_, k) => (k < 8 ? 30_000 : k >= 200 && k < 208 ? 24_000 : 0));
    const uses = usesOfRun('r17', {
      ...read('coax-loop-ohms', 99_999),
      ...read('power-loop-ohms', 5.3),
      reflectometer: {
        ...common,
        test: 'reflectometer',
        trace: { stepNs: 1.3, voltsPerCount: 1e-5, counts: cut },
      },
    });
    expect(uses.message).toBe('Fit for power only.');
    expect(usesOfRun('r23').uses.some(({ id }) => id === 'power')).toBe(false);
  });
});
