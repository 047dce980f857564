import { savingOf, troubleOf } from '#core/evaluate';
import type { PlaceGroup } from '../../stores/selection';

/** How the table of options is ordered. */
export const tableOrders = ['place', 'trouble', 'saving'] as const;
export type TableOrder = (typeof tableOrders)[number];
export const orderWords: Record<TableOrder, string> = {
  place: 'by place',
  trouble: 'worst first',
  saving: 'most to save first',
};

/** The cameras place by place, or all in one group with the worst, or with most to save, first. */
export function inOrder(groups: readonly PlaceGroup[], order: TableOrder): PlaceGroup[] {
  if (order === 'place') return [...groups];
  const weigh = order === 'trouble' ? troubleOf : savingOf;
  const runs = groups
    .flatMap((group) => group.runs)
    .map((run) => ({ run, weight: weigh(run) }))
    .sort((a, b) => b.weight - a.weight || a.run.camera.number - b.run.camera.number)
    .map(({ run }) => run);
  return [{ placeId: order, name: orderWords[order], runs }];
}
