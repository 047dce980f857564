export { mainsCheck, type MainsCheck } from './mainsCheck';
export { adapterCheck, supplyCheck, usableShare, type SupplyCheck } from './supplyCheck';
