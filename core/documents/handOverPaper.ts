import type { Site } from '#core/model/site';
import type { ThingState } from '#core/signoff/acceptance';
import { hookUpPaper } from './hookUpPaper';
import { cablePaper } from './cablePaper';
import { addressPaper, asBuiltPaper, risksOf } from './listPapers';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { picturePaper } from './picturePaper';
import { powerPaper } from './powerPaper';
import { rackPaper } from './rackPaper';
import { signOffPaper } from './signOffPaper';
import { surveyPaper } from './surveyPaper';

/** A date so many months later; the last of a month where that month is shorter. */
export function monthsAfter(date: string, months: number): string {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  const first = new Date(Date.UTC(year, month - 1 + months, 1));
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
  first.setUTCDate(Math.min(day, last));
  return first.toISOString().slice(0, 10);
}

function warrantyWords(site: Site, months: number, isWhole: boolean): string {
  const accepted = Object.values(site.acceptance)
    .filter(({ withdrawn, role }) => !withdrawn && role === 'customer')
    .map(({ at }) => at.slice(0, 10))
    .sort();
  const [first, last] = [accepted.at(0), accepted.at(-1)];
  if (first === undefined || last === undefined)
    return `${months} months from the acceptance, which is still to come.`;
  const until = (date: string): string => `until ${monthsAfter(date, months)}`;
  if (first === last && !isWhole)
    return `${months} months from each acceptance: what was accepted on ${first}, ${until(first)}; the rest is still to come.`;
  return first === last
    ? `${months} months from the acceptance on ${first}: ${until(first)}.`
    : `${months} months from each acceptance: what was accepted first, on ${first}, ${until(first)}; what was accepted last, on ${last}, ${until(last)}.`;
}

/** Serials of what is new, with when the warranty of each ends. */
function serialTable(things: readonly ThingState[], months: number): Block | null {
  const rows = things.flatMap(({ number, name, checks, accepted }) => {
    const serial = checks.find(({ check }) => check === 'serial');
    const on = accepted?.at.slice(0, 10);
    return serial
      ? [
          [
            number === null ? name : `${number} ${name}`,
            serial.found,
            on ?? '',
            on ? monthsAfter(on, months) : '',
          ],
        ]
      : [];
  });
  const columns = [
    { label: 'What', share: 3 },
    { label: 'Serial number', share: 2 },
    { label: 'Accepted on' },
    { label: 'Warranty until' },
  ];
  return rows.length > 0 ? { kind: 'table', name: 'Serials', columns, rows } : null;
}

/** A drawing that stands in several of the papers stands in the pack once, where it comes first. */
function withoutRepeats(blocks: readonly Block[]): Block[] {
  const first = new Map(
    blocks.flatMap((block) => (block.kind === 'drawing' ? [[block.svg, block] as const] : [])).reverse(),
  );
  const kept = blocks.filter((block) => block.kind !== 'drawing' || first.get(block.svg) === block);
  // A chapter that begins with another heading needs no page for its own.
  return kept.map((block, k) =>
    block.kind === 'heading' && block.newPage && kept[k - 1]?.kind === 'heading'
      ? { kind: block.kind, level: block.level, text: block.text }
      : block,
  );
}

/** A paper that is made of others, each from a page of its own, with what is in it first. */
export function handOverPaper(context: PaperContext): Paper {
  const chapters = [
    asBuiltPaper,
    cablePaper,
    addressPaper,
    rackPaper,
    powerPaper,
    hookUpPaper,
    surveyPaper,
    picturePaper,
    signOffPaper,
  ]
    .map((make) => make(context))
    .filter(({ blocks }) => blocks.length > 0);
  const risks = risksOf(context);
  const { things, unnoted, totals } = context.signOff();
  const isWhole = totals.accepted === totals.things;
  const { settings } = context.offer();
  const serials = serialTable(things, settings.warrantyMonths);
  const leaving = Object.values(context.site.equipment).flatMap(({ name, goes }) => (goes ? [name] : []));
  return paperOf(context, {
    id: 'hand-over',
    title: 'Hand-over',
    open: [
      ...new Set([
        ...chapters.flatMap(({ open }) => open),
        ...unnoted.map(
          ({ name }) => `${name}: bought, and not noted as gear, so nothing of it is signed off.`,
        ),
      ]),
    ],
    blocks: [
      { kind: 'heading', level: 2, text: 'Warranty' },
      { kind: 'text', text: warrantyWords(context.site, settings.warrantyMonths, isWhole) },
      ...(serials ? [serials] : []),
      ...(settings.trainingHours > 0
        ? [
            { kind: 'heading' as const, level: 2 as const, text: 'Training' },
            { kind: 'text' as const, text: `${settings.trainingHours} h are in the offer.` },
          ]
        : []),
      ...(leaving.length > 0
        ? [
            { kind: 'heading' as const, level: 2 as const, text: 'Taken away' },
            { kind: 'list' as const, items: leaving },
          ]
        : []),
      ...(risks.length > 0
        ? [
            { kind: 'heading' as const, level: 2 as const, text: 'What may still go wrong' },
            { kind: 'caution' as const, items: risks },
          ]
        : []),
      ...withoutRepeats(
        chapters.flatMap(({ title, blocks }): Block[] => [
          { kind: 'heading', level: 1, text: title, newPage: true },
          ...blocks,
        ]),
      ),
    ],
  });
}
