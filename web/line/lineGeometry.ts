import type { Run } from '#core/model/site';
import { inLength, shownUnit, type Measures } from '#core/shared/units';
import { strokeOf, type Stroke } from './strokes';

export interface LineStretch {
  x1: number;
  x2: number;
  stroke: Stroke;
  hasLeg: boolean;
  environment: string;
}
export interface LineShape {
  stretches: LineStretch[];
  joints: { x: number; kind: string }[];
  endX: number;
  metres: string;
  words: string;
}

/** A run laid out from left to right: `x0` is the head end, `pxPerM` the common scale. */
export function layOut(
  run: Run,
  x0: number,
  pxPerM: number,
  lengthWords: (lengthM: number) => string,
): LineShape {
  let x = x0;
  const stretches: LineStretch[] = [];
  const joints: LineShape['joints'] = [];
  for (const segment of run.segments) {
    const x2 = x + segment.lengthM * pxPerM;
    stretches.push({
      x1: x,
      x2,
      stroke: segment.sheet
        ? { ...strokeOf(segment.cable), short: segment.sheet.name }
        : strokeOf(segment.cable),
      hasLeg: segment.leg.kind === 'cores',
      environment: segment.environment,
    });
    if (segment.joint) joints.push({ x: x2, kind: segment.joint });
    x = x2;
  }
  const lengthM = run.segments.reduce((sum, segment) => sum + segment.lengthM, 0);
  const shorts = [...new Set(stretches.map(({ stroke }) => stroke.short))];
  const metres = lengthWords(lengthM);
  return { stretches, joints, endX: x, metres, words: `${metres} ${shorts.join(' + ')}` };
}

/** A round step that puts at most `most` ticks on an axis, in the unit of the axis. */
export function axisStep(longest: number, most: number): number {
  const steps = [5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000];
  return steps.find((step) => longest / step <= most) ?? 100_000;
}

/** Where the lengths stand on an axis as long as the longest run, round in the person's own unit. */
export function axisTicks(
  longestM: number,
  most: number,
  x0: number,
  pxPerM: number,
  measures: Measures,
): { text: string; x: number }[] {
  const longest = inLength(longestM, measures);
  const step = axisStep(longest, most);
  const pxPerUnit = (pxPerM * longestM) / longest;
  return Array.from({ length: Math.floor(longest / step) + 1 }, (_, i) => ({
    text: `${i * step} ${shownUnit('m', measures)}`,
    x: x0 + i * step * pxPerUnit,
  }));
}
