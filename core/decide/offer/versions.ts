import { freeId, type Change, type GivenOffer, type Site } from '#core/model/site';
import type { Offer } from './types';

/** How an offer is given: who prepared it, and whether it is called final. */
export interface Giving {
  preparedBy: string;
  isFinal: boolean;
  /** What is said of what it still rests on, where it is called final in spite of that. */
  saying: string;
  at: string;
  by: string;
  mark: string;
}

export type Given = { ok: true; change: Change } | { ok: false; problems: string[] };

const dayMs = 86_400_000;

/** Puts an offer on record as it is given, or says what is missing. What it said stays, whatever the site becomes. */
export function giveOffer(site: Pick<Site, 'givenOffer'>, offer: Offer, giving: Giving): Given {
  const { preparedBy, isFinal, saying, at, by, mark } = giving;
  const problems = [
    ...offer.problems,
    ...(preparedBy.trim() ? [] : ['Enter who prepared it: it stands on the paper.']),
    ...(isFinal && offer.premises.length > 0 && !saying.trim()
      ? ['It rests on what nobody has confirmed. Say so in a sentence, or do not call it final.']
      : []),
  ];
  if (problems.length > 0) return { ok: false, problems };
  const number = 1 + Math.max(0, ...Object.values(site.givenOffer).map((one) => one.number));
  const id = freeId((taken) => site.givenOffer[taken] !== undefined, `offer ${number}`, mark);
  const set: GivenOffer = {
    id,
    number,
    preparedBy: preparedBy.trim(),
    at,
    by,
    isFinal,
    ...(saying.trim() ? { saying: saying.trim() } : {}),
    lines: offer.lines.map(({ id: line, label, price }) => ({ id: line, label, price })),
    net: offer.net,
    tax: offer.tax,
    currency: offer.currency,
    validUntil: new Date(Date.parse(at) + offer.settings.validDays * dayMs).toISOString().slice(0, 10),
    restsOn: offer.premises.map(({ message }) => message.slice(0, 300)),
    alternates: offer.alternates.map(({ name, difference }) => ({ name, difference })),
  };
  return { ok: true, change: { kind: 'givenOffer', id, set } };
}

/** The change that notes who said yes to an offer, and to which alternate. */
export const acceptOffer = (
  offer: GivenOffer,
  accepted: { name: string; alternate?: string; at: string; by: string },
): Change => ({ kind: 'givenOffer', id: offer.id, set: { ...offer, accepted } });

/** A line that is another than in the offer before. */
export interface LineChange {
  label: string;
  before: number | null;
  now: number | null;
}

/** What is another in an offer since the one before it: lines that came, went or cost something else. */
export function changesSince(
  before: Pick<GivenOffer, 'lines'>,
  now: Pick<GivenOffer, 'lines'>,
): LineChange[] {
  const was = new Map(before.lines.map((line) => [line.id, line]));
  const is = new Set(now.lines.map(({ id }) => id));
  return [
    ...now.lines.flatMap(({ id, label, price }): LineChange[] => {
      const old = was.get(id)?.price ?? null;
      return old === price ? [] : [{ label, before: old, now: price }];
    }),
    ...before.lines
      .filter(({ id }) => !is.has(id))
      .map(({ label, price }): LineChange => ({ label, before: price, now: null })),
  ];
}
