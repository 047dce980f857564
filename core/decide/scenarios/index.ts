export {
  asKnown,
  loadSpread,
  lossSpread,
  ohmsFactor,
  pessimistic,
  readSpread,
  steelChance,
  unseenDb,
  type Scenario,
} from './scenario';
