import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  emptySite,
  toSiteFile,
  type Change,
  type Edit,
  type LogEntry,
  type Site,
} from '#core/model/site';
import type { Answer } from './api';
import { broughtUp } from '../offline/keptSites';
import { afterAnswer, enqueue, nextToSend, openQueue, rebase, type Dropped, type Queue } from './editQueue';

// Three devices and a server, through edits, flights, crashes, lost answers and clocks that disagree. What the server does is written here
// once more, as plainly as can be, so that the queue is held against something else than itself.

const start = emptySite('Saltmarrow slip', 'Hut');
const fieldsOf = ['note', 'address', 'customer'] as const;

interface Server {
  version: number;
  site: Site;
  log: LogEntry[];
}
interface Device {
  queue: Queue;
  /** What is on its disk: edits that are on their way, and the site as it was known last. */
  disk: { pending: LogEntry[]; kept: { site: Site; version: number; log: LogEntry[] } };
  inFlight: boolean;
  clockMs: number;
  dropped: Dropped[];
  made: number;
}
interface World {
  server: Server;
  devices: Device[];
  acknowledged: Set<string>;
}

const newWorld = (): World => ({
  server: { version: 0, site: start, log: [] },
  acknowledged: new Set(),
  devices: [0, 1, 2].map((k) => ({
    queue: { version: 0, confirmed: start, log: [], pending: [], seen: start },
    disk: { pending: [], kept: { site: start, version: 0, log: [] } },
    inFlight: false,
    // A year apart from each other.
    clockMs: Date.parse('2026-03-12T09:00:00Z') + (k - 1) * 365 * 24 * 3600 * 1000,
    dropped: [],
    made: 0,
  })),
});

/** What a server answers to an edit. */
function serverAnswers(server: Server, edit: Edit): Answer<LogEntry[]> {
  const known = server.log.find(({ id }) => id === edit.id);
  if (known) return { kind: 'answer', value: [known] };
  const refusal = (status: number, since: LogEntry[]): Answer<never> => ({
    kind: 'refusal',
    refusal: { status, detail: 'no', problems: [], host: null, since },
  });
  if (edit.baseVersion !== server.version)
    return refusal(
      409,
      server.log.filter(({ version }) => version > edit.baseVersion),
    );
  const applied = applyChanges(server.site, edit.changes);
  if (applied.kind === 'refused') return refusal(422, []);
  const entry: LogEntry = {
    ...edit,
    version: server.version + 1,
    at: `2026-03-12T09:00:00.${String(server.version % 1000).padStart(3, '0')}Z`,
    inverse: applied.value.inverse,
  };
  Object.assign(server, { version: entry.version, site: applied.value.site, log: [...server.log, entry] });
  return { kind: 'answer', value: [entry] };
}

/** What the server says to several edits: those that go through, or why the first does not. */
function serverAnswersInTurn(server: Server, [first, ...further]: readonly Edit[]): Answer<LogEntry[]> {
  const answer = serverAnswers(server, first!);
  if (answer.kind !== 'answer') return answer;
  const entries = [...answer.value];
  for (const edit of further) {
    const next = serverAnswers(server, edit);
    if (next.kind !== 'answer') break;
    entries.push(...next.value);
  }
  return { kind: 'answer', value: entries };
}

function take(device: Device, next: Queue, dropped: readonly Dropped[]): void {
  device.queue = next;
  device.dropped.push(...dropped);
  device.disk = {
    pending: next.pending,
    kept: { site: next.confirmed, version: next.version, log: next.log },
  };
}

/** Edits fields that others edit too, readings that nobody else makes, and things under ids of its own. */
function changesFor(device: Device, who: number, what: number): Change[] {
  const seen = device.queue.seen;
  const id = `place-${what % 4}`;
  const place = seen.place[id];
  const about = seen.about['about']!;
  switch (what % 5) {
    case 0:
      return [{ kind: 'about', id: 'about', set: { ...about, [fieldsOf[what % 3]!]: `by ${who}, ${what}` } }];
    case 1:
      return [
        {
          kind: 'place',
          id: `made-${who}-${device.made}`,
          set: { ...seen.place['head-end']!, id: `made-${who}-${device.made}`, name: `Place ${what}` },
        },
      ];
    case 2:
      return [{ kind: 'place', id, set: { ...seen.place['head-end']!, id, name: `by ${who}, ${what}` } }];
    case 3:
      return place ? [{ kind: 'place', id, remove: true }] : [];
    default:
      return [
        { kind: 'about', id: 'about', set: { ...about, note: `both ${who}` } },
        {
          kind: 'place',
          id,
          set: { ...seen.place['head-end']!, id, name: `half ${what}`, temperatureC: what % 40 },
        },
      ];
  }
}

class Make implements fc.Command<World, World> {
  constructor(
    readonly who: number,
    readonly what: number,
  ) {}
  check = (): boolean => true;
  run(world: World): void {
    const device = world.devices[this.who]!;
    const changes = changesFor(device, this.who, this.what);
    if (changes.length === 0) return;
    device.made += 1;
    const made = enqueue(
      device.queue,
      {
        id: `${this.who}-${device.made}`,
        site: 's',
        label: `edit ${device.made} of ${this.who}`,
        operation: { kind: 'do' },
        by: String(this.who),
        changes,
      },
      new Date((device.clockMs += 1000)).toISOString(),
    );
    if (made.kind === 'sound') take(device, made.queue, []);
    else device.made -= 1;
  }
  toString = (): string => `make(${this.who}, ${this.what})`;
}
/** Sends the first edits; their answer may get lost on the way back, or the device may be out of reach. */
class Send implements fc.Command<World, World> {
  constructor(
    readonly who: number,
    readonly isAnswerLost: boolean,
    readonly most: number,
  ) {}
  check = (): boolean => true;
  run(world: World): void {
    const device = world.devices[this.who]!;
    const edits = nextToSend(device.queue, this.most);
    if (edits.length === 0 || device.inFlight) return;
    const answer = serverAnswersInTurn(world.server, edits);
    if (this.isAnswerLost) return;
    if (answer.kind === 'answer') for (const { id } of answer.value) world.acknowledged.add(id);
    const after = afterAnswer(device.queue, answer);
    if (after) take(device, after.queue, after.dropped);
  }
  toString = (): string => `send(${this.who}, ${this.most}${this.isAnswerLost ? ', lost' : ''})`;
}
class Refresh implements fc.Command<World, World> {
  constructor(readonly who: number) {}
  check = (): boolean => true;
  run({ server, devices }: World): void {
    const device = devices[this.who]!;
    if (device.inFlight) return;
    const since = server.log.filter(({ version }) => version > device.queue.version);
    const after = rebase(device.queue, since);
    take(device, after.queue, after.dropped);
  }
  toString = (): string => `refresh(${this.who})`;
}
class Fly implements fc.Command<World, World> {
  constructor(
    readonly who: number,
    readonly inFlight: boolean,
  ) {}
  check = (): boolean => true;
  run({ devices }: World): void {
    devices[this.who]!.inFlight = this.inFlight;
  }
  toString = (): string => `${this.inFlight ? 'fly' : 'land'}(${this.who})`;
}
/** The page is gone; it is opened again from the server, or from what the device kept. */
class Crash implements fc.Command<World, World> {
  constructor(readonly who: number) {}
  check = (): boolean => true;
  run({ server, devices }: World): void {
    const device = devices[this.who]!;
    const { pending, kept } = device.disk;
    const from = device.inFlight ? kept : server;
    const served = { id: 's', version: from.version, file: toSiteFile(from.site), log: from.log, role: null };
    const after = openQueue(broughtUp(served, []), pending);
    take(device, after.queue, after.dropped);
  }
  toString = (): string => `crash(${this.who})`;
}

const who = fc.nat(2);
const commands = [
  fc.tuple(who, fc.nat(1000)).map(([device, what]) => new Make(device, what)),
  fc.tuple(who, fc.nat(1000)).map(([device, what]) => new Make(device, what)),
  fc
    .tuple(who, fc.boolean(), fc.integer({ min: 1, max: 5 }))
    .map(([device, lost, most]) => new Send(device, lost, most)),
  who.map((device) => new Send(device, false, 1)),
  who.map((device) => new Refresh(device)),
  fc.tuple(who, fc.boolean()).map(([device, up]) => new Fly(device, up)),
  who.map((device) => new Crash(device)),
];

/** Everybody lands, and all that waits is sent. */
function comeHome(world: World): void {
  for (const [index, device] of world.devices.entries()) {
    device.inFlight = false;
    for (let round = 0; device.queue.pending.length > 0 && round < 1000; round += 1)
      new Send(index, false, 3).run(world);
  }
  world.devices.forEach((_, index) => new Refresh(index).run(world));
}

describe('three devices and a server', () => {
  it('end equal after whatever happened, with no edit lost and none half done', () => {
    fc.assert(
      fc.property(fc.commands(commands, { maxCommands: 300, size: 'max' }), (run) => {
        const world = newWorld();
        fc.modelRun(() => ({ model: world, real: world }), run);
        comeHome(world);
        const { server, devices, acknowledged } = world;
        const logged = new Set(server.log.map(({ id }) => id));
        // Nobody differs from the server, to the last field.
        for (const { queue } of devices) {
          expect(queue.pending).toEqual([]);
          expect(queue.seen).toEqual(server.site);
          expect(queue.confirmed).toEqual(server.site);
        }
        // What was answered is there, once.
        expect(logged.size).toBe(server.log.length);
        for (const id of acknowledged) expect(logged.has(id)).toBe(true);
        // What was made is there, or was set aside where a person finds it.
        for (const [index, { made, dropped }] of devices.entries()) {
          const aside = new Set(dropped.map(({ entry }) => entry.id));
          for (let k = 1; k <= made; k += 1)
            expect(logged.has(`${index}-${k}`) || aside.has(`${index}-${k}`)).toBe(true);
        }
        // No edit is half in it: played from the start the log comes to the same.
        const replayed = server.log.reduce<Site>((site, { changes }) => {
          const applied = applyChanges(site, changes);
          if (applied.kind === 'refused') throw new Error('the log does not play');
          return applied.value.site;
        }, start);
        expect(replayed).toEqual(server.site);
      }),
      { numRuns: 300 },
    );
  });
});
