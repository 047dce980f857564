import { listed } from '#core/shared/labels';
import { formatQuantity, type Unit } from '#core/shared/units';
import type { Meets, Predicted } from '#core/signoff/predicted';
import type { Kinship, SharedDifference } from './agreementOf';
import type { ExpectedMargin } from './expectedOfOption';

const kinWords: Record<Kinship['by'], string> = {
  reel: 'from the reel',
  print: 'with the print',
  installer: 'put in by',
  supply: 'on',
  place: 'at',
  cable: 'of',
};
const meetsWords: Record<Meets, string> = {
  surely: 'holds',
  maybe: 'holds by the middle of it',
  hardly: 'does not hold by it',
};

/** Who read what of it: `cameras 4 and 7 from the reel a read 9 % below what was predicted`. */
export const differenceInWords = ({ numbers, kin, percent }: SharedDifference): string =>
  `cameras ${listed(numbers.map(String))} ${kinWords[kin.by]} ${kin.name} read ${Math.abs(percent).toFixed(0)} % ${
    percent < 0 ? 'below' : 'above'
  } what was predicted`;

const expectedAt = ({ before, now }: { before: Predicted; now: Predicted }, unit: Unit): string =>
  `now expected at ${formatQuantity(now.value, unit)} (${formatQuantity(now.low, unit)} to ${formatQuantity(
    now.high,
    unit,
  )}), before ${formatQuantity(before.value, unit)}`;

/** What a figure is expected at now: `is now expected at 10.6 V (10.1 V to 11.0 V), before 11.4 V: does not hold by it`. */
export const expectedInWords = (
  one: { before: Predicted; now: Predicted; meets: Meets },
  unit: Unit,
): string => `is ${expectedAt(one, unit)}: ${meetsWords[one.meets]}`;

/** All of it in sentences, for an option that nobody has built yet. */
export const expectedMarginInWords = (one: ExpectedMargin): string =>
  `${one.label}: ${expectedAt(one, one.unit)}, because ${differenceInWords(one.difference)}. It ${meetsWords[one.meets]}.`;
