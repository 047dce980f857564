import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { signalCableIds } from '#core/physics/cable';
import { layOut, strokeOf } from '.';

const metres = (lengthM: number): string => `${Math.round(lengthM)} m`;

describe('a line', () => {
  it('is as long as its run, to scale, with a tick at each joint', () => {
    const { stretches, joints, endX, words } = layOut(saltmarrowSite().run['r12']!, 100, 2, metres);
    expect([stretches[0]!.x1, endX]).toEqual([100, 100 + 410 * 2]);
    expect(joints).toEqual([{ x: 100 + 48 * 2, kind: 'compression' }]);
    expect(words).toBe('410 m RG-59 + RG-11');
  });
  it('every construction has a stroke, and no two look alike', () => {
    const looks = signalCableIds.map((id) => Object.values(strokeOf(id)).slice(0, 3).join());
    expect(new Set(looks).size).toBe(looks.length);
  });
});
