export { channelMargin } from './channelMargin';
export { coaxHoldsAt, coaxRateMargin, coaxWattsMargin } from './coaxMargins';
export { pictureMarginOf } from './pictureMargin';
export { poeMargin, stretchesOf } from './poeMargin';
export { keptVoltsMargin, nightVoltsMargin } from './voltsMargins';
