import { expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { keptLast } from './keptLast';

it('is worked out again only for another run, or from other parts', () => {
  const { r01, r02 } = saltmarrowSite().run;
  const kept = keptLast<number>();
  let count = 0;
  const ask = (run: typeof r01, ...from: unknown[]): number => kept(run!, from, () => (count += 1));
  const reading = { value: 3 };
  expect([ask(r01, reading), ask(r01, reading), ask(r02, reading), ask(r01, reading)]).toEqual([1, 1, 2, 1]);
  expect([ask(r01, { value: 3 }), ask(r01, undefined), ask(r01, undefined)]).toEqual([3, 4, 4]);
});
