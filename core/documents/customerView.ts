import type { SiteEvaluation } from '#core/evaluate';
import { acceptOffer } from '#core/decide/offer';
import { accept, type AcceptedThing, type Change, type Signature, type Site } from '#core/model/site';
import { mayAccept, statusWords, thingKey, type ThingState } from '#core/signoff/acceptance';
import type { Paper } from './paper';
import { paperContext, type PaperContext, type PaperMoment } from './paperContext';
import { makePaper } from './papers';

/** Something that a customer accepts, as he is told of it. */
export interface CustomerThing {
  of: AcceptedThing;
  name: string;
  status: string;
  /** Why it cannot be accepted yet; empty where it can. */
  why: string[];
  /** What it is accepted in spite of. */
  exceptions: string[];
  /** What that is, to be held against what is there when he signs: nobody signs what he has not seen. */
  restsOn: string;
  isAccepted: boolean;
}

/** What a customer sees of a site: what is offered, how far it is, and what waits for his name. Costs and margins are not in it. */
export interface CustomerView {
  papers: Paper[];
  things: CustomerThing[];
  /** The offer that is on record; whether the site has moved on from it, and whether somebody said yes. */
  offer: { id: string; number: number; validUntil: string; hasMovedOn: boolean; accepted: string } | null;
}

const labelOf = ({ number, name }: ThingState): string => (number === null ? name : `${number} ${name}`);

/** Every reading that an acceptance of a thing would rest on, and every exception, by their ids. */
function basisOf(thing: ThingState): string {
  const may = mayAccept([thing]);
  return may.kind === 'may'
    ? [...may.readingIds, ...may.exceptions.map(({ punchId }) => punchId)].join(' ')
    : '';
}

function thingOf(thing: ThingState): CustomerThing {
  const may = mayAccept([thing]);
  return {
    of: thing.of,
    name: labelOf(thing),
    status: statusWords[thing.status],
    why: may.kind === 'may-not' ? may.why : [],
    exceptions: may.kind === 'may' ? may.exceptions.map(({ what }) => what) : [],
    restsOn: basisOf(thing),
    isAccepted: thing.accepted !== null,
  };
}

const standing = ({ givenOffer }: Pick<Site, 'givenOffer'>) =>
  Object.values(givenOffer)
    .filter(({ withdrawn }) => !withdrawn)
    .sort((a, b) => a.number - b.number)
    .at(-1);

function offerOn({ site, offer }: PaperContext): CustomerView['offer'] {
  const last = standing(site);
  if (!last) return null;
  const { id, number, validUntil, accepted, net, tax } = last;
  const now = offer();
  return {
    id,
    number,
    validUntil,
    hasMovedOn: now.net !== net || now.tax !== tax,
    accepted: accepted ? accepted.name : '',
  };
}

/** What a customer sees of a site today. An offer that the site has moved on from is no paper: it would say other figures than the record. */
export function customerView(site: Site, evaluation: SiteEvaluation, moment: PaperMoment): CustomerView {
  const context = paperContext(site, evaluation, moment);
  const offer = offerOn(context);
  return {
    papers: [
      ...(offer && !offer.hasMovedOn ? [makePaper('offer', context)] : []),
      makePaper('sign-off', context),
      ...(Object.keys(site.acceptance).length > 0 ? [makePaper('hand-over', context)] : []),
    ],
    things: context.signOff().things.map(thingOf),
    offer,
  };
}

/** A customer’s name under things, as he gives it. */
export interface CustomerSigning {
  things: readonly { of: AcceptedThing; restsOn: string }[];
  signedBy: string;
  signature: Signature;
}

export type CustomerSigned = { kind: 'signed'; change: Change } | { kind: 'may-not'; why: string[] };

/** The change by which a customer accepts things, by what was read of them as it stands here; or why it cannot be. */
export function customerAccepts(
  site: Site,
  evaluation: SiteEvaluation,
  moment: PaperMoment,
  { things: wanted, signedBy, signature }: CustomerSigning,
  doing: { at: string; by: string; mark: string },
): CustomerSigned {
  const seen = new Map(wanted.map(({ of, restsOn: was }) => [thingKey(of), was]));
  const things = paperContext(site, evaluation, moment)
    .signOff()
    .things.filter(({ of }) => seen.has(thingKey(of)));
  if (things.length < seen.size)
    return { kind: 'may-not', why: ['Something of it is not to be accepted here.'] };
  const done = things.filter(({ status }) => status === 'accepted');
  if (done.length > 0)
    return { kind: 'may-not', why: done.map((thing) => `${labelOf(thing)} is accepted already.`) };
  const may = mayAccept(things);
  if (may.kind === 'may-not') return may;
  const moved = things.filter((thing) => basisOf(thing) !== seen.get(thingKey(thing.of)));
  if (moved.length > 0)
    return {
      kind: 'may-not',
      why: moved.map((thing) => `${labelOf(thing)} has changed since it was shown.`),
    };
  const { readingIds, exceptions } = may;
  const given = {
    things: things.map(({ of }) => of),
    readingIds,
    exceptions,
    signedBy,
    role: 'customer' as const,
    signature,
  };
  return { kind: 'signed', change: accept(site, given, doing, doing.mark) };
}

/** The change by which a customer says yes to the offer on record; or why he cannot. */
export function customerAcceptsOffer(
  site: Site,
  evaluation: SiteEvaluation,
  moment: PaperMoment,
  { offerId, name }: { offerId: string; name: string },
  { at, by }: { at: string; by: string },
): CustomerSigned {
  const last = standing(site);
  const now = offerOn(paperContext(site, evaluation, moment));
  const refused = (why: string): CustomerSigned => ({ kind: 'may-not', why: [why] });
  if (!last || !now || last.id !== offerId)
    return refused('This is not the offer that stands. Look at it again.');
  if (last.accepted) return refused(`${last.accepted.name} has said yes to it already.`);
  if (last.validUntil < at.slice(0, 10))
    return refused(`The offer was valid until ${last.validUntil}. Ask for a new one.`);
  if (now.hasMovedOn)
    return refused('The site has changed since this offer was given. Ask for a new one before you say yes.');
  return { kind: 'signed', change: acceptOffer(last, { name, at, by }) };
}
