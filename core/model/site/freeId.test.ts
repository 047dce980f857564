import { describe, expect, it } from 'vitest';
import { freeId, freeName } from '.';

const among =
  (...ids: string[]) =>
  (id: string): boolean =>
    ids.includes(id);

describe('an id', () => {
  it.each([
    ['Boat shed', [], 'boat-shed'],
    ['Boat shed', ['boat-shed'], 'boat-shed-2'],
    ['Boat shed', ['boat-shed', 'boat-shed-2'], 'boat-shed-3'],
    ['Café', [], 'cafe'],
    ['—', [], 'x'],
    ['Constructor', [], 'constructor-2'],
    ['x'.repeat(80), [], 'x'.repeat(50)],
  ])('of %s beside %j', (name, taken, id) => expect(freeId(among(...taken), name)).toBe(id));
  it('with a mark is nobody else’s, and still its own number', () => {
    expect(freeId(among('r25'), 'r25', 'k3f9p')).toBe('r25-k3f9p');
    expect(freeId(among('r25-k3f9p'), 'r25', 'k3f9p')).toBe('r25-k3f9p-2');
    expect(freeId(among(), 'r25', 'k3f9p')).not.toBe(freeId(among(), 'r25', 'm2xab'));
  });
});

describe('a name', () => {
  it.each([
    [['Plan'], 'Plan', 'Plan 2'],
    [['plan 2', 'Plan'], 'Plan', 'Plan 3'],
    [[], 'Plan', 'Plan'],
  ])('beside %j', (taken, wanted, name) => expect(freeName(taken, wanted)).toBe(name));
});
