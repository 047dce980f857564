export { calmNight } from './calmNight';
export { chanceOf } from './chance';
export { darkBands, darkMinutes, type DarkBand } from './darkRules';
export { datesOf, dayAfter, daysAfter, hoursInShift, isOpenDate, shiftMinutes } from './dates';
export { carriedAfter, type MorningLimit } from './morningLimits';
export type { NightDemand } from './nightDemand';
export type { NightJob, NightRules } from './nightJob';
export { objectionsTo, type Objection } from './objections';
export {
  nightsProgramme,
  planNights,
  type NightsPlan,
  type NightsProof,
  type PlannedNight,
} from './planNights';
export { sequenceNight, type PlannedJob } from './sequence';
export { leastDark } from './leastDark';
export { liftBands, type LiftBand } from './liftBands';
export { spreadWith, usualSpread, type Spread } from './spread';
export { standingOf } from './standing';
export { endOfNight, timedNight, type GivenJob } from './timedNight';
