export { chanceOf } from './chance';
export { darkBands, type DarkBand } from './darkRules';
export { datesOf, isOpenDate, shiftMinutes } from './dates';
export type { NightJob, NightRules } from './nightJob';
export { objectionsTo, type Objection } from './objections';
export { planNights, type NightsPlan, type PlannedNight } from './planNights';
export { sequenceNight, type PlannedJob } from './sequence';
export { usualSpread } from './spread';
export { endOfNight, timedNight, type GivenJob } from './timedNight';
