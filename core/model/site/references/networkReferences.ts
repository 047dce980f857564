import { slotCount } from '#core/model/slotRules';
import { carriesIpToday } from '../carriesIpToday';
import { portsOf } from '../equipment';
import type { Fact, Site } from '../site';
import { at, unique, type Found } from './found';
import type { ReferenceScope } from './referenceScope';

/** A hardware address is one device's in all the world: two cameras cannot both have it. */
export function checkHardwareAddresses(site: Site, scope: ReferenceScope, found: Found): void {
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

/** Between which places links lead, and which cameras are hung elsewhere. */
export function checkLinks(site: Site, scope: ReferenceScope, found: Found): void {
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
export function checkNetworkCameras(site: Site, scope: ReferenceScope, found: Found): void {
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
