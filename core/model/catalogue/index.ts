export {
  cameraFor,
  catalogueOf,
  eachOf,
  genericProducts,
  isGeneric,
  isOwn,
  labourId,
  labourRateOf,
  leadDaysOf,
  productOf,
  productsOf,
  type Catalogue,
} from './catalogue';
export { priceGaps, type PriceGap } from './priceGaps';
export {
  distancesText,
  parseDistances,
  priceListColumns,
  priceListOf,
  readPriceList,
  supplyText,
} from './priceList';
