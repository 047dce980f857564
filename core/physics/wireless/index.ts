export { heardText, parseHeard } from './heardText';
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
  type Sight,
} from './wireless';
