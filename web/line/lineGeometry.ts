import type { Run } from '#core/site';
import { strokeOf, type Stroke } from './strokes';

export interface LineStretch { x1: number; x2: number; stroke: Stroke; hasLeg: boolean; environment: string }
export interface LineShape { stretches: LineStretch[]; joints: { x: number; kind: string }[]; endX: number; metres: string; words: string }

/** A run laid out from left to right: `x0` is the head end, `pxPerM` the common scale. */
export function layOut(run: Run, x0: number, pxPerM: number): LineShape {
  let x = x0;
  const stretches: LineStretch[] = [];
  const joints: LineShape['joints'] = [];
  for (const segment of run.segments) {
    const x2 = x + segment.lengthM * pxPerM;
    stretches.push({ x1: x, x2, stroke: strokeOf(segment.cable), hasLeg: segment.leg.kind === 'cores', environment: segment.environment });
    if (segment.joint) joints.push({ x: x2, kind: segment.joint });
    x = x2;
  }
  const lengthM = run.segments.reduce((sum, segment) => sum + segment.lengthM, 0);
  const shorts = [...new Set(stretches.map(({ stroke }) => stroke.short))];
  const metres = `${Math.round(lengthM)} m`;
  return { stretches, joints, endX: x, metres, words: `${metres} ${shorts.join(' + ')}` };
}

/** A round step of metres that puts at most `most` ticks on an axis. */
export function axisStepM(longestM: number, most: number): number {
  const steps = [5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000];
  return steps.find((step) => longestM / step <= most) ?? 100_000;
}

/** Where the metres stand on an axis as long as the longest run. */
export function axisTicks(longestM: number, stepM: number, x0: number, pxPerM: number): { m: number; x: number }[] {
  return Array.from({ length: Math.floor(longestM / stepM) + 1 }, (_, i) => ({ m: i * stepM, x: x0 + i * stepM * pxPerM }));
}
