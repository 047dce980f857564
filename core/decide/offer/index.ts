export { offerOf } from './offerOf';
export { otherWays } from './otherWays';
export type { Offer } from './types';
export { acceptOffer, changesSince, giveOffer } from './versions';
