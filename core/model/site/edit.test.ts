import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check } from '#core/shared/problems';
import {
  kinds,
  applyChanges,
  editSchema,
  emptySite,
  historyOf,
  removeRunAndCamera,
  type Change,
  type LogEntry,
  type Site,
} from '.';
import { changesOf, saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const sound = (at: Site, changes: Change[]) => {
  const result = applyChanges(at, changes);
  if (result.kind === 'refused') throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const refused = (changes: Change[]) => {
  const result = applyChanges(site, changes);
  return result.kind === 'refused' ? result.problems.map(({ path, allowed }) => `${path}: ${allowed}`) : [];
};
const run = (id: string) => site.run[id]!;
const camera = (id: string) => site.camera[id]!;
const unplugged = (id: string) => {
  const { patchedTo: _, ...rest } = run(id);
  return rest;
};
const recordedAt = (slot: number) => ({
  ...site.networkCamera['c25']!,
  recordedAt: { recorderId: 'marshalling-recorder', slot },
});

/** Changes that are each sound on the demo site, to be strung together. */
const someChange = fc.oneof(
  fc
    .record({
      id: fc.constantFrom(...Object.keys(site.camera)),
      name: fc.string({ minLength: 1, maxLength: 20 }),
    })
    .map(({ id, name }): Change => ({ kind: 'camera', id, set: { ...camera(id), name: `x${name}` } })),
  fc.constantFrom(...Object.keys(site.camera)).map((id): Change => ({
    kind: 'choice',
    id,
    set: { id, option: 'keep', at: '2026-03-12T09:00:00Z', by: 'R. Tolland' },
  })),
  fc
    .record({
      id: fc.constantFrom(...Object.keys(site.run)),
      lengthM: fc.double({ min: 1, max: 900, noNaN: true }),
    })
    .map(({ id, lengthM }): Change => ({
      kind: 'run',
      id,
      set: { ...run(id), segments: run(id).segments.map((segment) => ({ ...segment, lengthM })) },
    })),
);

describe('applyChanges', () => {
  it('its inverse leads back to exactly the site before', () => {
    fc.assert(
      fc.property(fc.array(someChange, { minLength: 1, maxLength: 8 }), (changes) => {
        const { site: after, inverse } = sound(site, changes);
        expect(sound(after, inverse).site).toEqual(site);
      }),
    );
  });
  it('leaves the site it was given alone', () => {
    const before = structuredClone(site);
    sound(site, [
      {
        kind: 'choice',
        id: 'c08',
        set: { id: 'c08', option: 'ip-coax-unit', at: '2026-03-12T09:00:00Z', by: 'R. Tolland' },
      },
    ]);
    expect(site).toEqual(before);
  });
  it.each<[string, Change[], string]>([
    [
      'a run whose camera is gone',
      [{ kind: 'run', id: 'r08', set: { ...run('r08'), cameraId: 'c99' } }],
      'run/r08/cameraId: the id of a camera of this site',
    ],
    [
      'two cameras on one run’s end',
      [{ kind: 'run', id: 'r09', set: { ...run('r09'), cameraId: 'c08' } }],
      "run/r09/cameraId: one camera on one run's end; run r08 already ends there",
    ],
    [
      'a camera number twice',
      [{ kind: 'camera', id: 'c09', set: { ...camera('c09'), number: 8 } }],
      'camera/c09/number: a number of its own; camera “Weighbridge” has this one',
    ],
    [
      'removing what others stand on',
      [{ kind: 'camera', id: 'c08', remove: true }],
      'run/r08/cameraId: the id of a camera of this site',
    ],
    [
      'removing what is gone already',
      [{ kind: 'camera', id: 'c99', remove: true }],
      'changes[0]: a camera that is still there',
    ],
    [
      'a slot that is taken',
      [{ kind: 'placement', id: 'c08', set: { id: 'c08', recorderId: 'hall-recorder', slot: 17 } }],
      'placement/c08/slot: a free slot; camera c01 is on this one',
    ],
    [
      'a slot that does not exist',
      [{ kind: 'placement', id: 'c08', set: { id: 'c08', recorderId: 'hall-recorder', slot: 25 } }],
      'placement/c08/slot: a slot from 1 to 24 of Hall recorder',
    ],
    [
      'an output the box does not have',
      [
        {
          kind: 'run',
          id: 'r08',
          set: { ...run('r08'), feed: { kind: 'along-run', supplyId: 'marshalling-box', output: 40 } },
        },
      ],
      'run/r08/feed.output: an output of Marshalling box: 1, 2, 3, 4, 5, 6, 7, 8, 9',
    ],
    [
      'an input of another run',
      [
        {
          kind: 'run',
          id: 'r08',
          set: { ...run('r08'), patchedTo: { recorderId: 'marshalling-recorder', input: 9 } },
        },
      ],
      'run/r09/patchedTo.input: an input of its own; run r08 is patched there',
    ],
    [
      'an input of a run for a camera of the network',
      [{ kind: 'networkCamera', id: 'c25', set: recordedAt(9) }],
      'networkCamera/c25/recordedAt.slot: a slot of its own; run r09 is patched there',
    ],
    [
      'an input of coax for a camera of the network, whatever is plugged into it',
      [
        { kind: 'run', id: 'r09', set: unplugged('r09') },
        { kind: 'networkCamera', id: 'c25', set: recordedAt(9) },
      ],
      'networkCamera/c25/recordedAt.slot: a slot of Marshalling recorder that is noted as set to IP today',
    ],
    [
      'a slot today that the recorder does not have',
      [{ kind: 'networkCamera', id: 'c25', set: recordedAt(25) }],
      'networkCamera/c25/recordedAt.slot: a slot from 1 to 24 of Marshalling recorder',
    ],
    [
      'a slot today of a view that is not there yet',
      [{ kind: 'networkCamera', id: 'c25', set: { ...recordedAt(20), state: 'planned' } }],
      'networkCamera/c25/recordedAt.slot: none, as long as the camera is not there',
    ],
    [
      'addresses to be kept outside the network',
      [
        {
          kind: 'recorder',
          id: 'hall-recorder',
          set: {
            ...site.recorder['hall-recorder']!,
            network: {
              address: '10.20.0.5',
              prefixBits: 24,
              kept: [{ from: '10.20.0.200', to: '10.20.1.4' }],
            },
          },
        },
      ],
      'recorder/hall-recorder/network.kept: addresses of 10.20.0.5/24: 10.20.0.200 to 10.20.1.4 would be kept outside it',
    ],
    [
      'an id it is not filed under',
      [
        {
          kind: 'choice',
          id: 'c08',
          set: { id: 'c09', option: 'keep', at: '2026-03-12T09:00:00Z', by: 'x' },
        },
      ],
      'changes[0].set.id: c08',
    ],
  ])('refuses %s', (_, changes, problem) => expect(refused(changes)).toContain(problem));
  it('refuses cores the cable does not have', () => {
    const [segment] = run('r08').segments;
    const set = {
      ...run('r08'),
      segments: [
        { ...segment!, leg: { kind: 'cores' as const, cable: 'power-2x18-cu', outCores: 2, backCores: 1 } },
      ],
    };
    expect(refused([{ kind: 'run', id: 'r08', set }])).toContain(
      'run/r08/segments[0].leg: at most 2 cores of power-2x18-cu',
    );
  });
  it('refuses to feed a run along a segment without power cores', () => {
    const [segment] = run('r08').segments;
    expect(
      refused([
        {
          kind: 'run',
          id: 'r08',
          set: { ...run('r08'), segments: [{ ...segment!, leg: { kind: 'none' } }] },
        },
      ]).join(),
    ).toMatch(/power cores or spare pairs in every segment/);
  });
});

describe('readings', () => {
  const reading = site.reading['r08-night-volts']!;
  const strike = { why: 'lens was not covered', at: '2026-03-12T09:00:00Z', by: 'I. Marlow' };
  it('are never removed or rewritten', () => {
    expect(refused([{ kind: 'reading', id: reading.id, remove: true }])).toHaveLength(1);
    expect(
      refused([{ kind: 'reading', id: reading.id, set: { ...reading, value: 12 } as typeof reading }]),
    ).toHaveLength(1);
    expect(
      refused([{ kind: 'reading', id: reading.id, set: { ...reading, temperatureC: 12 } }]),
    ).toHaveLength(1);
  });
  it('can be struck out, and that can be taken back', () => {
    const { site: struck, inverse } = sound(site, [
      { kind: 'reading', id: reading.id, set: { ...reading, struck: strike } },
    ]);
    expect(struck.reading[reading.id]!.struck?.why).toBe('lens was not covered');
    expect(sound(struck, inverse).site).toEqual(site);
  });
  it('a new one that is undone stays readable, struck out', () => {
    const added = sound(site, [
      { kind: 'reading', id: 'r15-day', set: { ...reading, id: 'r15-day', runId: 'r15' } },
    ]);
    expect(sound(added.site, added.inverse).site.reading['r15-day']!.struck?.why).toBe('taken back');
  });
});

describe('editSchema', () => {
  const edit = {
    id: '8c2f4b5e-6a3d-4f1e-9b7a-1d2c3e4f5a6b',
    site: 'saltmarrow',
    baseVersion: 1,
    label: 'x',
    operation: { kind: 'do' },
    by: 'R. Tolland',
  };
  const problems = (changes: unknown[]) => {
    const result = check(editSchema, { ...edit, changes });
    return result.kind === 'refused' ? result.problems.map(({ path, allowed }) => `${path}: ${allowed}`) : [];
  };
  const segment = run('r08').segments[0]!;
  it('lets a sound edit through', () =>
    expect(problems([{ kind: 'run', id: 'r08', set: run('r08') }])).toEqual([]));
  it.each<[unknown, string]>([
    [
      { kind: 'run', id: 'r08', set: { ...run('r08'), segments: [] } },
      'changes[0].set.segments: at least 1 item',
    ],
    [
      { kind: 'run', id: 'r08', set: { ...run('r08'), segments: [{ ...segment, lengthM: -3 }] } },
      'changes[0].set.segments[0].lengthM: more than 0',
    ],
    [
      { kind: 'run', id: 'r08', set: { ...run('r08'), segments: [{ ...segment, lengthM: 99_999 }] } },
      'changes[0].set.segments[0].lengthM: at most 5000',
    ],
    [
      { kind: 'run', id: 'r08', set: { ...run('r08'), cameraId: 'constructor' } },
      'changes[0].set.cameraId: an id that is not “constructor”',
    ],
    [{ kind: 'horse', id: 'r08', remove: true }, `changes[0].kind: one of ${kinds.join(', ')}`],
    [{ kind: 'camera', id: 'c08', remove: false }, 'changes[0].remove: true'],
  ])('%#: names the field', (change, problem) => expect(problems([change])).toContain(problem));
  it('names an unknown cable and the ones there are', () => {
    expect(
      problems([
        { kind: 'run', id: 'r08', set: { ...run('r08'), segments: [{ ...segment, cable: 'string' }] } },
      ]).join(),
    ).toMatch(/changes\[0\]\.set\.segments\[0\]\.cable: one of coax-rg59-cu, /);
  });
});

describe('historyOf', () => {
  const entry = (id: string, operation: LogEntry['operation']): LogEntry => ({
    id,
    operation,
    site: 's',
    baseVersion: 0,
    version: 1,
    label: id,
    by: 'x',
    at: '2026-03-12T09:00:00Z',
    changes: [],
    inverse: [],
  });
  const ids = (log: LogEntry[]) => {
    const { undoable, redoable } = historyOf(log);
    return [undoable.map(({ id }) => id).join(''), redoable.map(({ id }) => id).join('')];
  };
  const a = entry('a', { kind: 'do' });
  const b = entry('b', { kind: 'do' });
  const undoB = entry('u', { kind: 'undo', of: 'b' });
  it('walks back and forth', () => {
    expect(ids([a, b])).toEqual(['ab', '']);
    expect(ids([a, b, undoB])).toEqual(['a', 'b']);
    expect(ids([a, b, undoB, entry('v', { kind: 'undo', of: 'a' })])).toEqual(['', 'ba']);
    expect(ids([a, b, undoB, entry('r', { kind: 'redo', of: 'b' })])).toEqual(['ab', '']);
  });
  it('of one person has his own edits only, and none that somebody else has built on', () => {
    const choice = (id: string): LogEntry['changes'] => [{ kind: 'choice', id, remove: true }];
    const of = (by: string, id: string, fact: string): LogEntry => ({
      ...entry(id, { kind: 'do' }),
      by,
      changes: choice(fact),
    });
    const mine = ({ by }: LogEntry): boolean => by === 'mine';
    const undoable = (log: LogEntry[]) =>
      historyOf(log, mine)
        .undoable.map(({ id }) => id)
        .join('');
    const log = [of('mine', 'a', 'c01'), of('mine', 'b', 'c02'), of('theirs', 'c', 'c03')];
    expect(undoable(log)).toBe('ab');
    expect(undoable([...log, of('theirs', 'd', 'c02')])).toBe('a');
    // A colleague's new edit does not take away what could be done again.
    const redo = historyOf(
      [...log, { ...entry('u', { kind: 'undo', of: 'b' }), by: 'mine' }, of('theirs', 'e', 'c04')],
      mine,
    );
    expect(redo.redoable.map(({ id }) => id)).toEqual(['b']);
  });
  it('something new ends what could be done again', () =>
    expect(ids([a, b, undoB, entry('c', { kind: 'do' })])).toEqual(['ac', '']));
});

describe('small things', () => {
  it('a run with readings keeps standing, one without goes with its camera', () => {
    expect(removeRunAndCamera(site, 'r08')).toEqual({
      kind: 'in-use',
      by: ['the readings of run 8, which are kept'],
    });
    const after = sound(site, changesOf(removeRunAndCamera(site, 'r15'))).site;
    expect(after.run['r15']).toBeUndefined();
    expect(after.camera['c15']).toBeUndefined();
  });
  it('an empty site is sound', () =>
    expect(applyChanges(emptySite('Saltmarrow Ferry Terminal', 'Ticket hall'), [])).toMatchObject({
      kind: 'sound',
    }));
});
