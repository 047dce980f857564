export type { Context } from './context';
export { poeSourceVolts } from './margins';
export { optionLabels, type Impossible, type Margin, type Option, type Part, type Possible, type SharedPort } from './option';
export { optionsFor } from './optionsFor';
export { labourPerHour, prices, type Item } from './priceBook';
export { targetCameras, type TargetCamera } from './targetCameras';
export { cheapestUnits, totalOf, type SharedEquipment, type Total } from './total';
export { viewFigures, type Sharpness, type ViewFigures } from './viewFigures';
