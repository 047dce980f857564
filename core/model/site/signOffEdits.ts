import type { Acceptance } from './acceptance';
import {
  acceptancePolicyId,
  policyFigures,
  type AcceptancePolicy,
  type PolicyFigureId,
} from './acceptancePolicy';
import type { AcceptanceFound, AcceptanceReading, AcceptedThing, Occasion } from './acceptanceReading';
import type { AcceptanceCheckId } from './acceptanceChecks';
import { removing, type Change } from './change';
import { freeId } from './freeId';
import type { PunchItem } from './punchItem';
import type { Site } from './site';
import type { Doing } from './taskEdits';

/** A reading of a thing for its acceptance, without when and by whom. */
export interface ReadForAcceptance {
  of: AcceptedThing;
  check: AcceptanceCheckId;
  found: AcceptanceFound;
  instrument: string;
  occasion?: Occasion;
  serial?: string;
  conditions?: string;
  photoId?: string;
}

/** Longest id that is given to a fact. */
const longestId = 64;

/** The change that adds a reading; `mark` makes its id its own, so that a check can be made again. */
export function readForAcceptance(
  { occasion = 'sign-off', ...read }: ReadForAcceptance,
  { at, by }: Doing,
  mark: string,
): Change {
  const { of, check } = read;
  const id = `${of.kind.toLowerCase()}-${of.id}-${check}`.slice(0, longestId - mark.length - 1) + `-${mark}`;
  const set: AcceptanceReading = { id, ...read, occasion, at, by };
  return { kind: 'acceptanceReading', id, set };
}

/** The change that strikes a reading out. It stays readable. */
export const strikeAcceptanceReading = (
  reading: AcceptanceReading,
  why: string,
  { at, by }: Doing,
): Change => ({ kind: 'acceptanceReading', id: reading.id, set: { ...reading, struck: { why, at, by } } });

/** Something that is not as it has to be, under an id of its own. */
export function notePunchItem(
  { punchItem }: Pick<Site, 'punchItem'>,
  item: Omit<PunchItem, 'id' | 'at' | 'by' | 'closed'>,
  { at, by }: Doing,
  mark: string,
): Change {
  const id = freeId((taken) => punchItem[taken] !== undefined, item.what, mark);
  return { kind: 'punchItem', id, set: { id, ...item, at, by } };
}

/** The change that closes what was on the punch list, with how it was mended. */
export const closePunchItem = (item: PunchItem, how: string, { at, by }: Doing): Change => ({
  kind: 'punchItem',
  id: item.id,
  set: { ...item, closed: { how: how.trim(), at, by } },
});

/** The change that adds somebody’s acceptance. */
export function accept(
  { acceptance }: Pick<Site, 'acceptance'>,
  given: Omit<Acceptance, 'id' | 'at' | 'by' | 'withdrawn'>,
  { at, by }: Doing,
  mark: string,
): Change {
  const id = freeId((taken) => acceptance[taken] !== undefined, `accepted ${at.slice(0, 10)}`, mark);
  return { kind: 'acceptance', id, set: { id, ...given, at, by } };
}

/** The change after which an acceptance does not stand any more. It stays readable. */
export const withdrawAcceptance = (acceptance: Acceptance, why: string, { at, by }: Doing): Change => ({
  kind: 'acceptance',
  id: acceptance.id,
  set: { ...acceptance, withdrawn: { why, at, by } },
});

/** The changes that accept by another figure; the usual one needs no record. */
export function setPolicyFigure(
  { acceptancePolicy }: Pick<Site, 'acceptancePolicy'>,
  figure: PolicyFigureId,
  value: number,
): Change[] {
  const now = acceptancePolicy[acceptancePolicyId];
  const { [figure]: _before, ...others } = now?.figures ?? {};
  const figures = (
    value === policyFigures[figure].usual ? others : { ...others, [figure]: value }
  ) as AcceptancePolicy['figures'];
  if (Object.keys(figures).length === 0) return now ? [removing('acceptancePolicy', acceptancePolicyId)] : [];
  return [
    {
      kind: 'acceptancePolicy',
      id: acceptancePolicyId,
      set: { id: acceptancePolicyId, figures },
    },
  ];
}
