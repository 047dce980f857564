export { mainsCheck, type MainsCheck } from './mainsCheck';
export { adapterCheck, supplyCheck, type SupplyCheck } from './supplyCheck';
