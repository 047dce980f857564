export { labelSheets, runLabels } from './labels';
export { orderList, type OrderRow } from './orderList';
export { pickList, type PickRow } from './pickList';
