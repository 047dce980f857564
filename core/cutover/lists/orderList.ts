import { catalogueOf } from '#core/model/catalogue';
import type { Total } from '#core/decide/options';
import { changesByCamera } from '#core/cutover/tasks';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';

/** Something to order, and the night that needs it first. */
export interface OrderRow {
  label: string;
  count: number;
  /** The date of the first night that needs it; nothing where no night is agreed. */
  neededBy: string | null;
}

/** Everything that is bought for the change, what is needed first first. */
export function orderList(
  site: Site,
  runs: readonly RunEvaluation[],
  total: Pick<Total, 'parts' | 'shared'>,
  nightOfCamera: ReadonlyMap<string, string>,
): OrderRow[] {
  const { products } = catalogueOf(site);
  const first = new Map<string, string>();
  const note = (item: string, date: string | undefined): void => {
    const before = first.get(item);
    if (date !== undefined && (before === undefined || date < before)) first.set(item, date);
  };
  const firstNight = [...nightOfCamera.values()].sort().at(0);
  for (const [cameraId, { parts }] of changesByCamera(site, runs))
    for (const { item } of parts) note(item, nightOfCamera.get(cameraId));
  // What cameras share is there before any of them.
  for (const { parts } of total.shared) for (const { item } of parts) note(item, firstNight);
  return total.parts
    .map(({ item, count }) => ({
      label: products.get(item)?.name ?? item,
      count: Math.ceil(count),
      // What is no one camera’s has to be there before the first of them.
      neededBy: first.get(item) ?? firstNight ?? null,
    }))
    .sort(
      (a, b) =>
        (a.neededBy ?? '9').localeCompare(b.neededBy ?? '9', 'en') || a.label.localeCompare(b.label, 'en'),
    );
}
