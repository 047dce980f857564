import saltmarrow from '../../../demo/saltmarrow.neotrope.json';
import type { Change } from './change';
import { withChanges } from './changesBetween';
import { removeNetworkCamera, type Removal } from './removal';
import { fromSiteFile } from './siteFile';
import type { Site } from './site';

/** Saltmarrow Ferry Terminal as it ships. */
export function saltmarrowSite(): Site {
  const read = fromSiteFile(structuredClone(saltmarrow));
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** The same without its camera of the network and what feeds it, for tests in which every camera hangs on a run. */
export function saltmarrowOnRuns(): Site {
  const shipped = saltmarrowSite();
  const { 'office-injector': _fed, ...equipment } = shipped.equipment;
  const without = withChanges(shipped, changesOf(removeNetworkCamera(shipped, 'c25')));
  return { ...without, equipment };
}

/** What a removal changes, for tests in which nothing keeps the thing. */
export function changesOf(removal: Removal): Change[] {
  if (removal.kind === 'in-use') throw new Error(`still needed by ${removal.by.join(', ')}`);
  return removal.changes;
}
