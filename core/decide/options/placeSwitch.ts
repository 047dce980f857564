import type { Place } from '#core/model/site';
import { isSheltered } from './sheltered';

/** From a switch at a place to a camera beside it, up a wall and along it. Usual figure, until somebody measures the lead. */
export const nearLeadM = 10;

/** What a switch that stands in the open needs. */
export const enclosureCautions = ({ environment }: Pick<Place, 'environment'>): string[] =>
  isSheltered(environment)
    ? []
    : ['The switch needs a closed, vented enclosure, and a switch that stands the heat and cold there.'];
