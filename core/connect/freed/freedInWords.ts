import { counted } from '#core/shared/labels';
import { formatQuantity } from '#core/shared/units';
import type { Freed } from './freedBy';

/** What is free when all is done, a line for each thing. */
export function freedInWords(freed: Freed): string[] {
  const { inputs, boxes, coaxM, pairM, rackUnits, goes, circuits, fibres, closets } = freed;
  return [
    ...inputs.map(({ name, count, isAll }) => {
      const whole = isAll ? ': nothing is plugged into it any more, unless footage has to be kept' : '';
      return `${counted(count, 'input')} of ${name}${whole}`;
    }),
    ...boxes.map(({ name, outputs, isAll }) =>
      isAll ? `${name}, whole: it feeds no camera any more` : `${counted(outputs, 'output')} of ${name}`,
    ),
    ...(coaxM > 0 ? [`${formatQuantity(coaxM, 'm', 0)} of coax that nothing runs over`] : []),
    ...(pairM > 0 ? [`${formatQuantity(pairM, 'm', 0)} of pair cable that nothing runs over`] : []),
    ...goes.map((name) => `${name}, which goes`),
    ...(rackUnits > 0 ? [counted(rackUnits, 'rack unit')] : []),
    ...fibres.map(({ name, count }) => `${counted(count, 'fibre')} of ${name}`),
    ...circuits.map((name) => `${name}: it feeds nothing any more`),
    ...closets.map((name) => `The closet at ${name}: nothing is left in it but what it is fitted with`),
  ];
}
