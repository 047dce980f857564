import { lengthBetweenMarks, proposalFrom, readJacketPrint, type LengthMark } from '#core/physics/cable';
import { longestSegmentM, type AssumableOfSegment, type Run, type Segment } from './run';

/** A segment in which these facts are assumed, and no others. */
function withAssumed({ assumed: _, ...segment }: Segment, assumed: readonly AssumableOfSegment[]): Segment {
  return assumed.length > 0 ? { ...segment, assumed: [...assumed] } : segment;
}

/** A segment with some fields noted. What somebody has noted is assumed no more. */
const noted = (segment: Segment, fields: Partial<Segment>): Segment =>
  withAssumed(
    { ...segment, ...fields },
    (segment.assumed ?? []).filter((field) => !(field in fields)),
  );

/** A run with one of its segments changed in some fields. */
export function withSegment(run: Run, index: number, fields: Partial<Segment>): Run {
  return {
    ...run,
    segments: run.segments.map((segment, at) => (at === index ? noted(segment, fields) : segment)),
  };
}

/** A run with words about a segment: its reel, or who put it in; none where they are empty. */
export function withSegmentWords(run: Run, index: number, key: 'reel' | 'installedBy', words: string): Run {
  return {
    ...run,
    segments: run.segments.map((segment, at) => {
      if (at !== index) return segment;
      const { [key]: _, ...bare } = segment;
      return words ? { ...bare, [key]: words } : bare;
    }),
  };
}

/** A run with a segment's joint set or, with `undefined`, taken away. */
export function withJoint(run: Run, index: number, joint: Segment['joint']): Run {
  return {
    ...run,
    segments: run.segments.map((segment, at) => {
      if (at !== index) return segment;
      const { joint: _, ...bare } = noted(segment, { joint });
      return joint ? { ...bare, joint } : bare;
    }),
  };
}

/** How many digits a jacket's counter usually has before it starts again. */
const counterDigits = 5;

/** What marks are worth as a length: a reading of two figures, good to about a metre either way. */
const markSpreadM = 1;

/** A run with a segment's length taken from the marks at its two ends, or why they give none. */
export function withMarks(
  run: Run,
  index: number,
  head: LengthMark,
  far: LengthMark,
): { kind: 'sound'; run: Run } | { kind: 'unclear'; why: string } {
  const between = lengthBetweenMarks(head, far, counterDigits, longestSegmentM);
  if (between.kind === 'unclear') return between;
  const marks = { head: head.value, far: far.value, unit: head.unit };
  return {
    kind: 'sound',
    run: withSegment(run, index, {
      marks,
      lengthM: between.lengthM,
      lengthFrom: 'jacket-marks',
      spreadM: markSpreadM,
    }),
  };
}

/** The length between a segment's two marks, where it has marks that give one. */
export function markedLength({ marks }: Pick<Segment, 'marks'>): { lengthM: number; spreadM: number } | null {
  if (!marks) return null;
  const { head, far, unit } = marks;
  const between = lengthBetweenMarks(
    { value: head, unit },
    { value: far, unit },
    counterDigits,
    longestSegmentM,
  );
  return between.kind === 'length' ? { lengthM: between.lengthM, spreadM: markSpreadM } : null;
}

/** A reflectometer's distance is good to about a hundredth, and never better than its pulse: a metre. */
const reflectometerSpreadM = (lengthM: number): number => Math.max(1, lengthM * 0.01);

/** A run with a segment's length as a reflectometer tells it; an estimate or a drawn length gives way to it. */
export function withMeasured(run: Run, index: number, lengthM: number): Run {
  const spreadM = reflectometerSpreadM(lengthM);
  const { lengthFrom } = run.segments[index]!;
  const gives = lengthFrom === 'estimate' || lengthFrom === 'drawn' || lengthFrom === 'reflectometer';
  return withSegment(run, index, {
    measured: { lengthM, spreadM },
    ...(gives ? { lengthFrom: 'reflectometer' as const, lengthM, spreadM } : {}),
  });
}

/** Where a run's last segment begins, in metres from its head end. */
const lastBeginsM = ({ segments }: Run): number =>
  segments.slice(0, -1).reduce((sum, { lengthM }) => sum + lengthM, 0);

/** A run that ends where a reflectometer shows its end; `null` where that would lie before its last segment begins. */
export function withMeasuredEnd(run: Run, endM: number): Run | null {
  const lengthM = Math.round((endM - lastBeginsM(run)) * 10) / 10;
  return lengthM >= 1 ? withMeasured(run, run.segments.length - 1, lengthM) : null;
}

/** A run with a segment's construction taken from its jacket print, as far as the print proposes one. */
export function withPrint(run: Run, index: number, print: string): Run {
  const { cable, powerCable } = proposalFrom(readJacketPrint(print));
  return withSegment(run, index, {
    print,
    ...(cable ? { cable } : {}),
    ...(powerCable ? { leg: { kind: 'cores' as const, cable: powerCable, outCores: 1, backCores: 1 } } : {}),
  });
}

/** A run with one segment more after `index`, alike but for its length, joined by a coupler. Length and joint are assumed until somebody has looked. */
export function withSegmentAfter(run: Run, index: number): Run {
  const before = run.segments[index];
  if (!before) return run;
  const { joint, note: _note, print: _print, marks: _marks, ...alike } = before;
  const added: Segment = withAssumed(
    { ...alike, lengthM: 10, lengthFrom: 'estimate', spreadM: 2, ...(joint ? { joint } : {}) },
    ['lengthM', ...(before.assumed ?? []).filter((field) => field !== 'lengthM')],
  );
  const kept = (before.assumed ?? []).filter((field) => field !== 'joint');
  return {
    ...run,
    segments: [
      ...run.segments.slice(0, index),
      withAssumed({ ...before, joint: 'coupler' }, [...kept, 'joint']),
      added,
      ...run.segments.slice(index + 1),
    ],
  };
}

/** A run without one of its segments; the last one standing stays. A joint at the new end goes too. */
export function withoutSegment(run: Run, index: number): Run {
  if (run.segments.length === 1) return run;
  const segments = run.segments.filter((_, at) => at !== index);
  return withJoint({ ...run, segments }, index === segments.length ? segments.length - 1 : -1, undefined);
}

/** A run whose segments all carry waves at so many times the speed that was thought: what a known length makes of a trace. */
export function withVelocityScaled(
  run: Run,
  scale: number,
  velocityFactorOf: (segment: Segment) => number,
): Run {
  return {
    ...run,
    segments: run.segments.map((segment) => ({
      ...segment,
      velocityFactor: Math.min(
        0.99,
        Math.max(0.4, Math.round(velocityFactorOf(segment) * scale * 1000) / 1000),
      ),
    })),
  };
}
