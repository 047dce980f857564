export {
  categoryChannel,
  longestChannelM,
  longestLinkM,
  permanentLinkM,
  type WarmStretch,
} from './categoryChannel';
export { patchLossDb, seriesLossDb, shuntLossDb, tapLossDb, tapNotchDb } from './faultLoss';
export { categoryGrades, copperReachM, type CategoryGrade } from './copperReach';
export { fibreGrades, fibreLossDb, fibreReachM, fibreRepairDb, type FibreGrade } from './fibre';
export { formatMegapixels } from './formatMegapixels';
export { linkRateMbps, linkRateOver } from './linkRate';
export { balunLossDb, pictureMargin, soundJointLossDb, type PictureMargin } from './pictureMargin';
export {
  hdSchemes,
  schemeSetters,
  speaksAlike,
  takesPicture,
  type HdScheme,
  type SentPicture,
} from './schemes';
export {
  linkConverter,
  linkConverterIds,
  linkConverters,
  pictureFormat,
  pictureFormatIds,
  pictureFormats,
} from './tables';
export type { PictureFormat } from './tableSchemas';
