import { isToBeHung, type Site } from '#core/model/site';
import { catalogueOf } from '#core/model/catalogue';
import { formatQuantity } from '#core/shared/units';

/** What is planned of the network itself, for whoever reads the plan: new views, gear to buy and links, in words. */
export function plannedNetworkLines(site: Site): string[] {
  const { products } = catalogueOf(site);
  const place = (id: string): string => site.place[id]?.name ?? id;
  const views = Object.values(site.networkCamera)
    .filter(isToBeHung)
    .map((fact) => ({ camera: site.camera[fact.id]!, fact }))
    .sort((a, b) => a.camera.number - b.camera.number);
  return [
    ...views.map(({ camera: { number, name, placeId }, fact: { replaced, lead } }) =>
      replaced
        ? `Camera ${number} ${name} at ${place(placeId)}, replaced by a new one on the lead that is there`
        : `New view ${number} ${name} at ${place(placeId)}, ${formatQuantity(lead.lengthM, 'm', 0)} ${lead.medium === 'radio' ? 'by radio' : 'of category cable'}`,
    ),
    ...Object.values(site.equipment).flatMap(({ name, placeId, toBuy }) =>
      toBuy === undefined ? [] : [`${name} at ${place(placeId)}: ${products.get(toBuy)?.name ?? toBuy}`],
    ),
    ...Object.values(site.link).flatMap(({ name, lengthM, state }) =>
      state === 'planned' ? [`${name}, ${formatQuantity(lengthM, 'm', 0)}`] : [],
    ),
  ];
}

/** What whoever builds the planned part of the network has to mind. */
export function plannedNetworkCautions(site: Site): string[] {
  const media = new Set(
    Object.values(site.link).flatMap(({ medium, state }) => (state === 'planned' ? [medium] : [])),
  );
  const height = Object.values(site.networkCamera).some((fact) => {
    const at = site.place[site.camera[fact.id]?.placeId ?? ''];
    return isToBeHung(fact) && at !== undefined && at.access.by !== 'ground';
  });
  return [
    ...(media.has('fibre') ? ['Laser light: never look into a fibre end.'] : []),
    ...(media.has('radio')
      ? [
          'Masts and outdoor radios are bonded to earth and protected from surges, by local code; radio rules of the country hold.',
        ]
      : []),
    ...(media.has('category') || media.has('coax-converters')
      ? [
          'Copper between buildings joins their earths: read the volts between them first, and use fibre where they differ.',
        ]
      : []),
    ...(height ? ['Working at height: ladder footed or lift with a trained operator, never alone.'] : []),
  ];
}
