import type { Camera, Product, ProductKind, ProductOf, Site, TargetClassId } from '#core/model/site';
import generic from './generic.json';

/** Everything that can be bought or done, by id: the generic rows, with the site's own in their place or beside them. */
export interface Catalogue {
  products: ReadonlyMap<string, Product>;
  labourPerHour: number | null;
  /** By night, when views go dark. */
  nightLabourPerHour: number | null;
}

/**
 * The rows that ship with the program. All figures typical, all prices invented. A test holds them to the schema of products, so
 * that nobody has to look through them at every start.
 */
export const genericProducts = generic as readonly Product[];
const genericById = new Map(genericProducts.map((product) => [product.id, product]));

/** The ids of the hourly rates. */
export const labourId = 'labour';
const nightLabourId = 'labour-night';

const usualRate = (id: string): number => {
  const product = genericById.get(id);
  return product?.kind === 'rate' ? (product.each ?? 0) : 0;
};
const usualNightTimes = usualRate(nightLabourId) / usualRate(labourId);

const made = new WeakMap<Site['product'], Catalogue>();

/** The catalogue of a site. The same site's rows give the same object. */
export function catalogueOf(site: Pick<Site, 'product'>): Catalogue {
  const known = made.get(site.product);
  if (known) return known;
  const products = new Map([...genericById, ...Object.entries(site.product)]);
  const rate = (id: string): number | null => {
    const product = products.get(id);
    return product?.kind === 'rate' ? product.each : null;
  };
  const labourPerHour = rate(labourId);
  // A site that sets its hour and not its night has its nights dearer by as much as usual.
  const isNightTold = nightLabourId in site.product || !(labourId in site.product);
  const nightLabourPerHour = isNightTold
    ? rate(nightLabourId)
    : labourPerHour === null
      ? null
      : labourPerHour * usualNightTimes;
  const catalogue = { products, labourPerHour, nightLabourPerHour };
  made.set(site.product, catalogue);
  return catalogue;
}

/** The row of this id, of the kind that is wanted there. Throws where there is none: ids in code are those of the generic rows. */
export function productOf<K extends ProductKind>(catalogue: Catalogue, id: string, kind: K): ProductOf<K> {
  const product = catalogue.products.get(id);
  if (product?.kind === kind) return product as ProductOf<K>;
  // A site's row of another kind under a generic id does not take its place.
  const usual = genericById.get(id);
  if (usual?.kind === kind) return usual as ProductOf<K>;
  throw new Error(`no ${kind} ${id} in the catalogue`);
}

/** All rows of a kind, in the order of the catalogue. */
export function productsOf<K extends ProductKind>({ products }: Catalogue, kind: K): ProductOf<K>[] {
  return [...products.values()].filter((product): product is ProductOf<K> => product.kind === kind);
}

/** The camera that a view gets: the model that was picked for it, else the generic one of its class. */
export function cameraFor(
  catalogue: Catalogue,
  { modelId, target }: Pick<Camera, 'modelId' | 'target'>,
  signal: 'ip' | 'hd',
): ProductOf<'camera'> {
  const model = modelId === undefined ? undefined : catalogue.products.get(modelId);
  return model?.kind === 'camera' && model.signal === signal
    ? model
    : productOf(catalogue, cameraId(signal, target), 'camera');
}

export const cameraId = (signal: 'ip' | 'hd', target: TargetClassId): string => `${signal}-${target}`;

/** Price of one, or of a metre; nothing where the row has none. Tasks cost their hours. */
export function eachOf(product: Product): number | null {
  return product.kind === 'task' || product.kind === 'work' ? 0 : product.each;
}

/** What an hour costs by day and by night; a rate that nobody has set counts as nothing and is named as missing. */
export const labourRateOf = ({
  labourPerHour,
  nightLabourPerHour,
}: Pick<Catalogue, 'labourPerHour' | 'nightLabourPerHour'>): { day: number; night: number } => ({
  day: labourPerHour ?? 0,
  night: nightLabourPerHour ?? labourPerHour ?? 0,
});

/** A site's own row where it differs from the generic one. */
export const isOwn = (site: Pick<Site, 'product'>, id: string): boolean => id in site.product;
export const isGeneric = (id: string): boolean => genericById.has(id);

/** Calendar days from the order of something until it is there; none where it is on the shelf or nothing that is bought. */
export const leadDaysOf = (product: Product): number => ('leadDays' in product ? (product.leadDays ?? 0) : 0);
