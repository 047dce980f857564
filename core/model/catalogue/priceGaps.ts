import type { Site } from '#core/model/site';
import { catalogueOf, eachOf, labourId } from './catalogue';

/** A price that is not there, or that says that something is given away. */
export interface PriceGap {
  productId: string;
  name: string;
  kind: 'missing' | 'zero';
  message: string;
}

/** What of the given rows has no price, or none above zero, in words with the way out. */
export function priceGaps(site: Pick<Site, 'product'>, used: Iterable<string>): PriceGap[] {
  const { products } = catalogueOf(site);
  return [...new Set([...used, labourId])].flatMap((id): PriceGap[] => {
    const product = products.get(id);
    const each = product ? eachOf(product) : null;
    if (!product || product.kind === 'task' || product.kind === 'work' || (each !== null && each > 0))
      return [];
    return each === null
      ? [
          {
            productId: id,
            name: product.name,
            kind: 'missing',
            message: `${product.name} has no price: options that need it are counted without it. Set its price in the catalogue.`,
          },
        ]
      : [
          {
            productId: id,
            name: product.name,
            kind: 'zero',
            message: `${product.name} costs nothing, so a plan takes as many as it likes. Set its price in the catalogue, or leave it if it is in stock.`,
          },
        ];
  });
}
