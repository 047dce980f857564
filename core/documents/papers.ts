import type { Block, Paper } from './paper';
import { addressPaper, asBuiltPaper, cablePaper, partsPaper, planPaper, risksOf } from './listPapers';
import { offerPaper } from './offerPaper';
import { paperOf, type PaperContext } from './paperContext';
import { signOffPaper } from './signOffPaper';

/** A paper that is made of others, each from a page of its own, with what is in it first. */
function handOverPaper(context: PaperContext): Paper {
  const parts = [asBuiltPaper, cablePaper, addressPaper, signOffPaper].map((make) => make(context));
  const risks = risksOf(context);
  const { settings } = context.offer();
  const accepted = Object.values(context.site.acceptance)
    .filter(({ withdrawn, role }) => !withdrawn && role === 'customer')
    .map(({ at }) => at)
    .sort();
  const chapters = parts.flatMap(({ title, blocks }): Block[] => [
    { kind: 'heading', level: 1, text: title, newPage: true },
    ...blocks,
  ]);
  return paperOf(context, {
    id: 'hand-over',
    title: 'Hand-over',
    open: [...new Set(parts.flatMap(({ open }) => open))],
    blocks: [
      { kind: 'heading', level: 2, text: 'What is in it' },
      { kind: 'list', items: parts.map(({ title }) => title) },
      { kind: 'heading', level: 2, text: 'Warranty' },
      {
        kind: 'text',
        text:
          accepted.length > 0
            ? `${settings.warrantyMonths} months from the acceptance on ${accepted.at(-1)!.slice(0, 10)}.`
            : `${settings.warrantyMonths} months from the acceptance, which is still to come.`,
      },
      ...(risks.length > 0
        ? [
            { kind: 'heading' as const, level: 2 as const, text: 'What may still go wrong' },
            { kind: 'caution' as const, items: risks },
          ]
        : []),
      ...chapters,
    ],
  });
}

/** Every paper there is. Adding one is adding a row. */
export const papers = [
  { id: 'offer', label: 'Offer', make: offerPaper },
  { id: 'plan', label: 'Plan sheet', make: planPaper },
  { id: 'parts', label: 'Parts and orders', make: partsPaper },
  { id: 'cables', label: 'Cable schedule', make: cablePaper },
  { id: 'addresses', label: 'Addresses and ports', make: addressPaper },
  { id: 'sign-off', label: 'Sign-off', make: signOffPaper },
  { id: 'hand-over', label: 'Hand-over pack', make: handOverPaper },
] as const satisfies readonly { id: string; label: string; make: (context: PaperContext) => Paper }[];
export type PaperId = (typeof papers)[number]['id'];

/** A paper of a site. */
export const makePaper = (id: PaperId, context: PaperContext): Paper =>
  papers.find((one) => one.id === id)!.make(context);
