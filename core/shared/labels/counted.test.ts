import { expect, it } from 'vitest';
import { counted } from '.';

it('one of a thing is one, none and more are several', () =>
  expect([0, 1, 2].map((count) => counted(count, 'recorder'))).toEqual([
    '0 recorders',
    '1 recorder',
    '2 recorders',
  ]));
