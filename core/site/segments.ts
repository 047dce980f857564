import type { Run, Segment } from './run';

/** A run with one of its segments changed in some fields. */
export function withSegment(run: Run, index: number, fields: Partial<Segment>): Run {
  return { ...run, segments: run.segments.map((segment, at) => (at === index ? { ...segment, ...fields } : segment)) };
}

/** A run with a segment's joint set or, with `undefined`, taken away. */
export function withJoint(run: Run, index: number, joint: Segment['joint']): Run {
  return {
    ...run,
    segments: run.segments.map((segment, at) => {
      if (at !== index) return segment;
      const { joint: _, ...bare } = segment;
      return joint ? { ...bare, joint } : bare;
    }),
  };
}

/** A run with one segment more after `index`, alike but for its length, joined by a coupler. */
export function withSegmentAfter(run: Run, index: number): Run {
  const before = run.segments[index];
  if (!before) return run;
  const { joint, note: _, ...alike } = before;
  const added: Segment = { ...alike, lengthM: 10, lengthFrom: 'estimate', spreadM: 2, ...(joint ? { joint } : {}) };
  return { ...run, segments: [...run.segments.slice(0, index), { ...before, joint: 'coupler' }, added, ...run.segments.slice(index + 1)] };
}

/** A run without one of its segments; the last one standing stays. A joint at the new end goes too. */
export function withoutSegment(run: Run, index: number): Run {
  if (run.segments.length === 1) return run;
  const segments = run.segments.filter((_, at) => at !== index);
  return withJoint({ ...run, segments }, index === segments.length ? segments.length - 1 : -1, undefined);
}
