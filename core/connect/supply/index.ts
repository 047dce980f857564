export { mainsCheck, plannedGear, poeEfficiency, supplyEfficiency, type MainsCheck } from './mainsCheck';
export { batteryAge, batteryYears, runtimeInWords, upsHours, type BatteryAge } from './upsBattery';
export { adapterCheck, supplyCheck, type SupplyCheck } from './supplyCheck';
