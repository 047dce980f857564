import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type QuantityTestId, type Reading, type Site, tests, type WireMap } from '#core/model/site';
import type { Symptom } from '#core/physics/picture';
import { saltmarrowSite } from '../../model/site/testSite';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { interlock, runFindings, stateFor } from '#core/test/findings';
import {
  beliefAfter,
  causes,
  diagnose,
  entropyBits,
  evidence,
  priors,
  type Cause,
  type Diagnosis,
  type EvidenceId,
  type Observation,
} from '.';
import { pairCauses } from './likelihoods';
import { costOf } from './nextTest';
import { evidenceFor } from './observations';

const site = saltmarrowSite();
const common = (runId: string) => ({
  id: 'x',
  runId,
  at: '2026-04-01T09:00:00Z',
  by: 'I. Marlow',
  instrument: 'Bench meter 1',
});
const quantity = (test: QuantityTestId, value: number): RunReadings => ({
  [test]: { ...common('x'), test, value },
});
const picture = (...symptoms: Symptom[]): RunReadings => ({
  picture: { ...common('x'), test: 'picture', symptoms },
});

function diagnosisOf(runId: string, more: RunReadings = {}, at: Site = site): Diagnosis {
  const run = at.run[runId]!;
  const camera = at.camera[run.cameraId]!;
  const readings = { ...readingsByRun(at).get(runId), ...more };
  const { verdicts } = runFindings(at, run, camera, readings);
  return diagnose({ run, camera, readings, verdicts }, at.place[camera.placeId]!);
}
const probability = (diagnosis: Diagnosis, cause: Cause) =>
  diagnosis.ranked.find((one) => one.cause === cause)!.probability;

const anyObservation = fc
  .constantFrom(...(Object.keys(evidence) as EvidenceId[]))
  .chain((id) =>
    fc
      .constantFrom(...evidence[id].outcomes)
      .map((outcome): Observation => ({ id, outcome, test: 'picture', message: `${id} ${outcome}` })),
  );
const anyObservations = fc.uniqueArray(anyObservation, { selector: ({ id }) => id, maxLength: 16 });

describe('the tables', () => {
  it('give every outcome of every cause its chance, and all together a hundred', () => {
    for (const [id, { outcomes, chances }] of Object.entries(evidence)) {
      for (const cause of causes) {
        expect(chances[cause], `${id} ${cause}`).toHaveLength(outcomes.length);
        expect(
          chances[cause].reduce((a: number, b: number) => a + b, 0),
          `${id} ${cause}`,
        ).toBeCloseTo(100, 6);
      }
    }
    // Those of category cable come beside them on such cable alone.
    const known = causes.filter((cause) => !pairCauses.has(cause));
    expect(known.reduce((sum, cause) => sum + priors[cause], 0)).toBe(1000);
  });
  it('know every test', () => {
    expect(
      new Set(
        ['coax-loop-ohms', 'picture', 'link', 'reflectometer'].flatMap((test) =>
          evidenceFor(test as Reading['test']),
        ),
      ).size,
    ).toBe(12);
    for (const id of evidenceFor('power-loop-ohms')) expect(evidence).toHaveProperty(id);
  });
});

describe('belief', () => {
  it('is the prior before anything is found, and shares out one', () => {
    expect(beliefAfter([]).sound).toBeCloseTo(0.6, 9);
    fc.assert(
      fc.property(anyObservations, (found) => {
        const belief = beliefAfter(found);
        expect(causes.reduce((sum, cause) => sum + belief[cause], 0)).toBeCloseTo(1, 9);
      }),
    );
  });
  it('is never surer than the tables, whatever was found', () => {
    fc.assert(
      fc.property(anyObservations, (found) => {
        const belief = beliefAfter(found);
        for (const cause of causes)
          if (cause !== 'unlisted') expect(belief[cause]).toBeLessThanOrEqual(0.97 + 1e-9);
      }),
    );
  });
  it('does not depend on the order of the tests', () => {
    fc.assert(
      fc.property(anyObservations, (found) => {
        const [a, b] = [beliefAfter(found), beliefAfter([...found].reverse())];
        for (const cause of causes) expect(b[cause]).toBeCloseTo(a[cause], 6);
      }),
    );
  });
  it('follows Bayes’ rule where the pieces of evidence are of different groups', () => {
    // By hand from the tables: joint 60 × 0.62 × 0.55 against sound 600 × 0.01 × 0.002 for sparkles and a loop that fits a joint.
    const belief = beliefAfter([
      { id: 'seen-sparkles', outcome: 'yes', test: 'picture', message: '' },
      { id: 'coax-loop-ohms', outcome: 'joint', test: 'coax-loop-ohms', message: '' },
    ]);
    expect(belief.joint / belief.sound).toBeCloseTo((60 * 0.62 * 0.55) / (600 * 0.01 * 0.002), 3);
  });
  it('gives way to something unlisted where what was found does not go together', () => {
    const odd: [EvidenceId, string][] = [
      ['seen-bars', 'yes'],
      ['seen-ghost', 'yes'],
      ['insulation-megohms', 'wet'],
      ['power-loop-ohms', 'heavy'],
      ['shield-earth-volts', 'different'],
      ['camera-at-head-end', 'fails'],
    ];
    const belief = beliefAfter(odd.map(([id, outcome]) => ({ id, outcome, test: 'picture', message: '' })));
    expect(belief.unlisted).toBeGreaterThan(priors.unlisted / 1000);
    expect(
      Math.max(...causes.filter((cause) => cause !== 'unlisted').map((cause) => belief[cause])),
    ).toBeLessThan(0.9);
  });
  it('knows nothing at first and more later', () => {
    expect(entropyBits(beliefAfter([]))).toBeGreaterThan(
      entropyBits(
        beliefAfter([{ id: 'night-volts', outcome: 'as-expected', test: 'night-volts', message: '' }]),
      ),
    );
    expect(
      entropyBits(
        Object.fromEntries(causes.map((cause) => [cause, cause === 'tap' ? 1 : 0])) as Record<Cause, number>,
      ),
    ).toBe(0);
  });
});

describe('the demo site’s troubles', () => {
  it.each([
    ['r13', 'joint', {}],
    ['r14', 'coax-conductor', {}],
    ['r17', 'earth-difference', picture('bars')],
    ['r08', 'power-conductor', picture('gone-at-night')],
    ['r07', 'tap', { ...picture('ghost', 'torn') }],
    ['r01', 'sound', picture()],
  ] as const)('%s: %s leads', (runId, cause, more) => {
    const { ranked } = diagnosisOf(runId, more as RunReadings);
    const listed = ranked
      .filter((one) => one.cause !== 'sound' || cause === 'sound')
      .slice(0, cause === 'tap' ? 2 : 1)
      .map((one) => one.cause);
    expect(listed).toContain(cause);
  });
  it('says what speaks for a cause and what against it', () => {
    const joint = diagnosisOf('r13', quantity('insulation-megohms', 60)).ranked[0]!;
    expect(joint).toMatchObject({ cause: 'joint', pro: ['loop, centre and shield 12.0 Ω, expected 6.4 Ω'] });
    expect(
      diagnosisOf('r08', {
        'camera-on-local-supply': { ...common('r08'), test: 'camera-on-local-supply', found: 'fails' },
      }).ranked.find((one) => one.cause === 'power-conductor')!.contra,
    ).toContain('camera on a local supply fails');
  });
  it('claims nothing before anything was read', () => {
    const untested = diagnosisOf('r15');
    expect(untested.message).toBe('No readings yet.');
    expect(untested.ranked.every(({ probability: p }) => p < 0.61)).toBe(true);
  });
  it('a clean look and clean readings make it sound, and it says so', () => {
    const clean = diagnosisOf('r01', { ...picture(), ...quantity('power-loop-ohms', 1.4) });
    expect(clean.message).toBe('No fault shows in what was read.');
    expect(probability(clean, 'sound')).toBeGreaterThan(0.9);
  });
  it('never says that no fault shows while a reading fails', () => {
    for (const [test, value] of [
      ['insulation-megohms', 0.3],
      ['coax-loop-ohms', 60],
      ['power-loop-ohms', 40],
      ['day-volts', 14],
      ['day-volts', 6],
      ['night-volts', 5],
      ['shield-earth-volts', 2.2],
      ['foreign-ac-volts', 90],
    ] as const) {
      for (const runId of ['r01', 'r11', 'r18'])
        expect([test, value, runId, diagnosisOf(runId, quantity(test, value)).message]).toEqual([
          test,
          value,
          runId,
          expect.not.stringContaining('No fault') as string,
        ]);
    }
  });
  it('a ghost’s displacement gives metres', () => {
    const { ranked } = diagnosisOf('r07', {
      picture: { ...common('r07'), test: 'picture', symptoms: ['ghost'], ghostUs: 1 },
    });
    // 1 µs there and back: 60 m at 0.83 of the speed of light take 0.482 µs, the rest goes on at 0.84.
    expect(ranked.find((one) => one.cause === 'echo')!.where!.atM).toBeCloseTo(
      60 + (1 - 0.4823) * 0.84 * 149.896,
      0,
    );
  });
});

describe('the next test', () => {
  it('is the one that tells most for its minutes, and no test that was done', () => {
    const { next } = diagnosisOf('r08');
    const rates = next.map(({ bits, minutes }) => bits / minutes);
    expect(rates).toEqual([...rates].sort((a, b) => b - a));
    expect(next.map(({ test }) => test.id)).not.toContain('night-volts');
    expect(next[0]!.test.id).toBe('picture');
  });
  it('counts the lift, the way and the isolating', () => {
    const swap = diagnosisOf('r08').next.find(({ test }) => test.id === 'camera-on-local-supply')!;
    // 5 minutes of test, 15 for the lift and 212 m on foot.
    expect(swap.minutes).toBeCloseTo(5 + 15 + 212 / 50, 6);
    expect(swap.needs).toEqual(['lift', 'the way to the camera']);
    expect(diagnosisOf('r08').next.find(({ test }) => test.id === 'reflectometer')!.needs).toEqual([
      'isolate',
      'foreign voltage first',
    ]);
  });
  it('counts looking for foreign volts where, and only where, the test is held back for it once the run is ready', () => {
    const [before, after] = ['2026-03-01T08:00:00Z', '2026-03-01T10:00:00Z'];
    const read = { ...quantity('foreign-ac-volts', 2)['foreign-ac-volts']!, at: '2026-03-01T09:00:00Z' };
    const proved = { ...read, meterProved: true };
    for (const state of ['live', 'isolated', 'disconnected'] as const)
      for (const stateSince of [before, after])
        for (const readings of [{}, { 'foreign-ac-volts': read }, { 'foreign-ac-volts': proved }])
          for (const test of tests) {
            const run = { ...site.run['r08']!, state, stateSince };
            const { needs } = costOf(test, { run, place: site.place['quay']!, readings });
            const brought = stateFor(test, state);
            const ready = brought === state ? run : { ...run, state: brought, stateSince: after };
            const held = interlock(test, ready, readings, { acVolts: 50, dcVolts: 60, because: null });
            const isHeld = /foreign voltage/.test(held ?? '');
            expect([test.id, state, needs.includes('foreign voltage first')]).toEqual([
              test.id,
              state,
              isHeld,
            ]);
          }
  });
  it('tells the camera from the run once the picture is gone and the rest is clean', () => {
    const { next } = diagnosisOf('r01', picture('no-picture'));
    expect(next.slice(0, 2).map(({ test }) => test.id)).toContain('camera-at-head-end');
  });
  it('is none while volts are dangerous: the words are those of the stop', () => {
    for (const runId of ['r01', 'r15'])
      expect(diagnosisOf(runId, quantity('foreign-ac-volts', 80))).toMatchObject({
        next: [],
        message: 'Stop. Do not touch the cable. Get a licensed electrician.',
      });
  });
  it('never promises more than there is to know', () => {
    for (const runId of Object.keys(site.run))
      for (const { bits } of diagnosisOf(runId).next)
        expect(bits).toBeLessThanOrEqual(Math.log2(causes.length));
  });
});

describe('category cable', () => {
  const mapped = (found: WireMap): RunReadings => ({
    'wire-map': { ...common('r20'), test: 'wire-map', found },
  });
  it('has causes of its own, which coax does not know', () => {
    const of = (runId: string) => diagnosisOf(runId).ranked.map(({ cause }) => cause);
    expect(of('r20')).toContain('split-pair');
    expect(of('r01')).not.toContain('split-pair');
  });
  it.each([
    [mapped('split'), 'split-pair'],
    [mapped('reversed'), 'pair-wiring'],
    [mapped('crossed'), 'pair-wiring'],
    [quantity('pair-unbalance-percent', 6), 'pair-unbalance'],
    [{ ...mapped('straight'), ...quantity('next-db', 20) }, 'split-pair'],
  ] as const)('%j points at %s', (readings, cause) => {
    const [first, second] = diagnosisOf('r20', readings).ranked.filter(({ cause: one }) => one !== 'sound');
    expect(first!.cause).toBe(cause);
    expect(first!.probability).toBeGreaterThan(second!.probability);
  });
});
