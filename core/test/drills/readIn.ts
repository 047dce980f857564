import { createRandom } from '#core/shared/random';
import {
  actualRun,
  continuity,
  insulationMegohms,
  link,
  loadedAcVolts,
  reflectometerTrace,
  resistanceOhms,
  volts,
  type HookedUp,
  type Random,
} from '#core/test/instrument';
import type { Found, Reading, Site, TestId } from '#core/model/site';
import type { Drill } from './drill';
import { drillRunId } from './ground';
import { failsSwap } from './failsSwap';

/** Drills happen on one day, so that their readings are the same whenever they are played. */
export const drillDay = Date.UTC(2026, 2, 10, 8);

/** A whole number for a text, so that the same drill throws the same dice. Source: FNV-1a, 32 bits. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const sign of text) hash = Math.imul(hash ^ sign.codePointAt(0)!, 0x01000193) >>> 0;
  return (hash % 2_147_483_646) + 1;
}

/** What a tester says of continuity, as it is noted. */
const continuityFound = { THROUGH: 'through', OPEN: 'open', SHORTED: 'shorted' } as const;

/** What a tester meets, at a moment of the drill. */
function hookedUp(site: Site, drill: Drill, test: TestId): HookedUp {
  const { line, nightSupplyVolts } = drill.truth;
  const isNight = test === 'night-volts';
  const secrets = {
    ...line,
    ...(isNight && nightSupplyVolts !== undefined ? { supplyVolts: nightSupplyVolts } : {}),
  };
  const actual = actualRun(site, { about: '', runs: { '1': secrets } }, 1)!;
  const on =
    test === 'shield-earth-volts'
      ? 'earth'
      : test === 'power-loop-ohms' || test === 'day-volts' || test === 'night-volts'
        ? 'power'
        : 'coax';
  const isLive = test === 'day-volts' || test === 'night-volts';
  return {
    actual,
    on,
    far: test === 'insulation-megohms' || test === 'reflectometer' ? 'open' : 'short',
    state: isLive ? 'live' : 'disconnected',
    load: isNight ? 'night' : 'day',
  };
}

/** What a test finds of a drill; `null` where there is nothing of it to read. */
function foundIn(site: Site, drill: Drill, test: TestId, random: Random): Found | null {
  const hooked = hookedUp(site, drill, test);
  switch (test) {
    case 'foreign-ac-volts':
      return { test, value: volts(site, hooked, 'ac', random) };
    case 'foreign-ac-loaded-volts':
      return { test, value: loadedAcVolts(hooked, random) };
    case 'foreign-dc-volts':
      return { test, value: volts(site, hooked, 'dc', random) };
    case 'shield-earth-volts':
      return { test, value: volts(site, hooked, 'ac', random) };
    case 'continuity':
      return { test, found: continuityFound[continuity({ ...hooked, far: 'short' })] };
    case 'coax-loop-ohms':
    case 'power-loop-ohms':
      return { test, value: resistanceOhms(hooked, random) };
    case 'insulation-megohms':
      return { test, value: insulationMegohms(hooked, random) };
    case 'reflectometer':
      return { test, trace: reflectometerTrace(hooked, random) };
    case 'day-volts':
    case 'night-volts':
      return { test, value: volts(site, hooked, 'dc', random) };
    case 'picture':
      return { test, symptoms: drill.truth.sees };
    case 'camera-at-head-end':
    case 'camera-on-local-supply':
      return { test, found: failsSwap(test, drill.truth.troubles) ? 'fails' : 'works' };
    case 'wire-map':
      return { test, found: drill.truth.wireMap ?? 'straight' };
    case 'link':
      return { test, ...link(hooked, random) };
    default:
      return null;
  }
}

/** Tests that a drill can answer. */
export const drillTests = [
  'foreign-ac-volts',
  'foreign-ac-loaded-volts',
  'shield-earth-volts',
  'continuity',
  'coax-loop-ohms',
  'power-loop-ohms',
  'insulation-megohms',
  'reflectometer',
  'wire-map',
  'day-volts',
  'night-volts',
  'picture',
  'camera-at-head-end',
  'camera-on-local-supply',
  'link',
] as const satisfies readonly TestId[];

/**
 * What a test reads at a minute of a drill. The dice hang on the drill, the test and how often it was done, so that whoever
 * plays the same drill reads the same.
 */
export function readIn(
  site: Site,
  drill: Drill,
  test: TestId,
  { time, minute, meterProved }: { time: number; minute: number; meterProved: boolean },
): Reading | null {
  const found = foundIn(site, drill, test, createRandom(seedOf(`${drill.id} ${test} ${time}`)));
  if (!found) return null;
  return {
    id: `${test}-${time}`,
    runId: drillRunId,
    at: new Date(drillDay + minute * 60_000).toISOString(),
    by: 'learner',
    instrument: 'stand-in tester',
    ...found,
    ...(test === 'foreign-ac-volts' ? { meterProved } : {}),
  } as Reading;
}
