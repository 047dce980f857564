import { unitsNamed } from '#core/connect/topology';
import type { Total } from '#core/decide/options';
import type { Site } from '#core/model/site';
import type { NewNetworkGear } from './newNetworkGear';

/** Units and switches that the choices come to and that nobody has noted: what is bought has no serial, password or label before it is gear of the site. */
export const boughtUnits = (site: Pick<Site, 'place'>, { shared }: Pick<Total, 'shared'>): NewNetworkGear[] =>
  shared.flatMap((group) =>
    unitsNamed(group, site).map(({ item, name }): NewNetworkGear => ({
      name,
      placeName: site.place[group.placeId]?.name ?? group.placeId,
      what: { kind: 'to-buy', productId: item },
    })),
  );
