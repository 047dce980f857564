import { describe, expect, it } from 'vitest';
import type { Camera, Recorder, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { formatCheck } from './formatCheck';

const site = saltmarrowSite();
const check = (fields: Partial<Camera> = {}, recorder: Partial<Recorder> = {}) => {
  const run = site.run['r03']!;
  const id = run.patchedTo!.recorderId;
  const at: Site = { ...site, recorder: { ...site.recorder, [id]: { ...site.recorder[id]!, ...recorder } } };
  return formatCheck(at, run, { ...site.camera['c03']!, ...fields });
};

describe('camera and input', () => {
  it('agree where the input takes the format', () =>
    expect(check()).toMatchObject({ agrees: true, wrong: [] }));
  it('do not where it takes another, or counts other lines', () => {
    expect(check({}, { accepts: ['cvbs'] }).wrong.join()).toMatch(
      /sends HD over coax, 1 MP; input \d+ of Hall recorder does not take that/,
    );
    expect(check({ lineStandard: '625/50' }, { lineStandard: '525/60' }).wrong.join()).toMatch(
      /the picture rolls or is torn/,
    );
    expect(check({ lineStandard: '625/50' }, { lineStandard: '625/50' }).agrees).toBe(true);
  });
  it('are not held against each other where the input is not noted', () => {
    const { patchedTo: _, ...run } = site.run['r03']!;
    expect(formatCheck(site, run, site.camera['c03']!)).toMatchObject({
      agrees: false,
      wrong: [expect.stringContaining('not noted')],
    });
  });
  it('tells the way back before a format is forced', () => {
    expect(check().before.join()).toMatch(/may not be reached over the cable again/);
    expect(check({ format: 'cvbs' }).before.join()).toMatch(
      /Some cameras that send composite have a menu over the cable/,
    );
    expect(check({}, { blockSize: 4 }).before.join()).toMatch(/blocks of 4/);
  });
});
