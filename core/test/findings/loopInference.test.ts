import { createNormal, createRandom } from '#core/shared/random';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { QuantityReading } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import { inferCoaxLoop, inferLoop, inferPowerLoop, type LoopQuestion } from './loopInference';

const site = saltmarrowUnshared();
const read = (test: 'coax-loop-ohms' | 'power-loop-ohms', value: number): QuantityReading => ({
  id: 'x',
  runId: 'x',
  test,
  value,
  at: '2026-04-01T09:00:00Z',
  by: 'x',
  instrument: '',
});
const kinds = (causes: readonly { kind: string }[]) => causes.map(({ kind }) => kind);

/** A kilometre and a quarter of nothing special: 10 Ω as noted, 30 Ω with a steel core. */
const plain: LoopQuestion = {
  parts: [
    {
      noted: 'coax-rg6-cu',
      ohms: 10,
      lengthOhms: 0.2,
      others: [{ id: 'coax-rg6-ccs', label: 'steel', material: 'ccs21', ohms: 30, share: 0.1 }],
    },
  ],
  lengthM: 260,
  lengthMeasured: true,
  poorJoint: 0.1,
};

describe('what a loop reading tells', () => {
  it('shares out one, whatever was read', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 80, noNaN: true }), (ohms) => {
        const causes = inferLoop(ohms, plain);
        if (causes.length > 0)
          expect(causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
      }),
    );
  });
  it('as noted where it reads so, the steel core where it reads that', () => {
    expect(inferLoop(10.1, plain)[0]).toMatchObject({ kind: 'as-noted' });
    expect(inferLoop(30.4, plain)[0]).toMatchObject({ kind: 'other-cable', cable: { id: 'coax-rg6-ccs' } });
  });
  it('what no cable explains is a joint, with its ohms', () => {
    expect(inferLoop(15.6, plain)[0]).toMatchObject({
      kind: 'joint',
      excessOhms: expect.closeTo(5.6, 6) as number,
    });
  });
  it('a longer run and a poor joint are not told apart by ohms alone', () => {
    const drawn = inferLoop(11.5, { ...plain, lengthMeasured: false });
    const of = (kind: string) => drawn.find((cause) => cause.kind === kind)!.probability;
    expect(of('length')).toBeGreaterThan(0.05);
    expect(of('joint')).toBeGreaterThan(0.05);
  });
  it('a trace tells them apart: a series echo is the joint, a far end is the length', () => {
    const drawn = { ...plain, lengthMeasured: false };
    expect(inferLoop(13, { ...drawn, trace: { seriesOhms: 3, endM: 260 } })[0]!.kind).toBe('joint');
    expect(inferLoop(13, { ...drawn, trace: { seriesOhms: 0, endM: 338 } })[0]).toMatchObject({
      kind: 'length',
      lengthM: 338,
    });
    expect(inferLoop(30, { ...plain, trace: { seriesOhms: 0, endM: 260 } })[0]!.kind).toBe('other-cable');
  });
  it('is calibrated: what it gives nine chances in ten is so at least eight times in ten', () => {
    // Runs are drawn from the very beliefs that the inference starts from, and each is read once.
    const random = createRandom(7);
    const gauss = createNormal(random);
    let sure = 0;
    let right = 0;
    for (let k = 0; k < 3000; k += 1) {
      const steel = random() < 0.1;
      const poor = random() < 0.1;
      const cable = steel ? 30 : 10;
      const joint = poor ? -Math.log(random()) * (random() < 0.7 ? 3 : 20) : 0;
      const sigma = Math.hypot(0.2 * (cable / 10), 0.03 * cable, 0.005 * cable + 0.1);
      const [first] = inferLoop(cable + joint + sigma * gauss(), plain);
      if (!first || first.probability < 0.9) continue;
      sure += 1;
      const truth = steel ? (poor ? 'other-cable-and-joint' : 'other-cable') : poor ? 'joint' : 'as-noted';
      if (first.kind === truth) right += 1;
    }
    expect(sure).toBeGreaterThan(1000);
    expect(right / sure).toBeGreaterThan(0.8);
  });
  it('claims nothing where nothing that is known fits', () =>
    expect(inferLoop(0.01, { ...plain, parts: [{ ...plain.parts[0]!, others: [] }], poorJoint: 0 })).toEqual(
      [],
    ));
});

describe('on the demo site', () => {
  it('the steel core nobody knew of', () => {
    expect(inferCoaxLoop(site.run['r14']!, read('coax-loop-ohms', 33.4))[0]).toMatchObject({
      kind: 'other-cable',
      cable: { id: 'coax-rg6-ccs' },
    });
  });
  it('the salt-air joint', () =>
    expect(inferCoaxLoop(site.run['r13']!, read('coax-loop-ohms', 12))[0]).toMatchObject({
      kind: 'joint',
      excessOhms: expect.closeTo(5.7, 1) as number,
    }));
  it('a sound run as noted', () =>
    expect(inferCoaxLoop(site.run['r01']!, read('coax-loop-ohms', 1.4))[0]!.kind).toBe('as-noted'));
  it('copper-clad aluminium in power cores noted as copper', () => {
    const causes = inferPowerLoop(site.run['r08']!, read('power-loop-ohms', 14.5));
    expect(causes[0]).toMatchObject({
      kind: 'other-cable',
      cable: { id: 'power-2x18-cca', material: 'cca' },
    });
  });
  it('spare pairs, a separate pair and an adapter', () => {
    expect(kinds(inferPowerLoop(site.run['r20']!, read('power-loop-ohms', 4.2)))[0]).toBe('as-noted');
    expect(kinds(inferPowerLoop(site.run['r12']!, read('power-loop-ohms', 0.95)))[0]).toBe('as-noted');
    expect(
      inferPowerLoop(site.run['r20']!, read('power-loop-ohms', 6.8)).find(
        ({ kind }) => kind === 'other-cable',
      )!.cable!.material,
    ).toBe('cca');
  });
});
