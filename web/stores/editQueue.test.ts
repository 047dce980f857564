import { describe, expect, it } from 'vitest';
import { applyChanges, toSiteFile, type Change, type LogEntry, type OptionKind } from '#core/model/site';
import { saltmarrowSite } from '../../core/model/site/testSite';
import { afterAnswer, enqueue, nextToSend, openQueue, rebase, seenLog, type Queue } from './editQueue';

const at = '2026-03-12T09:00:00Z';
const base = saltmarrowSite();
const empty: Queue = { version: 4, confirmed: base, log: [], pending: [], seen: base };
const choose = (id: string, option: OptionKind): Change => ({
  kind: 'choice',
  id,
  set: { id, option, at, by: 'x' },
});
const draft = (id: string, ...changes: Change[]) => ({
  id,
  site: 's',
  label: id,
  operation: { kind: 'do' as const },
  by: 'x',
  changes,
});

function queued(...drafts: ReturnType<typeof draft>[]): Queue {
  return drafts.reduce((queue, one) => {
    const result = enqueue(queue, one, at);
    if (result.kind === 'refused') throw new Error(JSON.stringify(result.problems));
    return result.queue;
  }, empty);
}
/** An edit as the server logged it, on some version. */
function logged(id: string, version: number, ...changes: Change[]): LogEntry {
  const applied = applyChanges(empty.confirmed, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return { ...draft(id, ...changes), baseVersion: version - 1, version, at, inverse: applied.value.inverse };
}

const refused = (status: number, detail: string, since: LogEntry[] = []) => ({
  kind: 'refusal' as const,
  refusal: { status, detail, problems: [], host: null, since },
});

describe('an answer to the first edit', () => {
  const queue = queued(draft('a', choose('c08', 'keep')), draft('b', choose('c09', 'keep')));
  it('that it has happened takes it off the queue', () => {
    const entry = logged('a', 5, choose('c08', 'keep'));
    expect(afterAnswer(queue, { kind: 'answer', value: [entry] })).toMatchObject({
      queue: { version: 5, pending: [{ id: 'b' }] },
      dropped: [],
    });
  });
  it.each([
    ['there is none', { kind: 'silence' as const }],
    ['the server broke', refused(500, 'The server could not finish this.')],
  ])('where %s leaves everything as it is, to be sent again', (_, answer) =>
    expect(afterAnswer(queue, answer)).toBeNull(),
  );
  it('that the site has moved on puts the edits on top of what happened', () => {
    const since = [logged('z', 5, choose('c01', 'keep'))];
    const after = afterAnswer(queue, refused(409, 'Changed meanwhile', since))!;
    expect([after.queue.version, after.queue.pending.length, after.dropped]).toEqual([5, 2, []]);
  });
});

describe('a site that is opened', () => {
  const { confirmed } = empty;
  it('has what an earlier page left behind, without what has happened since', () => {
    const happened = logged('a', 4, choose('c08', 'keep'));
    const left = [happened, logged('b', 5, choose('c09', 'keep'))];
    const file = toSiteFile(confirmed);
    const { queue, dropped } = openQueue({ id: 's', version: 4, file, log: [happened] }, left);
    expect([queue.pending.map(({ id }) => id), dropped]).toEqual([['b'], []]);
    expect(queue.seen.choice['c09']?.option).toBe('keep');
  });
});

describe('edits on their way', () => {
  it('are seen at once and sent one by one on what is confirmed', () => {
    const queue = queued(draft('a', choose('c08', 'keep')), draft('b', choose('c09', 'keep')));
    expect(queue.seen.choice['c09']?.option).toBe('keep');
    expect(queue.confirmed.choice['c08']).toBeUndefined();
    expect(nextToSend(queue)).toMatchObject([{ id: 'a', baseVersion: 4 }]);
    const { queue: next } = rebase(queue, [logged('a', 5, choose('c08', 'keep'))]);
    expect([next.version, next.pending.map(({ id }) => id), seenLog(next).map(({ id }) => id)]).toEqual([
      5,
      ['b'],
      ['a', 'b'],
    ]);
    expect(nextToSend(next)).toMatchObject([{ id: 'b', baseVersion: 5 }]);
  });
  it('are sent several at once where they waited, each on the one before, and no more than a request holds', () => {
    const queue = queued(draft('a', choose('c08', 'keep')), draft('b', choose('c09', 'keep')));
    expect(nextToSend(queue, 50)).toMatchObject([
      { id: 'a', baseVersion: 4 },
      { id: 'b', baseVersion: 5 },
    ]);
    expect(nextToSend(queue, 1)).toHaveLength(1);
    const many = Array.from({ length: 400 }, () => choose('c10', 'keep'));
    const long = queued(draft('a', ...many), draft('b', ...many), draft('c', choose('c09', 'keep')));
    expect(nextToSend(long, 50).map(({ id }) => id)).toEqual(['a']);
  });
  it('stand on one another, in whatever order the server says the fields of the first', () => {
    const run = empty.confirmed.run['r08']!;
    const withLength = (lengthM: number): Change => ({
      kind: 'run',
      id: 'r08',
      set: { ...run, segments: run.segments.map((one) => ({ ...one, lengthM })) },
    });
    const turned = (fact: object) => Object.fromEntries(Object.entries(fact).reverse());
    const queue = queued(draft('a', withLength(19)), draft('b', withLength(22)));
    const said = { ...run, segments: run.segments.map((one) => turned({ ...one, lengthM: 19 })) };
    const entry = logged('a', 5, { kind: 'run', id: 'r08', set: said as typeof run });
    const { queue: next, dropped } = afterAnswer(queue, { kind: 'answer', value: [entry] })!;
    expect(dropped).toEqual([]);
    expect(next.seen.run['r08']!.segments[0]!.lengthM).toBe(22);
  });
  it('that do not fit are never taken in', () => {
    expect(enqueue(empty, draft('a', choose('c99', 'keep')), at)).toMatchObject({ kind: 'refused' });
  });
  it('stay when another window changed something else', () => {
    const { queue, dropped } = rebase(queued(draft('a', choose('c08', 'keep'))), [
      logged('z', 5, choose('c09', 'keep')),
    ]);
    expect([dropped, queue.pending.length, queue.version]).toEqual([[], 1, 5]);
    expect(queue.seen.choice).toMatchObject({ c08: { option: 'keep' }, c09: { option: 'keep' } });
  });
  it('are dropped by name when another window changed the same thing', () => {
    const { queue, dropped } = rebase(
      queued(draft('a', choose('c08', 'keep')), draft('b', choose('c09', 'keep'))),
      [logged('z', 5, choose('c08', 'ip-coax-unit'))],
    );
    expect(dropped).toMatchObject([
      { entry: { label: 'a' }, why: expect.stringMatching(/another window/) as string },
    ]);
    expect(queue.pending.map(({ id }) => id)).toEqual(['b']);
    expect(queue.seen.choice['c08']?.option).toBe('ip-coax-unit');
  });
  it('that the server refused take those with them that stood on them', () => {
    const place = saltmarrowSite().place['quay']!;
    const camera = saltmarrowSite().camera['c08']!;
    const queue = queued(
      draft('a', { kind: 'place', id: 'pier', set: { ...place, id: 'pier' } }),
      draft('b', { kind: 'camera', id: 'c08', set: { ...camera, placeId: 'pier' } }),
      draft('c', choose('c09', 'keep')),
    );
    const { queue: next, dropped } = afterAnswer(queue, refused(422, 'no piers'))!;
    expect(dropped.map(({ entry }) => entry.label)).toEqual(['a', 'b']);
    expect(next.pending.map(({ id }) => id)).toEqual(['c']);
  });
  it('an old answer changes nothing', () => {
    const queue = queued(draft('a', choose('c08', 'keep')));
    expect(rebase(queue, [logged('old', 3, choose('c09', 'keep'))]).queue.version).toBe(4);
  });
});

describe('what two windows did apart', () => {
  const camera = empty.confirmed.camera['c08']!;
  const set = (fields: object): Change => ({ kind: 'camera', id: 'c08', set: { ...camera, ...fields } });
  it('is brought together field by field', () => {
    const queue = queued(
      draft('a', set({ note: 'Bracket is loose' })),
      draft('b', set({ note: 'Bracket is loose', targetM: 9 })),
    );
    const { queue: next, dropped } = rebase(queue, [logged('z', 5, set({ name: 'Weighbridge north' }))]);
    expect(dropped).toEqual([]);
    expect(next.seen.camera['c08']).toMatchObject({
      name: 'Weighbridge north',
      note: 'Bracket is loose',
      targetM: 9,
    });
    // What takes it back is of today's fact, not of the one that it was made on.
    expect(next.pending[0]!.inverse[0]).toMatchObject({ set: { name: 'Weighbridge north' } });
  });
  it('is set aside with both values where they want different things, and the rest goes on', () => {
    const queue = queued(draft('a', set({ name: 'South' })), draft('b', choose('c09', 'keep')));
    const { queue: next, dropped } = rebase(queue, [logged('z', 5, set({ name: 'North' }))]);
    expect(dropped).toMatchObject([
      { entry: { id: 'a' }, clashes: [{ field: 'name', mine: 'South', theirs: 'North' }] },
    ]);
    expect(next.pending.map(({ id }) => id)).toEqual(['b']);
  });
  it('two things made under one id are two things, and what refers to mine goes on doing so', () => {
    const place = empty.confirmed.place['workshop']!;
    const made = (name: string): Change => ({
      kind: 'place',
      id: 'annex',
      set: { ...place, id: 'annex', name },
    });
    const queue = queued(draft('a', made('Annex, mine')), draft('b', set({ placeId: 'annex' })));
    const { queue: next, dropped } = rebase(queue, [logged('z', 5, made('Annex, theirs'))]);
    expect(dropped).toEqual([]);
    const site = next.seen;
    expect([site.place['annex']!.name, site.place['annex-2']!.name, site.camera['c08']!.placeId]).toEqual([
      'Annex, theirs',
      'Annex, mine',
      'annex-2',
    ]);
  });
  it('an edit that happened long ago, its answer lost, leaves the queue though it is older than what is held', () => {
    const queue = { ...queued(draft('a', choose('c08', 'keep'))), version: 210 };
    const entry = logged('a', 5, choose('c08', 'keep'));
    expect(afterAnswer(queue, { kind: 'answer', value: [entry] })).toMatchObject({
      queue: { version: 210, pending: [] },
      dropped: [],
    });
  });
  it('an edit left behind by an earlier page overwrites nothing that came meanwhile', () => {
    const left = queued(
      draft('a', set({ note: 'Bracket is loose' })),
      draft('b', set({ note: 'x', name: 'South' })),
    ).pending;
    const theirs = logged('z', 5, set({ targetM: 9, name: 'North' }));
    const after = applyChanges(empty.confirmed, theirs.changes);
    if (after.kind === 'refused') throw new Error();
    const served = { id: 's', version: 5, log: [theirs], file: toSiteFile(after.value.site) };
    const { queue, dropped } = openQueue(served as never, left);
    expect(queue.seen.camera['c08']).toMatchObject({
      note: 'Bracket is loose',
      targetM: 9,
      name: 'North',
    });
    expect(dropped).toMatchObject([{ entry: { id: 'b' }, clashes: [{ field: 'name' }] }]);
  });
});
