import { describe, expect, it } from 'vitest';
import type { PunchItem } from '#core/model/site';
import { mayClose, type ThingState } from '.';

const item: PunchItem = {
  id: 'low',
  of: { kind: 'camera', id: 'c08' },
  severity: 'below-need',
  what: 'too few watts',
  check: 'delivered-watts',
  at: '2026-05-05T07:00:00Z',
  by: 'K. Ridley',
};

const thing = (at: string | null, holds: boolean): ThingState => ({
  of: item.of,
  name: 'Weighbridge',
  number: 8,
  placeId: null,
  status: 'open',
  unread: 0,
  failing: 0,
  punch: [item],
  accepted: null,
  checks: [
    {
      check: 'delivered-watts',
      limit: { kind: 'seen' },
      wanted: '',
      predicted: null,
      found: '',
      holds: at === null ? null : holds,
      message: 'Too little.',
      isExpected: null,
      superseded: 0,
      reading: at && {
        id: 'x',
        of: item.of,
        check: 'delivered-watts',
        occasion: 'sign-off',
        found: { kind: 'figure', value: 9 },
        at,
        by: 'K. Ridley',
        instrument: 'load tester',
      },
    } as ThingState['checks'][number],
  ],
});

describe('closing what a check found', () => {
  it('waits for the check to be made again, after it', () => {
    expect(mayClose(item, thing(null, true))).toContain('read again first');
    expect(mayClose(item, thing('2026-05-05T06:00:00Z', true))).toContain('read again first');
  });
  it('waits for it to hold', () => {
    expect(mayClose(item, thing('2026-05-06T06:00:00Z', false))).toBe(
      '“Watts that arrive over the coax” was read again and does not hold: Too little.',
    );
    expect(mayClose(item, thing('2026-05-06T06:00:00Z', true))).toBeNull();
  });
  it('is free where no check found it', () => {
    const { check: _check, ...seen } = item;
    expect(mayClose(seen, thing(null, true))).toBeNull();
  });
});
