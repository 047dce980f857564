import {
  addEquipment,
  addNetworkCamera,
  withChanges,
  type Change,
  type Link,
  type Site,
} from '#core/model/site';

interface Hop {
  name: string;
  from: { deviceId: string; placeId: string };
  to: { deviceId: string; placeId: string };
  carriesMbps: number;
}

const hopChange = ({ name, from, to, carriesMbps }: Hop): Change => {
  const set: Link = {
    id: name,
    name,
    fromPlaceId: from.placeId,
    toPlaceId: to.placeId,
    fromEnd: { deviceId: from.deviceId },
    toEnd: { deviceId: to.deviceId },
    medium: 'radio',
    lengthM: 300,
    carriesMbps,
    state: 'planned',
  };
  return { kind: 'link', id: name, set };
};

/** A site with so many new views of 6 Mb/s at the gatehouse, which come to the hall over a radio on the mast: for tests. */
export function overTheMast(
  bare: Site,
  count: number,
  secondMbps = 60,
): { site: Site; hallId: string; mastId: string; gateId: string } {
  const radioAt = (name: string, placeId: string) => addEquipment(bare, 'link-end', name, placeId);
  const radios = [
    radioAt('Hall radio', 'ticket-hall'),
    radioAt('Mast radio', 'quay'),
    radioAt('Gate radio', 'gatehouse'),
  ];
  const [hallId, mastId, gateId] = radios.map(({ id }) => id) as [string, string, string];
  const gateSwitch = addEquipment(bare, 'switch', 'Gate switch', 'gatehouse');
  const mast = { deviceId: mastId, placeId: 'quay' };
  let site = withChanges({ ...bare, placement: {} }, [
    ...radios,
    gateSwitch,
    hopChange({
      name: 'Hall to mast',
      from: { deviceId: hallId, placeId: 'ticket-hall' },
      to: mast,
      carriesMbps: 60,
    }),
    hopChange({
      name: 'Mast to gate',
      from: mast,
      to: { deviceId: gateId, placeId: 'gatehouse' },
      carriesMbps: secondMbps,
    }),
  ]);
  for (let k = 0; k < count; k += 1) {
    const changes = addNetworkCamera(site, {
      name: `Queue ${k + 1}`,
      placeName: 'Gatehouse',
      target: 'fixed-4mp',
      state: 'planned',
      deviceId: gateSwitch.id,
      lead: { medium: 'category', lengthM: 12 },
      mbps: 6,
    });
    const { id } = changes.at(-1)!;
    const set = { id, recorderId: 'hall-recorder', slot: 17 + k };
    site = withChanges(site, [...changes, { kind: 'placement', id, set }]);
  }
  return { site, hallId, mastId, gateId };
}
