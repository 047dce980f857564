export type { Uses } from './use';
export { usesOf } from './usesOf';
