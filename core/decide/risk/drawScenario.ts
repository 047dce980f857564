import type { Chance } from '#core/test/diagnosis';
import { asNoted, type Scenario } from '#core/test/scenarios';
import type { OptionLine } from './optionLine';

/** Part of the spread in published loss that all runs of a site share: the same reels, the same tables. Judgement. */
const commonShare = 0.6;
const ownShare = Math.sqrt(1 - commonShare ** 2);

/** What the cameras of a site share in one scenario, in standard deviations. */
export interface Common {
  loss: number;
  load: number;
}

/** Draws how one line and what hangs on it turn out, into a scenario that is used again and again. */
export function drawScenario(
  into: Scenario,
  { belief, coaxThought, coresThought }: OptionLine,
  chance: Chance,
  common: Common,
): void {
  const { gauss } = chance;
  // Of a loop that nobody has read the line itself says how far it is off.
  into.coaxOhms = coaxThought ? 0 : gauss();
  into.powerOhms = coresThought ? 0 : gauss();
  into.loss = commonShare * common.loss + ownShare * gauss();
  into.joints = gauss();
  into.load = commonShare * common.load + ownShare * gauss();
  into.length = gauss();
  const line = belief ? belief.draws(chance) : asNoted;
  into.coaxTimes = line.coaxTimes;
  into.powerTimes = line.powerTimes;
  into.unseenDb = line.unseenDb;
  into.hasUnseenTap = line.hasUnseenTap;
}
