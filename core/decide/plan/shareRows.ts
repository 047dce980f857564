import { sharesOf, type ChannelShare } from '#core/model/slotRules';
import type { Term } from '#core/solver';
import { limitsOf, type CandidateRecorder } from './candidateRecorders';
import type { PlanDraft } from './planDraft';

/** Holds a sum against so many of a recorder's slots, all of them only where it is there or bought. */
export function within(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  what: string,
  terms: readonly Term[],
  most: number,
): void {
  const name = `${what} of ${recorder.key}`;
  if (recorder.bought === null) draft.row(name, terms, '<=', most, limitsOf(recorder));
  else draft.row(name, [...terms, { variable: recorder.bought, by: -most }], '<=', 0);
}

/**
 * What a recorder's rules let its slots be shared out as. Re-patching makes any order of inputs possible, so counts are what binds.
 * @returns the ways it can share them, with the unknowns that choose one where there are several
 */
export function shareRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  coax: readonly Term[],
  ip: readonly Term[],
): PresetChoice[] {
  const shares = sharesOf(recorder.slots);
  const [only] = shares;
  if (only && shares.length === 1) {
    within(draft, recorder, 'inputs', coax, only.coax);
    if (only.ip < only.together) within(draft, recorder, 'IP slots', ip, only.ip);
    if (only.together < only.coax + only.ip)
      within(draft, recorder, 'slots', [...coax, ...ip], only.together);
    return [{ share: only, variable: null }];
  }
  const chosen = shares.map((_, index) => draft.variable(`preset ${index + 1} of ${recorder.key}`, 1, 0));
  draft.row(
    `one preset of ${recorder.key}`,
    chosen.map((variable) => ({ variable, by: 1 })),
    '<=',
    1,
  );
  if (recorder.bought !== null)
    for (const variable of chosen)
      draft.row(
        `preset of ${recorder.key} if bought`,
        [
          { variable, by: 1 },
          { variable: recorder.bought, by: -1 },
        ],
        '<=',
        0,
      );
  const demand = limitsOf(recorder);
  const chosenShare = (amount: 'coax' | 'ip'): Term[] =>
    chosen.map((variable, index) => ({ variable, by: -shares[index]![amount] }));
  draft.row(`inputs of ${recorder.key}`, [...coax, ...chosenShare('coax')], '<=', 0, demand);
  draft.row(`IP slots of ${recorder.key}`, [...ip, ...chosenShare('ip')], '<=', 0, demand);
  return shares.map((share, index) => ({ share, variable: chosen[index]! }));
}

/** A way in which a recorder shares its slots, with the unknown that chooses it; none where it has but one. */
export interface PresetChoice {
  share: ChannelShare;
  variable: number | null;
}
