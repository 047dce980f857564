import { describe, expect, it } from 'vitest';
import type { News } from '#contract';
import { liveSites, type Listener } from './liveSites';

const window = (windowId: string, runId: string | null, name = 'R. Tolland') => ({ windowId, name, runId });

const hearing = (hear: (news: News) => void): Listener => ({ hear, end: () => undefined });

describe('windows at a site', () => {
  it('hear of its edits and of each other, and of no other site', () => {
    const live = liveSites();
    const [heard, elsewhere]: [News[], News[]] = [[], []];
    live.listen(
      'a',
      hearing((news) => heard.push(news)),
    );
    live.listen(
      'b',
      hearing((news) => elsewhere.push(news)),
    );
    live.edited('a', 4);
    live.here('a', window('w1', 'r08'));
    live.here('a', window('w1', 'r08'));
    live.here('a', window('w1', 'r09'));
    live.left('a', 'w1');
    live.left('a', 'w1');
    expect(heard).toEqual([
      { kind: 'present', people: [] },
      { kind: 'edited', version: 4 },
      { kind: 'present', people: [window('w1', 'r08')] },
      { kind: 'present', people: [window('w1', 'r09')] },
      { kind: 'present', people: [] },
    ]);
    expect(elsewhere).toHaveLength(1);
  });
  it('are gone when nothing was heard of them for a minute, and when nobody listens any more', () => {
    let now = 0;
    const live = liveSites(() => now);
    let last: News | undefined;
    const stop = live.listen(
      'a',
      hearing((news) => (last = news)),
    );
    live.here('a', window('w1', 'r08'));
    now = 50_000;
    live.here('a', window('w2', null, 'B. Quay'));
    now = 70_000;
    live.here('a', window('w2', 'r03', 'B. Quay'));
    expect(last).toEqual({ kind: 'present', people: [window('w2', 'r03', 'B. Quay')] });
    stop();
    live.here('a', window('w3', 'r03'));
    live.listen(
      'a',
      hearing((news) => (last = news)),
    );
    expect(last).toEqual({ kind: 'present', people: [] });
  });
  it('have their lines ended where news was missed, so that they come back and ask', () => {
    const live = liveSites();
    let ended = 0;
    const listener = { hear: () => undefined, end: () => void (ended += 1) };
    live.listen('a', listener);
    live.listen('b', { ...listener });
    live.endLines();
    expect(ended).toBe(2);
  });
});
