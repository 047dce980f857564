import { backupInWords } from '#core/connect/supply';
import { totalWatts, type PowerNode } from '#core/connect/powerPicture';
import { formatQuantity } from '#core/shared/units';
import type { PaperCell, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';

/** What a node is fed by stands before it, level by level. */
function rowsOf(node: PowerNode, above: string, placeOf: (id: string | null) => string): PaperCell[][] {
  const { name, placeId, watts, load, backup, isUnread, children } = node;
  return [
    [
      name,
      above,
      placeOf(placeId),
      watts,
      load ? `${formatQuantity(load.used, load.unit)} of ${formatQuantity(load.most, load.unit)}` : '',
      backup && !backup.isOverloaded ? backup.hours : null,
      [...(isUnread ? ['its own watts are not noted'] : []), ...(backup ? [backupInWords(backup)] : [])].join(
        '; ',
      ),
    ],
    ...children.flatMap((child) => rowsOf(child, name, placeOf)),
  ];
}

/** Watts by night from the mains to every camera, and how long each UPS lasts. */
export function powerPaper(context: PaperContext): Paper {
  const { power } = context.rooms();
  const placeOf = (id: string | null): string => (id === null ? '' : (context.site.place[id]?.name ?? ''));
  return paperOf(context, {
    id: 'power',
    title: 'Supply and UPS',
    blocks: [
      {
        kind: 'table',
        name: 'Power',
        columns: [
          { label: 'What', share: 3 },
          { label: 'Fed by', share: 2 },
          { label: 'Where', share: 2 },
          { label: 'Takes', unit: 'W' },
          { label: 'Of what it gives', share: 2 },
          { label: 'Lasts', unit: 'h' },
          { label: 'Mind', share: 2 },
        ],
        rows: power.flatMap((node) => rowsOf(node, '', placeOf)),
        sum: ['In all', '', '', totalWatts(power), '', null, ''],
      },
      {
        kind: 'caution',
        items: ['Mains circuits and fixed wiring are for licensed people, under the local code.'],
      },
    ],
  });
}
