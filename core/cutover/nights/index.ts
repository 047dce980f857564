export { chanceOf } from './chance';
export { datesOf, shiftMinutes } from './dates';
export type { NightJob, NightRules } from './nightJob';
export { planNights, type NightsPlan, type PlannedNight } from './planNights';
export { sequenceNight } from './sequence';
export { usualSpread } from './spread';
