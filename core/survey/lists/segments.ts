import { coaxCables, pairCables, powerCables, proposalFrom, readJacketPrint } from '#core/physics/cable';
import {
  longestSegmentM,
  withCable,
  withJoint,
  withSegment,
  withSegmentAfter,
  type Leg,
  type Run,
  type Segment,
  type Site,
} from '#core/model/site';
import { choices } from '#core/model/labels';
import type { Cell, List, Read } from './column';
import { numberColumn, optionalText, readAlso, siteWordColumn, textColumn, wordColumn } from './columns';

export interface SegmentRow {
  run: Run;
  index: number;
}

/** A cable as it is called on a jacket: `RG59`, `RG-6/U`, `Cat5e`. Where the tables know several, all are named and none is made up. */
export function readCable(text: string): Read {
  const { cable, doubts } = proposalFrom(readJacketPrint(text));
  if (cable !== null) return { kind: 'value', value: cable };
  const why = doubts[0] ?? 'no cable of the tables is called that';
  return { kind: 'refused', why: `“${text}”: ${why}` };
}

export const cableWords = [...coaxCables, ...pairCables].map(({ id, label }) => ({ value: id, label }));
const legWords = [
  { value: 'none', label: 'No power beside it' },
  { value: 'spare-pairs', label: 'Its own spare pairs' },
  ...powerCables.map(({ id, label }) => ({ value: id, label })),
];

const segmentOf = ({ run, index }: SegmentRow): Segment => run.segments[index]!;
const withFields = ({ run, index }: SegmentRow, fields: Partial<Segment>): SegmentRow => ({
  index,
  run: withSegment(run, index, fields),
});
const whole = (row: SegmentRow, segment: Segment): SegmentRow => ({
  ...row,
  run: { ...row.run, segments: row.run.segments.map((one, at) => (at === row.index ? segment : one)) },
});

const numberOf = ({ run }: SegmentRow, site: Site): number | null =>
  site.camera[run.cameraId]?.number ?? null;
const legValue = ({ leg }: Segment): string => (leg.kind === 'cores' ? leg.cable : leg.kind);

function legOf(value: string, now: Leg): Leg {
  if (value === 'none') return { kind: 'none' };
  const cores =
    now.kind === 'none'
      ? { outCores: 1, backCores: 1 }
      : { outCores: now.outCores, backCores: now.backCores };
  return value === 'spare-pairs'
    ? { kind: 'spare-pairs', ...cores }
    : { kind: 'cores', cable: value, ...cores };
}

const cores = (key: 'outCores' | 'backCores', heading: string) => ({
  ...numberColumn<SegmentRow>(
    key,
    heading,
    { least: 1, most: 16, whole: true },
    (row) => {
      const { leg } = segmentOf(row);
      return leg.kind === 'none' ? undefined : leg[key];
    },
    (row) => row,
  ),
  write: (row: SegmentRow, value: Cell) => {
    const { leg } = segmentOf(row);
    return leg.kind === 'none'
      ? { kind: 'refused' as const, why: 'there are no power cores beside this segment' }
      : { kind: 'row' as const, row: withFields(row, { leg: { ...leg, [key]: Number(value) } }) };
  },
});

const mark = (key: 'head' | 'far', heading: string) =>
  numberColumn<SegmentRow>(
    `${key}Mark`,
    heading,
    { least: 0, most: 9_999_999 },
    (row) => segmentOf(row).marks?.[key],
    (row, value) =>
      withFields(row, { marks: { head: 0, far: 0, unit: 'm', ...segmentOf(row).marks, [key]: value } }),
  );

/** The stretches of every run, a row each, in order from the head end. */
export const segmentList: List<SegmentRow> = {
  id: 'segment',
  label: 'Segments',
  one: 'segment',
  keys: ['number', 'segment'],
  columns: [
    {
      ...numberColumn<SegmentRow>(
        'number',
        'camera',
        { least: 1, most: 9999, whole: true },
        () => undefined,
        (row) => row,
        { width: 70, also: ['number', 'camera number', 'run'] },
      ),
      read: numberOf,
    },
    numberColumn(
      'segment',
      'segment',
      { least: 1, most: 50, whole: true },
      ({ index }) => index + 1,
      (row) => row,
      { width: 74, also: ['part', 'section'] },
    ),
    readAlso(
      wordColumn(
        'cable',
        'cable',
        cableWords,
        (row) => segmentOf(row).cable,
        (row, cable) =>
          cable === segmentOf(row).cable ? row : { ...row, run: withCable(row.run, row.index, cable) },
        { width: 220, also: ['cable type', 'construction', 'coax', 'coax type'] },
      ),
      readCable,
    ),
    numberColumn(
      'lengthM',
      'length',
      { unit: 'm', least: 0.01, most: longestSegmentM },
      (row) => segmentOf(row).lengthM,
      (row, lengthM) => withFields(row, { lengthM }),
    ),
    numberColumn(
      'spreadM',
      'spread',
      { unit: 'm', least: 0, most: 500 },
      (row) => segmentOf(row).spreadM,
      (row, spreadM) => withFields(row, { spreadM }),
      { also: ['plus or minus'] },
    ),
    wordColumn(
      'lengthFrom',
      'length by',
      choices.lengthFrom,
      (row) => segmentOf(row).lengthFrom,
      (row, value) => withFields(row, { lengthFrom: value as Segment['lengthFrom'] }),
      { also: ['source'] },
    ),
    wordColumn(
      'environment',
      'environment',
      choices.environment,
      (row) => segmentOf(row).environment,
      (row, value) => withFields(row, { environment: value as Segment['environment'] }),
      { also: ['where'] },
    ),
    numberColumn(
      'temperatureC',
      'temperature',
      { unit: '°C', least: -40, most: 90 },
      (row) => segmentOf(row).temperatureC,
      (row, temperatureC) => withFields(row, { temperatureC }),
      { also: ['temp'] },
    ),
    wordColumn(
      'leg',
      'power beside it',
      legWords,
      (row) => legValue(segmentOf(row)),
      (row, value) => withFields(row, { leg: legOf(value, segmentOf(row).leg) }),
      { width: 220, also: ['power cores'] },
    ),
    cores('outCores', 'cores out'),
    cores('backCores', 'cores back'),
    siteWordColumn(
      'joint',
      'then a joint',
      () => choices.joint,
      (row) => segmentOf(row).joint ?? 'none',
      (row, value) =>
        value !== 'none' && row.index === row.run.segments.length - 1
          ? { kind: 'refused', why: 'the last segment ends at the camera; it has no joint after it' }
          : {
              kind: 'row',
              row: {
                ...row,
                run: withJoint(
                  row.run,
                  row.index,
                  value === 'none' ? undefined : (value as NonNullable<Segment['joint']>),
                ),
              },
            },
      { also: ['joint'] },
    ),
    textColumn(
      'print',
      'jacket print',
      200,
      (row) => segmentOf(row).print,
      (row, text) => whole(row, optionalText(segmentOf(row), 'print', text)),
      { width: 220, also: ['print', 'marking'] },
    ),
    textColumn(
      'reel',
      'reel',
      60,
      (row) => segmentOf(row).reel,
      (row, text) => whole(row, optionalText(segmentOf(row), 'reel', text)),
      { width: 100, also: ['drum', 'batch'] },
    ),
    textColumn(
      'installedBy',
      'put in by',
      80,
      (row) => segmentOf(row).installedBy,
      (row, text) => whole(row, optionalText(segmentOf(row), 'installedBy', text)),
      { width: 140, also: ['installer', 'installed by'] },
    ),
    mark('head', 'mark at head'),
    mark('far', 'mark at far end'),
    wordColumn(
      'markUnit',
      'marks in',
      [
        { value: 'm', label: 'm' },
        { value: 'ft', label: 'ft' },
      ],
      (row) => segmentOf(row).marks?.unit,
      (row, unit) =>
        withFields(row, { marks: { head: 0, far: 0, ...segmentOf(row).marks, unit: unit as 'm' | 'ft' } }),
      { width: 80 },
    ),
    textColumn(
      'note',
      'note',
      2000,
      (row) => segmentOf(row).note,
      (row, text) => whole(row, optionalText(segmentOf(row), 'note', text)),
      { width: 220, also: ['remark', 'remarks', 'notes'] },
    ),
  ],
  rows: (site) =>
    Object.values(site.run)
      .sort((a, b) => (site.camera[a.cameraId]?.number ?? 0) - (site.camera[b.cameraId]?.number ?? 0))
      .flatMap((run) => run.segments.map((_, index) => ({ id: `${run.id}/${index}`, row: { run, index } }))),
  rowId: ({ run, index }) => `${run.id}/${index}`,
  rowAt: (id, site) => {
    const [runId = '', index] = id.split('/');
    return { run: site.run[runId]!, index: Number(index) };
  },
  name: (row, site) => `segment ${row.index + 1} of run ${numberOf(row, site)}`,
  change: ({ run }) => ({ kind: 'run', id: run.id, set: run }),
  start: (cells, site) => {
    const [number, segment] = [cells.get('number'), cells.get('segment')];
    const camera = Object.values(site.camera).find((one) => one.number === number);
    const run = Object.values(site.run).find(({ cameraId }) => cameraId === camera?.id);
    if (!run)
      return {
        kind: 'refused',
        why: `there is no run to camera ${number ?? ''} here; import the runs first`,
      };
    const last = run.segments.length;
    if (segment !== last + 1)
      return {
        kind: 'refused',
        why: `run ${number} has ${last} segment${last === 1 ? '' : 's'}; the next one is ${last + 1}`,
      };
    return { kind: 'row', row: { run: withSegmentAfter(run, last - 1), index: last } };
  },
};
