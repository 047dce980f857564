import { catalogueOf, productOf } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import { usualPortWatts, type FeasibleOption, type Total } from '#core/decide/options';
import type { Device } from './types';

/** A recorder takes in what it takes in over one port; nobody notes its speed. */
const recorderPortMbps = 1000;
/** Source: policy; a small switch on a pole or wall, seven ports for cameras and one that leads back. Its cameras have injectors of their own. */
const fieldSwitch = { ports: 7, poeWatts: 0, portWatts: 0, uplinkMbps: 1000 };

const recorders = (site: Pick<Site, 'recorder'>): Device[] =>
  Object.values(site.recorder).map(({ id, name, placeId, toBuy }) => ({
    id,
    kind: 'recorder',
    name,
    placeId,
    standing: toBuy === undefined ? 'there' : 'planned',
    ports: null,
    poeWatts: 0,
    portWatts: 0,
    uplinkMbps: recorderPortMbps,
  }));

const gear = (site: Pick<Site, 'equipment'>): Device[] =>
  Object.values(site.equipment).flatMap(({ id, name, placeId, gear: of }): Device[] => {
    const there = { id, name, placeId, standing: 'there' as const };
    if (of.kind === 'router')
      return [
        { ...there, kind: 'router', ports: null, poeWatts: 0, portWatts: 0, uplinkMbps: recorderPortMbps },
      ];
    if (of.kind !== 'switch') return [];
    const { ports, poeWatts, uplinkMbps, portWatts = usualPortWatts } = of;
    return [
      { ...there, kind: 'switch', ports, poeWatts, portWatts: poeWatts > 0 ? portWatts : 0, uplinkMbps },
    ];
  });

/** What stands at the recorders' sites today. */
export const devicesThere = (site: Pick<Site, 'recorder' | 'equipment'>): Device[] => [
  ...recorders(site),
  ...gear(site),
];

const unitNames = { 'coax-unit': 'Coax unit', 'poe-switch': 'PoE switch' } as const;

/** Units and switches that the choices come to, each under an id of its own that stays while its place needs as many. */
export function plannedUnits(site: Site, { shared }: Pick<Total, 'shared'>): Device[] {
  const catalogue = catalogueOf(site);
  return shared.flatMap(({ of, placeId, parts }) =>
    parts.flatMap(({ item, count }) => {
      const { ports, watts, portWatts, uplinkMbps } = productOf(catalogue, item, of);
      return Array.from({ length: count }, (_, index): Device => ({
        id: `${item}-${index + 1}-${placeId}`.slice(0, 64),
        kind: of === 'coax-unit' ? 'coax-unit' : 'switch',
        name: `${unitNames[of]}${count > 1 ? ` ${index + 1}` : ''}, ${site.place[placeId]?.name ?? placeId}`,
        placeId,
        standing: 'planned',
        ports,
        poeWatts: watts,
        portWatts: portWatts ?? usualPortWatts,
        uplinkMbps,
      }));
    }),
  );
}

/** A field switch where several cameras of a place share one way. */
export const fieldSwitchDevice = (site: Pick<Site, 'place'>, placeId: string): Device => ({
  id: `field-switch-${placeId}`,
  kind: 'field-switch',
  name: `Field switch, ${site.place[placeId]?.name ?? placeId}`,
  placeId,
  standing: 'planned',
  ...fieldSwitch,
});

/** The way to a camera's place that an option shares with others there; nothing where it has a way of its own. */
export const wayOf = ({ sharing }: Pick<FeasibleOption, 'sharing'>) =>
  sharing.find(({ way }) => way !== undefined);
