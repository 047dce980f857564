export interface LengthMark { value: number; unit: 'm' | 'ft' }

const metresPerFoot = 0.3048;

export type MarkedLength =
  | { kind: 'length'; lengthM: number; /** Whether the counter passed its end between the marks. */ wrapped: boolean }
  | { kind: 'unclear'; why: string };

/**
 * Length between two sequential marks of one cable. Marks may run up or down. Where the counter could have passed its
 * end (after `digits` digits it starts again) and the plain difference is longer than `longestM`, it is taken as wrapped.
 */
export function lengthBetweenMarks(head: LengthMark, far: LengthMark, digits: number, longestM: number): MarkedLength {
  if (head.unit !== far.unit) return { kind: 'unclear', why: 'one mark is in feet and the other in metres' };
  const inMetres = (value: number) => value * (head.unit === 'ft' ? metresPerFoot : 1);
  const counterEnd = 10 ** digits;
  if (head.value >= counterEnd || far.value >= counterEnd) return { kind: 'unclear', why: `a mark has more than ${digits} digits` };
  const plain = Math.abs(head.value - far.value);
  if (plain === 0) return { kind: 'unclear', why: 'both marks are the same' };
  if (inMetres(plain) <= longestM) return { kind: 'length', lengthM: inMetres(plain), wrapped: false };
  const around = inMetres(counterEnd - plain);
  if (around <= longestM) return { kind: 'length', lengthM: around, wrapped: true };
  return { kind: 'unclear', why: `the marks are ${Math.round(inMetres(plain))} m apart, more than a run of ${Math.round(longestM)} m can be` };
}
