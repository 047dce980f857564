import { expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { areCoresPrinted, isCoaxPrinted } from './printed';

const { run } = saltmarrowSite();

it('a jacket that says bare copper tells of the coax, one without its metal does not', () => {
  expect(isCoaxPrinted(run['r13']!)).toBe(true);
  expect(isCoaxPrinted(run['r14']!)).toBe(false);
  expect(isCoaxPrinted(run['r04']!)).toBe(false);
});

it('and of cores in the same jacket, never of a pair that lies apart', () => {
  expect(areCoresPrinted(run['r01']!)).toBe(true);
  expect(areCoresPrinted(run['r22']!)).toBe(true);
  expect(
    areCoresPrinted({ ...run['r22']!, segments: run['r22']!.segments.map(({ print: _, ...bare }) => bare) }),
  ).toBe(false);
  const apart = Object.values(run).find(({ feed }) => feed.kind === 'separate-pair');
  if (apart) expect(areCoresPrinted(apart)).toBe(false);
});
