import saltmarrow from '../../../demo/saltmarrow.neotrope.json';
import type { Change } from './change';
import type { Removal } from './removal';
import { fromSiteFile } from './siteFile';
import type { Site } from './site';

/** Saltmarrow Ferry Terminal as it ships, for tests that need a whole site. */
export function saltmarrowSite(): Site {
  const read = fromSiteFile(structuredClone(saltmarrow));
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** What a removal changes, for tests in which nothing keeps the thing. */
export function changesOf(removal: Removal): Change[] {
  if (removal.kind === 'in-use') throw new Error(`still needed by ${removal.by.join(', ')}`);
  return removal.changes;
}
