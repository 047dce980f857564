import { formatQuantity } from '#core/shared/units';

const joined = new Intl.ListFormat('en', { type: 'conjunction' });
/** Less than a tenth of a night is not worth a word. */
const leastNights = 0.1;

const nightsInWords = (nights: number): string =>
  nights < 1 ? `${nights.toFixed(1)} of a night` : `${nights.toFixed(1)} nights`;

/** What knowing first saves, in words: hours of work with their price, and nights. */
export const savedInWords = (
  { hours, money, nights }: { hours: number; money: number; nights: number },
  currency: string,
): string =>
  joined.format([
    `${hours < 0.1 ? 'a few minutes' : formatQuantity(hours, 'h')} of work${money > 0 ? ` (${formatQuantity(money, 'money')} ${currency})` : ''}`,
    ...(nights >= leastNights ? [nightsInWords(nights)] : []),
  ]);
