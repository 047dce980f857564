import { describe, expect, it } from 'vitest';
import { inRange, rangesIn, rangesText } from '.';

describe('ranges of addresses', () => {
  it('have both their ends', () => {
    const range = { from: '10.20.0.250', to: '10.20.1.4' };
    const isIn = (address: string) => inRange(address, range);
    expect(['10.20.0.250', '10.20.1.0', '10.20.1.4'].map(isIn)).toEqual([true, true, true]);
    expect(['10.20.0.249', '10.20.1.5', '10.2.0.251'].map(isIn)).toEqual([false, false, false]);
  });
  it('are read as they are written, with a dash too, and alone', () => {
    const text = '10.20.0.200 to 10.20.0.250, 10.20.0.4';
    const ranges = [
      { from: '10.20.0.200', to: '10.20.0.250' },
      { from: '10.20.0.4', to: '10.20.0.4' },
    ];
    expect(rangesIn(text)).toEqual(ranges);
    expect(rangesText(ranges)).toBe(text);
    expect(rangesIn('10.20.0.200-10.20.0.250;10.20.0.4')).toEqual(ranges);
    expect(rangesIn('10.20.0.200 – 10.20.0.250')).toEqual([ranges[0]]);
    expect(rangesIn(' ')).toEqual([]);
  });
  it.each(['10.20.0.250 to 10.20.0.200', '10.20.0', 'some', '10.20.0.1 to', '10.20.0.300'])(
    '“%s” is none',
    (text) => expect(rangesIn(text)).toBeNull(),
  );
});
