import { describe, expect, it } from 'vitest';
import type { AcceptanceLimit } from '#core/signoff/asked';
import type { Soak } from '#core/model/site';
import { foundInWords, judge, limitInWords } from '.';

const volts: AcceptanceLimit = { kind: 'figure', unit: 'V', least: 11.34, most: 13.2, because: 'its window' };
const watched: AcceptanceLimit = { kind: 'soak', hours: 24, lostPercent: 0.1 };
const soak = (more: Partial<Soak> = {}): Soak => ({
  kind: 'soak',
  hours: 24,
  lostPercent: 0.02,
  drops: 0,
  gapMinutes: 0,
  ...more,
});

describe('a figure against its limits', () => {
  it('is accepted on a limit that does not come out even', () => {
    expect(judge({ kind: 'figure', value: 11.34 }, { ...volts, least: 10.8 * 1.05 }).holds).toBe(true);
  });

  it('is accepted on the limit and refused beyond it, with what was wanted', () => {
    expect(judge({ kind: 'figure', value: 11.34 }, volts).holds).toBe(true);
    expect(judge({ kind: 'figure', value: 11.33 }, volts)).toEqual({
      holds: false,
      message: 'Too little: wanted 11.34 V to 13.2 V, its window.',
    });
    expect(judge({ kind: 'figure', value: 13.3 }, volts).message).toContain('Too much');
  });

  it('does not count where something else was read', () => {
    expect(judge({ kind: 'seen', isSo: true }, volts).holds).toBe(false);
    expect(judge({ kind: 'figure', value: 1 }, { kind: 'seen' }).holds).toBe(false);
  });

  it('says what is wanted in words', () => {
    expect(limitInWords(volts)).toBe('11.34 V to 13.2 V');
    expect(limitInWords({ ...volts, least: null })).toBe('at most 13.2 V');
    expect(limitInWords({ ...volts, most: null })).toBe('at least 11.34 V');
    expect(limitInWords({ ...volts, least: null, most: null })).toBe('noted');
    expect(limitInWords(watched)).toBe('24 h without a drop, at most 0.1 % lost');
  });
});

describe('a soak', () => {
  it('holds after its hours without a drop', () => {
    expect(judge(soak(), watched)).toEqual({ holds: true, message: '24.0 h without a drop.' });
  });

  it('says what is missing: hours, drops, losses, hours that nobody counted', () => {
    expect(judge(soak({ hours: 20.5 }), watched).message).toBe('20.5 h of 24 h.');
    expect(judge(soak({ drops: 1, worstHour: 3 }), watched).message).toBe(
      'the link went away once. Most of it around 3:00.',
    );
    expect(judge(soak({ lostPercent: 0.4 }), watched).message).toBe('0.40 % lost, at most 0.1 % allowed.');
    expect(judge(soak({ gapMinutes: 90 }), watched).message).toBe('nobody counted for 90 min of it.');
    expect(judge(soak({ gapMinutes: 20 }), watched).holds).toBe(true);
  });

  it('reads as it was', () => {
    expect(foundInWords(soak({ drops: 2, gapMinutes: 12 }), watched)).toBe(
      '24.0 h, 2 drops, 0.02 % lost, 12 min not counted',
    );
    expect(foundInWords({ kind: 'seen', isSo: false }, { kind: 'seen' })).toBe('no');
    expect(foundInWords({ kind: 'figure', value: 12.04 }, volts)).toBe('12.0 V');
  });
});
