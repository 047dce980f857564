export {
  brokenLimit,
  isIp,
  type FeasibleOption,
  type InfeasibleOption,
  type Margin,
  type Option,
  type Part,
  type BrokenLimit,
  type SharedPort,
} from './option';
export type { Context } from './context';
export type { Draws } from './draws';
export { optionsFor } from './optionsFor';
export { freeRackUnits, mixes, portsThere, unitSizes, type UnitSize, type Wanted } from './sharedUnits';
export { renewalsOf, totalOf, type Buys, type Total } from './total';
