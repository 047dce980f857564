import type { Site } from '#core/model/site';
import type { KnownRun } from '#core/test/diagnosis';

/** A site as it was read before anybody opened its runs up, and what each of those was then found to have. */
export interface BeforeMending {
  site: Site;
  known: KnownRun[];
}

/** Runs whose truth came to light: the first mending of each tells what its readings from before it were of. */
export function beforeMending(site: Site): BeforeMending {
  const first = new Map<string, { at: number; known: KnownRun }>();
  for (const { runId, at, found } of Object.values(site.mending)) {
    const when = Date.parse(at);
    if ((first.get(runId)?.at ?? Infinity) <= when) continue;
    const troubles = found.map((cause) => ({ cause, atM: null }));
    first.set(runId, { at: when, known: { run: runId, troubles } });
  }
  const reading = Object.fromEntries(
    Object.entries(site.reading).filter(
      ([, { runId, at }]) => Date.parse(at) < (first.get(runId)?.at ?? Infinity),
    ),
  );
  return { site: { ...site, mending: {}, reading }, known: [...first.values()].map(({ known }) => known) };
}
