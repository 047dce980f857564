export { mainsCheck, plannedGear, poeEfficiency, supplyEfficiency, type MainsCheck } from './mainsCheck';
export { backupInWords, backupOf, batteryYears, type Backup, type BatteryAge } from './upsBattery';
export { adapterCheck, supplyCheck, type SupplyCheck } from './supplyCheck';
