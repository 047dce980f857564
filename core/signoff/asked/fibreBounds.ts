import { catalogueOf, productOf } from '#core/model/catalogue';
import type { PolicyFigures, Site } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import type { Bounds } from './build';

/** What light may lose: inside the budget of the converters, and, where too much light blinds them, inside that end as well. */
export function fibreBounds(
  site: Pick<Site, 'product'>,
  { fibreInsideDb }: PolicyFigures,
  budgetDb?: number,
): Bounds {
  const end = productOf(catalogueOf(site), 'fibre-end', 'fibre-end');
  const most = budgetDb ?? end.budgetDb;
  const { leastLossDb = 0 } = end;
  return {
    least: leastLossDb > 0 ? leastLossDb + fibreInsideDb : null,
    most: most - fibreInsideDb,
    because: `${fibreInsideDb} dB inside the window of the converters, budget ${formatQuantity(most, 'dB')}`,
  };
}
