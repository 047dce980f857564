import type { Problem } from '#core/shared/problems';
import type { Change } from '../change';
import { kinds, type Site } from '../site';
import { checkCameras } from './cameraReferences';
import { checkDecisions, checkPlans } from './decisionReferences';
import { at, type Found } from './found';
import { checkHeadEnd, checkSupplies } from './headEndReferences';
import { checkHardwareAddresses, checkLinks, checkNetworkCameras } from './networkReferences';
import { checkNights } from './nightReferences';
import { checkDrawings, checkSignOff } from './recordReferences';
import { scopeOfChanges, wholeScope } from './referenceScope';
import { checkRuns, checkSheaths } from './runReferences';

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
