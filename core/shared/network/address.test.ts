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
  it('leave the gateway alone, and the first one where nobody has noted it', () => {
    const small = { address: '10.0.0.9', prefixBits: 28 };
    expect(planAddresses({ ...small, gateway: '10.0.0.3' }, [2], [])).toEqual(['10.0.0.1']);
    expect(planAddresses({ ...small, gateway: '10.0.0.14' }, [13], [])).toEqual(['10.0.0.1']);
    expect(planAddresses(small, [20], [])).toEqual(['10.0.0.2']);
  });
  it('come quickly out of a network of millions, and of two both are used', () => {
    expect(planAddresses({ address: '10.0.0.1', prefixBits: 8 }, [1, 2], [])).toEqual([
      '10.0.0.101',
      '10.0.0.102',
    ]);
    expect(planAddresses({ address: '10.0.0.0', prefixBits: 31 }, [1, 2, 3], [])).toEqual([
      '10.0.0.1',
      '10.0.0.0',
      null,
    ]);
  });
  it('are none of those that are kept', () =>
    expect(
      planAddresses(
        network,
        [1, 2],
        [],
        [
          { from: '10.20.0.100', to: '10.20.0.101' },
          { from: '10.20.0.104', to: '10.20.0.104' },
        ],
      ),
    ).toEqual(['10.20.0.102', '10.20.0.103']));
  it('stay within a small network, and run out', () => {
    expect(planAddresses({ address: '10.0.0.1', prefixBits: 30 }, [1, 2, 3], ['10.0.0.1'])).toEqual([
      '10.0.0.2',
      null,
      null,
    ]);
  });
});
