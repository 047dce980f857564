export { offerOf } from './offerOf';
export type { Alternate, Offer, OfferLine, ViewLine } from './types';
export { acceptOffer, changesSince, giveOffer, type LineChange } from './versions';
