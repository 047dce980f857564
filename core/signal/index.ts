export {
  linkConverter,
  linkConverterIds,
  linkConverters,
  pictureFormat,
  pictureFormatIds,
  pictureFormats,
  type LinkConverter,
  type PictureFormat,
} from './tables';
export {
  balunLossDb,
  pictureMargin,
  soundJointLossDb,
  type PictureMargin,
  type PictureState,
} from './pictureMargin';
export { linkRateMbps, linkRateOver } from './linkRate';
export { heardText, parseHeard } from './heardText';
export { fibreLossDb } from './fibre';
export {
  channelMHz,
  clearShare,
  freeSpaceLossDb,
  fresnelRadiusM,
  noiseDbm,
  rankChannels,
  rateAtDb,
  receivedDbm,
  sights,
  type Heard,
  type RankedChannel,
  type Sight,
} from './wireless';
export { formatMegapixels } from './formatMegapixels';
export { seriesLossDb, shuntLossDb, tapLossDb } from './faultLoss';
