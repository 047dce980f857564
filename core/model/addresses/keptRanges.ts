import type { Site } from '#core/model/site';
import { inRange, type AddressRange } from '#core/shared/network';

/** The ranges out of which no device is given an address. */
export const keptRanges = ({ recorder }: Pick<Site, 'recorder'>): AddressRange[] =>
  Object.values(recorder).flatMap(({ network }) => network?.kept ?? []);

/** The range that is kept and has an address in it; `undefined` where none has. */
export const keptRangeOf = (site: Pick<Site, 'recorder'>, address: string): AddressRange | undefined =>
  keptRanges(site).find((range) => inRange(address, range));
