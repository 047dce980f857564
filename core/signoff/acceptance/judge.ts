import type { AcceptanceLimit } from '#core/signoff/asked';
import type { AcceptanceFound } from '#core/model/site';
import { counted } from '#core/shared/labels';
import { formatLimit, formatQuantity } from '#core/shared/units';

/** Whether a reading is accepted, and why in a sentence. */
export interface Judged {
  holds: boolean;
  message: string;
}

/** What is wanted, in words: `18.9 V to 26.4 V`, `at most 0.1 %`. */
export function limitInWords(limit: AcceptanceLimit): string {
  switch (limit.kind) {
    case 'seen':
      return 'seen to be so';
    case 'words':
      return 'written down';
    case 'soak':
      return `${formatQuantity(limit.hours, 'h', 0)} without a drop, at most ${formatLimit(limit.lostPercent, '%')} lost`;
    case 'figure': {
      const { least, most, unit } = limit;
      const said = (value: number): string => formatLimit(value, unit);
      if (least !== null && most !== null) return `${said(least)} to ${said(most)}`;
      if (least !== null) return `at least ${said(least)}`;
      return most === null ? 'noted' : `at most ${said(most)}`;
    }
  }
}

/** A reading in words: `23.1 V`, `41 h, no drop`. */
export function foundInWords(found: AcceptanceFound, limit: AcceptanceLimit): string {
  switch (found.kind) {
    case 'figure':
      return limit.kind === 'figure'
        ? formatQuantity(found.value, limit.unit, limit.unit === '%' ? 2 : undefined)
        : String(found.value);
    case 'seen':
      return found.isSo ? 'yes' : 'no';
    case 'words':
      return found.words;
    case 'soak':
      return [
        formatQuantity(found.hours, 'h'),
        found.drops === 0 ? 'no drop' : counted(found.drops, 'drop'),
        `${formatQuantity(found.lostPercent, '%', 2)} lost`,
        ...(found.gapMinutes > 0 ? [`${formatQuantity(found.gapMinutes, 'min')} not counted`] : []),
      ].join(', ');
  }
}

/** Part of a soak in which nobody need have counted: a counter that was read late, not an hour that is missing. Policy. */
const gapShare = 0.02;

function judgeSoak(
  found: Extract<AcceptanceFound, { kind: 'soak' }>,
  { hours, lostPercent }: Extract<AcceptanceLimit, { kind: 'soak' }>,
): Judged {
  const countedHours = found.hours - found.gapMinutes / 60;
  const wrong = [
    ...(found.hours < hours
      ? [`${formatQuantity(found.hours, 'h')} of ${formatQuantity(hours, 'h', 0)}`]
      : []),
    ...(found.hours >= hours && countedHours < found.hours * (1 - gapShare)
      ? [`nobody counted for ${formatQuantity(found.gapMinutes, 'min')} of it`]
      : []),
    ...(found.drops > 0 ? [`the link went away ${found.drops === 1 ? 'once' : `${found.drops} times`}`] : []),
    ...(found.lostPercent > lostPercent
      ? [
          `${formatQuantity(found.lostPercent, '%', 2)} lost, at most ${formatLimit(lostPercent, '%')} allowed`,
        ]
      : []),
  ];
  const when = found.worstHour === undefined ? '' : ` Most of it around ${found.worstHour}:00.`;
  return wrong.length === 0
    ? { holds: true, message: `${formatQuantity(found.hours, 'h')} without a drop.` }
    : {
        holds: false,
        message: `${wrong.join('; ')}.${found.drops > 0 || found.lostPercent > lostPercent ? when : ''}`,
      };
}

/** What is read on the limit is on it, however the limit was multiplied out. */
const rounding = 1e-9;

/** Holds a reading against what is wanted. One of another kind than is asked for does not count. */
export function judge(found: AcceptanceFound, limit: AcceptanceLimit): Judged {
  if (found.kind !== limit.kind)
    return { holds: false, message: 'Read as something else than is asked for.' };
  switch (limit.kind) {
    case 'seen':
      return found.kind === 'seen' && found.isSo
        ? { holds: true, message: 'Seen to be so.' }
        : { holds: false, message: 'Not so.' };
    case 'words':
      return { holds: true, message: 'Written down.' };
    case 'soak':
      return judgeSoak(found as Extract<AcceptanceFound, { kind: 'soak' }>, limit);
    case 'figure': {
      const { value } = found as Extract<AcceptanceFound, { kind: 'figure' }>;
      const { least, most, because } = limit;
      const isLow = least !== null && value < least - rounding * Math.abs(least);
      const isHigh = most !== null && value > most + rounding * Math.abs(most);
      if (!isLow && !isHigh) return { holds: true, message: `Wanted: ${limitInWords(limit)}, ${because}.` };
      return {
        holds: false,
        message: `Too ${isLow ? 'little' : 'much'}: wanted ${limitInWords(limit)}, ${because}.`,
      };
    }
  }
}
