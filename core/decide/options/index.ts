export {
  brokenLimit,
  isIp,
  type Draws,
  type FeasibleOption,
  type InfeasibleOption,
  type KeptCamera,
  type Margin,
  type MarginKind,
  type Option,
  type BrokenLimit,
  type SeenBy,
  type SharedPort,
} from './option';
export type { Part } from './part';
export { fieldSwitchPorts, fieldSwitchesFor } from './fieldSwitch';
export { portKinds, type PortKind } from './portKinds';
export type { Context } from './context';
export { keptCamera } from './analog';
export { drawsToday } from './draws';
export { bestTrunk } from './fieldCoax';
export type { OldCoax, Trunk } from './trunk';
export { hdFormats } from './hdFormats';
export { renewingCosts } from './build';
export { lineBindings } from './lineMargins';
export { heaviestLoad } from './heaviestLoad';
export { newCameras } from './newCamera';
export { networkCameraNeeds, type NetworkCameraNeed } from './networkCameras';
export { onAir, type OnAir } from './onAir';
export { clearanceDerivation, clearanceNeedM, radioRateDerivation } from './radioDerivations';
export { oldCablesInUse } from './oldCablesInUse';
export { optionFor, optionsOf } from './optionsFor';
export { sharingLines, unitCostOf, unitsFor, type SharedThing, type UnitCost } from './sharing';
export { mixes } from './mixes';
export { inSettling, portsThere, type LeadRule } from './portsThere';
export { freeRackUnits } from './rackRoom';
export { levelsOf, unitSizes, usualPortWatts, type UnitSize } from './sharedUnits';
export { joiningRank } from './leads';
export { accessWork, liftHire, peopleOnLift } from './access';
export {
  linkWork,
  plannedLinks,
  plannedNetwork,
  camerasToHang,
  viewWork,
  type PlannedWork,
} from './plannedNetwork';
export {
  recordersToBuy,
  renewalsOf,
  sharedThingsOf,
  totalOf,
  type Buys,
  type SharedEquipment,
  type Total,
} from './total';
export { isSheltered } from './sheltered';
