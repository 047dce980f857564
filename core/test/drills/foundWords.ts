import type { Reading } from '#core/model/site';
import { eventWords, runEvents } from '#core/test/findings';
import { readingWords } from '#core/test/readings';
import { drillRunId } from './ground';
import type { DrillPlay } from './play';

/** What a reading of a drill found, as it is written into the log; of a trace what is on it, metre by metre. */
export function foundWords({ site }: Pick<DrillPlay, 'site'>, reading: Reading): string {
  if (reading.test !== 'reflectometer') return readingWords(reading);
  const events = runEvents(site.run[drillRunId]!, reading);
  return events.length === 0
    ? 'nothing seen, not even an end'
    : events.map((event) => `${Math.round(event.atM)} m: ${eventWords(event)}`).join('; ');
}
