import saltmarrow from '../../../demo/saltmarrow.neotrope.json';
import { fromSiteFile } from './siteFile';
import type { Site } from './site';

/** Saltmarrow Ferry Terminal as it ships, for tests that need a whole site. */
export function saltmarrowSite(): Site {
  const read = fromSiteFile(structuredClone(saltmarrow));
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
}
