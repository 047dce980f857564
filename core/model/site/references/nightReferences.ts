import { gateIdOf } from '../gateRecord';
import { at, type Found } from './found';
import type { ReferenceScope } from './referenceScope';

/** The crew that nights and tasks are given to, and nights and gates under the dates that they are of. */
export function checkNights(scope: ReferenceScope, found: Found): void {
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
