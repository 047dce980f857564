import { describe, expect, it } from 'vitest';
import type { RunEvent } from '#core/test/findings';
import { eventsLog, eventsOnTheWay, type Echoing, type Told } from './traceStory';

const event = (kind: RunEvent['kind'], atM: number, ohms?: number, confidence = 1): RunEvent => ({
  kind,
  atM,
  confidence,
  isFarEnd: false,
  ...(ohms === undefined ? {} : { ohms }),
});
const joint = event('series', 40, 9);
const leak = event('shunt', 70, 400);
const most = (events: RunEvent[], of: readonly Echoing[][], ohms = 9): string => {
  const logs = of.map((present) => eventsLog(events, present, ohms, 0.999));
  return of[logs.indexOf(Math.max(...logs))]!.join('+');
};
const choices: Echoing[][] = [
  [],
  ['joint'],
  ['water'],
  ['tap'],
  ['echo'],
  ['joint', 'water'],
  ['tap', 'echo'],
];

describe('events on the way', () => {
  it('are those that are sure, and neither the end nor what comes behind it', () => {
    const all = [event('series', 10, 2, 0.3), joint, leak, event('open', 100), event('series', 104, 90)];
    expect(eventsOnTheWay(all, 100)).toEqual([joint, leak]);
  });
});

describe('what a trace tells', () => {
  it.each([
    ['nothing where nothing shows', [], ''],
    ['a joint', [joint], 'joint'],
    ['water', [leak], 'water'],
    ['both of them', [joint, leak], 'joint+water'],
    ['a branch', [event('tap', 30)], 'tap'],
    ['a branch that looks like half the line across it', [event('shunt', 30, 100)], 'tap'],
    ['a piece of other cable', [event('lower-impedance', 30, 50)], 'echo'],
  ] as const)('%s', (_, events, said) => {
    expect(most([...events], choices)).toBe(said);
  });
  it('sums every way of saying which trouble made which event, and tells them', () => {
    const ways: [string, number][] = [];
    const events = [leak, event('shunt', 50, 110)];
    const log = eventsLog(events, ['water', 'tap'], 0, 0.999, (told: Told, of) =>
      ways.push([[...told].map(([trouble, { atM }]) => `${trouble} ${atM}`).join(', '), of]),
    );
    expect(ways.map(([words]) => words).sort()).toEqual([
      '',
      'tap 50',
      'tap 70',
      'water 50',
      'water 50, tap 70',
      'water 70',
      'water 70, tap 50',
    ]);
    expect(log).toBeCloseTo(Math.log(ways.reduce((sum, [, of]) => sum + Math.exp(of), 0)), 9);
    expect(ways.reduce((best, way) => (way[1] > best[1] ? way : best))[0]).toBe('water 70, tap 50');
  });
  it('expects nothing of a trouble that lies beyond where the trace ends', () => {
    const missing = (share: number): number => eventsLog([], ['tap'], 0, share) - eventsLog([], [], 0, share);
    expect(missing(0.2)).toBeGreaterThan(missing(0.9) + 1);
  });
});
