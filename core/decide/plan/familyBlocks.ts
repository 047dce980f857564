import { familyOf, slotCount } from '#core/model/slotRules';
import { numbersFrom } from '#core/shared/numeric';
import type { Term } from '#core/solver';
import type { CameraClass } from './cameraClasses';
import type { CandidateRecorder } from './candidateRecorders';
import type { DemandRef } from './demandRef';
import type { PlanDraft } from './planDraft';
import type { PresetChoice } from './shareRows';

type Family = CameraClass['family'];

/** Cameras that are alike to a block of inputs: of one format on coax, or on the network. */
export interface BlockKind {
  family: Family;
  /** None on the network. */
  format: string | null;
  terms: Term[];
}

/** What the slots from `first` to `last` can carry of a kind, by the preset that is chosen, as terms to be taken off and a constant. */
type Carried = (
  takes: (input: number) => boolean,
  isIp: boolean,
  first: number,
  last: number,
) => { terms: Term[]; always: number };

/** What an input is set to, where it takes nothing else on coax. */
const setTo = ({ forced = [] }: CandidateRecorder['slots'], input: number): string | undefined =>
  forced.find((one) => one.input === input)?.format;

function carriedBy({ slots }: CandidateRecorder, presets: readonly PresetChoice[]): Carried {
  const { conversion } = familyOf(slots);
  const turns = conversion === 'each' || conversion === 'in-order';
  const all = slotCount(slots);
  return (takes, isIp, first, last) => {
    const between = (from: number, to: number): number =>
      numbersFrom(Math.max(first, from), Math.min(last, to, all)).filter(takes).length;
    // Where inputs turn one by one, each carries either.
    if (turns) return { terms: [], always: between(1, isIp ? all : slots.inputs) };
    const given = presets.map(({ share: { coax, ip }, variable }) => ({
      variable,
      by: isIp ? between(coax + 1, coax + ip) : between(1, coax),
    }));
    return {
      terms: given.flatMap(({ variable, by }) => (variable === null ? [] : [{ variable, by: -by }])),
      always: given.reduce((sum, { variable, by }) => sum + (variable === null ? by : 0), 0),
    };
  };
}

const one = (variable: number, by = 1): Term => ({ variable, by });

/**
 * One family in each block of inputs, block by block: where a preset ends within a block, or the last block is shorter than the
 * others, or inputs are set to a format, blocks are not alike.
 */
function eachBlockRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  presets: readonly PresetChoice[],
  kinds: readonly BlockKind[],
  size: number,
  demand: DemandRef | null,
): void {
  const { key, slots } = recorder;
  const { inputs } = slots;
  const carried = carriedBy(recorder, presets);
  const room = new Map(kinds.map((kind) => [kind, [] as Term[]]));
  const inOrder = familyOf(slots).conversion === 'in-order';
  let ipBefore: Term[] = [];
  for (let first = 1; first <= inputs; first += size) {
    const last = Math.min(inputs, first + size - 1);
    const kept = new Map<Family, Term>();
    for (const family of new Set(kinds.map((kind) => kind.family))) {
      const name = `${family} on ${first} to ${last} of ${key}`;
      const isIp = family === 'IP';
      const alone = draft.variable(`${name} alone`, 1, 0);
      const counts = kinds
        .filter((kind) => kind.family === family)
        .map((kind) => {
          const what = kind.format ?? family;
          const count = draft.variable(`${what} on ${first} to ${last} of ${key}`, last - first + 1, 0);
          const takes = (input: number): boolean =>
            isIp || [undefined, kind.format].includes(setTo(slots, input));
          const { terms, always } = carried(takes, isIp, first, last);
          draft.row(`${what} on ${first} to ${last} of ${key}`, [one(count), ...terms], '<=', always);
          room.get(kind)!.push(one(count, -1));
          return one(count);
        });
      const { terms, always } = carried(() => true, isIp, first, last);
      if (counts.length > 1) draft.row(name, [...counts, ...terms], '<=', always);
      draft.row(`${name} alone`, [...counts, one(alone, first - last - 1)], '<=', 0);
      kept.set(family, one(alone));
    }
    draft.row(`one family on ${first} to ${last} of ${key}`, [...kept.values()], '<=', 1, demand);
    if (!inOrder) continue;
    // Once an input is IP, so is every one above it.
    for (const [family, term] of kept)
      if (family !== 'IP')
        for (const ip of ipBefore)
          draft.row(`${family} on ${first} after IP on ${key}`, [term, ip], '<=', 1, demand);
    const ip = kept.get('IP');
    if (ip) ipBefore = [...ipBefore, ip];
  }
  for (const kind of kinds) {
    const { family, format, terms } = kind;
    const extra =
      family === 'IP' ? carried(() => true, true, inputs + 1, Infinity) : { terms: [], always: 0 };
    draft.row(
      `${format ?? family} in blocks on ${key}`,
      [...terms, ...room.get(kind)!, ...extra.terms],
      '<=',
      extra.always,
    );
  }
}

/** Whole blocks of inputs for each signal family, where blocks are alike. */
function alikeBlockRows(
  draft: PlanDraft,
  { key, slots }: CandidateRecorder,
  kinds: readonly BlockKind[],
  size: number,
  demand: DemandRef | null,
): void {
  const { inputs } = slots;
  if (inputs === 0) return;
  const extra = slotCount(slots) - inputs;
  const blocks = Math.ceil(inputs / size);
  const used = [...new Set(kinds.map(({ family }) => family))].map((family): Term => {
    const variable = draft.variable(`blocks of ${family} on ${key}`, blocks, 0);
    const terms = kinds.filter((kind) => kind.family === family).flatMap((kind) => kind.terms);
    draft.row(
      `${family} in blocks on ${key}`,
      [...terms, one(variable, -size)],
      '<=',
      family === 'IP' ? extra : 0,
      demand,
    );
    return one(variable);
  });
  if (used.length > 0) draft.row(`blocks of ${key}`, used, '<=', blocks, demand);
}

/** One signal family in each block of inputs, where the recorder or the policy keeps families apart. */
export function blockRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  presets: readonly PresetChoice[],
  kinds: readonly BlockKind[],
  size: number,
  demand: DemandRef | null,
): void {
  const { slots } = recorder;
  const areAlike =
    familyOf(slots).conversion !== 'whole' && slots.inputs % size === 0 && !slots.forced?.length;
  if (areAlike) alikeBlockRows(draft, recorder, kinds, size, demand);
  else eachBlockRows(draft, recorder, presets, kinds, size, demand);
}
