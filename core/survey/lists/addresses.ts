import { addressedCamera, keptRangeOf, takenAddresses } from '#core/model/addresses';
import {
  addressSchema,
  hardwareAddressSchema,
  isNetworkGear,
  optionRow,
  withFields,
  type Change,
  type Equipment,
  type NetworkConfig,
  type Recorder,
  type Site,
} from '#core/model/site';
import { inNetwork, rangesText } from '#core/shared/network';
import type { Column, List, Written } from './column';
import { shownColumn } from './columns';

/** A device that has an address on the camera network, or needs one. */
type AddressRow =
  | { kind: 'recorder'; fact: Recorder }
  | { kind: 'equipment'; fact: Equipment }
  | { kind: 'camera'; fact: NetworkConfig };

/** Gear that answers on the network. */
const answers = (gear: Equipment['gear']): boolean => isNetworkGear(gear) && gear.kind !== 'injector';

const isOnNetwork = ({ choice, networkCamera, networkConfig }: Site, id: string): boolean => {
  const chosen = choice[id]?.option;
  const isIp = chosen !== undefined && optionRow(chosen).slot === 'ip';
  return id in networkConfig || id in networkCamera || isIp;
};

function rowsOf(site: Site): AddressRow[] {
  const cameras = Object.values(site.camera)
    .filter(({ id }) => isOnNetwork(site, id))
    .sort((a, b) => a.number - b.number);
  return [
    ...Object.values(site.recorder).map((fact): AddressRow => ({ kind: 'recorder', fact })),
    ...Object.values(site.equipment)
      .filter(({ gear }) => answers(gear))
      .map((fact): AddressRow => ({ kind: 'equipment', fact })),
    ...cameras.map(({ id }): AddressRow => ({ kind: 'camera', fact: site.networkConfig[id] ?? { id } })),
  ];
}

const rowId = ({ kind, fact }: AddressRow): string => `${kind}/${fact.id}`;

const deviceName = (row: AddressRow, site: Site): string =>
  row.kind === 'camera' ? addressedCamera(site, row.fact.id) : row.fact.name;

const addressOf = ({ kind, fact }: AddressRow): string =>
  (kind === 'recorder' ? fact.network?.address : fact.address) ?? '';

const placeIdOf = ({ kind, fact }: AddressRow, { camera }: Site): string =>
  (kind === 'camera' ? camera[fact.id]?.placeId : fact.placeId) ?? '';

/** A name for the device on the network, from what it is: `cam-08`, `hall-recorder`. */
function hostName(row: AddressRow, site: Site): string {
  if (row.kind === 'camera') return `cam-${String(site.camera[row.fact.id]?.number ?? 0).padStart(2, '0')}`;
  return row.fact.name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
}

/** Whether a device is an encoder, or a camera that is to be plugged into one: those may answer at one address together. */
const isOnEncoder = ({ choice }: Site, { kind, fact }: AddressRow): boolean =>
  kind === 'camera'
    ? choice[fact.id]?.option === 'encode'
    : kind === 'equipment' && fact.gear.kind === 'encoder';

/** Why a device cannot have an address: it is none, another has it, or it lies outside every camera network that is noted. */
function refusal(site: Site, row: AddressRow, address: string): string | null {
  if (!addressSchema.safeParse(address).success) return `“${address}” is no address such as 10.20.0.101`;
  const name = deviceName(row, site);
  const owners = takenAddresses(site).get(address);
  const together = isOnEncoder(site, row) ? (owners?.onEncoder ?? []) : [];
  const other = [...(owners?.devices ?? []), ...(owners?.services ?? [])].find(
    (one) => one !== name && !together.includes(one),
  );
  if (other) return `${address} is taken by ${other}`;
  const kept = keptRangeOf(site, address);
  if (kept) return `${address} is kept: ${rangesText([kept])}`;
  const networks = Object.values(site.recorder).flatMap(({ network }) => network ?? []);
  if (row.kind !== 'camera' || networks.length === 0) return null;
  if (networks.some((network) => inNetwork(address, network))) return null;
  const named = networks.map((network) => `${network.address}/${network.prefixBits}`).join(', ');
  return `${address} is in no camera network of this site: ${named}`;
}

const refused = (why: string): Written<AddressRow> => ({ kind: 'refused', why });

function withAddress(row: AddressRow, address: string | undefined): Written<AddressRow> {
  switch (row.kind) {
    case 'camera':
      return { kind: 'row', row: { ...row, fact: withFields(row.fact, { address }) } };
    case 'equipment':
      return { kind: 'row', row: { ...row, fact: withFields(row.fact, { address }) } };
    case 'recorder': {
      const { network } = row.fact;
      if (!network)
        return refused(`${row.fact.name} has no network noted: do that in Allocate, at the recorder`);
      if (address === undefined) return refused(`${row.fact.name} needs the address of its network`);
      return { kind: 'row', row: { ...row, fact: { ...row.fact, network: { ...network, address } } } };
    }
  }
}

const addressColumn: Column<AddressRow> = {
  key: 'address',
  heading: 'address',
  also: ['ip', 'ip address'],
  cell: { kind: 'text', most: 15 },
  width: 130,
  read: addressOf,
  write: (row, value, site) => {
    const address = String(value ?? '').trim();
    const why = address && address !== addressOf(row) ? refusal(site, row, address) : null;
    return why ? refused(why) : withAddress(row, address || undefined);
  },
};

const hardwareColumn: Column<AddressRow> = {
  key: 'hardwareAddress',
  heading: 'hardware address',
  also: ['mac', 'mac address', 'hardware'],
  cell: { kind: 'text', most: 17 },
  width: 150,
  read: ({ kind, fact }) => (kind === 'camera' ? (fact.hardwareAddress ?? '') : ''),
  write: (row, value) => {
    const typed = String(value ?? '').trim();
    if (row.kind !== 'camera') return typed ? refused('only of cameras') : { kind: 'row', row };
    const hardwareAddress = typed.toLowerCase().replaceAll('-', ':') || undefined;
    if (hardwareAddress && !hardwareAddressSchema.safeParse(hardwareAddress).success)
      return refused(`“${typed}” is no hardware address such as 02:00:5e:10:00:14`);
    return { kind: 'row', row: { ...row, fact: withFields(row.fact, { hardwareAddress }) } };
  },
};

/** What a camera hangs on where somebody has said so. */
const hangsOn = ({ kind, fact }: AddressRow, site: Site): string => {
  if (kind !== 'camera') return '';
  const deviceId = site.networkCamera[fact.id]?.deviceId ?? site.attachment[fact.id]?.deviceId;
  return deviceId === undefined ? '' : (site.equipment[deviceId]?.name ?? deviceId);
};

/** Every device of the camera network with its address, a row each. */
export const addressList: List<AddressRow> = {
  id: 'address',
  label: 'Addresses',
  one: 'device',
  keys: ['device'],
  columns: [
    shownColumn<AddressRow>('device', 'device', deviceName, { width: 170, also: ['name', 'device name'] }),
    shownColumn(
      'view',
      'view',
      ({ kind, fact }, site) => (kind === 'camera' ? (site.camera[fact.id]?.name ?? '') : ''),
      {
        width: 150,
      },
    ),
    addressColumn,
    hardwareColumn,
    shownColumn('host', 'host name', hostName, { width: 120 }),
    shownColumn('place', 'place', (row, site) => site.place[placeIdOf(row, site)]?.name ?? '', {
      width: 140,
    }),
    shownColumn('on', 'hangs on', hangsOn, { width: 140 }),
  ],
  rows: (site) => rowsOf(site).map((row) => ({ id: rowId(row), row })),
  rowId,
  rowAt: (id, site) => rowsOf(site).find((row) => rowId(row) === id)!,
  name: deviceName,
  change: (row): Change => {
    switch (row.kind) {
      case 'recorder':
        return { kind: 'recorder', id: row.fact.id, set: row.fact };
      case 'equipment':
        return { kind: 'equipment', id: row.fact.id, set: row.fact };
      case 'camera':
        return { kind: 'networkConfig', id: row.fact.id, set: row.fact };
    }
  },
  start: (cells) => ({
    kind: 'refused',
    why: `there is no device “${String(cells.get('device') ?? '')}” on the network; add it in Connect first`,
  }),
};

/** The changes that take a device's address away; a recorder keeps that of its network. */
export function withoutAddress(site: Site, id: string): Change[] {
  const row = addressList.rowAt(id, site);
  const written = withAddress(row, undefined);
  return written.kind === 'row' && addressOf(row) !== '' ? [addressList.change(written.row, site)] : [];
}
