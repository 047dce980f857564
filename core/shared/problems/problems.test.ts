import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { check, problemLine } from '.';

const schema = z.strictObject({
  cable: z.enum(['rg59', 'rg6']),
  lengthM: z.number().positive().max(5000),
  joints: z.array(z.string().min(1)).min(1),
  feed: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('none') }),
    z.strictObject({ kind: z.literal('box'), output: z.int() }),
  ]),
  gauge: z.union([z.strictObject({ awg: z.int() }), z.strictObject({ areaMm2: z.number().positive() })]),
});
const sound = { cable: 'rg59', lengthM: 4, joints: ['crimp'], feed: { kind: 'none' }, gauge: { awg: 20 } };

const lines = (over: object) => {
  const result = check(schema, { ...sound, ...over });
  return result.kind === 'refused' ? result.problems.map(problemLine) : [];
};

describe('check', () => {
  it('lets sound input through', () => expect(lines({})).toEqual([]));
  it.each<[object, string]>([
    [{ cable: 'string' }, 'cable is "string", allowed: one of rg59, rg6'],
    [{ lengthM: -3 }, 'lengthM is -3, allowed: more than 0'],
    [{ lengthM: 9000 }, 'lengthM is 9000, allowed: at most 5000'],
    [{ lengthM: '12' }, 'lengthM is "12", allowed: a number'],
    [{ lengthM: undefined }, 'lengthM is missing, allowed: a number'],
    [{ joints: [] }, 'joints is [], allowed: at least 1 item'],
    [{ joints: ['crimp', ''] }, 'joints[1] is "", allowed: at least 1 character'],
    [{ colour: 1 }, 'colour is 1, allowed: no field of this name here'],
    [{ feed: { kind: 'sun' } }, 'feed.kind is "sun", allowed: one of none, box'],
    [{ feed: { kind: 'box', output: 1.5 } }, 'feed.output is 1.5, allowed: a whole number'],
    [{ gauge: { areaMm2: -1 } }, 'gauge.areaMm2 is -1, allowed: more than 0'],
  ])('%o', (over, line) => expect(lines(over)).toEqual([line]));
  it('names every problem, not only the first', () =>
    expect(lines({ cable: 'x', lengthM: 0, feed: null })).toHaveLength(3));
});
