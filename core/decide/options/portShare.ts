import { policyFiguresOf } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import type { Context } from './context';
import type { SharedPort } from './option';

/** That a port has to give more by night than is accepted of it once it is built, in words; `portWatts` is what it can give. */
export function portShareCautions(
  { site }: Pick<Context, 'site'>,
  shared: Pick<SharedPort, 'nightWatts'> | undefined,
  portWatts: number,
): string[] {
  const share = policyFiguresOf(site).portSharePercent;
  const most = (portWatts * share) / 100;
  const given = shared?.nightWatts ?? 0;
  if (given <= most) return [];
  const [expected, accepted, whole] = [given, most, portWatts].map((watts) => formatQuantity(watts, 'W'));
  return [
    `Its port is expected to give ${expected} at night, and sign-off accepts ${accepted}, ${share} % of the port’s ${whole}: take a camera of fewer watts, or agree on another share with the customer before it is built.`,
  ];
}
