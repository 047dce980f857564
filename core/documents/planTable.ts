import { chosenOption } from '#core/decide/runEvaluation';
import type { SiteEvaluation } from '#core/evaluate';
import { aboutOf, type Site } from '#core/model/site';
import { assumedFacts } from '#core/survey/gaps';

export type PlanCell = string | number;

const rounded = (value: number | null | undefined): PlanCell =>
  value === null || value === undefined ? '' : Math.round(value * 100) / 100;
const percent = (share: number | undefined): number | undefined => share && 100 * share;
const listed = (parts: readonly { item: string; count: number }[]): string =>
  parts.map(({ item, count }) => `${item} x ${rounded(count)}`).join('; ');

type Row = SiteEvaluation['runs'][number];

/** What of the plan a line gives, by heading: one figure a column, its unit in the heading, ids beside names. */
const columns: Record<string, (row: Row, site: Site) => PlanCell> = {
  'camera id': ({ camera }) => camera.id,
  camera: ({ camera }) => camera.number,
  name: ({ camera }) => camera.name,
  'place id': ({ camera }) => camera.placeId,
  place: ({ camera }, { place }) => place[camera.placeId]?.name ?? '',
  'run id': ({ run }) => run.id,
  'run m': ({ lengthM }) => rounded(lengthM),
  option: ({ chosen }) => chosen ?? '',
  'limiting margin': (row) => chosenOption(row)?.binding?.kind ?? '',
  'limiting value': (row) => rounded(chosenOption(row)?.binding?.value),
  'limiting unit': (row) => chosenOption(row)?.binding?.unit ?? '',
  'limit used %': (row) => rounded(percent(chosenOption(row)?.binding?.utilisation)),
  'rests on': (row) => chosenOption(row)?.binding?.basis ?? '',
  'recorder id': ({ camera }, { placement }) => placement[camera.id]?.recorderId ?? '',
  slot: ({ camera }, { placement }) => placement[camera.id]?.slot ?? '',
  'labour h': (row) => rounded(chosenOption(row)?.hours),
  'downtime h': (row) => rounded(chosenOption(row)?.darkHours),
  cost: (row) => rounded(chosenOption(row)?.cost),
  currency: (_, site) => aboutOf(site).currency,
  parts: (row) => listed(chosenOption(row)?.parts ?? []),
  'decided by': ({ camera }, { choice }) => choice[camera.id]?.by ?? '',
  'decided at': ({ camera }, { choice }) => choice[camera.id]?.at ?? '',
  'does not hold': ({ choiceBroken }) => choiceBroken ?? '',
  assumed: ({ run }, site) => assumedFacts(site, run).join('; '),
};

/** The plan for other programs: a heading for each column and a line for each camera with a run. */
export function planTable(site: Site, { runs }: SiteEvaluation): { headings: string[]; rows: PlanCell[][] } {
  return {
    headings: Object.keys(columns),
    rows: runs.map((row) => Object.values(columns).map((cell) => cell(row, site))),
  };
}
