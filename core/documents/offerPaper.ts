import { changesSince, otherWays } from '#core/decide/offer';
import type { GivenOffer } from '#core/model/site';
import { testDefinition } from '#core/model/site';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';

const standing = (given: Readonly<Record<string, GivenOffer>>): GivenOffer[] =>
  Object.values(given)
    .filter(({ withdrawn }) => !withdrawn)
    .sort((a, b) => a.number - b.number);

const groupWords = {
  parts: 'Parts',
  hire: 'Hire',
  labour: 'Labour',
  service: 'Services',
  provisional: 'Provisional sums',
  contingency: 'For what is not known',
} as const;

/** The first page: the price, what changes, how long views are dark, and what it rests on. */
function firstPage(context: PaperContext): Block[] {
  const offer = context.offer();
  const becomes = new Map<string, number>();
  for (const view of offer.views) becomes.set(view.becomes, (becomes.get(view.becomes) ?? 0) + 1);
  const nights = Object.values(context.site.plannedNight)
    .map(({ date }) => date)
    .sort();
  return [
    {
      kind: 'figures',
      items: [
        { label: `Net, ${offer.currency}`, value: offer.net, unit: 'money' },
        { label: `Tax ${offer.settings.taxPercent} %`, value: offer.tax, unit: 'money' },
        { label: 'In all', value: offer.gross, unit: 'money' },
        { label: 'Views dark, all together', value: offer.darkHours, unit: 'h' },
      ],
    },
    { kind: 'heading', level: 2, text: 'What changes' },
    { kind: 'list', items: [...becomes].map(([label, count]) => `${count} × ${label}`) },
    ...(nights.length > 0
      ? [
          {
            kind: 'text' as const,
            text: `The change is made in ${nights.length} nights, from ${nights[0]} to ${nights.at(-1)}.`,
          },
        ]
      : []),
    ...(offer.premises.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'What this price rests on' },
          { kind: 'caution' as const, items: offer.premises.map(({ message }) => message) },
        ]
      : []),
  ];
}

/** Every line with its price; what it costs whoever offers stays with them. */
function priceTable(context: PaperContext): Block[] {
  const { lines, net, contingency } = context.offer();
  const rows = lines.map(({ group, label, detail, price }) => [
    groupWords[group],
    label,
    group === 'parts' ? '' : detail.join('; '),
    price,
  ]);
  return [
    { kind: 'heading', level: 2, text: 'The price' },
    {
      kind: 'table',
      name: 'Price',
      columns: [
        { label: 'Group' },
        { label: 'Line', share: 3 },
        { label: 'What is in it', share: 2 },
        { label: 'Price', unit: 'money' },
      ],
      rows,
      sum: ['', 'Net', '', net],
    },
    ...(contingency.releases.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'Tests that release part of the reserve' },
          {
            kind: 'table' as const,
            name: 'Releases',
            columns: [
              { label: 'Camera', unit: '' as const },
              { label: 'Name', share: 2 },
              { label: 'Test', share: 3 },
              { label: 'Releases up to', unit: 'money' as const },
            ],
            rows: contingency.releases
              .slice(0, 12)
              .map(({ number, name, test, amount }) => [
                number,
                name,
                test ? testDefinition(test).label : '',
                amount,
              ]),
          },
        ]
      : []),
  ];
}

function viewTable(context: PaperContext): Block[] {
  const { views, net } = context.offer();
  return [
    { kind: 'heading', level: 1, text: 'View by view', newPage: true },
    {
      kind: 'table',
      name: 'Views',
      columns: [
        { label: 'Camera', unit: '' },
        { label: 'Name', share: 2 },
        { label: 'Becomes', share: 3 },
        { label: 'Dark', unit: 'h' },
        { label: 'Its part of the price', unit: 'money' },
      ],
      rows: views.map(({ number, name, becomes, darkHours, price }) => [
        number,
        name,
        becomes,
        darkHours,
        price,
      ]),
      sum: [null, 'All views', '', null, net],
    },
  ];
}

function alternatesOf(context: PaperContext): Block[] {
  const { alternates } = context.offer();
  if (alternates.length === 0) return [];
  return [
    { kind: 'heading', level: 2, text: 'Alternates' },
    {
      kind: 'table',
      name: 'Alternates',
      columns: [
        { label: 'Alternate' },
        { label: 'What is different', share: 4 },
        { label: 'Net', unit: 'money' },
        { label: 'Difference', unit: 'money' },
      ],
      rows: alternates.map(({ name, net, difference, differs }) => [
        name,
        differs.map(({ number, becomes }) => `${number}: ${becomes}`).join('; ') || 'the same views',
        net,
        difference,
      ]),
    },
  ];
}

/** What a customer may ask for one view instead of what is offered; only what holds by what was read. */
function otherWaysOf({ site, evaluation }: PaperContext): Block[] {
  const ways = otherWays(site, evaluation.runs);
  if (ways.length === 0) return [];
  return [
    { kind: 'heading', level: 2, text: 'Other ways for a view' },
    {
      kind: 'text',
      text: 'What the whole price would change by if one view became something else and all others stayed, before what is set aside for the unknown. Only ways that hold by what is known today.',
    },
    {
      kind: 'table',
      name: 'Other ways',
      columns: [
        { label: 'Camera', unit: '' },
        { label: 'Name', share: 2 },
        { label: 'Could become', share: 3 },
        { label: 'As known today' },
        { label: 'Dark', unit: 'h' },
        { label: 'Difference', unit: 'money' },
      ],
      rows: ways.map(({ number, name, becomes, state, darkHours, difference }) => [
        number,
        name,
        becomes,
        state === 'close' ? 'holds, close' : 'holds',
        darkHours,
        difference,
      ]),
    },
  ];
}

function termsOf(context: PaperContext): Block[] {
  const { settings, payments, renewals } = context.offer();
  return [
    { kind: 'heading', level: 1, text: 'Terms', newPage: true },
    {
      kind: 'table',
      name: 'Payments',
      columns: [
        { label: 'Due', share: 3 },
        { label: 'Part', unit: '%' },
        { label: 'Amount with tax', unit: 'money' },
      ],
      rows: payments.map(({ when, percent, amount }) => [when, percent, amount]),
    },
    {
      kind: 'text',
      text: `Valid for ${settings.validDays} days. Warranty ${settings.warrantyMonths} months.`,
    },
    {
      kind: 'table',
      name: 'Due again',
      columns: [
        { label: 'Not in this price, due again later', share: 3 },
        { label: 'About, before tax', unit: 'money' },
      ],
      rows: [[`what wears out within ${renewals.years} years`, renewals.cost]],
    },
    ...(settings.exclusions.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'Not in this price' },
          { kind: 'list' as const, items: settings.exclusions },
        ]
      : []),
    ...(settings.customerDoes.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'What the customer does' },
          { kind: 'list' as const, items: settings.customerDoes },
        ]
      : []),
    {
      kind: 'caution',
      items: [
        'Mains work and fixed wiring are for licensed people, under the local code.',
        'Local codes and a licensed person decide on what is safe.',
      ],
    },
  ];
}

/** What is another since the offer before, and who said yes. */
function historyOf({ site }: PaperContext): Block[] {
  const given = standing(site.givenOffer);
  const [before, last] = [given.at(-2), given.at(-1)];
  if (!last) return [];
  const changes = before ? changesSince(before, last) : [];
  return [
    { kind: 'heading', level: 2, text: `Offer ${last.number}` },
    {
      kind: 'text',
      text: `Prepared by ${last.preparedBy}, ${last.at.slice(0, 10)}, valid until ${last.validUntil}. ${
        last.isFinal ? `Final. ${last.saying ?? ''}` : 'Not final.'
      }`,
    },
    ...(changes.length > 0
      ? [
          {
            kind: 'table' as const,
            name: 'Changes',
            columns: [
              { label: `Since offer ${before!.number}`, share: 3 },
              { label: 'Before', unit: 'money' as const },
              { label: 'Now', unit: 'money' as const },
            ],
            rows: changes.map(({ label, before: was, now }) => [label, was, now]),
          },
        ]
      : []),
    {
      kind: 'signatures',
      items: [
        {
          role: 'Accepted',
          name: last.accepted?.name ?? '',
          on: last.accepted?.at.slice(0, 10) ?? '',
          strokes: null,
        },
      ],
    },
  ];
}

/** The offer: a price, what it changes, view by view, what it rests on and its terms. */
export function offerPaper(context: PaperContext): Paper {
  const offer = context.offer();
  return paperOf(context, {
    id: 'offer',
    title: 'Offer',
    open: offer.problems,
    blocks: [
      ...firstPage(context),
      ...historyOf(context),
      ...priceTable(context),
      ...viewTable(context),
      ...alternatesOf(context),
      ...otherWaysOf(context),
      ...termsOf(context),
    ],
  });
}
