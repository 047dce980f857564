import { slotCount } from '#core/model/slotRules';
import { allocationSettingsId } from '../allocationSettings';
import type { Site } from '../site';
import { at, unique, type Found } from './found';
import type { ReferenceScope } from './referenceScope';

/** What is chosen, placed and wished for, and the rules about views. */
export function checkDecisions(site: Site, scope: ReferenceScope, found: Found): void {
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

/** Plans that choices come from, and radio paths between places. */
export function checkPlans(site: Site, scope: ReferenceScope, found: Found): void {
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
