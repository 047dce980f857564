import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { isFound, runIndex } from '.';

const site = saltmarrowSite();
const index = runIndex(site);
const found = (typed: string): number[] =>
  Object.values(site.run)
    .filter(({ id }) => isFound(index.get(id)!, typed))
    .map(({ cameraId }) => site.camera[cameraId]!.number)
    .sort((a, b) => a - b);
const withCable = (part: RegExp): number[] =>
  Object.values(site.run)
    .filter(({ segments }) => segments.some(({ cable }) => part.test(cable)))
    .map(({ cameraId }) => site.camera[cameraId]!.number)
    .sort((a, b) => a - b);

describe('finding runs as people call them', () => {
  it.each(['RG-59', 'rg59', 'RG 59', 'rg-59'])('%s: every run with some of it', (typed) => {
    expect(found(typed)).toEqual(expect.arrayContaining(withCable(/^rg59/)));
    expect(found(typed).length).toBeLessThan(24);
  });
  it.each(['Cat 5e', 'cat5e', 'CAT-5E'])('%s: the category cable', (typed) => {
    expect(found(typed)).toEqual(withCable(/cat5e/));
    expect(found(typed).length).toBeGreaterThan(0);
  });
  it('a number is that camera, and not every number it stands in', () => {
    const numbers = found('6');
    expect(numbers).toContain(6);
    expect(numbers).not.toContain(16);
  });
  it('places, names by their parts, inputs and readings', () => {
    expect(found('quay')).toEqual(expect.arrayContaining([12, 13, 14, 15, 16]));
    expect(found('ramp east')).toEqual([13]);
    expect(found('input 13')).toContain(13);
    expect(found('night 8.9')).toEqual([8]);
  });
  it('nothing typed finds everything, nonsense nothing', () => {
    expect(found('  ')).toHaveLength(Object.keys(site.run).length);
    expect(found('lighthouse xyz')).toEqual([]);
  });
});
