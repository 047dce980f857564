import { powerCable, signalCable } from '#core/cable';
import type { Problem } from '#core/problems';
import { slotCount } from './headEnd';
import { kinds, type Fact, type Kind, type Site } from './site';

/** Points at a field of a fact: `run/r08/cameraId`. */
const at = (kind: Kind, id: string, field: string): string => `${kind}/${id}/${field}`;

interface Found {
  add(path: string, value: unknown, allowed: string): void;
  /** Notes an id that leads nowhere. */
  known(kind: Kind, id: string, path: string): void;
}

/** Says of two facts that claim the same thing which is the later one. */
function unique<T>(facts: readonly T[], key: (fact: T) => string | undefined, clash: (fact: T, first: T) => void): void {
  const seen = new Map<string, T>();
  for (const fact of facts) {
    const claimed = key(fact);
    if (claimed === undefined) continue;
    const first = seen.get(claimed);
    if (first) clash(fact, first);
    else seen.set(claimed, fact);
  }
}

function checkCameras(site: Site, found: Found): void {
  const cameras = Object.values(site.camera);
  for (const camera of cameras) found.known('place', camera.placeId, at('camera', camera.id, 'placeId'));
  unique(cameras, (camera) => String(camera.number), (camera, first) =>
    found.add(at('camera', camera.id, 'number'), camera.number, `a number of its own; camera “${first.name}” has this one`));
}

function checkSupplies(site: Site, found: Found): void {
  for (const supply of Object.values(site.supply)) {
    found.known('place', supply.placeId, at('supply', supply.id, 'placeId'));
    unique(supply.outputs, (output) => String(output.number), (output) =>
      found.add(at('supply', supply.id, 'outputs'), output.number, 'each output number once'));
  }
}

function checkLeg(run: Fact<'run'>, index: number, found: Found): void {
  const { leg, cable } = run.segments[index]!;
  const path = at('run', run.id, `segments[${index}].leg`);
  if (leg.kind === 'cores' && leg.outCores + leg.backCores > powerCable(leg.cable).cores) {
    found.add(path, leg.outCores + leg.backCores, `at most ${powerCable(leg.cable).cores} cores of ${leg.cable}`);
  }
  if (leg.kind === 'spare-pairs') {
    const line = signalCable(cable);
    // One pair carries the picture; the others are spare.
    const spare = line.kind === 'pair' ? (line.pairs - 1) * 2 : 0;
    if (leg.outCores + leg.backCores > spare) found.add(path, leg.outCores + leg.backCores, line.kind === 'pair' ? `at most ${spare} spare conductors` : 'spare pairs only on category cable');
  }
}

function checkFeed(site: Site, run: Fact<'run'>, found: Found): void {
  const { feed } = run;
  if (feed.kind === 'local-adapter') return;
  found.known('supply', feed.supplyId, at('run', run.id, 'feed.supplyId'));
  const supply = site.supply[feed.supplyId];
  if (supply && !supply.outputs.some((output) => output.number === feed.output)) {
    found.add(at('run', run.id, 'feed.output'), feed.output, `an output of ${supply.name}: ${supply.outputs.map((output) => output.number).join(', ')}`);
  }
  if (feed.kind === 'along-run') {
    const bare = run.segments.findIndex((segment) => segment.leg.kind === 'none');
    if (bare >= 0) found.add(at('run', run.id, `segments[${bare}].leg`), 'none', 'power cores or spare pairs in every segment of a run fed along it');
  } else if (feed.outCores + feed.backCores > powerCable(feed.cable).cores) {
    found.add(at('run', run.id, 'feed.outCores'), feed.outCores + feed.backCores, `at most ${powerCable(feed.cable).cores} cores of ${feed.cable}`);
  }
}

function checkRuns(site: Site, found: Found): void {
  const runs = Object.values(site.run);
  for (const run of runs) {
    found.known('camera', run.cameraId, at('run', run.id, 'cameraId'));
    found.known('place', run.headEndId, at('run', run.id, 'headEndId'));
    if (run.newRoute?.kind === 'open') found.known('place', run.newRoute.fromPlaceId, at('run', run.id, 'newRoute.fromPlaceId'));
    run.segments.forEach((_, index) => checkLeg(run, index, found));
    checkFeed(site, run, found);
    if (run.patchedTo) {
      found.known('recorder', run.patchedTo.recorderId, at('run', run.id, 'patchedTo.recorderId'));
      const recorder = site.recorder[run.patchedTo.recorderId];
      if (recorder && run.patchedTo.input > recorder.inputs) found.add(at('run', run.id, 'patchedTo.input'), run.patchedTo.input, `an input from 1 to ${recorder.inputs} of ${recorder.name}`);
    }
  }
  unique(runs, (run) => run.cameraId, (run, first) => found.add(at('run', run.id, 'cameraId'), run.cameraId, `one camera on one run's end; run ${first.id} already ends there`));
  unique(runs, (run) => run.patchedTo && `${run.patchedTo.recorderId}/${run.patchedTo.input}`, (run, first) =>
    found.add(at('run', run.id, 'patchedTo.input'), run.patchedTo?.input, `an input of its own; run ${first.id} is patched there`));
}

function checkDecisions(site: Site, found: Found): void {
  for (const choice of Object.values(site.choice)) found.known('camera', choice.id, at('choice', choice.id, 'id'));
  const placements = Object.values(site.placement);
  for (const placement of placements) {
    found.known('camera', placement.id, at('placement', placement.id, 'id'));
    found.known('recorder', placement.recorderId, at('placement', placement.id, 'recorderId'));
    const recorder = site.recorder[placement.recorderId];
    if (recorder && placement.slot > slotCount(recorder)) found.add(at('placement', placement.id, 'slot'), placement.slot, `a slot from 1 to ${slotCount(recorder)} of ${recorder.name}`);
  }
  unique(placements, (placement) => `${placement.recorderId}/${placement.slot}`, (placement, first) =>
    found.add(at('placement', placement.id, 'slot'), placement.slot, `a free slot; camera ${first.id} is on this one`));
}

/**
 * What does not fit together in a site whose single facts are each well formed: ids that lead nowhere,
 * two claims on one thing, cores that a cable does not have.
 */
export function referenceProblems(site: Site): Problem[] {
  const problems: Problem[] = [];
  const found: Found = {
    add: (path, value, allowed) => void problems.push({ path, value: JSON.stringify(value), allowed }),
    known: (kind, id, path) => {
      if (!site[kind][id]) found.add(path, id, `the id of a ${kind} of this site`);
    },
  };
  for (const kind of kinds) {
    for (const [id, fact] of Object.entries(site[kind])) if (fact.id !== id) found.add(at(kind, id, 'id'), fact.id, 'the id it is filed under');
  }
  if (!site.about['about']) found.add('about', null, 'one record that says what the site is called');
  for (const recorder of Object.values(site.recorder)) found.known('place', recorder.placeId, at('recorder', recorder.id, 'placeId'));
  checkCameras(site, found);
  checkSupplies(site, found);
  checkRuns(site, found);
  for (const reading of Object.values(site.reading)) found.known('run', reading.runId, at('reading', reading.id, 'runId'));
  checkDecisions(site, found);
  return problems;
}
