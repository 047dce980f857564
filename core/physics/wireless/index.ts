export { heardText, parseHeard } from './heardText';
export { allowedChannels, radioRegionIds, radioRegions, type RadioRegionId } from './regions';
export {
  channelMHz,
  channelWidthsMHz,
  clearShare,
  freeSpaceLossDb,
  fresnelRadiusM,
  noiseDbm,
  rankChannels,
  rateAtDb,
  receivedDbm,
  sights,
  type RankedChannel,
  type Sight,
} from './wireless';
