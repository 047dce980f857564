import {
  makePaper,
  paperContext,
  paperCsv,
  paperKinds,
  pdfDefinition,
  picturesIn,
  type Paper,
  type PaperId,
  type PaperMoment,
  type PaperPictures,
  type PdfDefinition,
} from '#core/documents';
import { labelSheets } from '#core/cutover/lists';
import { attachedTo, type AttachedFile } from '#core/model/site';
import { evaluateSite } from '#core/evaluate';
import type { Said } from './command';
import { siteIn } from './siteFiles';

const ids = paperKinds.map(({ id }) => id);

export const paperUsage = `npm run paper -- PAPER SITE.neotrope.json[.gz] --out FILE.pdf|.csv|.json [--size A4|Letter] [--locale en-GB] [--on 2026-05-04] [--length m|ft] [--sheet 24] [--pages https://HOST/site/ID/survey/]
PAPER: ${ids.join(', ')}`;

/** What is to be written where: a PDF that is laid out once its pictures are at hand, or text. */
export type PaperOut =
  | {
      file: string;
      kind: 'pdf';
      pictures: readonly AttachedFile[];
      layOut: (pictures: PaperPictures) => PdfDefinition;
    }
  | { file: string; kind: 'text'; text: string };

const option = (args: readonly string[], name: string): string | undefined => {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? undefined : args[at + 1];
};

const datePattern = /^\d{4}-\d{2}-\d{2}$/;

const beginOf = (date: string, time: string): number => new Date(`${date}T${time}:00`).getTime();

const momentOf = (args: readonly string[], on: string, measures: PaperMoment['measures']): PaperMoment => ({
  on,
  measures,
  clock: { now: beginOf(on, '00:00'), beginOf },
  pageOf: (runId) => `${option(args, 'pages') ?? ''}${runId}`,
});

/** The pictures of the file that a paper shows. */
function shownBy(made: Paper, text: string): AttachedFile[] {
  const shown = new Set(picturesIn(made));
  return attachedTo(JSON.parse(text)).filter(({ id }) => shown.has(id));
}

/** Makes a paper of a site from the command line. */
export function paper(
  args: readonly string[],
  textOf: (file: string) => string,
  today: string,
): Said & { write?: PaperOut } {
  const [id, file] = args;
  const out = option(args, 'out');
  const wrong = (why: string): Said => ({ status: 2, out: '', errors: [why, `Usage: ${paperUsage}`] });
  if (!ids.includes(id as PaperId)) return wrong(`“${id ?? ''}” is no paper.`);
  if (!file || file.startsWith('--')) return wrong('No site file is named.');
  if (!out) return wrong('Where to is not said: --out FILE.');
  const on = option(args, 'on') ?? today;
  if (!datePattern.test(on)) return wrong(`“${on}” is no date such as 2026-05-04.`);
  const size = (option(args, 'size') ?? 'A4').toUpperCase();
  if (size !== 'A4' && size !== 'LETTER') return wrong(`“${size}” is no paper size: A4 or Letter.`);
  const site = siteIn(file, textOf);
  if (Array.isArray(site)) return { status: 2, out: '', errors: site };
  const length = option(args, 'length') ?? 'm';
  if (length !== 'm' && length !== 'ft') return wrong(`“${length}” is no unit of length here: m or ft.`);
  const labelSheet = option(args, 'sheet') ?? labelSheets[0]!.id;
  if (!labelSheets.some(({ id: known }) => known === labelSheet))
    return wrong(
      `“${labelSheet}” is no sheet of labels: ${labelSheets.map(({ id: known }) => known).join(', ')}.`,
    );
  const measures = { length, gauge: length === 'ft' ? 'awg' : 'mm2' } as const;
  const made = makePaper(id as PaperId, paperContext(site, evaluateSite(site), momentOf(args, on, measures)));
  const style = { locale: option(args, 'locale') ?? 'en-GB', pageSize: size, measures, labelSheet } as const;
  const done = { status: 0, out: `${made.title} of ${made.site}: ${out}`, errors: [] };
  if (out.endsWith('.pdf')) {
    const layOut = (pictures: PaperPictures): PdfDefinition => pdfDefinition(made, style, pictures);
    return { ...done, write: { file: out, kind: 'pdf', pictures: shownBy(made, textOf(file)), layOut } };
  }
  if (out.endsWith('.csv')) return { ...done, write: { file: out, kind: 'text', text: paperCsv(made) } };
  if (out.endsWith('.json'))
    return { ...done, write: { file: out, kind: 'text', text: `${JSON.stringify(made, null, 1)}\n` } };
  return wrong(`“${out}” is to end in .pdf, .csv or .json.`);
}
