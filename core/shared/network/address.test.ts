import { describe, expect, it } from 'vitest';
import { inNetwork, planAddresses } from '.';

const network = { address: '10.20.0.5', prefixBits: 24 };

describe('addresses', () => {
  it('are in a network by its first bits', () => {
    expect(inNetwork('10.20.0.130', network)).toBe(true);
    expect(inNetwork('10.20.1.5', network)).toBe(false);
    expect(inNetwork('10.20.1.5', { ...network, prefixBits: 23 })).toBe(true);
  });
  it('are planned by the camera’s number, past those that are taken', () =>
    expect(planAddresses(network, [1, 14, 15], ['10.20.0.114'])).toEqual([
      '10.20.0.101',
      '10.20.0.100',
      '10.20.0.115',
    ]));
  it('stay within a small network, and run out', () => {
    expect(planAddresses({ address: '10.0.0.1', prefixBits: 30 }, [1, 2, 3], ['10.0.0.1'])).toEqual([
      '10.0.0.2',
      null,
      null,
    ]);
  });
});
