export {
  asKnown,
  loadSpread,
  lossSpread,
  ohmsFactor,
  pessimistic,
  readSpread,
  steelChance,
  unseenDb,
  type Future,
} from './future';
