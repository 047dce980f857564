import { readJacketPrint } from '#core/physics/cable';
import type { FireClass } from '#core/model/site';
import type { Context } from './context';
import { fireClassOf, fireClassWords } from './fireClass';

/**
 * Classes that a printed rating serves beside general use. Source: the plenum, riser and general ratings of North America, plenum
 * standing in for riser; low smoke, or classes B1ca to Cca, for escape routes in Europe. Local code decides.
 */
const serves: readonly (readonly [rating: RegExp, classes: readonly FireClass[]])[] = [
  [/^(?:CMP|CL[23]P|CATVP|FT6|plenum)$/, ['riser', 'plenum']],
  [/^(?:CMR|CL[23]R|CATVR|riser)$/, ['riser']],
  [/^(?:LSZH|B1ca|B2ca|Cca)/, ['escape-route']],
];

const isServed = (rating: string, wanted: FireClass): boolean =>
  serves.some(([printed, classes]) => printed.test(rating) && classes.includes(wanted));

/** What the jackets of the old cable say about fire, where a place along it asks for more than general use. */
export function oldCableFire({ run, place, headEnd }: Pick<Context, 'run' | 'place' | 'headEnd'>): string[] {
  const wanted = fireClassOf(place, headEnd);
  if (wanted === 'general') return [];
  const ratings = run.segments.map(
    ({ print, sheet }) => sheet?.fireRating ?? (print && readJacketPrint(print).fireRating),
  );
  const unfit = [...new Set(ratings.filter((rating) => rating && !isServed(rating, wanted)))];
  const asks = `Cable there has to be made for ${fireClassWords[wanted]}`;
  const ask = 'Ask whoever answers for fire safety before it is used on.';
  if (unfit.length > 0) return [`${asks}; the old one is printed ${unfit.join(', ')}. ${ask}`];
  return ratings.some((rating) => !rating)
    ? [`${asks}; the fire rating of the old one was not read off its jacket. ${ask}`]
    : [];
}
