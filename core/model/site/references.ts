import { allocationSettingsId } from './allocationSettings';
import { familyOf, slotCount } from '#core/model/slotRules';
import { powerCable, cableOf, signalCable } from '#core/physics/cable';
import { inNetwork, rangesText } from '#core/shared/network';
import type { Problem } from '#core/shared/problems';
import { carriesIpToday } from './carriesIpToday';
import type { Change } from './change';
import { gateIdOf } from './gateRecord';
import { portsOf, type GearKind, type HookUp } from './equipment';
import { scopeOfChanges, wholeScope, type ReferenceScope } from './referenceScope';
import { conductorsOf, conductorsUsed } from './sharedCable';
import { kinds, type Fact, type Kind, type Site } from './site';

/** Points at a field of a fact: `run/r08/cameraId`. */
const at = (kind: Kind, id: string, field: string): string => `${kind}/${id}/${field}`;

interface Found {
  add(path: string, value: unknown, allowed: string): void;
  /** Notes an id that leads nowhere. */
  known(kind: Kind, id: string, path: string): void;
}

/** Says of two facts that claim the same thing which is the later one. */
function unique<T>(
  facts: readonly T[],
  key: (fact: T) => string | undefined,
  clash: (fact: T, first: T) => void,
): void {
  const seen = new Map<string, T>();
  for (const fact of facts) {
    const claimed = key(fact);
    if (claimed === undefined) continue;
    const first = seen.get(claimed);
    if (first) clash(fact, first);
    else seen.set(claimed, fact);
  }
}

function checkCameras(site: Site, scope: ReferenceScope, found: Found): void {
  for (const camera of scope.facts('camera'))
    found.known('place', camera.placeId, at('camera', camera.id, 'placeId'));
  for (const { id, seenFrom } of scope.facts('camera')) {
    if (!seenFrom) continue;
    found.known('camera', seenFrom.cameraId, at('camera', id, 'seenFrom.cameraId'));
    if (seenFrom.cameraId === id)
      found.add(at('camera', id, 'seenFrom.cameraId'), id, 'another camera than the one whose view it is');
  }
  if (scope.mayClash('camera'))
    unique(
      Object.values(site.camera),
      (camera) => String(camera.number),
      (camera, first) =>
        found.add(
          at('camera', camera.id, 'number'),
          camera.number,
          `a number of its own; camera “${first.name}” has this one`,
        ),
    );
}

function checkSupplies(scope: ReferenceScope, found: Found): void {
  for (const supply of scope.facts('supply')) {
    found.known('place', supply.placeId, at('supply', supply.id, 'placeId'));
    unique(
      supply.outputs,
      (output) => String(output.number),
      (output) => found.add(at('supply', supply.id, 'outputs'), output.number, 'each output number once'),
    );
  }
}

/** A rack or a feed that something says it hangs on has to be that. */
function checkHookUp(site: Site, kind: Kind, id: string, hookUp: HookUp | undefined, found: Found): void {
  const is = (field: 'rackId' | 'fedById', kindsOfGear: readonly GearKind[], allowed: string): void => {
    const other = hookUp?.[field];
    if (other === undefined) return;
    const gear = site.equipment[other]?.gear.kind;
    if (other === id || !gear || !kindsOfGear.includes(gear))
      found.add(at(kind, id, `hookUp.${field}`), other, allowed);
  };
  is('rackId', ['rack'], 'the id of a rack of this site');
  is('fedById', ['circuit', 'ups'], 'the id of a mains circuit or another UPS of this site');
}

function checkHeadEnd(site: Site, scope: ReferenceScope, found: Found): void {
  for (const recorder of scope.facts('recorder')) {
    const { id, inputs } = recorder;
    found.known('place', recorder.placeId, at('recorder', id, 'placeId'));
    checkHookUp(site, 'recorder', id, recorder.hookUp, found);
    if (!familyOf(recorder).takesCoax && inputs > 0)
      found.add(at('recorder', id, 'inputs'), inputs, '0 inputs on a recorder for network cameras only');
    for (const input of [...(recorder.ipInputs ?? []), ...(recorder.forced ?? []).map((one) => one.input)]) {
      if (input > inputs)
        found.add(
          at('recorder', id, 'inputs'),
          inputs,
          `at least ${input} inputs: that one is set to a use of its own`,
        );
    }
    const { network } = recorder;
    for (const range of network?.kept ?? [])
      if (!inNetwork(range.from, network!) || !inNetwork(range.to, network!))
        found.add(
          at('recorder', id, 'network.kept'),
          rangesText([range]),
          `addresses of ${network!.address}/${network!.prefixBits}: ${rangesText([range])} would be kept outside it`,
        );
    const mismatch = familyOf(recorder).mismatch?.(recorder);
    if (mismatch) found.add(at('recorder', id, mismatch.path), inputs, mismatch.allowed);
  }
  for (const supply of scope.facts('supply')) checkHookUp(site, 'supply', supply.id, supply.hookUp, found);
  for (const equipment of scope.facts('equipment')) {
    found.known('place', equipment.placeId, at('equipment', equipment.id, 'placeId'));
    checkHookUp(site, 'equipment', equipment.id, equipment.hookUp, found);
    if (equipment.gear.kind !== 'monitor') continue;
    const { recorderId, matrixId, tiles = [] } = equipment.gear;
    if (matrixId !== undefined && recorderId !== undefined)
      found.add(at('equipment', equipment.id, 'gear.matrixId'), matrixId, 'a recorder or a matrix, not both');
    else if (matrixId !== undefined && site.equipment[matrixId]?.gear.kind !== 'matrix')
      found.add(at('equipment', equipment.id, 'gear.matrixId'), matrixId, 'a matrix that is noted');
    if (recorderId !== undefined)
      found.known('recorder', recorderId, at('equipment', equipment.id, 'gear.recorderId'));
    for (const id of tiles) found.known('camera', id, at('equipment', equipment.id, 'gear.tiles'));
  }
}

function checkDrawings(site: Site, scope: ReferenceScope, found: Found): void {
  for (const pin of scope.facts('pin')) {
    found.known('drawing', pin.drawingId, at('pin', pin.id, 'drawingId'));
    found.known(pin.of.kind, pin.of.id, at('pin', pin.id, 'of'));
  }
  if (scope.mayClash('pin'))
    unique(
      Object.values(site.pin),
      ({ of }) => `${of.kind}/${of.id}`,
      (pin, first) =>
        found.add(at('pin', pin.id, 'of'), pin.of.id, `one spot for each thing; pin ${first.id} is its spot`),
    );
  for (const route of scope.facts('route'))
    found.known('drawing', route.drawingId, at('route', route.id, 'drawingId'));
  for (const photo of scope.facts('photo'))
    found.known(photo.of.kind, photo.of.id, at('photo', photo.id, 'of'));
}

/** What is accepted is there, by readings that are there; while it stands, none of those is struck out. */
function checkSignOff(site: Site, scope: ReferenceScope, found: Found): void {
  const { acceptanceReading: readings } = site;
  for (const { id, of, photoId } of scope.facts('acceptanceReading')) {
    found.known(of.kind, of.id, at('acceptanceReading', id, 'of'));
    if (photoId !== undefined) found.known('photo', photoId, at('acceptanceReading', id, 'photoId'));
  }
  for (const { id, of, photoId } of scope.facts('punchItem')) {
    found.known(of.kind, of.id, at('punchItem', id, 'of'));
    if (photoId !== undefined) found.known('photo', photoId, at('punchItem', id, 'photoId'));
  }
  for (const { id, things, readingIds, exceptions, withdrawn } of scope.facts('acceptance')) {
    for (const { kind, id: of } of things) found.known(kind, of, at('acceptance', id, 'things'));
    for (const { punchId } of exceptions)
      found.known('punchItem', punchId, at('acceptance', id, 'exceptions'));
    for (const readingId of readingIds) {
      found.known('acceptanceReading', readingId, at('acceptance', id, 'readingIds'));
      if (!withdrawn && readings[readingId]?.struck)
        found.add(at('acceptance', id, 'readingIds'), readingId, 'readings that are not struck out');
    }
  }
}

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

function checkRuns(site: Site, scope: ReferenceScope, found: Found): void {
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

function checkDecisions(site: Site, scope: ReferenceScope, found: Found): void {
  for (const choice of scope.facts('choice')) found.known('camera', choice.id, at('choice', choice.id, 'id'));
  for (const placement of scope.facts('placement')) {
    found.known('camera', placement.id, at('placement', placement.id, 'id'));
    found.known('recorder', placement.recorderId, at('placement', placement.id, 'recorderId'));
    const recorder = site.recorder[placement.recorderId];
    if (recorder && placement.slot > slotCount(recorder))
      found.add(
        at('placement', placement.id, 'slot'),
        placement.slot,
        `a slot from 1 to ${slotCount(recorder)} of ${recorder.name}`,
      );
  }
  if (scope.mayClash('placement'))
    unique(
      Object.values(site.placement),
      (placement) => `${placement.recorderId}/${placement.slot}`,
      (placement, first) =>
        found.add(
          at('placement', placement.id, 'slot'),
          placement.slot,
          `a free slot; camera ${first.id} is on this one`,
        ),
    );
  for (const { id } of scope.facts('stream')) found.known('camera', id, at('stream', id, 'id'));
  for (const { id } of scope.facts('networkConfig')) found.known('camera', id, at('networkConfig', id, 'id'));
  for (const { first } of scope.facts('allocationSettings'))
    for (const id of first)
      found.known('camera', id, at('allocationSettings', allocationSettingsId, 'first'));
  for (const { id, cameraIds, mostDark, coverId } of scope.facts('viewRule')) {
    if (coverId !== undefined) found.known('camera', coverId, at('viewRule', id, 'coverId'));
    if (coverId !== undefined && cameraIds.includes(coverId))
      found.add(at('viewRule', id, 'coverId'), coverId, 'a camera that is not one of those that it covers');
    for (const cameraId of cameraIds) found.known('camera', cameraId, at('viewRule', id, 'cameraIds'));
    // As many as there are is no rule.
    if (mostDark >= cameraIds.length)
      found.add(at('viewRule', id, 'mostDark'), mostDark, 'fewer than the cameras that it is about');
  }
}

/** The crew that nights and tasks are given to, and nights and gates under the dates that they are of. */
function checkNights(scope: ReferenceScope, found: Found): void {
  for (const { id, crewIds = [] } of scope.facts('taskSetting'))
    for (const crewId of crewIds) found.known('crewMember', crewId, at('taskSetting', id, 'crewIds'));
  for (const { id, placeId, dark } of scope.facts('ownTask')) {
    found.known('place', placeId, at('ownTask', id, 'placeId'));
    for (const cameraId of dark?.cameraIds ?? [])
      found.known('camera', cameraId, at('ownTask', id, 'dark.cameraIds'));
  }
  for (const { id, date, jobs } of scope.facts('plannedNight')) {
    if (id !== date) found.add(at('plannedNight', id, 'id'), id, date);
    for (const { crewIds } of jobs)
      for (const crewId of crewIds) found.known('crewMember', crewId, at('plannedNight', id, 'jobs'));
  }
  for (const { id, night, gate } of scope.facts('gateRecord'))
    if (id !== gateIdOf(night, gate)) found.add(at('gateRecord', id, 'id'), id, gateIdOf(night, gate));
}

/** A hardware address is one device's in all the world: two cameras cannot both have it. */
function checkHardwareAddresses(site: Site, scope: ReferenceScope, found: Found): void {
  if (!scope.mayClash('networkConfig')) return;
  unique(
    Object.values(site.networkConfig),
    ({ hardwareAddress }) => hardwareAddress,
    ({ id, hardwareAddress }, first) =>
      found.add(
        at('networkConfig', id, 'hardwareAddress'),
        hardwareAddress,
        `one that no other camera has; camera ${site.camera[first.id]?.number ?? first.id} has this one`,
      ),
  );
}

function checkLinks(site: Site, scope: ReferenceScope, found: Found): void {
  for (const { id, fromPlaceId, toPlaceId } of scope.facts('link')) {
    found.known('place', fromPlaceId, at('link', id, 'fromPlaceId'));
    found.known('place', toPlaceId, at('link', id, 'toPlaceId'));
    if (fromPlaceId === toPlaceId)
      found.add(at('link', id, 'toPlaceId'), toPlaceId, 'another place than the one it comes from');
  }
  for (const { id } of scope.facts('attachment')) found.known('camera', id, at('attachment', id, 'id'));
  checkLinkEnds(site, scope, found);
}

/** An end of a link is in gear of its own place, in a port that gear has, and in no port that another link is in. */
function checkLinkEnds(site: Site, scope: ReferenceScope, found: Found): void {
  const endsOf = (link: Fact<'link'>) =>
    (['fromEnd', 'toEnd'] as const).flatMap((field) => {
      const { [field]: end } = link;
      return end
        ? [{ link, field, end, placeId: field === 'fromEnd' ? link.fromPlaceId : link.toPlaceId }]
        : [];
    });
  for (const link of scope.facts('link')) {
    for (const id of link.routeIds ?? []) found.known('route', id, at('link', link.id, 'routeIds'));
    for (const { field, end, placeId } of endsOf(link)) {
      const device = site.equipment[end.deviceId] ?? site.recorder[end.deviceId];
      if (device?.placeId !== placeId)
        found.add(
          at('link', link.id, field),
          end.deviceId,
          `gear that stands at ${site.place[placeId]?.name ?? placeId}`,
        );
      const ports = portsOf(site.equipment[end.deviceId]?.gear);
      if (end.port !== undefined && ports !== null && end.port > ports)
        found.add(
          at('link', link.id, field),
          end.port,
          `a port from 1 to ${ports} of ${device?.name ?? end.deviceId}`,
        );
    }
  }
  if (!scope.mayClash('link')) return;
  unique(
    Object.values(site.link).flatMap(endsOf),
    ({ end }) => (end.port === undefined ? undefined : `${end.deviceId}/${end.port}`),
    ({ link, field, end }, first) =>
      found.add(at('link', link.id, field), end.port, `a free port; ${first.link.name} is in this one`),
  );
}

/** Cameras of the network hang on no run: one that has a run is a camera of the old site. */
function checkNetworkCameras(site: Site, scope: ReferenceScope, found: Found): void {
  for (const { id, state, recordedAt, replaced } of scope.facts('networkCamera')) {
    found.known('camera', id, at('networkCamera', id, 'id'));
    if (replaced && state !== 'there')
      found.add(at('networkCamera', id, 'replaced'), true, 'no mark, as long as the camera is not there');
    if (!recordedAt) continue;
    const path = at('networkCamera', id, 'recordedAt.slot');
    found.known('recorder', recordedAt.recorderId, at('networkCamera', id, 'recordedAt.recorderId'));
    if (state !== 'there') found.add(path, recordedAt.slot, 'none, as long as the camera is not there');
    const recorder = site.recorder[recordedAt.recorderId];
    if (recorder && recordedAt.slot > slotCount(recorder))
      found.add(path, recordedAt.slot, `a slot from 1 to ${slotCount(recorder)} of ${recorder.name}`);
    else if (recorder && !carriesIpToday(recorder, recordedAt.slot))
      found.add(path, recordedAt.slot, `a slot of ${recorder.name} that is noted as set to IP today`);
  }
  if (!scope.mayClash('networkCamera') && !scope.mayClash('run')) return;
  const patched = new Map(
    Object.values(site.run).flatMap(({ id, patchedTo }) =>
      patchedTo ? [[`${patchedTo.recorderId}/${patchedTo.input}`, `run ${id} is patched there`]] : [],
    ),
  );
  for (const { id, recordedAt } of Object.values(site.networkCamera)) {
    if (!recordedAt) continue;
    const key = `${recordedAt.recorderId}/${recordedAt.slot}`;
    const other = patched.get(key);
    if (other)
      found.add(at('networkCamera', id, 'recordedAt.slot'), recordedAt.slot, `a slot of its own; ${other}`);
    else patched.set(key, `camera ${site.camera[id]?.number ?? id} is recorded there`);
  }
  for (const { id, cameraId } of Object.values(site.run))
    if (site.networkCamera[cameraId])
      found.add(
        at('networkCamera', cameraId, 'id'),
        cameraId,
        `a camera without a run of the old site; run ${id} ends there`,
      );
}

/** Whoever shares a cable has a segment of that cable, in one sheath alone, and together they use no more conductors than it has. */
function checkSheaths(site: Site, scope: ReferenceScope, found: Found): void {
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

function checkPlans(site: Site, scope: ReferenceScope, found: Found): void {
  for (const { id, planId } of scope.facts('choice'))
    if (planId !== undefined) found.known('savedPlan', planId, at('choice', id, 'planId'));
  for (const { id, fromPlaceId, toPlaceId } of scope.facts('radioPath')) {
    found.known('place', fromPlaceId, at('radioPath', id, 'fromPlaceId'));
    found.known('place', toPlaceId, at('radioPath', id, 'toPlaceId'));
  }
  if (scope.mayClash('radioPath'))
    unique(
      Object.values(site.radioPath),
      ({ fromPlaceId, toPlaceId }) => `${fromPlaceId}/${toPlaceId}`,
      (path, first) =>
        found.add(
          at('radioPath', path.id, 'toPlaceId'),
          path.toPlaceId,
          `one radio path between two places; ${first.id} is theirs`,
        ),
    );
}

/**
 * What does not fit together in a site whose single facts are each well formed: ids that lead nowhere,
 * two claims on one thing, cores that a cable does not have.
 * @param changes where the site was sound before them, only what they can have broken is looked at
 */
export function referenceProblems(site: Site, changes?: readonly Change[]): Problem[] {
  const scope = changes ? scopeOfChanges(site, changes) : wholeScope(site);
  const problems: Problem[] = [];
  const found: Found = {
    add: (path, value, allowed) => void problems.push({ path, value: JSON.stringify(value), allowed }),
    known: (kind, id, path) => {
      if (!site[kind][id]) found.add(path, id, `the id of a ${kind} of this site`);
    },
  };
  // Changes are filed under their own ids.
  if (!changes)
    for (const kind of kinds)
      for (const [id, fact] of Object.entries(site[kind]))
        if (fact.id !== id) found.add(at(kind, id, 'id'), fact.id, 'the id it is filed under');
  if (!site.about['about']) found.add('about', null, 'one record that says what the site is called');
  checkCameras(site, scope, found);
  checkSupplies(scope, found);
  checkHeadEnd(site, scope, found);
  checkRuns(site, scope, found);
  for (const reading of scope.facts('reading'))
    found.known('run', reading.runId, at('reading', reading.id, 'runId'));
  for (const mending of scope.facts('mending'))
    found.known('run', mending.runId, at('mending', mending.id, 'runId'));
  checkDecisions(site, scope, found);
  checkNights(scope, found);
  checkLinks(site, scope, found);
  checkNetworkCameras(site, scope, found);
  checkSheaths(site, scope, found);
  checkHardwareAddresses(site, scope, found);
  checkPlans(site, scope, found);
  checkDrawings(site, scope, found);
  checkSignOff(site, scope, found);
  return problems;
}
