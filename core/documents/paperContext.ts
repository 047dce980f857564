import {
  agreementAt,
  doubtfulChoices,
  migrationOfSite,
  networkAt,
  nightsNow,
  roomAt,
  signOffOf,
  type NightClock,
  type NightsNow,
  type RoomPicture,
  type SignOff,
  type SiteEvaluation,
} from '#core/evaluate';
import { chosenOption } from '#core/decide/runEvaluation';
import { offerOf, type Offer } from '#core/decide/offer';
import { aboutOf, type Site } from '#core/model/site';
import { once } from '#core/shared/memo';
import type { Measures } from '#core/shared/units';
import { restsOn } from './restsOn';
import type { Block, Paper } from './paper';

/** When a paper is made, in whose measures, and where its site is read on a screen. */
export interface PaperMoment {
  /** A date, `2026-05-04`. */
  on: string;
  measures: Measures;
  clock: NightClock;
  /** The address of the page of a run, which a label bears as a square that a phone reads. */
  pageOf: (runId: string) => string;
  /** The date of the one night that orders of work and labels are wanted of; left out, of all. */
  night?: string;
}

/** What papers are made from: a site as it was evaluated, and the moment. What takes longer is worked out when one asks. */
export interface PaperContext extends PaperMoment {
  site: Site;
  evaluation: SiteEvaluation;
  offer: () => Offer;
  signOff: () => SignOff;
  nights: () => NightsNow;
  migration: () => ReturnType<typeof migrationOfSite>;
  network: () => ReturnType<typeof networkAt>;
  rooms: () => RoomPicture;
}

export function paperContext(site: Site, evaluation: SiteEvaluation, moment: PaperMoment): PaperContext {
  return {
    ...moment,
    site,
    evaluation,
    offer: once(() =>
      offerOf(site, evaluation.runs, doubtfulChoices(site, evaluation, agreementAt(site, evaluation))),
    ),
    signOff: once(() => signOffOf(site, evaluation)),
    nights: once(() => nightsNow(site, evaluation, moment.on, moment.clock)),
    migration: once(() => migrationOfSite(site, evaluation.allocation)),
    network: once(() => networkAt(site, evaluation, { kind: 'after' })),
    rooms: once(() => roomAt(site, evaluation, { kind: 'after' })),
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
  const { name, address, customer, currency, firm } = aboutOf(site);
  const chosen = evaluation.runs.flatMap((run) => chosenOption(run) ?? []);
  return {
    id,
    title,
    site: name,
    address,
    customer,
    currency,
    firm: firm ?? null,
    on,
    restsOn: restsOn(site, chosen),
    open,
    blocks,
  };
}
