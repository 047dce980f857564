export { channelMargin } from './channelMargin';
export { coaxHoldsAt, coaxRateMargin, coaxSourceWatts, coaxWattsMargin } from './coaxMargins';
export { feedMargin } from './feedMargin';
export { pictureMarginOf } from './pictureMargin';
export { reachMargin } from './reachMargin';
export { poeMargin } from './poeMargin';
export { windowMargins } from './windowMargins';
export { keptVoltsMargin, nightVoltsMargin } from './voltsMargins';
