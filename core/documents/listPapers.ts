import { catalogueOf, eachOf } from '#core/model/catalogue';
import { mediumWords } from '#core/connect/topology';
import { chosenOption } from '#core/decide/runEvaluation';
import { tableOf } from '#core/survey/lists';
import { planSheet } from './planSheet';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { boardBlocks } from './boardBlocks';
import { placedName } from './placedName';
import { sitePlanBlocks } from './sitePlanBlocks';

/** The plan: every camera with what it becomes, what is bought, what is open and what to mind. */
export function planPaper(context: PaperContext): Paper {
  const sheet = planSheet(context.site, context.evaluation);
  return paperOf(context, {
    id: 'plan',
    title: 'Plan',
    open: sheet.open,
    blocks: [
      {
        kind: 'figures',
        items: [
          { label: `Cost, ${sheet.currency}`, value: sheet.total.cost, unit: 'money' },
          { label: 'Labour', value: sheet.total.hours, unit: 'h' },
          { label: 'Camera downtime', value: sheet.total.darkHours, unit: 'h' },
        ],
      },
      { kind: 'heading', level: 2, text: 'What the cameras become' },
      { kind: 'list', items: sheet.becomes.map(({ label, count }) => `${count} × ${label}`) },
      { kind: 'heading', level: 2, text: 'Design criteria' },
      { kind: 'list', items: sheet.heeds },
      { kind: 'heading', level: 2, text: 'Camera by camera' },
      {
        kind: 'table',
        name: 'Cameras',
        columns: [
          { label: 'Camera', unit: '' },
          { label: 'Name', share: 2 },
          { label: 'Place', share: 2 },
          { label: 'Run' },
          { label: 'Becomes', share: 3 },
          { label: 'Margin' },
          { label: 'Slot', share: 2 },
          { label: 'Dark', unit: 'h' },
          { label: 'Cost', unit: 'money' },
        ],
        rows: sheet.rows.map((row) => [
          row.number,
          row.camera,
          row.place,
          row.cable,
          row.choice + (row.remark ? ` (${row.remark})` : ''),
          row.margin,
          row.slot,
          row.darkHours,
          row.cost,
        ]),
      },
      { kind: 'heading', level: 2, text: 'Warnings' },
      { kind: 'caution', items: [...sheet.consequences, ...sheet.cautions] },
    ],
  });
}

/** What hangs where once all is done: no prices, since it stays with whoever runs the site. */
export function asBuiltPaper(context: PaperContext): Paper {
  const { rows } = planSheet(context.site, context.evaluation);
  return paperOf(context, {
    id: 'as-built',
    title: 'As built',
    blocks: [
      ...sitePlanBlocks(context),
      ...boardBlocks(context),
      {
        kind: 'table',
        name: 'As built',
        columns: [
          { label: 'Camera', unit: '' },
          { label: 'Name', share: 2 },
          { label: 'Place', share: 2 },
          { label: 'Run' },
          { label: 'How', share: 3 },
          { label: 'Limiting margin' },
          { label: 'Recorder and slot', share: 2 },
        ],
        rows: rows.map((row) => [
          row.number,
          row.camera,
          row.place,
          row.cable,
          row.choice,
          row.margin,
          row.slot,
        ]),
      },
    ],
  });
}

/** What is bought, with its prices and how long it takes to come. */
export function partsPaper(context: PaperContext): Paper {
  const { site, evaluation } = context;
  const { products } = catalogueOf(site);
  const rows = evaluation.total.parts.map(({ item, count }) => {
    const product = products.get(item)!;
    const each = eachOf(product);
    return [
      item,
      product.name,
      Math.round(count * 100) / 100,
      each,
      each === null ? null : Math.round(each * count),
      'leadDays' in product ? (product.leadDays ?? null) : null,
    ];
  });
  const sum = rows.reduce((all, row) => all + Number(row[4] ?? 0), 0);
  return paperOf(context, {
    id: 'parts',
    title: 'Parts and orders',
    open: rows.some((row) => row[3] === null) ? ['Some of it has no price yet.'] : [],
    blocks: [
      {
        kind: 'table',
        name: 'Parts',
        columns: [
          { label: 'Id' },
          { label: 'What', share: 4 },
          { label: 'Count', unit: '' },
          { label: 'Each', unit: 'money' },
          { label: 'Cost', unit: 'money' },
          { label: 'Comes in', unit: 'd' },
        ],
        rows,
        sum: ['', 'In all', null, null, sum, null],
      },
    ],
  });
}

/** What hangs on every recorder and switch once all is done, with what its ports give. */
function portTables(context: PaperContext): Block[] {
  const { topology, devices: loaded } = context.network();
  const { devices, cameras, links } = topology;
  /** Ports in use as the tree has them: of most gear the way back is beside those that are counted. */
  const usedOf = new Map(
    loaded.map(({ deviceId, loads }) => [deviceId, loads.find(({ label }) => label === 'ports')?.used]),
  );
  const nameOf = new Map(devices.map(({ id, name }) => [id, name]));
  const rows = devices.flatMap(({ id, name, placeId, ports }) => {
    const own = cameras
      .filter(({ deviceId }) => deviceId === id)
      .sort((a, b) => a.number - b.number)
      .map(({ number, name: of, medium, watts, mbps }) => [
        `${number} ${of}`,
        mediumWords[medium],
        watts || null,
        mbps || null,
      ]);
    const ways = links
      .filter(({ fromId, toId }) => fromId === id || toId === id)
      .map(({ fromId, toId, name: of, medium }) => [
        `${of}, to ${nameOf.get(fromId === id ? toId : fromId) ?? ''}`,
        mediumWords[medium],
        null,
        null,
      ]);
    const used = usedOf.get(id);
    return [...own, ...ways].map((row, index) => [
      index === 0 ? placedName(context.site, { name, placeId }) : '',
      index === 0 && ports !== null && used !== undefined ? `${used} of ${ports}` : '',
      ...row,
    ]);
  });
  if (rows.length === 0) return [];
  return [
    { kind: 'heading', level: 2, text: 'What hangs on what' },
    {
      kind: 'table',
      name: 'Ports',
      columns: [
        { label: 'Device', share: 3 },
        { label: 'Ports' },
        { label: 'On it', share: 4 },
        { label: 'Over', share: 2 },
        { label: 'Watts', unit: 'W' },
        { label: 'Sends', unit: 'Mb/s' },
      ],
      rows,
    },
  ];
}

/** Every device with its address, name and where it is plugged in. */
export function addressPaper(context: PaperContext): Paper {
  const { columns, rows } = tableOf(context.site, 'address');
  const block: Block = {
    kind: 'table',
    name: 'Addresses',
    columns: columns.map(({ heading }) => ({ label: heading })),
    rows: rows.map(({ cells }) => columns.map(({ key }) => cells[key] ?? '')),
  };
  return paperOf(context, {
    id: 'addresses',
    title: 'Addresses and ports',
    blocks: [block, ...portTables(context)],
  });
}

/** What may still go wrong, by what nobody looked at: told to whoever takes the site over. */
export function risksOf({ site, evaluation }: PaperContext): string[] {
  const close = evaluation.runs.filter((run) => chosenOption(run)?.state === 'close');
  const untested = evaluation.runs.filter(({ findings, chosen }) => chosen && findings.missing.length > 0);
  const numbers = (of: typeof close): string => of.map(({ camera }) => camera.number).join(', ');
  return [
    ...(close.length > 0 ? [`Close to a limit: cameras ${numbers(close)}.`] : []),
    ...(untested.length > 0 ? [`On runs that were not tested through: cameras ${numbers(untested)}.`] : []),
    ...Object.values(site.punchItem)
      .filter(({ closed }) => !closed)
      .map(({ what }) => `Open on the punch list: ${what}`),
  ];
}
