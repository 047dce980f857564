export {
  mainsCheck,
  type CircuitCheck,
  type Consumer,
  type MainsCheck,
  type RackCheck,
  type UpsCheck,
} from './mainsCheck';
export {
  adapterCheck,
  supplyCheck,
  usableShare,
  type Fed,
  type OutputCheck,
  type SupplyCheck,
} from './supplyCheck';
export { powerFixes, type PowerFix } from './powerFixes';
export { railAt, type OnRail, type Rail } from './rail';
