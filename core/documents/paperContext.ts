import { signOffOf, type SignOff, type SiteEvaluation } from '#core/evaluate';
import { chosenOption } from '#core/decide/runEvaluation';
import { offerOf, type Offer } from '#core/decide/offer';
import { aboutOf, type Site } from '#core/model/site';
import { restsOn } from './restsOn';
import type { Block, Paper } from './paper';

/** What papers are made from: a site as it was evaluated, and the day it is. Offer and sign-off are worked out when one asks. */
export interface PaperContext {
  site: Site;
  evaluation: SiteEvaluation;
  /** A date, `2026-05-04`. */
  on: string;
  offer: () => Offer;
  signOff: () => SignOff;
}

export function paperContext(site: Site, evaluation: SiteEvaluation, on: string): PaperContext {
  let offer: Offer | undefined;
  let signOff: SignOff | undefined;
  return {
    site,
    evaluation,
    on,
    offer: () => (offer ??= offerOf(site, evaluation.runs)),
    signOff: () => (signOff ??= signOffOf(site, evaluation)),
  };
}

/** A paper with the head that all of them have. */
export function paperOf(
  { site, evaluation, on }: PaperContext,
  {
    id,
    title,
    open = [],
    blocks,
  }: { id: string; title: string; open?: readonly string[]; blocks: readonly Block[] },
): Paper {
  const { name, address, customer, currency } = aboutOf(site);
  const chosen = evaluation.runs.flatMap((run) => chosenOption(run) ?? []);
  return {
    id,
    title,
    site: name,
    address,
    customer,
    currency,
    on,
    restsOn: restsOn(site, chosen),
    open,
    blocks,
  };
}
