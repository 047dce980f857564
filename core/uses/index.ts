export type { Use, UseMargin, Uses, WorthReading } from './use';
export { usesOf } from './usesOf';
