export { heardText, parseHeard } from './heardText';
export { allowedChannels, radioRegionIds, radioRegions, type RadioRegionId } from './regions';
export {
  channelMHz,
  channelWidthsMHz,
  clearShare,
  clutterDb,
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
