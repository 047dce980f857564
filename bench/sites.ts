import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Highs } from 'highs';
import { planningInput, planSite } from '#core/decide/plan';
import { evaluateSite, planSolver, slotSite } from '#core/evaluate';
import { keptTrace, lineOf } from '#core/test/findings';
import { forwardTrace } from '#core/physics/reflectometer';
import { demandsOf, parseSiteFile, withChanges, type Fact, type Kind, type Site } from '#core/model/site';

/** The demo site as it ships. */
export function demoSite(): Site {
  const read = parseSiteFile(readFileSync(path.resolve('demo/saltmarrow.neotrope.json'), 'utf8'));
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** Equipment whose monitors show no camera: copies have ids of their own. */
const withoutTiles = (equipment: Site['equipment']): Record<string, Fact<'equipment'>> =>
  Object.fromEntries(
    Object.values(equipment).map((one) => [
      one.id,
      one.gear.kind === 'monitor' ? { ...one, gear: { kind: 'monitor', input: one.gear.input } } : one,
    ]),
  );

/**
 * A site of `count` cameras made of copies of the demo, each under ids of its own, with lengths that vary so that no
 * two copies are worth the same work.
 */
export function generatedSite(count: number): Site {
  const demo = demoSite();
  const cameras = Object.values(demo.camera)
    .filter(({ id }) => !demo.networkCamera[id])
    .sort((a, b) => a.number - b.number);
  const site: Record<Kind, Record<string, Fact<Kind>>> = {
    ...demo,
    camera: {},
    recorder: {},
    run: {},
    reading: {},
    choice: {},
    placement: {},
    stream: {},
    networkConfig: {},
    networkCamera: {},
    pin: {},
    photo: {},
    sheath: {},
    equipment: withoutTiles(demo.equipment),
  };
  for (let n = 0; n < count; n += 1) {
    const like = cameras[n % cameras.length]!;
    const copy = Math.floor(n / cameras.length);
    const renamed = (id: string) => `${id}-${copy}`;
    const run = Object.values(demo.run).find(({ cameraId }) => cameraId === like.id)!;
    const { recorderId, input } = run.patchedTo!;
    site.camera[renamed(like.id)] = { ...like, id: renamed(like.id), number: n + 1 };
    site.recorder[renamed(recorderId)] = { ...demo.recorder[recorderId]!, id: renamed(recorderId) };
    site.run[renamed(run.id)] = {
      ...run,
      id: renamed(run.id),
      cameraId: renamed(like.id),
      patchedTo: { recorderId: renamed(recorderId), input },
      segments: run.segments.map((segment) => ({ ...segment, lengthM: segment.lengthM * (1 + copy / 1000) })),
    };
    for (const reading of Object.values(demo.reading)) {
      if (reading.runId === run.id)
        site.reading[renamed(reading.id)] = { ...reading, id: renamed(reading.id), runId: renamed(run.id) };
    }
    const choice = demo.choice[like.id];
    if (choice) site.choice[renamed(like.id)] = { ...choice, id: renamed(like.id) };
  }
  for (let copy = 0; copy * cameras.length < count; copy += 1)
    for (const sheath of Object.values(demo.sheath)) {
      const members = sheath.members.map((member) => ({ ...member, runId: `${member.runId}-${copy}` }));
      const id = `${sheath.id}-${copy}`;
      if (members.every(({ runId }) => runId in site.run)) site.sheath[id] = { ...sheath, id, members };
    }
  return site as Site;
}

const pulse = { centreNs: 60, widthNs: 26, edgeNs: 10, volts: 1 };

/** The same site with a reflectometer trace of every run, a joint somewhere on it. */
export function tracedSite(site: Site): Site {
  const reading: Record<string, Site['reading'][string]> = { ...site.reading };
  for (const run of Object.values(site.run)) {
    const lengthM = run.segments.reduce((sum, segment) => sum + segment.lengthM, 0);
    const trace = forwardTrace(
      lineOf(run.segments, [{ atM: lengthM * 0.4, fault: { kind: 'series', ohms: 8 } }], { kind: 'open' }),
      pulse,
      75,
      2,
      2048,
    );
    const id = `${run.id}-reflectometer`;
    reading[id] = {
      id,
      runId: run.id,
      test: 'reflectometer',
      trace: keptTrace(trace),
      at: '2026-03-12T09:00:00Z',
      by: 'I. Marlow',
      instrument: 'Echo box',
    };
  }
  return { ...site, reading };
}

/** The demo with its best plan adopted and every camera on a slot. */
export function decidedDemo(highs: Highs): Site {
  const demo = demoSite();
  const planning = planSite(planSolver(highs), planningInput(demo, demandsOf(demo)));
  if (planning.kind !== 'plan') throw new Error('the demo has no plan');
  const given = { at: '2026-03-12T09:00:00Z', by: 'R. Tolland' };
  const choice = Object.fromEntries(
    Object.entries(planning.plan.options).map(([id, option]) => [id, { id, option, ...given }]),
  );
  const chosen: Site = { ...demo, choice };
  return withChanges(chosen, slotSite(highs, chosen, evaluateSite(chosen).allocation, 'all').changes);
}
