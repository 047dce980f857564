export { offerOf } from './offerOf';
export type { Offer } from './types';
export { acceptOffer, changesSince, giveOffer } from './versions';
