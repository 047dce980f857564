import { freeRackUnits } from '#core/decide/options';
import { catalogueOf, productsOf } from '#core/model/catalogue';
import { familyOf, slotCount } from '#core/model/slotRules';
import type { ProductOf, Recorder, Site } from '#core/model/site';
import { numbersFrom } from '#core/shared/numeric';
import type { DemandRef } from './demandRef';
import type { PlanDraft } from './planDraft';
import type { PlanPick, RecorderBuy } from './types';

type Slots = Readonly<Omit<Recorder, 'id' | 'name' | 'disks' | 'hookUp'>>;

/** A recorder that is there, or one that could be. */
export interface CandidateRecorder {
  key: string;
  name: string;
  placeId: string;
  slots: Slots;
  bought: number | null;
}

/** Recorders that are there. */
export const recordersThere = (site: Site): CandidateRecorder[] =>
  Object.values(site.recorder).map((recorder) => ({
    key: recorder.id,
    name: recorder.name,
    placeId: recorder.placeId,
    slots: recorder,
    bought: null,
  }));

/** Whether the cameras of like recorders are counted together, or each recorder is told apart. */
export type SlotDetail = 'together' | 'apart';

/** Most copies of one recorder at one place that a search tells apart. */
const mostCopies = 8;

/** Cameras by the place that their lines end in, where there is mains for a recorder. */
function camerasByHeadEnd(site: Site, picks: readonly PlanPick[]): Map<string, number> {
  const at = new Map<string, Set<string>>();
  for (const { camera } of picks) {
    const { headEndId } = camera.evaluation.run;
    if (site.place[headEndId]?.mains)
      at.set(headEndId, (at.get(headEndId) ?? new Set()).add(camera.cameraId));
  }
  return new Map([...at].map(([placeId, cameras]) => [placeId, cameras.size]));
}

/**
 * Where network recorders are offered, with the cameras that they could be for. IP cameras reach a recorder anywhere, so of the
 * head ends where no rack limits what can be mounted the one with most cameras stands for all.
 */
function networkPlaces(site: Site, cameras: ReadonlyMap<string, number>): Map<string, number> {
  const all = [...cameras.values()].reduce(
    (sum, count) => sum + count,
    Object.keys(site.networkCamera).length,
  );
  const roomy = [...cameras]
    .filter(([placeId]) => freeRackUnits(site, placeId) === null)
    .sort(([a, of], [b, other]) => other - of || (a < b ? -1 : 1))
    .slice(0, 1);
  const limited = [...cameras].filter(([placeId]) => freeRackUnits(site, placeId) !== null);
  return new Map([...limited, ...roomy].map(([placeId]) => [placeId, all]));
}

/** A product as an unknown at a place: as one with a count, or as so many that are bought one after the other. */
function offersOf(
  draft: PlanDraft,
  product: ProductOf<'recorder'> & { each: number },
  placeId: string,
  copies: number,
  detail: SlotDetail,
): { recorder: CandidateRecorder; buy: RecorderBuy }[] {
  const offer = (name: string, most: number) => {
    const variable = draft.variable(`buy ${name}`, most, product.each);
    return {
      recorder: {
        key: name,
        name: product.name,
        placeId,
        slots: { ...product, placeId },
        bought: variable,
      },
      buy: { productId: product.id, placeId, variable },
    };
  };
  if (detail === 'together') return [offer(`${product.id} at ${placeId}`, copies)];
  const all = numbersFrom(1, Math.min(mostCopies, copies)).map((copy) =>
    offer(`${product.id} ${copy} at ${placeId}`, 1),
  );
  // The copies are alike: the second is bought only after the first.
  all.slice(1).forEach(({ buy }, index) =>
    draft.row(
      `order of ${product.id} ${index + 2} at ${placeId}`,
      [
        { variable: buy.variable, by: 1 },
        { variable: all[index]!.buy.variable, by: -1 },
      ],
      '<=',
      0,
    ),
  );
  return all;
}

/** Recorders of the catalogue at the head ends: hybrids once, network recorders as often as the cameras could ask for. */
export function recordersOnOffer(
  draft: PlanDraft,
  site: Site,
  picks: readonly PlanPick[],
  detail: SlotDetail,
): { recorders: CandidateRecorder[]; buys: RecorderBuy[] } {
  const cameras = camerasByHeadEnd(site, picks);
  const network = networkPlaces(site, cameras);
  const offers = productsOf(catalogueOf(site), 'recorder').flatMap((product) => {
    const { each } = product;
    if (each === null) return [];
    const priced = { ...product, each };
    if (familyOf(product).takesCoax)
      return [...cameras.keys()].flatMap((placeId) => offersOf(draft, priced, placeId, 1, detail));
    return [...network].flatMap(([placeId, count]) =>
      offersOf(draft, priced, placeId, Math.ceil(count / slotCount(product)), detail),
    );
  });
  return { recorders: offers.map(({ recorder }) => recorder), buys: offers.map(({ buy }) => buy) };
}

/** The limits of a recorder that is there, as something that stands in a plan's way. */
export const limitsOf = ({ key, bought }: CandidateRecorder): DemandRef | null =>
  bought === null ? { kind: 'recorder', recorderId: key } : null;
