import { describe, expect, it } from 'vitest';
import { type QuantityTestId, type Site, tests, type WireMap } from '#core/model/site';
import type { Symptom } from '#core/physics/picture';
import { saltmarrowSite } from '../../model/site/testSite';
import type { RunReadings } from '#core/test/readings';
import { interlock, stateFor } from '#core/test/findings';
import { diagnose, type Cause, type Diagnosis } from '.';
import { causes } from './causes';
import { inputOf } from './testInput';
import { costOf } from './nextTest';

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
  const looked = inputOf(at, runId, more);
  return diagnose(looked, at.place[looked.camera.placeId]!);
}
const probability = (diagnosis: Diagnosis, cause: Cause) =>
  diagnosis.ranked.find((one) => one.cause === cause)!.probability;

describe('the demo site’s troubles', () => {
  it.each([
    ['r13', 'joint', {}],
    ['r14', 'coax-construction', {}],
    ['r17', 'earth-difference', picture('bars')],
    ['r08', 'power-drop', picture('gone-at-night')],
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
    expect(joint).toMatchObject({
      cause: 'joint',
      pro: [{ message: 'loop, centre and shield 12.0 Ω, expected 6.4 Ω', strength: 'all but settles it' }],
    });
    const swapped = diagnosisOf('r08', {
      'camera-at-head-end': { ...common('r08'), test: 'camera-at-head-end', found: 'works' },
    });
    const of = (cause: Cause) => swapped.ranked.find((one) => one.cause === cause)!;
    expect(of('camera').contra[0]!.message).toMatch(/works$/);
    expect(of('power-drop').pro.map(({ message }) => message)).toEqual([
      expect.stringMatching(/^volts at the camera, night 8/),
    ]);
  });
  it('claims nothing before anything was read', () => {
    const untested = diagnosisOf('r15');
    expect(untested.message).toBe('No readings yet.');
    expect(untested.ranked.every(({ probability: p }) => p < 0.61)).toBe(true);
  });
  it('a clean look and clean readings make it sound; that no fault shows is said when enough was read', () => {
    const glance = { ...site, reading: {} };
    expect(diagnosisOf('r01', picture(), glance).message).toBe(
      'Nothing found yet. Could still change it: foreign voltage, AC, loop, centre and shield, volts at the camera, night.',
    );
    const enough = diagnosisOf('r01', { ...picture(), ...quantity('power-loop-ohms', 1.4) });
    expect(enough.message).toBe('No fault shows in what was read.');
    expect(probability(enough, 'sound')).toBeGreaterThan(0.9);
  });
  it('two troubles at once are both named', () => {
    const both = diagnosisOf('r13', { ...picture('bars', 'sparkles'), ...quantity('shield-earth-volts', 6) });
    expect(both.message).toBe('Most likely coax joint, and earth difference: 2 troubles at once.');
    // What tells another trouble does not speak against this one: both can stand.
    expect(both.ranked.find(({ cause }) => cause === 'joint')!.contra).toEqual([]);
    expect(both.sets[0]!.troubles).toEqual(['joint', 'earth-difference']);
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
