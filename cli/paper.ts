import {
  makePaper,
  paperContext,
  paperCsv,
  papers,
  pdfDefinition,
  type PaperId,
  type PdfDefinition,
} from '#core/documents';
import { evaluateSite } from '#core/evaluate';
import type { Said } from './command';
import { siteIn } from './siteFiles';

const ids = papers.map(({ id }) => id);

export const paperUsage = `npm run paper -- PAPER SITE.neotrope.json[.gz] --out FILE.pdf|.csv|.json [--size A4|Letter] [--locale en-GB] [--on 2026-05-04]
PAPER: ${ids.join(', ')}`;

/** What is to be written where: a PDF that is still to be laid out, or text. */
export type PaperOut =
  { file: string; kind: 'pdf'; definition: PdfDefinition } | { file: string; kind: 'text'; text: string };

const option = (args: readonly string[], name: string): string | undefined => {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? undefined : args[at + 1];
};

const datePattern = /^\d{4}-\d{2}-\d{2}$/;

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
  const made = makePaper(id as PaperId, paperContext(site, evaluateSite(site), on));
  const style = { locale: option(args, 'locale') ?? 'en-GB', pageSize: size } as const;
  const done = { status: 0, out: `${made.title} of ${made.site}: ${out}`, errors: [] };
  if (out.endsWith('.pdf'))
    return { ...done, write: { file: out, kind: 'pdf', definition: pdfDefinition(made, style) } };
  if (out.endsWith('.csv')) return { ...done, write: { file: out, kind: 'text', text: paperCsv(made) } };
  if (out.endsWith('.json'))
    return { ...done, write: { file: out, kind: 'text', text: `${JSON.stringify(made, null, 1)}\n` } };
  return wrong(`“${out}” is to end in .pdf, .csv or .json.`);
}
