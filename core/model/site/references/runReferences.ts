import { cableOf, powerCable, signalCable } from '#core/physics/cable';
import { conductorsOf, conductorsUsed } from '../sharedCable';
import type { Fact, Site } from '../site';
import { at, unique, type Found } from './found';
import type { ReferenceScope } from './referenceScope';

function checkLeg(run: Fact<'run'>, index: number, found: Found): void {
  const segment = run.segments[index]!;
  const { leg, cable, sheet } = segment;
  const path = at('run', run.id, `segments[${index}].leg`);
  if (leg.kind === 'cores' && leg.outCores + leg.backCores > powerCable(leg.cable).cores) {
    found.add(
      path,
      leg.outCores + leg.backCores,
      `at most ${powerCable(leg.cable).cores} cores of ${leg.cable}`,
    );
  }
  if (sheet && sheet.kind !== signalCable(cable).kind)
    found.add(path, sheet.kind, `a data sheet of ${signalCable(cable).kind === 'coax' ? 'coax' : 'pairs'}`);
  if (leg.kind === 'spare-pairs') {
    const line = cableOf(segment);
    // One pair carries the picture; the others are spare.
    const spare = line.kind === 'pair' ? (line.pairs - 1) * 2 : 0;
    if (leg.outCores + leg.backCores > spare)
      found.add(
        path,
        leg.outCores + leg.backCores,
        line.kind === 'pair' ? `at most ${spare} spare conductors` : 'spare pairs only on category cable',
      );
  }
}

function checkFeed(site: Site, run: Fact<'run'>, found: Found): void {
  const { feed } = run;
  if (feed.kind === 'local-adapter') return;
  found.known('supply', feed.supplyId, at('run', run.id, 'feed.supplyId'));
  const supply = site.supply[feed.supplyId];
  if (supply && !supply.outputs.some((output) => output.number === feed.output)) {
    found.add(
      at('run', run.id, 'feed.output'),
      feed.output,
      `an output of ${supply.name}: ${supply.outputs.map((output) => output.number).join(', ')}`,
    );
  }
  if (feed.kind === 'along-run') {
    const bare = run.segments.findIndex((segment) => segment.leg.kind === 'none');
    if (bare >= 0)
      found.add(
        at('run', run.id, `segments[${bare}].leg`),
        'none',
        'power cores or spare pairs in every segment of a run fed along it',
      );
  } else if (feed.outCores + feed.backCores > powerCable(feed.cable).cores) {
    found.add(
      at('run', run.id, 'feed.outCores'),
      feed.outCores + feed.backCores,
      `at most ${powerCable(feed.cable).cores} cores of ${feed.cable}`,
    );
  }
}

/** What runs lead from, along and to, what feeds them, and the cores that they take of their cables. */
export function checkRuns(site: Site, scope: ReferenceScope, found: Found): void {
  for (const run of scope.facts('run')) {
    found.known('camera', run.cameraId, at('run', run.id, 'cameraId'));
    found.known('place', run.headEndId, at('run', run.id, 'headEndId'));
    if (run.newRoute?.kind === 'open')
      found.known('place', run.newRoute.fromPlaceId, at('run', run.id, 'newRoute.fromPlaceId'));
    run.segments.forEach(({ routeIds }, index) => {
      checkLeg(run, index, found);
      for (const id of routeIds ?? [])
        found.known('route', id, at('run', run.id, `segments[${index}].routeIds`));
    });
    checkFeed(site, run, found);
    if (run.patchedTo) {
      found.known('recorder', run.patchedTo.recorderId, at('run', run.id, 'patchedTo.recorderId'));
      const recorder = site.recorder[run.patchedTo.recorderId];
      if (recorder && run.patchedTo.input > recorder.inputs)
        found.add(
          at('run', run.id, 'patchedTo.input'),
          run.patchedTo.input,
          `an input from 1 to ${recorder.inputs} of ${recorder.name}`,
        );
    }
  }
  if (!scope.mayClash('run')) return;
  const runs = Object.values(site.run);
  unique(
    runs,
    (run) => run.cameraId,
    (run, first) =>
      found.add(
        at('run', run.id, 'cameraId'),
        run.cameraId,
        `one camera on one run's end; run ${first.id} already ends there`,
      ),
  );
  unique(
    runs,
    (run) => run.patchedTo && `${run.patchedTo.recorderId}/${run.patchedTo.input}`,
    (run, first) =>
      found.add(
        at('run', run.id, 'patchedTo.input'),
        run.patchedTo?.input,
        `an input of its own; run ${first.id} is patched there`,
      ),
  );
}

/** Whoever shares a cable has a segment of that cable, in one sheath alone, and together they use no more conductors than it has. */
export function checkSheaths(site: Site, scope: ReferenceScope, found: Found): void {
  if (!scope.mayClash('sheath') && !scope.mayClash('run')) return;
  const sheaths = Object.values(site.sheath);
  for (const { id, members } of sheaths) {
    const segments = members.flatMap(({ runId, segment }) => site.run[runId]?.segments[segment] ?? []);
    members.forEach(({ runId, segment }) => {
      found.known('run', runId, at('sheath', id, 'members'));
      const run = site.run[runId];
      if (run && !run.segments[segment])
        found.add(at('sheath', id, 'members'), segment, `a segment that run ${runId} has`);
    });
    const [first] = segments;
    const most = first ? conductorsOf(first) : null;
    if (most === null || segments.some(({ cable }) => cable !== first!.cable)) {
      if (first) found.add(at('sheath', id, 'members'), first.cable, 'segments of one kind of pair cable');
      continue;
    }
    const used = segments.reduce((sum, segment) => sum + conductorsUsed(segment), 0);
    if (used > most)
      found.add(
        at('sheath', id, 'members'),
        used,
        `at most ${most} conductors of one cable; together they use ${used}`,
      );
  }
  unique(
    sheaths.flatMap((sheath) => sheath.members.map((member) => ({ sheath, member }))),
    ({ member: { runId, segment } }) => `${runId}/${segment}`,
    ({ sheath, member }, first) =>
      found.add(
        at('sheath', sheath.id, 'members'),
        member.runId,
        `each segment in one cable; run ${member.runId} is in ${first.sheath.name}`,
      ),
  );
}
