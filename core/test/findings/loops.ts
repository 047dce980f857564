import { cableOf, coaxLoopOhms, conductorOhms, powerCable, type Conductor } from '#core/physics/cable';
import { runLengthM, type PowerLead, type QuantityReading, type Run, type Segment } from '#core/model/site';
import { figure, type Figure, type Source, type Step } from '#core/shared/derivation';
import { rememberedFor } from '#core/shared/memo';

/** A loop resistance with the step that led to it, written when it is asked for. */
export interface Loop {
  ohms: number;
  from: Source;
  step: () => Step;
}

const measuredLengths = new Set<Segment['lengthFrom']>(['jacket-marks', 'reflectometer']);

export function lengthFigure(run: Run): Figure {
  const from: Source = run.segments.every((segment) => measuredLengths.has(segment.lengthFrom))
    ? 'measured'
    : 'noted';
  return figure('length', runLengthM(run), 'm', from);
}

export type LineKind = 'coax' | 'pair' | 'mixed';

/** Whether a run is coax all the way, category cable all the way, or changes between them. */
export const lineKind = rememberedFor(({ segments }: Run): LineKind => {
  const { kind } = cableOf(segments[0]!);
  return segments.every((segment) => cableOf(segment).kind === kind) ? kind : 'mixed';
});

/** Expected loop of centre and shield over all segments, each at its own temperature or all at `atC`. */
export function expectedCoaxOhms(segments: readonly Segment[], atC?: number): number {
  return segments.reduce((sum, segment) => {
    const cable = cableOf(segment);
    return cable.kind === 'coax'
      ? sum + coaxLoopOhms(cable, segment.lengthM, atC ?? segment.temperatureC)
      : sum;
  }, 0);
}

/** Loop of cores that are all alike: one core's resistance, divided by how many go out and how many come back. */
const bundle = (
  conductor: Conductor,
  outCores: number,
  backCores: number,
  lengthM: number,
  temperatureC: number,
) => conductorOhms(conductor, lengthM, temperatureC) * (1 / outCores + 1 / backCores);

function legOhms(segment: Segment, atC: number | undefined): number {
  const { leg, lengthM, temperatureC } = segment;
  if (leg.kind === 'none') return 0;
  const line = cableOf(segment);
  if (leg.kind === 'spare-pairs')
    return line.kind === 'pair'
      ? bundle(line.conductor, leg.outCores, leg.backCores, lengthM, atC ?? temperatureC)
      : 0;
  return bundle(powerCable(leg.cable).conductor, leg.outCores, leg.backCores, lengthM, atC ?? temperatureC);
}

/** Loop of power cores of one kind from one end to the other, at their own temperature or at `atC`. */
export const coresOhms = (
  { cable, outCores, backCores, lengthM, temperatureC }: PowerLead,
  atC = temperatureC,
): number => bundle(powerCable(cable).conductor, outCores, backCores, lengthM, atC);

/** Expected loop of the cores that feed the camera; zero where it has an adapter of its own. */
export function expectedPowerOhms(run: Run, atC?: number): number {
  const { feed } = run;
  if (feed.kind === 'local-adapter') return 0;
  if (feed.kind === 'separate-pair') return coresOhms(feed, atC);
  return run.segments.reduce((sum, segment) => sum + legOhms(segment, atC), 0);
}

/** The cores are coldest, and so their loop least, at this. Policy: a frosty night. */
const coldC = -10;

/** A loop of the power cores on a cold day, when most volts arrive. */
export function coldPowerOhms(run: Run, loopOhms: number): number {
  const expected = expectedPowerOhms(run);
  return expected > 0 ? (loopOhms * Math.min(expected, expectedPowerOhms(run, coldC))) / expected : loopOhms;
}

/** A reading brought from the temperature it was taken at to the run's own. */
function measuredLoop(
  message: string,
  reading: QuantityReading,
  expected: number,
  expectedWhenRead: number,
): Loop {
  const ohms = expectedWhenRead > 0 ? (reading.value * expected) / expectedWhenRead : reading.value;
  return {
    ohms,
    from: 'measured',
    step: () => ({
      message,
      formula: 'temperature-correction',
      result: figure('loop', ohms, 'Ω', 'measured'),
      inputs: [
        figure('read', reading.value, 'Ω', 'measured'),
        ...(reading.temperatureC === undefined
          ? []
          : [figure('cable when read', reading.temperatureC, '°C', 'measured')]),
      ],
    }),
  };
}

/** Loop of centre and shield: as read where it was read, else as the construction promises. */
export function coaxLoop(run: Run, reading: QuantityReading | undefined): Loop {
  const message = 'Loop, centre and shield';
  const expected = expectedCoaxOhms(run.segments);
  if (reading)
    return measuredLoop(message, reading, expected, expectedCoaxOhms(run.segments, reading.temperatureC));
  const from = run.segments.every(({ sheet }) => sheet) ? 'data-sheet' : 'typical';
  return {
    ohms: expected,
    from,
    step: () => ({
      message,
      formula: 'coax-loop',
      inputs: [lengthFigure(run)],
      result: figure('loop', expected, 'Ω', from),
    }),
  };
}

/** Loop of the power cores: as read where it was read, else as the construction promises. */
export function powerLoop(run: Run, reading: QuantityReading | undefined): Loop {
  const message = 'Loop, power cores';
  const expected = expectedPowerOhms(run);
  if (reading) return measuredLoop(message, reading, expected, expectedPowerOhms(run, reading.temperatureC));
  const length = () =>
    run.feed.kind === 'separate-pair' ? figure('length', run.feed.lengthM, 'm', 'noted') : lengthFigure(run);
  return {
    ohms: expected,
    from: 'typical',
    step: () => ({
      message,
      formula: 'power-loop',
      inputs: [length()],
      result: figure('loop', expected, 'Ω', 'typical'),
    }),
  };
}
