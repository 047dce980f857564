import { expect, it } from 'vitest';
import { circleOf } from './noCircles.ts';

const circle = (imports: Record<string, string[]>) => circleOf(new Map(Object.entries(imports)));

it('finds files that wait for each other, and no others', () => {
  expect(circle({ page: ['words', 'ohms'], words: ['ohms'], ohms: [], later: ['page', 'ohms'] })).toBeNull();
  expect(circle({ page: ['words'], words: ['ohms'], ohms: ['words'] })).toEqual(['words', 'ohms', 'words']);
  expect(circle({ page: ['page'] })).toEqual(['page', 'page']);
});
