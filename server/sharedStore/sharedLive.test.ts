import { describe, expect, it } from 'vitest';
import type { News } from '#contract';
import { liveSites } from '../live/liveSites';
import { passOn, sharedLive, type SiteNews } from './sharedLive';

const window = (windowId: string, runId: string | null) => ({ windowId, name: 'R. Tolland', runId });

/** Two servers, each of which the other hears at once. */
function twoServers() {
  const [first, second] = [liveSites(), liveSites()];
  const toSecond = (news: SiteNews): void => passOn(second, toFirst, news);
  const toFirst = (news: SiteNews): void => passOn(first, toSecond, news);
  return [sharedLive(first, toSecond), sharedLive(second, toFirst)] as const;
}

describe('windows at a site, on two servers', () => {
  it('hear of edits and of each other, wherever they speak and listen', () => {
    const [first, second] = twoServers();
    const heard: News[] = [];
    second.listen('a', { hear: (news) => heard.push(news), end: () => undefined });
    first.edited('a', 7);
    first.edited('b', 2);
    first.here('a', window('w1', 'r08'));
    first.left('a', 'w1');
    expect(heard).toEqual([
      { kind: 'present', people: [] },
      { kind: 'edited', version: 7 },
      { kind: 'present', people: [window('w1', 'r08')] },
      { kind: 'present', people: [] },
    ]);
  });
  it('that come later are told who is there already', () => {
    const [first, second] = twoServers();
    first.listen('a', { hear: () => undefined, end: () => undefined });
    first.here('a', window('w1', 'r08'));
    let last: News | undefined;
    second.listen('a', { hear: (news) => (last = news), end: () => undefined });
    expect(last).toEqual({ kind: 'present', people: [window('w1', 'r08')] });
  });
});
