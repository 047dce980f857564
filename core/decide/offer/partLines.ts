import { eachOf, type Catalogue } from '#core/model/catalogue';
import type { MarginClass, ProductKind } from '#core/model/site';
import type { Part } from '#core/decide/options';

/** What is bought or hired of one margin class, at cost. */
export interface PartCost {
  id: string;
  marginClass: MarginClass;
  label: string;
  cost: number;
  detail: string[];
}

const classes: Partial<Record<ProductKind, MarginClass>> = {
  camera: 'cameras',
  converter: 'gear',
  'coax-unit': 'gear',
  'poe-switch': 'gear',
  'long-reach-switch': 'gear',
  encoder: 'gear',
  radio: 'gear',
  'fibre-end': 'gear',
  recorder: 'recorders',
};

const labels: Record<MarginClass, string> = {
  cameras: 'Cameras',
  gear: 'Converters, units, switches and links',
  recorders: 'Recorders',
  material: 'Cable, mounts and small parts',
  hire: 'Lifts and other hire',
  labour: 'Labour',
};
const order: readonly MarginClass[] = ['cameras', 'gear', 'recorders', 'material', 'hire'];

/** What is carried away stands on a line of its own. */
const disposal = 'disposal';

const rounded = (count: number): string => String(Math.round(count * 100) / 100);

/** What a plan buys and hires, at cost, by what its margin is put on. Shared things stand in it once, as the plan counts them. */
export function partCosts({ products }: Catalogue, parts: readonly Part[]): PartCost[] {
  const groups = new Map<string, PartCost>();
  for (const { item, count } of parts) {
    const product = products.get(item)!;
    const isHire = product.kind === 'part' && product.per === 'half-day';
    const marginClass = isHire ? 'hire' : (classes[product.kind] ?? 'material');
    const id = item === disposal ? disposal : marginClass;
    const label = item === disposal ? 'Disposal of what is taken down' : labels[marginClass];
    const group = groups.get(id) ?? { id, marginClass, label, cost: 0, detail: [] };
    group.cost += (eachOf(product) ?? 0) * count;
    group.detail.push(`${rounded(count)} × ${product.name}`);
    groups.set(id, group);
  }
  return [...order, disposal].flatMap((id) => groups.get(id) ?? []);
}
