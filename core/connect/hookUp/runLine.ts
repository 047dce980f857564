import { inLineGear, type Run, type Segment } from '#core/model/site';
import { choices } from '#core/model/labels';
import { cableLabel, powerCableLabel, signalCable } from '#core/physics/cable';
import type { HookUpLine, Span, Station } from './types';

/** In which figures a person reads gauges. */
export type Gauge = 'awg' | 'mm2';

const isPair = ({ cable }: Segment): boolean => signalCable(cable).kind === 'pair';

const labelOf = ({ sheet, cable }: Segment, gauge: Gauge): string => sheet?.name ?? cableLabel(cable, gauge);

const jointLabel = ({ joint }: Segment): string =>
  choices.joint.find(({ value }) => value === (joint ?? 'none'))?.label ?? 'Joint';

const metresTo = ({ segments }: Run, index: number): number =>
  segments.slice(0, index + 1).reduce((sum, { lengthM }) => sum + lengthM, 0);

/** A short lead of coax between a device and gear that stands beside it. */
const shortLead: Span = { label: 'short lead', cores: 'centre and shield', lengthM: 0, look: 'coax' };

const gearAt = ({ inLine = [] }: Run, at: 'head-end' | 'camera'): Station[] =>
  inLine
    .filter((gear) => (gear.at === 'camera') === (at === 'camera'))
    .map((gear) => ({
      name: inLineGear[gear.kind].label,
      where:
        gear.at === 'camera' ? 'at the camera' : gear.at === 'head-end' ? 'at the head end' : 'on the way',
      terminals: ['BNC in', 'BNC out'],
    }));

/** The signal of a run from one end to the other: its segments, the joints between them, and gear that stands in it. */
export function runLine(
  run: Run,
  carries: HookUpLine['carries'],
  ends: { head: Station; far: Station },
  coresOf: (segment: Segment) => string,
  gauge: Gauge,
): HookUpLine {
  const stations: Station[] = [ends.head];
  const spans: Span[] = [];
  const then = (span: Span, station: Station): void => {
    spans.push(span);
    stations.push(station);
  };
  for (const gear of gearAt(run, 'head-end')) then(shortLead, gear);
  const beside = gearAt(run, 'camera');
  run.segments.forEach((segment, index) => {
    const span: Span = {
      label: labelOf(segment, gauge),
      cores: coresOf(segment),
      lengthM: segment.lengthM,
      look: isPair(segment) ? 'pair' : 'coax',
    };
    const isLast = index === run.segments.length - 1;
    then(
      span,
      isLast
        ? (beside[0] ?? ends.far)
        : {
            name: jointLabel(segment),
            where: `after ${Math.round(metresTo(run, index))} m`,
            terminals: [],
          },
    );
  });
  for (const gear of beside.slice(1)) then(shortLead, gear);
  if (beside.length > 0) then(shortLead, ends.far);
  return { carries, stations, spans };
}

const coreWords = (count: number): string => (count === 1 ? 'one core' : `${count} cores joined`);

/** How many conductors go out and come back, in words. */
export const outAndBack = ({ outCores, backCores }: { outCores: number; backCores: number }): string =>
  `${coreWords(outCores)} out, ${coreWords(backCores)} back`;

function legSpan(segment: Segment, gauge: Gauge): Span {
  const { leg, lengthM } = segment;
  switch (leg.kind) {
    case 'none':
      return { label: 'no power cores noted', cores: '', lengthM, look: 'cores' };
    case 'cores':
      return { label: powerCableLabel(leg.cable, gauge), cores: outAndBack(leg), lengthM, look: 'cores' };
    case 'spare-pairs':
      return {
        label: `${labelOf(segment, gauge)}, spare conductors`,
        cores: outAndBack(leg),
        lengthM,
        look: 'pair',
      };
  }
}

/** Power along a run, over the cores of each of its segments. */
export function powerAlongRun(run: Run, ends: { head: Station; far: Station }, gauge: Gauge): HookUpLine {
  const stations: Station[] = [ends.head];
  const spans = run.segments.map((segment) => legSpan(segment, gauge));
  run.segments.slice(0, -1).forEach((_, index) =>
    stations.push({
      name: 'Power joint',
      where: `after ${Math.round(metresTo(run, index))} m`,
      terminals: ['out to out', 'back to back'],
    }),
  );
  return { carries: 'power', stations: [...stations, ends.far], spans };
}
