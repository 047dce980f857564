import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { forwardTrace, type Pulse, type Trace } from '#core/physics/reflectometer';
import { withVelocityScaled, type Run, type TraceReading } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { readingsByRun } from '#core/test/readings';
import { runFindings } from '.';
import { faultsFromEvents, lineOf, type FaultAt } from './lineModel';
import {
  faultsOf,
  keptTrace,
  metresAtNs,
  nsAtMetres,
  runEvents,
  runVelocityFactor,
  segmentVelocityFactor,
  traceOf,
} from './traceEvents';
import { comparedCurve, traceView } from './traceView';

const site = saltmarrowSite();
const run = (id: string): Run => site.run[id]!;
const pulse: Pulse = { centreNs: 40, widthNs: 20, edgeNs: 8, volts: 1 };
const seen = (of: Run, faults: FaultAt[]): Trace =>
  forwardTrace(lineOf(of.segments, faults, { kind: 'open' }), pulse, 75, 1, 4096);
const read = (of: Run, trace: Trace, at = '2026-04-01T09:00:00Z'): TraceReading => ({
  id: `${of.id}-trace`,
  runId: of.id,
  test: 'reflectometer',
  trace: keptTrace(trace),
  at,
  by: 'I. Marlow',
  instrument: 'Echo box',
});

describe('metres and nanoseconds along a run', () => {
  it('are each other’s inverse over segments of different speeds', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (metres) => {
        expect(metresAtNs(run('r13'), nsAtMetres(run('r13'), metres))).toBeCloseTo(metres, 6);
      }),
    );
  });
  it('go at each construction’s own speed', () => {
    // 96 m of RG-59 at 0.83, then RG-11 at 0.84 of 0.2998 m/ns, there and back.
    expect(nsAtMetres(run('r13'), 196)).toBeCloseTo(
      (2 * 96) / (0.83 * 0.299792458) + (2 * 100) / (0.84 * 0.299792458),
      6,
    );
    expect(runVelocityFactor(run('r13'))).toBeGreaterThan(0.83);
  });
  it('follow a velocity factor that was fitted from a known length', () => {
    const fitted = withVelocityScaled(run('r01'), 0.95, segmentVelocityFactor);
    expect(fitted.segments[0]!.velocityFactor).toBeCloseTo(0.83 * 0.95, 2);
    expect(metresAtNs(fitted, 1000)).toBeCloseTo(0.95 * metresAtNs(run('r01'), 1000), 0);
  });
});

describe('a kept trace', () => {
  it('is what was seen, to the finest count', () => {
    const trace = seen(run('r01'), []);
    const kept = traceOf(keptTrace(trace));
    expect(kept.stepNs).toBe(trace.stepNs);
    trace.volts.forEach((value, k) => expect(Math.abs(kept.volts[k]! - value)).toBeLessThan(4e-5));
  });
  it('is thinned where it has too many readings', () => {
    const kept = keptTrace({ stepNs: 0.5, volts: new Float64Array(40_000).fill(0.1) });
    expect(kept).toMatchObject({ stepNs: 1.5 });
    expect(kept.counts.length).toBeLessThanOrEqual(16_384);
  });
});

describe('what a trace says of a run', () => {
  const joint: FaultAt = { atM: 96, fault: { kind: 'series', ohms: 12 } };
  it('a joint where one was noted, and the end where it should be', () => {
    const events = runEvents(run('r13'), read(run('r13'), seen(run('r13'), [joint])));
    const [fault] = faultsOf(events);
    expect(fault).toMatchObject({ kind: 'series', joint: 'twist-on' });
    expect(fault!.atM).toBeCloseTo(96, 0);
    // RG-59 takes more than the run does on average, so that its joint is seen a little small.
    expect(fault!.ohms).toBeGreaterThan(8);
    expect(fault!.ohms).toBeLessThan(15);
    expect(events.at(-1)).toMatchObject({ kind: 'open', isFarEnd: true });
  });
  it('an end before the end is a break', () => {
    const short: Run = { ...run('r14'), segments: [{ ...run('r14').segments[0]!, lengthM: 120 }] };
    const events = runEvents(run('r14'), read(run('r14'), seen(short, [])));
    expect(faultsOf(events)).toMatchObject([{ kind: 'open', isFarEnd: false }]);
  });
  it('nothing on a sound run', () =>
    expect(faultsOf(runEvents(run('r01'), read(run('r01'), seen(run('r01'), []))))).toEqual([]));
  it('makes the verdict: the fault, its metre, and what the loop says with it', () => {
    const reading = read(run('r13'), seen(run('r13'), [{ atM: 96, fault: { kind: 'series', ohms: 5.6 } }]));
    const at = { ...site, reading: { ...site.reading, [reading.id]: reading } };
    const { verdicts, events } = runFindings(
      at,
      run('r13'),
      site.camera['c13']!,
      readingsByRun(at).get('r13')!,
    );
    expect(events).toHaveLength(2);
    expect(verdicts.find(({ id }) => id === 'reflectometer')).toMatchObject({
      state: 'fails',
      message: expect.stringMatching(/series resistance at the twist on joint, about \d/) as string,
    });
    expect(verdicts.find(({ id }) => id === 'coax-loop-ohms')!.message).toMatch(/in a joint$/);
  });
  it('is read once, however often it is asked for', () => {
    const reading = read(run('r13'), seen(run('r13'), [joint]));
    expect(runEvents(run('r13'), reading)).toBe(runEvents(run('r13'), reading));
  });
});

describe('the model beside the trace', () => {
  it('lies on the trace that it was made from', () => {
    const view = traceView(
      run('r13'),
      read(run('r13'), seen(run('r13'), [{ atM: 96, fault: { kind: 'series', ohms: 12 } }])),
    )!;
    const highest = (curve: readonly [number, number][], from: number, to: number) =>
      curve.reduce(
        (most, [metres, share]) => (metres > from && metres < to ? Math.max(most, share) : most),
        0,
      );
    expect(highest(view.model, 90, 105)).toBeCloseTo(highest(view.measured, 90, 105), 1);
    expect(highest(view.model, 265, 290)).toBeCloseTo(highest(view.measured, 265, 290), 1);
    expect(view.joints).toEqual([{ atM: 96, joint: 'twist-on' }]);
    expect(view.axisM).toBeGreaterThan(276);
  });
  it('ends where the trace ends', () => {
    const short: Run = { ...run('r14'), segments: [{ ...run('r14').segments[0]!, lengthM: 120 }] };
    const view = traceView(run('r14'), read(run('r14'), seen(short, [])))!;
    expect(view.model.filter(([metres, share]) => metres > 140 && Math.abs(share) > 0.1)).toEqual([]);
  });
  it('has none where the trace has no pulse', () =>
    expect(traceView(run('r01'), read(run('r01'), { stepNs: 1, volts: new Float64Array(64) }))).toBeNull());
  it('an earlier trace lies on the same metres', () => {
    const earlier = read(run('r13'), seen(run('r13'), []));
    const curve = comparedCurve(run('r13'), earlier, 300);
    expect(curve[0]![1]).toBeGreaterThan(0.9);
    expect(curve.at(-1)![0]).toBeLessThanOrEqual(300);
  });
  it('puts faults into the segments they lie in', () => {
    const { elements } = lineOf(run('r13').segments, [jointAt(150), jointAt(96), jointAt(10)], {
      kind: 'open',
    });
    expect(
      elements.map((element) => (element.kind === 'stretch' ? Math.round(element.lengthM) : element.kind)),
    ).toEqual([10, 'series', 86, 'series', 54, 'series', 126]);
    expect(
      faultsFromEvents(
        [
          { kind: 'tap', atM: 60, confidence: 1, isFarEnd: false },
          { kind: 'open', atM: 276, confidence: 1, isFarEnd: true },
        ],
        run('r13').segments,
      ),
    ).toMatchObject([{ atM: 60, fault: { kind: 'tap' } }]);
  });
  const jointAt = (atM: number): FaultAt => ({ atM, fault: { kind: 'series', ohms: 3 } });
});

describe('a run that is longer than noted', () => {
  const longer: Run = { ...run('r19'), segments: [{ ...run('r19').segments[0]!, lengthM: 181 }] };
  const reading = read(run('r19'), seen(longer, []));
  it('has no fault, and says how much it is longer', () => {
    const at = { ...site, reading: { ...site.reading, [reading.id]: reading } };
    const { verdicts, events } = runFindings(
      at,
      run('r19'),
      site.camera['c19']!,
      readingsByRun(at).get('r19')!,
    );
    expect(faultsOf(events)).toEqual([]);
    expect(verdicts.find(({ id }) => id === 'reflectometer')).toMatchObject({
      state: 'close',
      message: expect.stringMatching(/^far end 1[234] m beyond what is noted$/) as string,
    });
  });
});

describe('the model of a run with what its trace shows', () => {
  const of = run('r16');
  /** The widest that model and trace are apart behind the pulse, as a share of it. */
  const apart = (fault: FaultAt): number => {
    const { measured, model } = traceView(of, read(of, seen(of, [fault])))!;
    return Math.max(
      ...measured.flatMap(([metres, share], k) => (metres > 8 ? [Math.abs(share - model[k]![1])] : [])),
    );
  };
  it('has a piece of other cable from where it begins to where it ends, each an event', () => {
    const patch: FaultAt = { atM: 60, fault: { kind: 'patch', lengthM: 9, impedanceOhms: 50 } };
    const events = runEvents(of, read(of, seen(of, [patch])));
    expect(events.map(({ kind, atM }) => [kind, Math.round(atM)]).slice(0, 2)).toEqual([
      ['lower-impedance', 60],
      ['patch-end', 69],
    ]);
    expect(faultsOf(events).map(({ kind }) => kind)).toEqual(['lower-impedance']);
    // Without the piece the model lacks echoes of a fifth of the pulse.
    expect(apart(patch)).toBeLessThan(0.06);
  });
  it('has a branch as long as its echo says', () => {
    const stub = { kind: 'stretch', lengthM: 11, velocityFactor: 0.83, impedanceOhms: 75 } as const;
    expect(apart({ atM: 60, fault: { kind: 'tap', stub, end: { kind: 'open' } } })).toBeLessThan(0.1);
  });
});
