import { familyOf, sharesOf, slotCount, type ChannelShare } from '#core/model/slotRules';
import { catalogueOf, productsOf } from '#core/model/catalogue';
import { pictureFormat, takesPicture, type SentPicture } from '#core/physics/signal';
import type { Term } from '#core/solver';
import type { Demands, Recorder, Site } from '#core/model/site';
import type { DemandRef } from './demandRef';
import type { PlanDraft } from './planDraft';
import type { StayingCamera } from './staying';
import type { PlanPick, RecorderBuy } from './types';

/** Signals that blocks of inputs keep apart. */
const families = ['composite', 'analog-hd', 'sdi', 'IP'] as const;

/** Cameras that are alike to a recorder: the same signal from the same head end. They are told apart only when slots are given out. */
interface CameraClass {
  key: string;
  signal: 'coax' | 'ip';
  family: (typeof families)[number];
  mbps: number;
  megapixels: number;
  sent: SentPicture | null;
  headEndId: string | null;
  picks: PlanPick[];
}

type Slots = Readonly<Omit<Recorder, 'id' | 'name' | 'disks' | 'hookUp'>>;

/** A recorder that is there, or one that could be. */
interface CandidateRecorder {
  key: string;
  name: string;
  placeId: string;
  slots: Slots;
  bought: number | null;
}

const blockOfSeparate = 4;

function classesOf(picks: readonly PlanPick[]): CameraClass[] {
  const kinds = new Map<string, CameraClass>();
  for (const pick of picks) {
    const { signal } = pick.candidate.option;
    if (signal.kind === 'none') continue;
    const headEndId = signal.kind === 'coax' ? pick.camera.evaluation.run.headEndId : null;
    const key =
      signal.kind === 'ip'
        ? `ip ${signal.mbps} ${signal.megapixels}`
        : `coax ${headEndId} ${signal.format} ${signal.schemes?.join('') ?? ''}`;
    const kind = kinds.get(key) ?? {
      key,
      headEndId,
      signal: signal.kind,
      picks: [],
      sent: signal.kind === 'coax' ? signal : null,
      family: signal.kind === 'ip' ? 'IP' : pictureFormat(signal.format).family,
      mbps: signal.kind === 'ip' ? signal.mbps : 0,
      megapixels: signal.kind === 'ip' ? signal.megapixels : 0,
    };
    kind.picks.push(pick);
    kinds.set(key, kind);
  }
  return [...kinds.values()];
}

/** Most copies of one recorder at one place that a search looks at. */
const mostCopies = 8;

/** Recorders of the catalogue at every head end: hybrids once, network recorders as often as its cameras could ask for. */
function onOffer(
  draft: PlanDraft,
  site: Site,
  picks: readonly PlanPick[],
): { recorders: CandidateRecorder[]; buys: RecorderBuy[] } {
  const catalogue = catalogueOf(site);
  const cameras = new Map<string, Set<string>>();
  for (const { camera } of picks) {
    const { headEndId } = camera.evaluation.run;
    cameras.set(headEndId, (cameras.get(headEndId) ?? new Set()).add(camera.cameraId));
  }
  const recorders: CandidateRecorder[] = [];
  const buys: RecorderBuy[] = [];
  for (const [placeId, at] of cameras) {
    if (!site.place[placeId]?.mains) continue;
    for (const product of productsOf(catalogue, 'recorder')) {
      if (product.each === null) continue;
      const copies = familyOf(product).takesCoax
        ? 1
        : Math.min(mostCopies, Math.ceil(at.size / slotCount(product)));
      let before: number | undefined;
      for (let copy = 1; copy <= copies; copy += 1) {
        const variable = draft.variable(`buy ${product.id} ${copy} at ${placeId}`, 1, product.each);
        // The copies are alike: the second is bought only after the first.
        if (before !== undefined)
          draft.row(
            `order of ${product.id} ${copy} at ${placeId}`,
            [
              { variable, by: 1 },
              { variable: before, by: -1 },
            ],
            '<=',
            0,
          );
        before = variable;
        recorders.push({
          key: `${product.id}-${copy}-${placeId}`,
          name: product.name,
          placeId,
          slots: { ...product, placeId },
          bought: variable,
        });
        buys.push({ productId: product.id, placeId, variable });
      }
    }
  }
  return { recorders, buys };
}

/** The limits of a recorder that is there, as something that stands in a plan's way. */
const limitsOf = ({ key, bought }: CandidateRecorder): DemandRef | null =>
  bought === null ? { kind: 'recorder', recorderId: key } : null;

/** Holds a sum against so many of a recorder's slots, all of them only where it is there or bought. */
function within(
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
function shareRows(
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
interface PresetChoice {
  share: ChannelShare;
  variable: number | null;
}

/** How many of the slots from `first` to `last` carry a signal under a preset: so many inputs on coax, and the IP slots after them. */
function carriedBetween(
  { coax, ip }: ChannelShare,
  signal: 'coax' | 'ip',
  first: number,
  last: number,
): number {
  const [from, to] = signal === 'coax' ? [1, coax] : [coax + 1, coax + ip];
  return Math.max(0, Math.min(last, to) - Math.max(first, from) + 1);
}

/** What the slots from `first` to `last` can carry of a signal, by the preset that is chosen, as terms to be taken off and a constant. */
type Carried = (signal: 'coax' | 'ip', first: number, last: number) => { terms: Term[]; always: number };

function carriedBy({ slots }: CandidateRecorder, presets: readonly PresetChoice[]): Carried {
  const { conversion } = familyOf(slots);
  return (signal, first, last) => {
    // Where inputs turn one by one, each carries either.
    if (conversion === 'each' || conversion === 'in-order') {
      const inputs = Math.max(0, Math.min(last, slots.inputs) - first + 1);
      const after = Math.max(0, Math.min(last, slotCount(slots)) - Math.max(first, slots.inputs + 1) + 1);
      return { terms: [], always: inputs + (signal === 'ip' ? after : 0) };
    }
    const given = presets.map(({ share, variable }) => ({
      variable,
      by: carriedBetween(share, signal, first, last),
    }));
    return {
      terms: given.flatMap(({ variable, by }) => (variable === null ? [] : [{ variable, by: -by }])),
      always: given.reduce((sum, { variable, by }) => sum + (variable === null ? by : 0), 0),
    };
  };
}

/**
 * One family in each block of inputs, block by block: where a preset ends within a block, or the last block is shorter than the
 * others, blocks are not alike.
 */
function eachBlockRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  presets: readonly PresetChoice[],
  byFamily: ReadonlyMap<CameraClass['family'], Term[]>,
  size: number,
  demand: DemandRef | null,
): void {
  const {
    key,
    slots: { inputs },
  } = recorder;
  const carried = carriedBy(recorder, presets);
  const present = [...byFamily].filter(([, terms]) => terms.length > 0);
  const room = new Map(present.map(([family]) => [family, [] as Term[]]));
  let ipBefore: Term[] = [];
  for (let first = 1; first <= inputs; first += size) {
    const last = Math.min(inputs, first + size - 1);
    const kept = new Map<CameraClass['family'], Term>();
    for (const [family] of present) {
      const name = `${family} on ${first} to ${last} of ${key}`;
      const count = draft.variable(name, last - first + 1, 0);
      const variable = draft.variable(`${name} alone`, 1, 0);
      const { terms, always } = carried(family === 'IP' ? 'ip' : 'coax', first, last);
      draft.row(name, [{ variable: count, by: 1 }, ...terms], '<=', always);
      draft.row(
        `${name} alone`,
        [
          { variable: count, by: 1 },
          { variable, by: first - last - 1 },
        ],
        '<=',
        0,
      );
      room.get(family)!.push({ variable: count, by: -1 });
      kept.set(family, { variable, by: 1 });
    }
    draft.row(`one family on ${first} to ${last} of ${key}`, [...kept.values()], '<=', 1, demand);
    if (familyOf(recorder.slots).conversion !== 'in-order') continue;
    // Once an input is IP, so is every one above it.
    for (const [family, term] of kept)
      if (family !== 'IP')
        for (const ip of ipBefore)
          draft.row(`${family} on ${first} after IP on ${key}`, [term, ip], '<=', 1, demand);
    const ip = kept.get('IP');
    if (ip) ipBefore = [...ipBefore, ip];
  }
  for (const [family, terms] of present) {
    const after = carried('ip', inputs + 1, Infinity);
    const extra = family === 'IP' ? after : { terms: [], always: 0 };
    draft.row(
      `${family} in blocks on ${key}`,
      [...terms, ...room.get(family)!, ...extra.terms],
      '<=',
      extra.always,
    );
  }
}

/** Whole blocks of inputs for each signal family, where the recorder or the policy keeps families apart and its blocks are alike. */
function blockRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  byFamily: ReadonlyMap<CameraClass['family'], Term[]>,
  size: number,
  demand: DemandRef | null,
): void {
  const { inputs } = recorder.slots;
  if (inputs === 0) return;
  const extra = slotCount(recorder.slots) - inputs;
  const blocks = Math.ceil(inputs / size);
  const used = [...byFamily].flatMap(([family, terms]): Term[] => {
    if (terms.length === 0) return [];
    const variable = draft.variable(`blocks of ${family} on ${recorder.key}`, blocks, 0);
    draft.row(
      `${family} in blocks on ${recorder.key}`,
      [...terms, { variable, by: -size }],
      '<=',
      family === 'IP' ? extra : 0,
      demand,
    );
    return [{ variable, by: 1 }];
  });
  if (used.length > 0) draft.row(`blocks of ${recorder.key}`, used, '<=', blocks, demand);
}

/** Recorders that are there. */
const recordersThere = (site: Site): CandidateRecorder[] =>
  Object.values(site.recorder).map((recorder) => ({
    key: recorder.id,
    name: recorder.name,
    placeId: recorder.placeId,
    slots: recorder,
    bought: null,
  }));

/** Whether a recorder takes cameras of a class at all; its limits on sums come on top. */
const takesClass = ({ placeId, slots }: CandidateRecorder, kind: CameraClass): boolean =>
  kind.signal === 'ip'
    ? kind.megapixels <= slots.limits.slotMegapixels && slots.limits.ipCameras > 0
    : placeId === kind.headEndId && slots.inputs > 0 && takesPicture(slots, kind.sent!);

/** How many cameras of a class a recorder has, as an unknown. */
interface ClassOn {
  kind: CameraClass;
  variable: number;
}

/** Every pick of a class has a slot on some recorder that takes the class. */
function placeClass(
  draft: PlanDraft,
  kind: CameraClass,
  on: ReadonlyMap<CandidateRecorder, ClassOn[]>,
): void {
  const placed: Term[] = [];
  for (const [recorder, classes] of on) {
    if (!takesClass(recorder, kind)) continue;
    const variable = draft.variable(`${kind.key} on ${recorder.key}`, kind.picks.length, 0);
    classes.push({ kind, variable });
    placed.push({ variable, by: 1 });
  }
  draft.row(
    `slots for ${kind.key}`,
    [...placed, ...kind.picks.map(({ variable }) => ({ variable, by: -1 }))],
    '=',
    0,
  );
}

/** A camera that stays on its input is a class of its own, on the recorder that it is on. */
function placeStaying(
  on: ReadonlyMap<CandidateRecorder, ClassOn[]>,
  { variable, number, recorderId, sent }: StayingCamera,
): void {
  for (const [{ key, placeId }, classes] of on)
    if (key === recorderId)
      classes.push({
        variable,
        kind: {
          key: `camera ${number} stays`,
          headEndId: placeId,
          signal: 'coax',
          sent,
          family: pictureFormat(sent.format).family,
          mbps: 0,
          megapixels: 0,
          picks: [],
        },
      });
}

/** What one recorder's rules, limits and blocks allow of the classes on it. */
function limitRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  classes: readonly ClassOn[],
  { policies }: Demands,
): void {
  const { limits, blockSize, inputs } = recorder.slots;
  const terms = (
    of: (kind: CameraClass) => boolean,
    weight: (kind: CameraClass) => number = () => 1,
  ): Term[] =>
    classes.filter(({ kind }) => of(kind)).map(({ kind, variable }) => ({ variable, by: weight(kind) }));
  const isIp = ({ signal }: CameraClass): boolean => signal === 'ip';
  const [coax, ip] = [terms((kind) => !isIp(kind)), terms(isIp)];
  const presets = shareRows(draft, recorder, coax, ip);
  if (ip.length > 0) {
    within(draft, recorder, 'IP cameras', ip, limits.ipCameras);
    const rates = terms(isIp, ({ mbps }) => mbps);
    within(draft, recorder, 'incoming rate', rates, limits.incomingMbps);
  }
  const size = blockSize ?? (policies.blocks === 'separate' ? blockOfSeparate : undefined);
  if (size === undefined) return;
  const byFamily = new Map(families.map((family) => [family, terms((kind) => kind.family === family)]));
  const demand: DemandRef | null = blockSize ? limitsOf(recorder) : { kind: 'blocks' };
  const { conversion } = familyOf(recorder.slots);
  const areAlike = conversion !== 'whole' && inputs % size === 0;
  if (areAlike) blockRows(draft, recorder, byFamily, size, demand);
  else eachBlockRows(draft, recorder, presets, byFamily, size, demand);
}

/** So many slots of those that are there and those that are bought stay free. */
function spareRow(
  draft: PlanDraft,
  picks: readonly PlanPick[],
  staying: readonly StayingCamera[],
  recorders: readonly CandidateRecorder[],
  spareSlots: number,
): void {
  const slotted = picks
    .filter(({ candidate }) => candidate.option.signal.kind !== 'none')
    .map(({ variable }): Term => ({ variable, by: 1 }));
  const bought = recorders.flatMap(({ bought: variable, slots }): Term[] =>
    variable === null ? [] : [{ variable, by: -slotCount(slots) }],
  );
  const there = recorders
    .filter((recorder) => recorder.bought === null)
    .reduce((sum, { slots }) => sum + slotCount(slots), 0);
  const kept = staying
    .filter(({ recorderId }) => recorderId !== null)
    .map(({ variable }): Term => ({ variable, by: 1 }));
  draft.row('spare slots', [...slotted, ...kept, ...bought], '<=', there - spareSlots, {
    kind: 'spare-slots',
  });
}

/** Slots for every pick that needs one, under each recorder's rules and limits, and recorders to be bought. */
export function recorderRows(
  draft: PlanDraft,
  site: Site,
  picks: readonly PlanPick[],
  staying: readonly StayingCamera[],
  demands: Demands,
): RecorderBuy[] {
  const offered = onOffer(draft, site, picks);
  const recorders = [...recordersThere(site), ...offered.recorders];
  const on = new Map(recorders.map((recorder) => [recorder, [] as ClassOn[]]));
  for (const kind of classesOf(picks)) placeClass(draft, kind, on);
  for (const camera of staying) placeStaying(on, camera);
  for (const [recorder, classes] of on) limitRows(draft, recorder, classes, demands);
  if (demands.spareSlots > 0) spareRow(draft, picks, staying, recorders, demands.spareSlots);
  return offered.buys;
}
