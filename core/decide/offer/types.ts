import type { MarginClass, OfferSettings } from '#core/model/site';
import type { Contingency } from './contingency';

/** What a line of an offer is of. */
export type LineGroup = 'parts' | 'hire' | 'labour' | 'service' | 'provisional' | 'contingency';

/** A line of an offer: what it costs whoever offers, the margin on that, and the price. */
export interface OfferLine {
  id: string;
  group: LineGroup;
  label: string;
  cost: number;
  marginClass: MarginClass | null;
  marginPercent: number;
  /** In whole units of the currency. */
  price: number;
  /** What is in it, for whoever wants to know. */
  detail: string[];
}

/** A view with its part of the price. */
export interface ViewLine {
  cameraId: string;
  number: number;
  name: string;
  becomes: string;
  darkHours: number;
  /** All views together are the net price. */
  price: number;
}

/** Another plan that is offered beside it. */
export interface Alternate {
  planId: string;
  name: string;
  net: number;
  difference: number;
  /** Views that become something else in it. */
  differs: { number: number; name: string; becomes: string }[];
}

/** What an offer rests on that nobody has confirmed, surveyed or tested. */
export interface Premise {
  kind: 'price' | 'route' | 'run' | 'choice' | 'margin';
  message: string;
}

/** A price that a customer can decide from, with everything it is made of and rests on. */
export interface Offer {
  settings: OfferSettings;
  currency: string;
  lines: OfferLine[];
  contingency: Contingency;
  net: number;
  tax: number;
  gross: number;
  views: ViewLine[];
  alternates: Alternate[];
  payments: { when: string; percent: number; amount: number }[];
  premises: Premise[];
  /** What stands in the way of giving it at all. */
  problems: string[];
  hours: number;
  darkHours: number;
  renewals: { years: number; cost: number };
}
