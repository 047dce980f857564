import { familyOf, type Occupant } from '#core/model/slotRules';
import { numbersFrom } from '#core/shared/numeric';
import type { Recorder } from '#core/model/site';
import { alike, carriedIn, modesOf } from './recorderModes';

/** What a recorder has to carry after a night: IP and joined cameras where they belong, and so many leads on any input that is coax. */
export interface NightDemand {
  fixed: readonly Occupant[];
  leads: number;
}

const isCoax = ({ need }: Occupant): boolean => need.signal.kind === 'coax';

/** Inputs for leads on a recorder whose inputs turn one by one: all but those that are IP. As few as needed are turned back. */
function inputsOfEach(
  { inputs }: Recorder,
  { fixed, leads }: NightDemand,
  now: ReadonlySet<number>,
): number[] | null {
  const needed = new Set(fixed.filter((one) => !isCoax(one)).map(({ slot }) => slot));
  const taken = new Set(fixed.filter(isCoax).map(({ slot }) => slot));
  const free = numbersFrom(1, inputs).filter((slot) => !needed.has(slot) && !taken.has(slot));
  if (free.length < leads) return null;
  // What is IP by now comes last: a lead there would turn it back.
  return [...free].sort((a, b) => Number(now.has(a)) - Number(now.has(b)));
}

/**
 * The inputs on which leads may stand after a night, in the order in which they are better taken; `null` where no state of the
 * recorder carries all that has to be carried. Leads can be plugged anywhere, so only their number counts.
 */
export function inputsForLeads(
  recorder: Recorder,
  demand: NightDemand,
  now: ReadonlySet<number>,
  atTheEnd: readonly Occupant[],
): number[] | null {
  const family = familyOf(recorder);
  // A lead that stands where IP will be at the end has to move again.
  const ipAtTheEnd = family.ipInputs(recorder, atTheEnd);
  const stayingFirst = (inputs: readonly number[] | null): number[] | null =>
    inputs && [...inputs].sort((a, b) => Number(ipAtTheEnd.has(a)) - Number(ipAtTheEnd.has(b)));
  if (family.conversion === 'each') return stayingFirst(inputsOfEach(recorder, demand, now));
  const { fixed, leads } = demand;
  const taken = new Set(fixed.filter(isCoax).map(({ slot }) => slot));
  const ways = modesOf(recorder)
    .filter((mode) => fixed.every((one) => carriedIn(mode, one)))
    .map((mode) => ({
      inputs: mode.coaxInputs.filter((slot) => !taken.has(slot)),
      isNow: alike(mode.ipInputs, now),
      carried: atTheEnd.filter((one) => carriedIn(mode, one)).length,
    }))
    .filter(({ inputs }) => inputs.length >= leads)
    .sort((a, b) => Number(b.isNow) - Number(a.isNow) || b.carried - a.carried);
  return stayingFirst(ways[0]?.inputs ?? null);
}
