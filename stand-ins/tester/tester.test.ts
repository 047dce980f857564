import { describe, expect, it } from 'vitest';
import { faultsOf, runEvents } from '#core/test/findings';
import type { TraceReading } from '#core/model/site';
import truthFile from '../../demo/saltmarrow.truth.json';
import { saltmarrowSite } from '../../core/model/site/testSite';
import { createRandom } from '#core/shared/random';
import { answer, newSession, notANumber, type Bench } from './session';
import { actualRun, truthSchema } from '#core/test/instrument';

const site = saltmarrowSite();
const truth = truthSchema.parse(truthFile);

const bench = (slips = 0): Bench => ({ site, truth, random: createRandom(1), slips });

/** Says a few lines and gives the last answer. */
function talk(...lines: string[]): string | null {
  const session = newSession();
  const at = bench();
  return lines.map((line) => answer(session, at, line)).at(-1) ?? null;
}
const onRun = (number: number, on = 'COAX', far = 'SHORt', state = 'ISOLated') => [
  `ROUT:STAT ${state}`,
  `ROUT:FAR ${far}`,
  `ROUT:CLOS ${number},${on}`,
];

describe('the line protocol', () => {
  it('takes long and short words, in any case', () => {
    for (const words of ['MEASure:RESistance?', 'MEAS:RES?', 'measure:resistance?', ':Meas:Resistance?'])
      expect(Number(talk(...onRun(1), words))).toBeGreaterThan(1);
    expect(talk('*idn?')).toMatch(/^[^,]+,[^,]+,[^,]+,[^,]+$/);
  });
  it('does not take half a word', () => expect(talk(...onRun(1), 'MEASU:RES?')).toBe(notANumber));
  it('says why in the error queue, oldest first, and that it is empty', () => {
    const session = newSession();
    const at = bench();
    expect(answer(session, at, 'FLY:HIGH?')).toBe(notANumber);
    answer(session, at, 'ROUTe:CLOSe 999,COAX');
    answer(session, at, 'ROUTe:CLOSe');
    answer(session, at, 'ROUTe:FAR SIDEWAYS');
    const said = Array.from({ length: 5 }, () => answer(session, at, 'SYST:ERR?'));
    expect(said).toEqual([
      expect.stringMatching(/^-113/),
      expect.stringMatching(/^-222.*no run 999/),
      expect.stringMatching(/^-109/),
      expect.stringMatching(/^-222.*SIDEWAYS/),
      '0,"No error"',
    ]);
  });
  it('keeps no more than twenty errors, and says so', () => {
    const session = newSession();
    for (let k = 0; k < 30; k += 1) answer(session, bench(), 'NONSENSE');
    expect(session.errors).toHaveLength(20);
    expect(session.errors.at(-1)).toMatch(/^-350/);
    answer(session, bench(), '*CLS');
    expect(session.errors).toEqual([]);
  });
  it('is silent to a command and to nothing', () => {
    expect(talk('')).toBeNull();
    expect(talk('*RST')).toBeNull();
    expect(talk('*OPC?')).toBe('1');
  });
});

describe('what it refuses', () => {
  const refusal = (...lines: string[]) => talk(...lines, 'SYST:ERR?');
  it('a resistance on a live run, an insulation test on one with electronics', () => {
    expect(refusal(...onRun(8, 'COAX', 'SHORt', 'LIVE'), 'MEAS:RES?')).toMatch(/-221.*volts on the line/);
    expect(refusal(...onRun(8, 'COAX', 'OPEN', 'ISOLated'), 'MEAS:INS?')).toMatch(/-221.*electronics/);
    expect(refusal('MEAS:RES?')).toMatch(/-221.*no run is routed/);
  });
  it('now and then, when a clip has lost contact', () => {
    const session = newSession();
    const at = bench(0.5);
    for (const line of onRun(1)) answer(session, at, line);
    const said = Array.from({ length: 40 }, () => answer(session, at, 'MEAS:RES?'));
    expect(said.filter((one) => one === notANumber).length).toBeGreaterThan(8);
    expect(answer(session, at, 'SYST:ERR?')).toMatch(/-230.*contact/);
  });
});

describe('what it measures', () => {
  it('is near what the audit expects on a sound run, and the same run read twice differs by noise only', () => {
    const session = newSession();
    const at = bench();
    for (const line of onRun(1)) answer(session, at, line);
    const read = Array.from({ length: 20 }, () => Number(answer(session, at, 'MEAS:RES?')));
    expect(Math.abs(read.reduce((a, b) => a + b, 0) / read.length - 1.42)).toBeLessThan(0.1);
    expect(new Set(read).size).toBeGreaterThan(1);
  });
  it.each([
    [13, 'COAX', 'SHORt', 'MEAS:RES?', 12, 0.4],
    [14, 'COAX', 'SHORt', 'MEAS:RES?', 33.4, 1],
    [8, 'POWer', 'SHORt', 'MEAS:RES?', 9.2, 0.4],
    [8, 'COAX', 'OPEN', 'MEAS:RES?', 99_999, 1],
  ])('run %i on %s, far end %s: %s', (number, on, far, query, ohms, within) => {
    expect(Math.abs(Number(talk(...onRun(number, on, far), query)) - ohms)).toBeLessThan(within);
  });
  it('a wet run, a run on another earth, a camera that starves at night', () => {
    expect(Number(talk(...onRun(16, 'COAX', 'OPEN', 'DISConnected'), 'MEAS:INS?'))).toBeLessThan(1);
    expect(Number(talk(...onRun(1, 'COAX', 'OPEN', 'DISConnected'), 'MEAS:INS?'))).toBeGreaterThan(10);
    expect(Number(talk(...onRun(17, 'EARTh', 'CAMera', 'LIVE'), 'MEAS:VOLT:AC?'))).toBeGreaterThan(3.5);
    expect(
      Number(talk(...onRun(8, 'CAMera', 'CAMera', 'LIVE'), 'ROUT:LOAD NIGHt', 'MEAS:VOLT:DC?')),
    ).toBeLessThan(10.8);
    expect(
      Number(talk(...onRun(8, 'CAMera', 'CAMera', 'LIVE'), 'ROUT:LOAD DAY', 'MEAS:VOLT:DC?')),
    ).toBeGreaterThan(10.8);
    expect(Number(talk(...onRun(13, 'CAMera', 'CAMera', 'LIVE'), 'MEAS:VOLT:AC?'))).toBeGreaterThan(24);
    expect(Number(talk(...onRun(13, 'CAMera', 'CAMera', 'ISOLated'), 'MEAS:VOLT:AC?'))).toBe(0);
  });
  it('induced volts that fall away under a load, and real ones that stay', () => {
    const at = (secrets: { inducedAcVolts?: number; foreignAcVolts?: number }) => {
      const session = newSession();
      const with62 = { ...bench(), truth: { ...truth, runs: { ...truth.runs, 1: secrets } } };
      const say = (line: string) => answer(session, with62, line);
      for (const line of onRun(1)) say(line);
      return [Number(say('MEAS:VOLT:AC?')), Number(say('MEAS:VOLT:AC:LOAD?'))];
    };
    const [high, low] = at({ inducedAcVolts: 62 });
    expect(high).toBeGreaterThan(58);
    expect(low).toBeLessThan(1);
    const [real, still] = at({ foreignAcVolts: 62 });
    expect(still! / real!).toBeCloseTo(1, 1);
  });
  it('goes through with the far end shorted, and not with it open', () => {
    expect(talk(...onRun(1), 'MEAS:CONT?')).toBe('THROUGH');
    expect(talk(...onRun(1, 'COAX', 'OPEN'), 'MEAS:CONT?')).toBe('OPEN');
  });
  it('carries a link over converters, less over the wet run than over the dry one', () => {
    const rate = (number: number) => Number(talk(...onRun(number), 'MEAS:LINK?')!.split(',')[0]);
    expect(rate(15)).toBeGreaterThan(rate(24) - 1);
    expect(talk(...onRun(1), 'MEAS:LINK?')!.split(',')).toHaveLength(4);
    expect(talk(...onRun(1), 'MEAS:TEMP?')).toBe('21.0');
  });
  it('a trace in which every planted fault stands at its metre', () => {
    for (const [number, atM, kind] of [
      [7, 118, 'tap'],
      [13, 96, 'series'],
      [16, 211, 'shunt'],
      [24, 318, 'series'],
    ] as const) {
      const [stepNs, voltsPerCount, count, ...counts] = talk(...onRun(number, 'COAX', 'OPEN'), 'REFL:TRAC?')!
        .split(',')
        .map(Number) as [number, number, number, ...number[]];
      expect(counts).toHaveLength(count);
      const run = Object.values(site.run).find(({ cameraId }) => site.camera[cameraId]!.number === number)!;
      const reading: TraceReading = {
        id: 'x',
        runId: run.id,
        test: 'reflectometer',
        trace: { stepNs, voltsPerCount, counts },
        at: '2026-04-01T09:00:00Z',
        by: 'x',
        instrument: 'x',
      };
      const faults = faultsOf(runEvents(run, reading));
      expect(
        faults.map((fault) => fault.kind),
        `run ${number}`,
      ).toContain(kind);
      expect(Math.abs(faults.find((fault) => fault.kind === kind)!.atM - atM), `run ${number}`).toBeLessThan(
        Math.max(3, 0.015 * atM),
      );
    }
  });
  it('a run that is longer than noted ends later', () => {
    expect(actualRun(site, truth, 19)!.run.segments[0]!.lengthM).toBe(181);
    expect(actualRun(site, truth, 99)).toBeUndefined();
  });
});
