import {
  runLengthM,
  fedFrom,
  firstRun,
  gearAt,
  withGear,
  type InLineGearKind,
  hasPowerCores,
  longestSegmentM,
  type Run,
  type Site,
  withCable,
} from '#core/model/site';
import { choices } from '#core/model/labels';
import type { Cell, List, Written } from './column';
import {
  numberColumn,
  optionalText,
  shownColumn,
  readAlso,
  siteWordColumn,
  textColumn,
  wordColumn,
  wordsColumn,
} from './columns';
import { siteWords } from './siteWords';
import { cableWords, readCable } from './segments';

const numberOf = (run: Run, site: Site): number | null => site.camera[run.cameraId]?.number ?? null;

const headEnds = siteWords(
  ({ place }) => place,
  (places) =>
    Object.values(places)
      .filter(({ role }) => role === 'head-end')
      .map(({ id, name }) => ({ value: id, label: name })),
);
const inputs = siteWords(
  ({ recorder }) => recorder,
  (recorders) => [
    { value: 'none', label: 'not patched' },
    ...Object.values(recorders).flatMap(({ id, name, inputs: count }) =>
      Array.from({ length: count }, (_, k) => ({
        value: `${id}/${k + 1}`,
        label: `${name}, input ${k + 1}`,
      })),
    ),
  ],
);
const sources = siteWords(
  ({ supply }) => supply,
  (supplies) => [
    { value: 'adapter', label: 'adapter at the camera' },
    ...Object.values(supplies).flatMap(({ id, name, outputs }) =>
      outputs.map(({ number }) => ({ value: `${id}/${number}`, label: `${name}, output ${number}` })),
    ),
  ],
);

function patched(run: Run, value: Cell): Written<Run> {
  const { patchedTo: _, ...loose } = run;
  const [recorderId = '', input = ''] = String(value).split('/');
  return {
    kind: 'row',
    row: value === 'none' ? loose : { ...loose, patchedTo: { recorderId, input: Number(input) } },
  };
}

function fed(run: Run, value: Cell): Written<Run> {
  const [supplyId = '', output = ''] = String(value).split('/');
  if (value !== 'adapter' && run.feed.kind === 'local-adapter' && !hasPowerCores(run))
    return { kind: 'refused', why: 'there are no power cores along this run; note them in its sheet first' };
  return {
    kind: 'row',
    row: fedFrom(run, value === 'adapter' ? null : { supplyId, output: Number(output) }),
  };
}

const several = {
  kind: 'refused',
  why: 'this run has several segments; change them in the list of segments',
} as const;

/** Runs, a row each: from where, how powered, where patched. A run of one segment shows its cable and length too. */
export const runList: List<Run> = {
  id: 'run',
  label: 'Runs',
  one: 'run',
  keys: ['number'],
  columns: [
    {
      ...numberColumn<Run>(
        'number',
        'camera',
        { least: 1, most: 9999, whole: true },
        () => undefined,
        (run) => run,
        { width: 70, also: ['number', 'camera number', 'no', 'nr', 'channel', 'cam no', 'cam', 'camera no'] },
      ),
      read: numberOf,
    },
    shownColumn('view', 'view', (run, site) => site.camera[run.cameraId]?.name ?? '', {
      width: 160,
      also: ['camera name', 'name'],
    }),
    siteWordColumn(
      'headEnd',
      'runs from',
      headEnds,
      ({ headEndId }) => headEndId,
      (run, value) => ({ kind: 'row', row: { ...run, headEndId: String(value) } }),
      { also: ['head end', 'from'] },
    ),
    {
      ...readAlso(
        siteWordColumn<Run>(
          'cable',
          'cable',
          () => cableWords,
          ({ segments }) => (segments.length === 1 ? segments[0]!.cable : ''),
          (run, value) => {
            const [only] = run.segments;
            if (!only || run.segments.length > 1) return several;
            // Its row of the tables stands in the cell of a cable of the site's own too: that is no change of it.
            return { kind: 'row', row: value === only.cable ? run : withCable(run, 0, String(value)) };
          },
          { width: 220, also: ['cable type', 'construction', 'coax', 'coax type'] },
        ),
        readCable,
      ),
    },
    {
      ...numberColumn<Run>(
        'lengthM',
        'length',
        { unit: 'm', least: 0.01, most: longestSegmentM },
        ({ segments }) => (segments.length === 1 ? segments[0]!.lengthM : undefined),
        (run) => run,
        { also: ['run length'] },
      ),
      write: (run, value) =>
        run.segments.length > 1
          ? several
          : { kind: 'row', row: { ...run, segments: [{ ...run.segments[0]!, lengthM: Number(value) }] } },
    },
    shownColumn('total', 'in all m', (run) => Math.round(runLengthM(run) * 100) / 100, {
      width: 84,
      also: ['total length'],
    }),
    shownColumn('segments', 'segments', ({ segments }) => segments.length, { width: 80 }),
    siteWordColumn(
      'source',
      'fed from',
      sources,
      ({ feed }) => (feed.kind === 'local-adapter' ? 'adapter' : `${feed.supplyId}/${feed.output}`),
      fed,
      { width: 190, also: ['power', 'supply', 'power from'] },
    ),
    siteWordColumn(
      'input',
      'patched to',
      inputs,
      ({ patchedTo }) => (patchedTo ? `${patchedTo.recorderId}/${patchedTo.input}` : 'none'),
      patched,
      {
        width: 200,
        also: ['input', 'recorder input', 'channel', 'dvr port', 'dvr channel', 'recorder port', 'port'],
      },
    ),
    wordColumn(
      'state',
      'state',
      choices.runState,
      ({ state }) => state,
      (run, state) => ({ ...run, state: state as Run['state'] }),
      { width: 110 },
    ),
    wordsColumn(
      'inLine',
      'gear in the line',
      choices.inLineGear,
      (run) => gearAt(run),
      (run, kinds) => withGear(run, kinds as InLineGearKind[]),
      { also: ['in line', 'gear'] },
    ),
    textColumn(
      'note',
      'note',
      2000,
      ({ note }) => note,
      (run, text) => optionalText(run, 'note', text),
      { width: 220, also: ['remark', 'remarks', 'notes'] },
    ),
  ],
  rows: (site) =>
    Object.values(site.run)
      .sort((a, b) => (numberOf(a, site) ?? 0) - (numberOf(b, site) ?? 0))
      .map((run) => ({ id: run.id, row: run })),
  rowId: ({ id }) => id,
  rowAt: (id, site) => site.run[id]!,
  name: (run, site) => `run ${numberOf(run, site)} ${site.camera[run.cameraId]?.name ?? ''}`,
  change: (run) => ({ kind: 'run', id: run.id, set: run }),
  start: (cells, site, mark) => {
    const number = cells.get('number');
    const camera = Object.values(site.camera).find((one) => one.number === number);
    if (!camera)
      return { kind: 'refused', why: `there is no camera ${number ?? ''} here; import the cameras first` };
    const [headEndId, cable, lengthM] = [
      cells.get('headEnd') ?? headEnds(site)[0]?.value,
      cells.get('cable'),
      cells.get('lengthM'),
    ];
    if (!headEndId || !cable || typeof lengthM !== 'number')
      return { kind: 'refused', why: `run ${number} is new here and needs a cable and a length` };
    const source = cells.get('source');
    const [supplyId = '', output = '1'] = String(source ?? 'adapter').split('/');
    const feed =
      source && source !== 'adapter'
        ? { kind: 'along-run' as const, supplyId, output: Number(output) }
        : {
            kind: 'local-adapter' as const,
            current: camera.supply.current,
            volts: camera.supply.current === 'ac' ? 24 : 12,
            ratedAmps: 1,
          };
    return {
      kind: 'row',
      row: firstRun(
        site,
        camera,
        site.place[camera.placeId]!,
        { headEndId: String(headEndId), cable: String(cable), lengthM },
        feed,
        mark,
      ),
    };
  },
};
