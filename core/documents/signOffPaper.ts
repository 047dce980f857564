import { severityWords, signerWords, statusWords, thingKey, type ThingState } from '#core/signoff/acceptance';
import { acceptanceCheckOf, acceptanceChecks, type PunchItem } from '#core/model/site';
import { dumbbellSvg } from './dumbbellSvg';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';

const labelOf = ({ number, name }: ThingState): string => (number === null ? name : `${number} ${name}`);

/** How far everything is. */
const summary = (things: readonly ThingState[]): Block => ({
  kind: 'table',
  name: 'Acceptance',
  columns: [
    { label: 'What', share: 3 },
    { label: 'State', share: 2 },
    { label: 'Checks made', unit: '' },
    { label: 'Not holding', unit: '' },
    { label: 'Accepted by', share: 2 },
    { label: 'On' },
  ],
  rows: things.map((thing) => [
    labelOf(thing),
    statusWords[thing.status],
    thing.checks.length - thing.unread,
    thing.failing,
    thing.accepted?.signedBy ?? '',
    thing.accepted?.at.slice(0, 10) ?? '',
  ]),
});

/** Every check of a thing with what was wanted, predicted and read. */
const checksOf = (thing: ThingState): Block[] => [
  { kind: 'heading', level: 2, text: labelOf(thing) },
  {
    kind: 'table',
    name: labelOf(thing),
    columns: [
      { label: 'Check', share: 3 },
      { label: 'Wanted', share: 2 },
      { label: 'Read', share: 2 },
      { label: 'Holds' },
      { label: 'With', share: 2 },
      { label: 'By', share: 1.6 },
      { label: 'On', share: 1.5 },
    ],
    rows: thing.checks.map(({ check, wanted, found, holds, reading }) => [
      acceptanceCheckOf(check).label,
      wanted,
      found,
      holds === null ? '' : holds ? 'yes' : 'no',
      [reading?.instrument, reading?.serial].filter(Boolean).join(' '),
      reading?.by ?? '',
      reading?.at.slice(0, 10) ?? '',
    ]),
  },
];

/** What is on the punch list. */
export function punchTable(items: readonly PunchItem[], nameOf: (item: PunchItem) => string): Block {
  return {
    kind: 'table',
    name: 'Punch list',
    columns: [
      { label: 'How bad' },
      { label: 'About', share: 2 },
      { label: 'What', share: 4 },
      { label: 'Who' },
      { label: 'By' },
      { label: 'Closed', share: 2 },
    ],
    rows: items.map((item) => [
      severityWords[item.severity],
      nameOf(item),
      item.what,
      item.owner ?? '',
      item.due ?? '',
      item.closed ? `${item.closed.at.slice(0, 10)}, ${item.closed.how}` : '',
    ]),
  };
}

/** The sign-off: what was read of everything, against what was wanted and predicted, the punch list, and who accepted. */
export function signOffPaper(context: PaperContext): Paper {
  const { site } = context;
  const { things, agreement, totals } = context.signOff();
  const names = new Map(things.map((thing) => [thingKey(thing.of), labelOf(thing)]));
  const items = Object.values(site.punchItem);
  const read = things.filter(({ checks, unread }) => unread < checks.length);
  const drawn = acceptanceChecks.flatMap(({ id, label }): Block[] => {
    const isRead = things.some(({ checks }) =>
      checks.some((one) => one.check === id && one.predicted !== null && one.reading !== null),
    );
    const svg = isRead ? dumbbellSvg(things, id) : null;
    return svg
      ? [{ kind: 'drawing', svg, caption: `${label}: band predicted nine times in ten, lozenge read` }]
      : [];
  });
  const acceptances = Object.values(site.acceptance)
    .filter(({ withdrawn }) => !withdrawn)
    .sort((a, b) => a.at.localeCompare(b.at));
  return paperOf(context, {
    id: 'sign-off',
    title: 'Sign-off',
    open: [
      ...(totals.unread > 0 ? [`${totals.unread} checks are not made.`] : []),
      ...(totals.fails > 0 ? [`${totals.fails} do not hold.`] : []),
      ...(totals.unsafe > 0 ? [`${totals.unsafe} on the punch list are unsafe.`] : []),
    ],
    blocks: [
      summary(things),
      ...(agreement.of > 0
        ? [
            {
              kind: 'text' as const,
              text: `${agreement.inside} of ${agreement.of} readings lie in the interval that was to hold nine in ten.`,
            },
          ]
        : []),
      ...agreement.differences.map(({ check, numbers, percent, reason }): Block => ({
        kind: 'text',
        text: `${acceptanceCheckOf(check).label}: cameras ${numbers.join(', ')} read ${Math.abs(percent).toFixed(0)} % ${percent < 0 ? 'below' : 'above'} what was predicted. ${reason}`,
      })),
      ...drawn,
      ...(items.length > 0
        ? [
            { kind: 'heading' as const, level: 2 as const, text: 'Punch list' },
            punchTable(items, ({ of }) => names.get(thingKey(of)) ?? of.id),
          ]
        : []),
      ...(acceptances.length > 0
        ? [
            { kind: 'heading' as const, level: 2 as const, text: 'Signed' },
            {
              kind: 'signatures' as const,
              items: acceptances.map(({ role, signedBy, at, signature }) => ({
                role: signerWords[role],
                name: signedBy,
                on: at.slice(0, 10),
                strokes: signature ?? null,
              })),
            },
          ]
        : []),
      ...(read.length > 0
        ? [{ kind: 'heading' as const, level: 1 as const, text: 'Readings', newPage: true as const }]
        : []),
      ...read.flatMap(checksOf),
    ],
  });
}
