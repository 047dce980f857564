import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import type { Camera, Reading, Run, Site } from '#core/model/site';
import { forwardTrace, type Pulse } from '#core/physics/reflectometer';
import { keptTrace, lineOf, type FaultAt } from '#core/test/findings';
import { saltmarrowSite } from '../../model/site/testSite';
import type { FeasibleOption, Option } from '.';

const demo = saltmarrowSite();
const pulse: Pulse = { centreNs: 40, widthNs: 20, edgeNs: 8, volts: 1 };
const about = { at: '2026-06-01T08:00:00Z', by: 'I. Marlow', instrument: 'Echo box' };

function traced(site: Site, runId: string, ...faults: FaultAt[]): Site {
  const run: Run = site.run[runId]!;
  const trace = keptTrace(forwardTrace(lineOf(run.segments, faults, { kind: 'open' }), pulse, 75, 1, 4096));
  const reading: Reading = { id: `${runId}-x`, runId, test: 'reflectometer', trace, ...about };
  return { ...site, reading: { ...site.reading, [reading.id]: reading } };
}
const read = (
  site: Site,
  runId: string,
  test: 'coax-loop-ohms' | 'power-loop-ohms',
  value: number,
): Site => ({
  ...site,
  reading: {
    ...site.reading,
    [`${runId}-${test}-x`]: { id: `${runId}-${test}-x`, runId, test, value, ...about },
  },
});
const mend = (site: Site, runId: string): Option =>
  evaluateSite(site)
    .runs.find(({ run }) => run.id === runId)!
    .options.find(({ kind }) => kind === 'mend-line')!;
function possible(site: Site, runId: string): FeasibleOption {
  const option = mend(site, runId);
  if (option.state === 'no') throw new Error(option.why);
  return option;
}
const joint: FaultAt = { atM: 40, fault: { kind: 'series', ohms: 30 } };

describe('mending the line', () => {
  it('is nothing where nothing was found, and waits for the metre where only the loop tells of a joint', () => {
    expect(mend(demo, 'r01')).toMatchObject({ state: 'no', short: 'no joint' });
    expect(mend(demo, 'r13')).toMatchObject({
      state: 'no',
      short: 'not located',
      remedy: expect.stringMatching(/trace/) as string,
    });
  });
  it('remakes what a trace has shown, priced, and says what then holds', () => {
    const site = traced(demo, 'r05', joint);
    const { message, parts, tasks, cautions } = possible(site, 'r05');
    expect(message).toMatch(/^The coax is remade at (39|40|41) m\..*would hold too:.*IP over coax/);
    expect(parts).toContainEqual({ item: 'joint-kit', count: 1 });
    expect(tasks).toContainEqual({ item: 'remake-joint', count: 1 });
    expect(cautions.join()).toMatch(/dead.*Read loop and trace again/);
  });
  it('takes the joint’s loss off the picture, and nothing else', () => {
    const lossOf = ({ margins }: FeasibleOption) =>
      margins.find(({ kind }) => kind === 'picture-loss')!.value;
    const site = traced(demo, 'r05', joint);
    const keep = evaluateSite(site)
      .runs.find(({ run }) => run.id === 'r05')!
      .options.find(({ kind }) => kind === 'keep') as FeasibleOption;
    const sound = evaluateSite(demo)
      .runs.find(({ run }) => run.id === 'r05')!
      .options.find(({ kind }) => kind === 'keep') as FeasibleOption;
    expect(lossOf(possible(site, 'r05'))).toBeLessThan(lossOf(keep));
    expect(lossOf(possible(site, 'r05'))).toBeCloseTo(lossOf(sound), 6);
  });
  it('water is no joint', () => {
    const wet = traced(demo, 'r05', { atM: 40, fault: { kind: 'shunt', ohms: 60 } });
    expect(mend(wet, 'r05')).toMatchObject({ state: 'no', short: 'no joint' });
  });
  it('a joint in the power cores gives the volts of sound ones', () => {
    // Run 8 starves at night; a loop of half as much again as its cores have is a joint in them.
    const site = read(demo, 'r09', 'power-loop-ohms', 12);
    const { message, margins } = possible(site, 'r09');
    expect(message).toMatch(/joint in the power cores/);
    expect(margins.find(({ kind }) => kind === 'night-volts')!.status).toBe('holds');
  });
  it('a soft composite picture gets an equaliser, which is never more than close', () => {
    const { run, camera } = { run: demo.run['r01']!, camera: demo.camera['c01']! };
    const [first, ...rest] = run.segments;
    const long: Site = {
      ...demo,
      run: { ...demo.run, r01: { ...run, segments: [{ ...first!, lengthM: 300 }, ...rest] } },
    };
    const option = possible(long, 'r01');
    expect(option.parts).toContainEqual({ item: 'equaliser', count: 1 });
    expect(option.margins[0]!.status).toBe('close');
    const hd: Camera = { ...camera, format: 'hd1080' };
    expect(mend({ ...long, camera: { ...long.camera, c01: hd } }, 'r01')).toMatchObject({
      short: 'no joint',
    });
  });
});
