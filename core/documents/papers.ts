import { handOverPaper } from './handOverPaper';
import { hookUpPaper } from './hookUpPaper';
import { inMeasures } from './inMeasures';
import { labelPaper } from './labelPaper';
import { cablePaper } from './cablePaper';
import { addressPaper, partsPaper, planPaper } from './listPapers';
import { offerPaper } from './offerPaper';
import type { Paper } from './paper';
import type { PaperId } from './paperKinds';
import type { PaperContext } from './paperContext';
import { picturePaper } from './picturePaper';
import { powerPaper } from './powerPaper';
import { rackPaper } from './rackPaper';
import { signOffPaper } from './signOffPaper';
import { surveyPaper } from './surveyPaper';
import { workPaper } from './workPaper';

const makers: Record<PaperId, (context: PaperContext) => Paper> = {
  offer: offerPaper,
  survey: surveyPaper,
  plan: planPaper,
  parts: partsPaper,
  work: workPaper,
  'hook-ups': hookUpPaper,
  labels: labelPaper,
  addresses: addressPaper,
  racks: rackPaper,
  power: powerPaper,
  cables: cablePaper,
  pictures: picturePaper,
  'sign-off': signOffPaper,
  'hand-over': handOverPaper,
};

/** A paper of a site, in the measures of whoever reads it. */
export const makePaper = (id: PaperId, context: PaperContext): Paper =>
  inMeasures(makers[id](context), context.measures);

/** The files of pictures that are lines: drawings of the site, and the firm’s mark. */
export const linesIn = ({ blocks, firm }: Pick<Paper, 'blocks' | 'firm'>): string[] => [
  ...blocks.flatMap((block) => (block.kind === 'drawing' && block.on ? [block.on.fileId] : [])),
  ...(firm?.logo ? [firm.logo.fileId] : []),
];

/** The files of every picture that a paper shows. */
export const picturesIn = ({ blocks, firm }: Paper): string[] => [
  ...new Set([
    ...blocks.flatMap((block) => (block.kind === 'picture' ? [block.fileId] : [])),
    ...linesIn({ blocks, firm }),
  ]),
];
