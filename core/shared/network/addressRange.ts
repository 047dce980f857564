import ipaddr from 'ipaddr.js';
import { asNumber } from './asNumber';

/** Addresses from one to another, both of them among these. */
export interface AddressRange {
  from: string;
  to: string;
}

const numberOf = (address: string): number => asNumber(ipaddr.IPv4.parse(address));

/** Whether an address is one of a range. */
export const inRange = (address: string, { from, to }: AddressRange): boolean => {
  const value = numberOf(address);
  return value >= numberOf(from) && value <= numberOf(to);
};

/** Whether a range ends no earlier than it begins. */
export const isRange = ({ from, to }: AddressRange): boolean => numberOf(from) <= numberOf(to);

/** How many addresses a range has. */
export const rangeSize = ({ from, to }: AddressRange): number => numberOf(to) - numberOf(from) + 1;

/** Ranges as they are written and read: `10.20.0.200 to 10.20.0.250, 10.20.0.4`. */
export const rangesText = (ranges: readonly AddressRange[]): string =>
  ranges.map(({ from, to }) => (from === to ? from : `${from} to ${to}`)).join(', ');

/** Ranges out of such a text, also with a dash; `null` where it is none. */
export function rangesIn(text: string): AddressRange[] | null {
  const ranges = text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part): AddressRange => {
      const [from = '', to = from] = part.split(/\s*(?:-|–|\bto\b)\s*/);
      return { from, to };
    });
  const isSound = (range: AddressRange): boolean =>
    [range.from, range.to].every((one) => ipaddr.IPv4.isValidFourPartDecimal(one)) && isRange(range);
  return ranges.every(isSound) ? ranges : null;
}
