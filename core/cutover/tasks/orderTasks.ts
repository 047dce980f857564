import { catalogueOf, leadDaysOf } from '#core/model/catalogue';
import type { Total } from '#core/decide/options';
import type { Site } from '#core/model/site';
import { taskIdOf, taskOf, type Task } from './task';

/** What something that has to be ordered is ordered under. */
export const orderIdOf = (item: string): string => taskIdOf('order', item);

/** Everything that is bought and not on the shelf: each is ordered in time, and looked at when it comes. */
export function orderTasks(
  site: Pick<Site, 'product'>,
  { parts }: Pick<Total, 'parts'>,
  placeId: string,
): Task[] {
  const catalogue = catalogueOf(site);
  return parts.flatMap(({ item, count }) => {
    const product = catalogue.products.get(item);
    const days = product ? leadDaysOf(product) : 0;
    if (!product || days === 0) return [];
    const of = `${Math.ceil(count)} × ${product.name}`;
    return [taskOf(catalogue, { id: orderIdOf(item), kind: 'order', of, place: placeId, days })];
  });
}

/** Where an option's parts are waited for: of those that are ordered. */
export const ordersFor = (parts: readonly { item: string }[], orders: readonly Task[]): string[] => {
  const ids = new Set(orders.map(({ id }) => id));
  return parts.map(({ item }) => orderIdOf(item)).filter((id) => ids.has(id));
};
