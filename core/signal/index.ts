export {
  linkConverter, linkConverterIds, linkConverters, pictureFormat, pictureFormatIds, pictureFormats, type LinkConverter, type PictureFormat,
} from './tables';
export { balunLossDb, pictureMargin, soundJointLossDb, type PictureMargin, type PictureState } from './pictureMargin';
export { linkRateMbps } from './linkRate';
export { seriesLossDb, shuntLossDb, tapLossDb } from './faultLoss';
