import { fireClasses, type FireClass, type Place } from '#core/model/site';

/** The strictest class that either end asks for: the cable is one piece. */
export const fireClassOf = (...places: Pick<Place, 'fireClass'>[]): FireClass =>
  fireClasses[Math.max(...places.map(({ fireClass }) => fireClasses.indexOf(fireClass ?? 'general')))]!;

/** What a class is made for. */
export const fireClassWords: Record<FireClass, string> = {
  general: 'general use',
  riser: 'a riser',
  plenum: 'a plenum',
  'escape-route': 'an escape route',
};

/** For new cable that the catalogue has in one class only. */
export function fireClassCautions(...places: Pick<Place, 'fireClass'>[]): string[] {
  const wanted = fireClassOf(...places);
  return wanted === 'general' ? [] : [`The new cores have to be made for ${fireClassWords[wanted]}.`];
}
