import { formatQuantity } from '#core/shared/units';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { rackSvg } from './rackSvg';

/** Every rack from the front, once all is done. */
export function rackPaper(context: PaperContext): Paper {
  const { racks } = context.rooms();
  const blocks = racks.flatMap((rack): Block[] => [
    {
      kind: 'heading',
      level: 2,
      text: `${rack.name}, ${context.site.place[rack.placeId]?.name ?? ''}`,
    },
    {
      kind: 'text',
      text: `${rack.freeUnits} of ${rack.units} units free. Heat ${formatQuantity(rack.heatWatts, 'W', 0)}${
        rack.unnotedWatts.length > 0 ? `, without ${rack.unnotedWatts.join(', ')}` : ''
      }.`,
    },
    { kind: 'drawing', svg: rackSvg(rack), caption: '' },
    ...(rack.problems.length > 0 ? [{ kind: 'caution' as const, items: rack.problems }] : []),
  ]);
  return paperOf(context, {
    id: 'racks',
    title: 'Racks',
    open: racks.length === 0 ? ['No rack is noted.'] : [],
    blocks,
  });
}
