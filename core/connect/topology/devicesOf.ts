import { catalogueOf, productOf } from '#core/model/catalogue';
import type { Gear, Site } from '#core/model/site';
import {
  fieldSwitchPorts,
  usualPortWatts,
  type FeasibleOption,
  type PortKind,
  type Total,
} from '#core/decide/options';
import type { Device } from './types';
import { unitsNamed } from './unitsNamed';

/** A recorder takes in what it takes in over one port; nobody notes its speed. */
const recorderPortMbps = 1000;
/** Source: policy; a small switch on a pole or wall, its ports for cameras beside one that leads back. Its cameras have injectors of their own. */
const fieldSwitch = { ports: fieldSwitchPorts, uplinkMbps: 1000 };

const nothingTaken = { ports: 0, watts: 0 };
/** Gear that feeds nothing. */
const noPower = { poeWatts: 0, portWatts: 0, taken: nothingTaken };

/** Nobody notes the speed of an injector either. */
const injectorMbps = 1000;

const poweredBy = ({ watts, portWatts }: { watts: number; portWatts?: number | undefined }) => ({
  poeWatts: watts,
  portWatts: portWatts ?? usualPortWatts,
  taken: nothingTaken,
});

const recorders = (site: Pick<Site, 'recorder'>): Device[] =>
  Object.values(site.recorder).map(({ id, name, placeId, toBuy, powerPorts }) => ({
    id,
    kind: 'recorder',
    name,
    placeId,
    standing: toBuy === undefined ? 'there' : 'planned',
    ports: powerPorts?.ports ?? null,
    ...(powerPorts ? poweredBy(powerPorts) : noPower),
    uplinkMbps: recorderPortMbps,
  }));

type Described = Omit<Device, 'id' | 'name' | 'placeId' | 'standing'>;

/** What gear is to the network; nothing where it is none of it. */
function described(of: Gear): Described | null {
  switch (of.kind) {
    case 'router':
      return { kind: 'router', ports: null, ...noPower, uplinkMbps: recorderPortMbps };
    case 'link-end':
      return { kind: 'link-end', ports: null, ...noPower, uplinkMbps: of.carriesMbps };
    case 'encoder':
      return { kind: 'encoder', ports: of.ports, ...noPower, uplinkMbps: of.uplinkMbps };
    case 'injector': {
      const { portWatts } = of;
      return {
        kind: 'injector',
        ports: 1,
        poeWatts: portWatts,
        portWatts,
        taken: nothingTaken,
        uplinkMbps: injectorMbps,
      };
    }
    case 'switch':
    case 'coax-unit': {
      const { kind, ports, poeWatts, uplinkMbps, portWatts = usualPortWatts } = of;
      const taken = of.kind === 'switch' ? (of.taken ?? nothingTaken) : nothingTaken;
      const reaches = of.kind === 'switch' && of.reach ? ({ isLongReach: true } as const) : {};
      const powers = of.kind === 'switch' && of.poePorts < ports ? { poePorts: of.poePorts } : {};
      return {
        kind,
        ports,
        poeWatts,
        portWatts: poeWatts > 0 ? portWatts : 0,
        taken,
        uplinkMbps,
        ...powers,
        ...reaches,
      };
    }
    default:
      return null;
  }
}

/** Gear that is noted: what goes is there until all is done, and what is to be bought comes. */
const gear = (site: Pick<Site, 'equipment'>, isOver: boolean): Device[] =>
  Object.values(site.equipment).flatMap(({ id, name, placeId, gear: of, toBuy, goes }): Device[] => {
    const is = goes && isOver ? null : described(of);
    return is ? [{ id, name, placeId, standing: toBuy === undefined ? 'there' : 'planned', ...is }] : [];
  });

/** What is noted of recorders and gear: all of it until all is done, and then what stays. */
export const devicesNoted = (site: Pick<Site, 'recorder' | 'equipment'>, isOver: boolean): Device[] => [
  ...recorders(site),
  ...gear(site, isOver),
];

const deviceKinds = {
  'coax-unit': 'coax-unit',
  'poe-switch': 'switch',
  'long-reach-switch': 'switch',
  encoder: 'encoder',
} as const satisfies Record<PortKind, Device['kind']>;

/** Units and switches that the choices come to, each under an id of its own that stays while its place needs as many. */
export function plannedUnits(site: Site, { shared }: Pick<Total, 'shared'>): Device[] {
  const catalogue = catalogueOf(site);
  return shared.flatMap((group) =>
    unitsNamed(group, site).map(({ item, at, name }): Device => {
      const { of, placeId } = group;
      const product = productOf(catalogue, item, of);
      const power = product.kind === 'encoder' ? noPower : poweredBy(product);
      return {
        id: `${item}-${at}-${placeId}`.slice(0, 64),
        kind: deviceKinds[of],
        ...(of === 'long-reach-switch' ? ({ isLongReach: true } as const) : {}),
        name,
        placeId,
        standing: 'planned',
        isOfPlan: true,
        ports: product.ports,
        ...power,
        uplinkMbps: product.uplinkMbps,
      };
    }),
  );
}

/** One of the field switches at the end of a way, with its name among those of the place. */
export const fieldSwitchDevice = (id: string, name: string, placeId: string): Device => ({
  id,
  kind: 'field-switch',
  name,
  placeId,
  standing: 'planned',
  ...noPower,
  ...fieldSwitch,
});

/** The way to a camera's place that an option shares with others there; nothing where it has a way of its own. */
export const wayOf = ({ sharing }: Pick<FeasibleOption, 'sharing'>) =>
  sharing.find(({ way }) => way !== undefined);
