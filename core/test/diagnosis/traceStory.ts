import { rememberedFor } from '#core/shared/memo';
import type { RunEvent } from '#core/test/findings';
import type { Trouble } from './causes';
import { logMix, logNormal } from './density';
import {
  echoOhmsSpread,
  leakMissed,
  leakOhms,
  patchOhms,
  patchShows,
  seenFrom,
  strayEcho,
  strayEvents,
  sureEvents,
  tapOhms,
  tapShows,
} from './practice';

/** Troubles that make an echo on the way. */
export const echoing = ['joint', 'water', 'tap', 'echo'] as const satisfies readonly Trouble[];
export type Echoing = (typeof echoing)[number];

/** An event less sure than this is what noise makes as well, and tells nothing. Policy. */
const sureFrom = 0.5;
/** The end itself is no event on the way, and what comes after it has been there before. */
const beforeEnd = 0.985;

/** Kinds of events that no trouble on the way makes: ends, of the line and of a piece that is told where it begins. */
const ends: ReadonlySet<RunEvent['kind']> = new Set(['open', 'short', 'end', 'patch-end']);

/** Events of a trace that a trouble could have made: on the way, and sure. */
export const eventsOnTheWay = (events: readonly RunEvent[], endM: number): RunEvent[] =>
  events.filter(
    ({ kind, confidence, atM }) => confidence >= sureFrom && !ends.has(kind) && atM < beforeEnd * endM,
  );

/** Something so strong that echoes behind it come twice. */
const isStrong = ({ kind, ohms }: RunEvent): boolean =>
  kind === 'tap' ||
  kind === 'lower-impedance' ||
  (kind === 'series' && (ohms ?? 0) > 25) ||
  (kind === 'shunt' && (ohms ?? Infinity) < 220);

const strayShares: Partial<Record<RunEvent['kind'], number>> = {
  series: 0.485,
  shunt: 0.485,
  'lower-impedance': 0.015,
  tap: 0.015,
};

const alikeInRatio = ({ from, to }: { from: number; to: number }): number => -Math.log(Math.log(to / from));
const logOhms = (event: RunEvent, ohms: number, spread: number): number =>
  event.ohms === undefined ? 0 : logNormal(Math.log(Math.max(event.ohms, 0.1)), Math.log(ohms), spread);

/** Impedance that echoes are reckoned against. */
const lineOhms = 75;
/** Share of a pulse that a series resistance or a leak sends back. Source: Γ = R/(2Z + R), and Z/(2R + Z) across the line. */
const echoShare = ({ kind, ohms = 0 }: RunEvent): number =>
  kind === 'series' ? ohms / (2 * lineOhms + ohms) : lineOhms / (2 * ohms + lineOhms);

/** Chance that a trace shows something of so many ohms, growing with it: it is half where it is first seen. */
const seen = (ohms: number, from: number): number => 1 / (1 + (from / ohms) ** seenFrom.steepness);

/** Log-chance of an event being as sure as it is, where its ohms do not say how strong it is. */
const sureLog = ({ kind, confidence }: RunEvent, share: number): number =>
  kind === 'series' || kind === 'shunt' ? 0 : Math.log(confidence >= sureEvents.from ? share : 1 - share);

/** Log-density of an event if nothing made it, beside its place. */
function strayLog(events: readonly RunEvent[], index: number): number {
  const event = events[index]!;
  const isBehind = events.slice(0, index).some(isStrong);
  const rate = isBehind ? strayEvents.behind : strayEvents.alone;
  const kind =
    Math.log(rate * (strayShares[event.kind] ?? 0.02)) +
    (isBehind ? sureLog(event, sureEvents.made) : sureLog(event, sureEvents.stray));
  if (event.ohms === undefined || (event.kind !== 'series' && event.kind !== 'shunt')) return kind;
  const any = alikeInRatio(strayEcho);
  if (isBehind) return kind + any;
  const share = Math.log(Math.max(1e-4, echoShare(event)));
  return (
    kind + logMix(logNormal(share, Math.log(strayEcho.share), strayEcho.spread), any, strayEcho.anyShare)
  );
}

/** Log-chance that a trouble shows as an event, beside its place; none where it never does. */
function shownLog(trouble: Echoing, event: RunEvent, jointOhms: number): number {
  switch (trouble) {
    case 'joint':
      return event.kind === 'series'
        ? Math.log(seen(jointOhms, seenFrom.jointOhms)) + logOhms(event, jointOhms, echoOhmsSpread)
        : -Infinity;
    case 'water': {
      if (event.kind !== 'shunt') return -Infinity;
      const ohms = event.ohms ?? 500;
      if (ohms < leakOhms.from / 1.6 || ohms > leakOhms.to * 1.6) return -Infinity;
      return Math.log(seen(1 / ohms, 1 / seenFrom.leakOhms)) + alikeInRatio(leakOhms);
    }
    case 'tap': {
      if (event.kind === 'shunt')
        return Math.log(tapShows.shunt) + logOhms(event, tapOhms.middle, tapOhms.spread);
      const chance = event.kind === 'tap' || event.kind === 'lower-impedance' ? tapShows[event.kind] : 0;
      return Math.log(chance);
    }
    case 'echo': {
      if (event.kind === 'shunt')
        return Math.log(patchShows.shunt) + logOhms(event, patchOhms.middle, patchOhms.spread);
      const chance = event.kind === 'tap' || event.kind === 'lower-impedance' ? patchShows[event.kind] : 0;
      return Math.log(chance);
    }
  }
}

/** Chance that a trouble which is in sight shows nothing. */
function missed(trouble: Echoing, jointOhms: number): number {
  switch (trouble) {
    case 'joint':
      return 1 - seen(jointOhms, seenFrom.jointOhms);
    case 'water':
      return leakMissed;
    case 'tap':
      return 1 - tapShows.tap - tapShows.shunt - tapShows['lower-impedance'];
    case 'echo':
      return 1 - patchShows['lower-impedance'] - patchShows.shunt - patchShows.tap;
  }
}

/** Which event each trouble made, in one way of telling what a trace shows. */
export type Told = ReadonlyMap<Echoing, RunEvent>;
const toldBy = (present: readonly Echoing[], made: readonly (RunEvent | undefined)[]): Told =>
  new Map(present.flatMap((trouble, at) => (made[at] ? [[trouble, made[at]] as const] : [])));

/** Log-density of each event if nothing made it; the same whatever troubles are thought of. */
const straysOf = rememberedFor((events: readonly RunEvent[]): number[] =>
  events.map((_, index) => strayLog(events, index)),
);

/**
 * Log-chance of the events on the way, beside their places, which are anywhere alike: each trouble made one of them or went
 * unseen, and whatever no trouble made is stray. `share` of the run is in sight, up to where the trace ends.
 * `tell` hears of every way with its log-chance.
 */
export function eventsLog(
  events: readonly RunEvent[],
  present: readonly Echoing[],
  jointOhms: number,
  share: number,
  tell?: (told: Told, log: number) => void,
): number {
  const stray = straysOf(events);
  const allStray = stray.reduce((sum, log) => sum + log, 0);
  const inSight = Math.log(share);
  let total = 0;
  // The event that each trouble made, by its place among them.
  const made: (RunEvent | undefined)[] = present.map(() => undefined);
  const isTaken = events.map(() => false);
  const go = (at: number, log: number): void => {
    const trouble = present[at];
    if (trouble === undefined) {
      total += Math.exp(log);
      tell?.(toldBy(present, made), log + allStray);
      return;
    }
    made[at] = undefined;
    go(at + 1, log + Math.log(1 - share * (1 - missed(trouble, jointOhms))));
    for (let index = 0; index < events.length; index += 1) {
      const event = events[index]!;
      const shown = isTaken[index] ? -Infinity : shownLog(trouble, event, jointOhms);
      if (shown === -Infinity) continue;
      isTaken[index] = true;
      made[at] = event;
      go(at + 1, log + inSight + shown + sureLog(event, sureEvents.made) - stray[index]!);
      isTaken[index] = false;
    }
  };
  go(0, 0);
  return allStray + Math.log(total);
}
