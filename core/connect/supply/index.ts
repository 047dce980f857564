export {
  mainsCheck,
  plannedGear,
  poeEfficiency,
  supplyEfficiency,
  upsHours,
  type MainsCheck,
} from './mainsCheck';
export { adapterCheck, supplyCheck, type SupplyCheck } from './supplyCheck';
