import { describe, expect, it } from 'vitest';
import {
  addRun,
  applyChanges,
  asKind,
  cameraKinds,
  emptySite,
  noteCamera,
  withJoint,
  withSegment,
  withSegmentAfter,
  type Camera,
  type Change,
  type Place,
  type Run,
  type Site,
} from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { assumedFacts, runGaps, siteGaps } from '.';

const after = (site: Site, ...changes: Change[]): Site => {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};
const annex = emptySite('Saltmarrow annex', 'Annex');
const { changes, runId } = addRun(annex, {
  number: 1,
  name: 'Annex stair',
  placeName: 'Stair',
  headEndId: 'head-end',
  cable: 'coax-rg59-cu',
  lengthM: 30,
  supplyId: null,
});
const started = after(annex, ...changes);
const fields = (site: Site, before: 'test' | 'decide') =>
  runGaps(site, site.run[runId]!)
    .filter((gap) => gap.before === before)
    .map(({ target }) => (target.kind === 'run' ? target.field : target.kind));
const run = (site: Site): Run => site.run[runId]!;
const camera = (site: Site): Camera => site.camera[run(site).cameraId]!;
const setCamera = (site: Site, set: Camera): Site => after(site, { kind: 'camera', id: set.id, set });

describe('what is left to note', () => {
  it('of a run that was only named: all that was assumed', () => {
    expect(fields(started, 'test')).toEqual([
      'place',
      'supply',
      'watts',
      'format',
      'lineStandard',
      'lamps',
      'heater',
      'length',
    ]);
    expect(fields(started, 'decide')).toEqual([
      'body',
      'microphone',
      'lens',
      'targetM',
      'purpose',
      'worthKeeping',
      'print',
      'patched',
      'newRoute',
    ]);
  });
  it('a template answers for the camera, but for what is special to its view', () => {
    const noted = setCamera(started, asKind(camera(started), cameraKinds[1]!));
    expect(fields(noted, 'test')).toEqual(['place', 'length']);
    expect(fields(noted, 'decide')).toEqual([
      'targetM',
      'purpose',
      'worthKeeping',
      'print',
      'patched',
      'newRoute',
    ]);
  });
  it('a field that is noted is no longer asked for, even where it stays as it was assumed', () => {
    const noted = setCamera(started, noteCamera(camera(started), { lamps: camera(started).lamps }));
    expect(fields(noted, 'test')).not.toContain('lamps');
  });
  it('ends with nothing that holds up a test', () => {
    const { assumed: _, ...place } = started.place['stair'] as Place;
    const [segment] = run(started).segments;
    const measured: Run = {
      ...run(started),
      segments: [
        {
          ...segment!,
          lengthFrom: 'jacket-marks',
          marks: { head: 100, far: 131, unit: 'm' },
          lengthM: 31,
          spreadM: 1,
        },
      ],
    };
    const ready = after(
      setCamera(started, asKind(camera(started), cameraKinds[0]!)),
      { kind: 'place', id: 'stair', set: place },
      { kind: 'run', id: runId, set: measured },
    );
    expect(fields(ready, 'test')).toEqual([]);
  });
  it('asks to go again where nobody got there, and says what contradicts', () => {
    const [segment] = run(started).segments;
    const disputed: Run = {
      ...run(started),
      unreached: { why: 'locked', at: '2026-03-12T09:00:00Z', by: 'R. Tolland' },
      segments: [
        { ...segment!, marks: { head: 100, far: 131, unit: 'm' }, measured: { lengthM: 48, spreadM: 1 } },
      ],
    };
    const site = after(started, { kind: 'run', id: runId, set: disputed });
    const gaps = runGaps(site, disputed);
    expect(gaps[0]!.message).toBe('Could not be reached: locked. Go again.');
    expect(gaps.find(({ target }) => target.kind === 'run' && target.field === 'dispute')).toMatchObject({
      before: 'test',
      target: { segment: 0 },
    });
  });
  it('names a camera without a run, and a head end without a recorder', () => {
    const lone: Camera = { ...camera(started), id: 'c02', number: 2, name: 'Annex door' };
    const asked = siteGaps(after(started, { kind: 'camera', id: 'c02', set: lone })).map((gap) => [
      gap.cameraId,
      gap.message,
    ]);
    expect(asked).toContainEqual(['c02', 'Which cable runs to it? It has none yet.']);
    expect(asked).toContainEqual([null, 'Which recorder stands here? None is noted.']);
  });
  it('comes place by place, each gap once', () => {
    const gaps = siteGaps(saltmarrowSite());
    expect(new Set(gaps.map(({ id }) => id)).size).toBe(gaps.length);
    const places = gaps.map(({ placeId }) => placeId);
    expect(places.filter((id, at) => id !== places[at - 1])).toEqual([...new Set(places)]);
  });
});

describe('facts that the program made up', () => {
  const site = saltmarrowSite();
  const added = addRun(site, {
    number: 91,
    name: 'Stair',
    placeName: 'Workshop',
    headEndId: 'ticket-hall',
    cable: 'coax-rg59-cu',
    lengthM: 40,
    supplyId: 'hall-box',
  });
  const with91 = (run: Run): Site => after(site, ...added.changes, { kind: 'run', id: run.id, set: run });
  const powered = (): Run => after(site, ...added.changes).run[added.runId]!;
  const asked = (run: Run): string[] =>
    runGaps(with91(run), run).flatMap(({ target }) => (target.kind === 'run' ? [target.field] : []));
  it('a new run’s power cores are assumed until somebody notes them, even as they are', () => {
    const run = powered();
    expect(run.segments[0]!.assumed).toEqual(['leg']);
    expect(asked(run)).toContain('leg');
    expect(assumedFacts(with91(run), run)).toContain('power cores');
    const noted = withSegment(run, 0, { leg: run.segments[0]!.leg });
    expect(noted.segments[0]!.assumed).toBeUndefined();
    expect(asked(noted)).not.toContain('leg');
  });
  it('a segment that is added has a length and a joint that nobody has seen', () => {
    const more = withSegmentAfter(powered(), 0);
    expect(more.segments.map(({ assumed }) => assumed)).toEqual([
      ['leg', 'joint'],
      ['lengthM', 'leg'],
    ]);
    expect(asked(more)).toEqual(expect.arrayContaining(['joint', 'leg', 'length']));
    const seen = withJoint(withSegment(more, 1, { lengthM: 12 }), 0, 'crimp');
    expect(seen.segments.map(({ assumed }) => assumed)).toEqual([['leg'], ['leg']]);
  });
});
