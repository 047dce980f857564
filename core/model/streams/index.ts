export {
  encodedRate,
  settingsOf,
  streamRate,
  workedOutMbps,
  type RateSource,
  type WholeSettings,
} from './streamRate';
