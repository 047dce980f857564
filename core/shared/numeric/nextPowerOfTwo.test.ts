import { expect, it } from 'vitest';
import { nextPowerOfTwo } from '.';

it.each([
  [1, 1],
  [2, 2],
  [3, 4],
  [256, 256],
  [256.5, 512],
  [1000, 1024],
])('at least %d: %d', (atLeast, power) => expect(nextPowerOfTwo(atLeast)).toBe(power));
