export interface LengthMark {
  value: number;
  unit: 'm' | 'ft';
}

const metresPerFoot = 0.3048;

export type MarkedLength =
  | {
      kind: 'length';
      lengthM: number;
      /** Whether the counter passed its end between the marks. */ wrapped: boolean;
    }
  | { kind: 'unclear'; why: string };

/**
 * Length between two sequential marks of one cable. Marks may run up or down. Where the counter could have passed its
 * end (after `digits` digits it starts again) and the plain difference is longer than `longestM`, it is taken as wrapped.
 */
export function lengthBetweenMarks(
  head: LengthMark,
  far: LengthMark,
  digits: number,
  longestM: number,
): MarkedLength {
  if (head.unit !== far.unit) return { kind: 'unclear', why: 'one mark is in feet and the other in metres' };
  const inMetres = (value: number) => value * (head.unit === 'ft' ? metresPerFoot : 1);
  const counterEnd = 10 ** digits;
  if (head.value >= counterEnd || far.value >= counterEnd)
    return { kind: 'unclear', why: `a mark has more than ${digits} digits` };
  const plain = Math.abs(head.value - far.value);
  if (plain === 0) return { kind: 'unclear', why: 'both marks are the same' };
  if (inMetres(plain) <= longestM) return { kind: 'length', lengthM: inMetres(plain), wrapped: false };
  const around = inMetres(counterEnd - plain);
  if (around <= longestM) return { kind: 'length', lengthM: around, wrapped: true };
  return {
    kind: 'unclear',
    why: `the marks are ${Math.round(inMetres(plain))} m apart, more than a run of ${Math.round(longestM)} m can be`,
  };
}

const typedMark = /^(\d{1,7}(?:\.\d+)?)\s*(m|metres?|meters?|ft|feet|')?$/i;

/** Two marks as a person types them, `1234 ft, 560 ft`; a unit behind one of them counts for both, and none is metres. */
export function parseMarks(
  typed: string,
): { kind: 'read'; head: LengthMark; far: LengthMark } | { kind: 'refused'; why: string } {
  const parts = typed.split(/[,;]|\bto\b/i).map((part) => typedMark.exec(part.trim()));
  const [head, far] = parts;
  if (parts.length !== 2 || !head || !far)
    return { kind: 'refused', why: 'Two marks with a comma between, such as 1234 ft, 560 ft.' };
  const unitOf = (spelt: string | undefined): LengthMark['unit'] | undefined =>
    spelt === undefined ? undefined : /^m/i.test(spelt) ? 'm' : 'ft';
  const [headUnit, farUnit] = [unitOf(head[2]), unitOf(far[2])];
  return {
    kind: 'read',
    head: { value: Number(head[1]), unit: headUnit ?? farUnit ?? 'm' },
    far: { value: Number(far[1]), unit: farUnit ?? headUnit ?? 'm' },
  };
}
