import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { soakFromCounters, soakFromTable, soakOf, type SoakSample } from '.';

const start = Date.parse('2026-05-04T20:00:00Z');
const tenMinutes = 600_000;
const hourOf = (atMs: number): number => new Date(atMs).getUTCHours();

const steady = (count: number): SoakSample[] =>
  Array.from({ length: count }, (_, k) => ({
    atMs: start + k * tenMinutes,
    sent: 1000,
    lost: 0,
    isUp: true,
  }));

const found = (samples: readonly SoakSample[]) => {
  const soak = soakOf(samples, hourOf);
  if (!soak.ok) throw new Error(soak.problems.join(' '));
  return soak.value;
};

describe('a soak from the counters of a port', () => {
  it('is as long as from the first sample to the last', () => {
    expect(found(steady(145))).toEqual({ kind: 'soak', hours: 24, lostPercent: 0, drops: 0, gapMinutes: 0 });
  });

  it('counts a drop once, however long it lasts, and says when most was lost', () => {
    const samples = steady(145).map((one, k) =>
      k === 40 || k === 41 ? { ...one, isUp: false, lost: 1000 } : one,
    );
    // Sample 40 is of 02:40, 400 minutes after 20:00.
    expect(found(samples)).toMatchObject({ drops: 1, worstHour: 2, lostPercent: (100 * 2000) / 144_000 });
  });

  it('counts one that is down from the beginning, and is none where nothing was sent', () => {
    const late = steady(10).map((one, k) => (k < 4 ? { ...one, isUp: false, lost: 1000 } : one));
    expect(found(late)).toMatchObject({ drops: 1 });
    const silent = steady(10).map((one) => ({ ...one, sent: 0, isUp: false }));
    expect(soakOf(silent, hourOf)).toEqual({
      ok: false,
      problems: ['Nothing was sent in all that time, so nothing could be lost: let the streams run.'],
    });
  });

  it('tells for how long nobody counted', () => {
    const samples = steady(145).filter((_, k) => k < 30 || k >= 60);
    expect(found(samples)).toMatchObject({ hours: 24, gapMinutes: 300 });
  });

  it('leaves out what the first sample counted: that was before', () => {
    const [first, ...rest] = steady(10);
    expect(found([{ ...first!, lost: 900 }, ...rest]).lostPercent).toBe(0);
  });

  it('refuses samples that go back in time, or lose more than was sent', () => {
    const samples = steady(5);
    expect(soakOf([samples[1]!, samples[0]!], hourOf)).toMatchObject({ ok: false });
    expect(soakOf([samples[0]!, { ...samples[1]!, lost: 1001 }], hourOf)).toMatchObject({ ok: false });
    expect(soakOf([samples[0]!], hourOf)).toEqual({
      ok: false,
      problems: ['A soak needs two samples or more.'],
    });
  });

  it('loses as large a part as was lost, whenever that was', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1000), { minLength: 2, maxLength: 50 }), (lost) => {
        const samples = steady(lost.length).map((one, k) => ({ ...one, lost: lost[k]! }));
        const all = lost.slice(1).reduce((sum, count) => sum + count, 0);
        expect(found(samples).lostPercent).toBeCloseTo(all / 10 / (lost.length - 1), 9);
      }),
    );
  });
});

const table = (headings: string[], ...cells: string[][]) => ({
  headings,
  rows: cells.map((row, k) => ({ line: k + 2, cells: row })),
});

it('a soak from what a device counted is that of its samples', () => {
  const samples = steady(145).map(({ atMs, ...counted }) => ({
    at: new Date(atMs).toISOString(),
    ...counted,
  }));
  expect(soakFromCounters({ samples }, hourOf)).toEqual(soakOf(steady(145), hourOf));
});

describe('a soak from a table', () => {
  it('is read by its headings, in any order', () => {
    expect(
      soakFromTable(
        table(
          ['lost', 'Time', 'sent', 'link'],
          ['0', '2026-05-04T20:00Z', '0', 'up'],
          ['3', '2026-05-04T20:10Z', '1000', 'down'],
        ),
      ),
    ).toEqual({
      ok: true,
      value: [
        { atMs: start, sent: 0, lost: 0, isUp: true },
        { atMs: start + tenMinutes, sent: 1000, lost: 3, isUp: false },
      ],
    });
  });

  it('says which column is missing and which line is wrong', () => {
    expect(soakFromTable(table(['time', 'sent']))).toEqual({
      ok: false,
      problems: [
        'No column tells packets lost: it would be headed “lost”, “dropped”, “missing”. The file has “time”, “sent”.',
      ],
    });
    expect(
      soakFromTable(
        table(['time', 'sent', 'lost'], ['yesterday', '1', '0'], ['2026-05-04T20:10Z', 'many', '0']),
      ),
    ).toEqual({
      ok: false,
      problems: [
        'Line 2: “yesterday” is no time such as 2026-04-30 22:10.',
        'Line 3: packets sent and lost have to be numbers.',
      ],
    });
  });
});
