import { parseArgs } from 'node:util';
import {
  makePaper,
  paperContext,
  paperCsv,
  paperKinds,
  pdfDefinition,
  picturesIn,
  tablesOf,
  type Paper,
  type PaperId,
  type PaperMoment,
  type PaperPictures,
  type PaperTable,
  type PdfDefinition,
} from '#core/documents';
import { labelSheets } from '#core/cutover/lists';
import { attachedTo, type AttachedFile } from '#core/model/site';
import { evaluateSite } from '#core/evaluate';
import type { Said } from './command';
import { siteIn } from './siteFiles';

const ids = paperKinds.map(({ id }) => id);

export const paperUsage = `npm run paper -- PAPER SITE.neotrope.json[.gz] --out FILE.pdf|.xlsx|.csv|.json [--size A4|Letter] [--locale en-GB] [--on 2026-05-04] [--length m|ft] [--sheet 24] [--pages https://HOST/site/ID/survey/]
PAPER: ${ids.join(', ')}`;

/** What is to be written where: a PDF that is laid out once its pictures are at hand, a workbook of its tables, or text. */
export type PaperOut =
  | {
      file: string;
      kind: 'pdf';
      pictures: readonly AttachedFile[];
      layOut: (pictures: PaperPictures) => PdfDefinition;
    }
  | { file: string; kind: 'workbook'; tables: PaperTable[] }
  | { file: string; kind: 'text'; text: string };

const text = { type: 'string' } as const;
const options = { out: text, size: text, locale: text, on: text, length: text, sheet: text, pages: text };
type Asked = Partial<Record<keyof typeof options, string>> & { words: string[] };

/** What was asked, or what of it is not understood. */
function read(args: readonly string[]): Asked | string {
  try {
    const { values, positionals } = parseArgs({ args: [...args], options, allowPositionals: true });
    return { ...values, words: positionals };
  } catch (error) {
    return (error as Error).message;
  }
}

/** Whether money and dates can be written as somebody wishes. */
function isLocale(tag: string): boolean {
  try {
    return Intl.NumberFormat.supportedLocalesOf(tag).length > 0;
  } catch {
    return false;
  }
}

const datePattern = /^\d{4}-\d{2}-\d{2}$/;

const beginOf = (date: string, time: string): number => new Date(`${date}T${time}:00`).getTime();

const momentOf = (pages: string, on: string, measures: PaperMoment['measures']): PaperMoment => ({
  on,
  measures,
  clock: { now: beginOf(on, '00:00'), beginOf },
  pageOf: (runId) => `${pages}${runId}`,
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
  const wrong = (why: string): Said => ({ status: 2, out: '', errors: [why, `Usage: ${paperUsage}`] });
  const asked = read(args);
  if (typeof asked === 'string') return wrong(asked);
  const { words, out, on = today, length = 'm', locale = 'en-GB', pages = '' } = asked;
  const [id, file, more] = words;
  if (!ids.includes(id as PaperId)) return wrong(`“${id ?? ''}” is no paper.`);
  if (!file) return wrong('No site file is named.');
  if (more !== undefined) return wrong(`“${more}” is one too many: one paper of one site at a time.`);
  if (!out) return wrong('Where to is not said: --out FILE.');
  if (!datePattern.test(on)) return wrong(`“${on}” is no date such as 2026-05-04.`);
  const size = (asked.size ?? 'A4').toUpperCase();
  if (size !== 'A4' && size !== 'LETTER') return wrong(`“${size}” is no paper size: A4 or Letter.`);
  if (!isLocale(locale)) return wrong(`“${locale}” is no language here such as en-GB.`);
  if (length !== 'm' && length !== 'ft') return wrong(`“${length}” is no unit of length here: m or ft.`);
  const labelSheet = asked.sheet ?? labelSheets[0]!.id;
  if (!labelSheets.some(({ id: known }) => known === labelSheet))
    return wrong(
      `“${labelSheet}” is no sheet of labels: ${labelSheets.map(({ id: known }) => known).join(', ')}.`,
    );
  if (!/\.(pdf|xlsx|csv|json)$/.test(out)) return wrong(`“${out}” is to end in .pdf, .xlsx, .csv or .json.`);
  const site = siteIn(file, textOf);
  if (Array.isArray(site)) return { status: 2, out: '', errors: site };
  const measures = { length, gauge: length === 'ft' ? 'awg' : 'mm2' } as const;
  const made = makePaper(
    id as PaperId,
    paperContext(site, evaluateSite(site), momentOf(pages, on, measures)),
  );
  const style = { locale, pageSize: size, measures, labelSheet } as const;
  const done = { status: 0, out: `${made.title} of ${made.site}: ${out}`, errors: [] };
  if (out.endsWith('.pdf')) {
    const layOut = (pictures: PaperPictures): PdfDefinition => pdfDefinition(made, style, pictures);
    return { ...done, write: { file: out, kind: 'pdf', pictures: shownBy(made, textOf(file)), layOut } };
  }
  if (out.endsWith('.xlsx'))
    return { ...done, write: { file: out, kind: 'workbook', tables: tablesOf(made) } };
  const asText = out.endsWith('.csv') ? paperCsv(made) : `${JSON.stringify(made, null, 1)}\n`;
  return { ...done, write: { file: out, kind: 'text', text: asText } };
}
