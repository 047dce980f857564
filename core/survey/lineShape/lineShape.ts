import { runLengthM, type Run } from '#core/model/site';
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
  const lengthM = runLengthM(run);
  const shorts = [...new Set(stretches.map(({ stroke }) => stroke.short))];
  const metres = lengthWords(lengthM);
  return { stretches, joints, endX: x, metres, words: `${metres} ${shorts.join(' + ')}` };
}
