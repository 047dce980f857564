import { describe, expect, it } from 'vitest';
import { applyChanges, noteMending, type Change, type Mending, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { mendedRun, readingsByRun } from '.';

const site = saltmarrowSite();
const read = Object.values(site.reading).filter(({ runId }) => runId === 'r13');
const latest = Math.max(...read.map(({ at }) => Date.parse(at)));
const hour = 3_600_000;
function applied(changes: Change[]): Site {
  const result = applyChanges(site, changes);
  if (result.kind === 'refused') throw new Error(result.problems[0]!.path);
  return result.value.site;
}
const mended = (atMs: number, over: Partial<Mending> = {}): Site =>
  applied([
    noteMending('r13', 'a', {
      at: new Date(atMs).toISOString(),
      by: 'I. Marlow',
      found: ['joint'],
      did: 'remade the twist at 97 m',
      changedLine: true,
      ...over,
    }),
  ]);

describe('a run that was mended', () => {
  it('is read anew: nothing from before counts', () => {
    const now = mended(latest + hour);
    expect(readingsByRun(now).get('r13')).toBeUndefined();
    expect(mendedRun(now, 'r13')).toMatchObject({
      mendings: [{ found: ['joint'], by: 'I. Marlow' }],
      outdated: read.length,
    });
  });
  it('keeps what was read since, and other runs all of theirs', () => {
    const now = mended(latest - hour / 60 / 1000);
    expect(Object.keys(readingsByRun(now).get('r13')!).length).toBeGreaterThan(0);
    expect(readingsByRun(now).get('r14')).toEqual(readingsByRun(site).get('r14'));
  });
  it('keeps everything where the line was left as it is', () => {
    const now = mended(latest + hour, { found: [], changedLine: false });
    expect(readingsByRun(now).get('r13')).toEqual(readingsByRun(site).get('r13'));
    expect(mendedRun(now, 'r13').outdated).toBe(0);
  });
});
