import { describe, expect, it } from 'vitest';
import type { Migration, NightStep } from '#core/allocate/recorder';
import { movesOf, stepOf } from './moves';

const at = (slot: number) => ({ recorderId: 'hall', slot });
const patch = (cameraId: string, from: number, to: number, temporary = false) =>
  ({
    kind: 'repatch',
    cameraId,
    number: 0,
    from: at(from),
    to: at(to),
    temporary,
    makesWayFor: null,
  }) as const;
const join = (cameraId: string, from: number, to: number) =>
  ({ kind: 'join', cameraId, number: 0, from: at(from), to: at(to) }) as const;
const turn = (...toIp: number[]): NightStep => ({
  kind: 'turn',
  recorderId: 'hall',
  cost: { toIp, toCoax: [], restartMinutes: 4, factoryValues: false, losesAnalytics: false },
});
const nightsOf = (...nights: NightStep[][]) =>
  ({ nights: nights.map((steps) => ({ steps })) }) as unknown as Migration;
const names = (steps: readonly { task: string }[]): string[] => steps.map(({ task }) => task);

describe('who is in whose way', () => {
  it('is whoever leaves the slot, in that night or before, and never a camera itself', () => {
    const moves = movesOf(nightsOf([patch('a', 1, 2)], [patch('b', 3, 1), patch('a', 2, 3, true)]));
    expect(names(moves.waitsFor(stepOf(patch('b', 3, 1), 1)))).toEqual(['patch-a-1']);
    expect(names(moves.waitsFor(stepOf(patch('c', 5, 2), 0)))).toEqual([]);
  });
});

describe('cameras that exchange their slots', () => {
  it.each([
    ['two', [patch('a', 1, 2), patch('b', 2, 1)]],
    ['three, changed and moved', [join('a', 1, 2), patch('b', 2, 3), join('c', 3, 1)]],
  ])('%s are a ring, in which nobody waits for another', (_, steps) => {
    const moves = movesOf(nightsOf([...steps, patch('d', 8, 9)]));
    for (const step of steps) {
      expect(moves.ringOf(stepOf(step, 0))).toHaveLength(steps.length);
      expect(moves.waitsFor(stepOf(step, 0))).toEqual([]);
    }
    expect(moves.ringOf(stepOf(patch('d', 8, 9), 0))).toEqual([]);
  });
  it('is none over two nights, none of a camera that keeps its own, and none where an input turns', () => {
    const [a, b] = [patch('a', 1, 2), patch('b', 2, 1)];
    expect(movesOf(nightsOf([a], [b])).ringOf(stepOf(a, 0))).toEqual([]);
    const own = join('a', 1, 1);
    expect(movesOf(nightsOf([own])).ringOf(stepOf(own, 0))).toEqual([]);
    const [goes, comes] = [patch('a', 6, 1), join('b', 1, 6)];
    const moves = movesOf(nightsOf([goes, turn(6, 7), comes]));
    expect(moves.ringOf(stepOf(goes, 0))).toEqual([]);
    // Both are held to the turn, and the lead does not wait for whoever comes after it.
    expect([goes, comes].map((step) => moves.turnOf(stepOf(step, 0)))).toEqual([
      'recorder-change-hall-1',
      'recorder-change-hall-1',
    ]);
    expect(moves.waitsFor(stepOf(goes, 0))).toEqual([]);
  });
});
