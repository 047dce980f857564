import type { RunEvaluation } from '#core/decide/runEvaluation';
import { cableLabel } from '#core/physics/cable';
import { choices } from '#core/model/labels';
import { testDefinition, type Reading, type Site } from '#core/model/site';
import { quantityFor } from '#core/shared/units';
import { changedAt, isOutdated, readingWords } from '#core/test/readings';
import { boardBlocks } from './boardBlocks';
import { linesSvg } from './linesSvg';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { photoBlocks } from './photoBlocks';
import { sitePlanBlocks } from './sitePlanBlocks';

const environmentLabel = new Map<string, string>(
  choices.environment.map(({ value, label }) => [value, label]),
);

function segmentTable({ run }: RunEvaluation): Block {
  return {
    kind: 'table',
    name: `Run ${run.id}`,
    columns: [
      { label: 'Stretch', share: 3 },
      { label: 'Length', unit: 'm' },
      { label: 'Where', share: 2 },
      { label: 'Print on the jacket', share: 3 },
      { label: 'Joint after it', share: 2 },
      { label: 'Not looked at', share: 2 },
    ],
    rows: run.segments.map(({ cable, sheet, lengthM, environment, print, joint, assumed = [] }) => [
      sheet?.name ?? cableLabel(cable, 'mm2'),
      lengthM,
      environmentLabel.get(environment) ?? environment,
      print ?? '',
      joint ?? '',
      assumed.join(', '),
    ]),
  };
}

function readingTable(readings: readonly Reading[], isOld: (reading: Reading) => boolean, of: string): Block {
  return {
    kind: 'table',
    name: `Readings of ${of}`,
    columns: [
      { label: 'Test', share: 3 },
      { label: 'Read', share: 2.5 },
      { label: 'Instrument', share: 2.5 },
      { label: 'By', share: 1.6 },
      { label: 'On', share: 1.6 },
      { label: 'Counts', share: 1.4 },
    ],
    rows: readings.map((reading) => [
      testDefinition(reading.test).label,
      readingWords(reading),
      [reading.instrument, reading.serial].filter(Boolean).join(' '),
      reading.by,
      reading.at.slice(0, 10),
      reading.struck ? 'struck out' : isOld(reading) ? 'of the line before' : 'yes',
    ]),
  };
}

/** What was found about one run: its drawing, stretches, readings, what they say, and photos. */
function runBlocks(
  { site, measures }: PaperContext,
  run: RunEvaluation,
  readings: readonly Reading[],
  isOld: (reading: Reading) => boolean,
): Block[] {
  const { camera, findings } = run;
  const says = findings.verdicts
    .filter(({ state }) => state !== 'untested' && state !== 'holds')
    .map(({ label, message }) => `${label}: ${message}`);
  const place = site.place[camera.placeId]?.name ?? '';
  return [
    { kind: 'heading', level: 2, text: `${camera.number} ${camera.name}` },
    {
      kind: 'text',
      text: `At ${place}, from ${site.place[run.run.headEndId]?.name ?? ''}. ${findings.binding.label}: ${findings.binding.message}`,
    },
    {
      kind: 'drawing',
      svg: linesSvg([run], (lengthM) => quantityFor(lengthM, 'm', measures)),
      caption: '',
    },
    segmentTable(run),
    ...(readings.length > 0
      ? [readingTable(readings, isOld, `${camera.number}`)]
      : [{ kind: 'text' as const, tone: 'quiet' as const, text: 'Nobody has read anything of it yet.' }]),
    ...(says.length > 0 ? [{ kind: 'caution' as const, items: says }] : []),
    ...photoBlocks(site, { kind: 'run', id: run.run.id }),
    ...photoBlocks(site, { kind: 'camera', id: camera.id }),
  ];
}

const byRun = ({ reading }: Pick<Site, 'reading'>): Map<string, Reading[]> => {
  const all = new Map<string, Reading[]>();
  for (const one of Object.values(reading)) {
    const before = all.get(one.runId);
    if (before) before.push(one);
    else all.set(one.runId, [one]);
  }
  for (const some of all.values()) some.sort((a, b) => a.at.localeCompare(b.at, 'en'));
  return all;
};

/** The survey: every run with its drawing, what it is made of, everything that was read of it, and photos. */
export function surveyPaper(context: PaperContext): Paper {
  const { site, evaluation } = context;
  const readings = byRun(site);
  const changed = changedAt(site);
  const unread = evaluation.runs.filter(({ findings }) => findings.missing.length > 0).length;
  return paperOf(context, {
    id: 'survey',
    title: 'Survey report',
    open: unread > 0 ? [`${unread} of ${evaluation.runs.length} runs are not tested through.`] : [],
    blocks: [
      ...sitePlanBlocks(context),
      ...boardBlocks(context),
      { kind: 'heading', level: 1, text: 'Run by run', newPage: true },
      ...evaluation.runs.flatMap((run) =>
        runBlocks(context, run, readings.get(run.run.id) ?? [], (one) => isOutdated(one, changed)),
      ),
      ...Object.values(site.place).flatMap(({ id, name }) => {
        const photos = photoBlocks(site, { kind: 'place', id });
        return photos.length > 0
          ? [{ kind: 'heading' as const, level: 2 as const, text: name }, ...photos]
          : [];
      }),
    ],
  });
}
