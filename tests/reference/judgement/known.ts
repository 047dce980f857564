import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { parseSiteFile, type Site } from '#core/model/site';
import type { Cause, KnownRun } from '#core/test/diagnosis';

const folder = path.resolve('tests/reference/judgement');

/** Runs whose truth is known, as a packed site file: lines, meters, traces and symptoms that another model simulated. */
export const knownSiteFile = path.join(folder, 'site.neotrope.json.gz');
export const knownSiteText = (): string => gunzipSync(readFileSync(knownSiteFile)).toString('utf8');

export function knownSite(): Site {
  const parsed = parseSiteFile(knownSiteText());
  if (parsed.kind === 'refused') throw new Error(parsed.problems[0]!.path);
  return parsed.value;
}

/** Planted faults by the names of their causes. */
const causeOf: Record<string, Cause> = { earth: 'earth-difference', broken: 'open', patch: 'echo' };

interface Planted {
  run: string;
  faults: { kind: string; causes: string[]; atM: number | null }[];
}

const named = (kind: string, first: string | undefined): Cause => {
  if (kind !== 'wrong-build') return causeOf[kind] ?? (kind as Cause);
  return first === 'coax-conductor' ? 'coax-construction' : 'power-construction';
};

/** What is wrong with each of them. */
export const knownRuns = (): KnownRun[] =>
  (JSON.parse(readFileSync(path.join(folder, 'truth.json'), 'utf8')) as Planted[]).map(({ run, faults }) => ({
    run,
    troubles: faults.map(({ kind, causes: [first], atM }) => ({ cause: named(kind, first), atM })),
  }));
