import { runLengthM, wireMaps, type Run, type TestDefinition, type TestId } from '#core/model/site';
import { symptoms } from '#core/physics/picture';
import { expectedCoaxOhms, expectedPowerOhms, type RunEvent } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { ratioSteps } from './density';
import type { DiagnosisInput } from './looked';
import { overRange } from './practice';

/** Something that a test could find, and how wide a part of all that it could find it stands for. */
export interface Outcome {
  readings: RunReadings;
  /** What a reflectometer would show, where that is what is tried. */
  events?: readonly RunEvent[];
  width: number;
}

const common = { id: 'thought', runId: 'thought', at: '2000-01-01T00:00:00Z', by: '', instrument: '' };

const found = (test: TestId, fields: object): Outcome => ({
  readings: { [test]: { ...common, test, ...fields } } as RunReadings,
  width: 1,
});

const values = (test: TestId, { from, to, parts, dense }: Span): Outcome[] =>
  ratioSteps(from, to, parts).map((value) => ({
    ...found(test, { value }),
    width: widthOf(value, dense),
  }));

function tracesOf(run: Run): Outcome[] {
  const lengthM = runLengthM(run);
  const event = (kind: RunEvent['kind'], share: number, ohms?: number): RunEvent => ({
    kind,
    atM: share * lengthM,
    confidence: 1,
    isFarEnd: share === 1,
    ...(ohms === undefined ? {} : { ohms }),
  });
  const end = event('open', 1);
  return [
    [end],
    ...[2.5, 6, 15, 40].map((ohms) => [event('series', 0.5, ohms), end]),
    ...[90, 200, 500, 1200].map((ohms) => [event('shunt', 0.5, ohms), end]),
    [event('tap', 0.5), end],
    [event('lower-impedance', 0.5, 50), end],
    [event('open', 0.5)],
    [event('short', 0.5)],
  ].map((events) => ({ readings: {}, events, width: 1 }));
}

/** Where a figure could lie, and in how many parts that is thought of. */
export interface Span {
  from: number;
  to: number;
  parts: number;
  /** What its story gives the density of: the figure itself, or its logarithm. */
  dense: 'figure' | 'logarithm';
}

/** How wide a step of the logarithm is to a density of this kind, but for a factor. */
export const widthOf = (value: number, dense: Span['dense']): number => (dense === 'figure' ? value : 1);

/** Where a figure could lie; nothing where a test asks for none, or there is none to expect. */
export function spanOf(id: TestId, { run, camera, source }: DiagnosisInput): Span | null {
  switch (id) {
    case 'coax-loop-ohms': {
      const expected = expectedCoaxOhms(run.segments);
      return expected <= 0
        ? null
        : { from: 0.2 * expected, to: 6 * expected + 60, parts: 40, dense: 'figure' };
    }
    case 'power-loop-ohms': {
      const expected = expectedPowerOhms(run);
      return expected <= 0
        ? null
        : { from: 0.5 * expected, to: 3 * expected + 12, parts: 24, dense: 'figure' };
    }
    case 'day-volts':
    case 'night-volts':
      return {
        from: 0.6 * camera.supply.window.minVolts,
        to: 1.06 * source.volts,
        parts: 10,
        dense: 'figure',
      };
    case 'insulation-megohms':
      return { from: 0.002, to: 10_000, parts: 14, dense: 'logarithm' };
    case 'shield-earth-volts':
    case 'foreign-ac-volts':
      return { from: 0.05, to: 40, parts: 10, dense: 'logarithm' };
    default:
      return null;
  }
}

/** Everything that a test could find, coarsely; nothing where it tells no cause. */
export function outcomesOf({ id }: TestDefinition, looked: DiagnosisInput): Outcome[] {
  const { run, verdicts } = looked;
  switch (id) {
    case 'continuity':
      return ['through', 'open', 'shorted'].map((as) => found(id, { found: as }));
    case 'wire-map':
      return wireMaps.map((as) => found(id, { found: as }));
    case 'camera-at-head-end':
    case 'camera-on-local-supply':
      return ['works', 'fails'].map((as) => found(id, { found: as }));
    case 'picture':
      return [[], ...symptoms.map((symptom) => [symptom])].map((seen) => found(id, { symptoms: seen }));
    case 'link': {
      const full = verdicts.find((verdict) => verdict.id === 'link')?.expected?.value ?? 90;
      return [0, full].map((throughputMbps) =>
        found(id, { rateMbps: throughputMbps, throughputMbps, lostPercent: 0, deliveredWatts: 0 }),
      );
    }
    case 'coax-loop-ohms':
    case 'power-loop-ohms':
    case 'day-volts':
    case 'night-volts':
    case 'insulation-megohms':
    case 'shield-earth-volts':
    case 'foreign-ac-volts': {
      const span = spanOf(id, looked);
      return [
        ...(span ? values(id, span) : []),
        ...(span && id === 'coax-loop-ohms' ? [found(id, { value: overRange.fromOhms })] : []),
      ];
    }
    case 'pair-unbalance-percent':
      return [1, 12].map((value) => found(id, { value }));
    case 'next-db':
      return [15, 60].map((value) => found(id, { value }));
    case 'insertion-loss-db':
      return [5, 60].map((value) => found(id, { value }));
    case 'reflectometer':
      return tracesOf(run);
    default:
      return [];
  }
}
