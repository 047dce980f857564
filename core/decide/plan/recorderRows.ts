import { familyOf, sharesOf, slotCount } from '#core/model/slotRules';
import { catalogueOf, productsOf } from '#core/model/catalogue';
import type { Term } from '#core/solver';
import type { Demands, Recorder, Site } from '#core/model/site';
import type { DemandRef } from './demandRef';
import type { PlanDraft } from './planDraft';
import type { PlanPick, RecorderBuy } from './types';

/** Cameras that are alike to a recorder: the same signal from the same head end. They are told apart only when slots are given out. */
interface CameraClass {
  key: string;
  signal: 'coax' | 'ip';
  family: 'composite' | 'HD' | 'IP';
  mbps: number;
  megapixels: number;
  format: string | null;
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
      signal.kind === 'ip' ? `ip ${signal.mbps} ${signal.megapixels}` : `coax ${headEndId} ${signal.format}`;
    const kind = kinds.get(key) ?? {
      key,
      headEndId,
      signal: signal.kind,
      picks: [],
      format: signal.kind === 'coax' ? signal.format : null,
      family: signal.kind === 'ip' ? 'IP' : signal.format === 'cvbs' ? 'composite' : 'HD',
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
): { homes: CandidateRecorder[]; buys: RecorderBuy[] } {
  const catalogue = catalogueOf(site);
  const cameras = new Map<string, Set<string>>();
  for (const { camera } of picks) {
    const { headEndId } = camera.evaluation.run;
    cameras.set(headEndId, (cameras.get(headEndId) ?? new Set()).add(camera.cameraId));
  }
  const homes: CandidateRecorder[] = [];
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
        homes.push({
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
  return { homes, buys };
}

/** The limits of a recorder that is there, as something that stands in a plan's way. */
const limitsOfHome = ({ key, bought }: CandidateRecorder): DemandRef | null =>
  bought === null ? { kind: 'recorder', recorderId: key } : null;

/** Holds a sum against so many of a home's slots, all of them only where it is there or bought. */
function within(
  draft: PlanDraft,
  home: CandidateRecorder,
  what: string,
  terms: readonly Term[],
  most: number,
): void {
  const name = `${what} of ${home.key}`;
  if (home.bought === null) draft.row(name, terms, '<=', most, limitsOfHome(home));
  else draft.row(name, [...terms, { variable: home.bought, by: -most }], '<=', 0);
}

/** What a recorder's rules let its slots be shared out as. Re-patching makes any order of inputs possible, so counts are what binds. */
function shareRows(
  draft: PlanDraft,
  home: CandidateRecorder,
  coax: readonly Term[],
  ip: readonly Term[],
): void {
  const shares = sharesOf(home.slots);
  const [only] = shares;
  if (only && shares.length === 1) {
    within(draft, home, 'inputs', coax, only.coax);
    if (only.ip < only.together) within(draft, home, 'IP slots', ip, only.ip);
    if (only.together < only.coax + only.ip) within(draft, home, 'slots', [...coax, ...ip], only.together);
    return;
  }
  const chosen = shares.map((_, index) => draft.variable(`preset ${index + 1} of ${home.key}`, 1, 0));
  draft.row(
    `one preset of ${home.key}`,
    chosen.map((variable) => ({ variable, by: 1 })),
    '<=',
    1,
  );
  if (home.bought !== null)
    for (const variable of chosen)
      draft.row(
        `preset of ${home.key} if bought`,
        [
          { variable, by: 1 },
          { variable: home.bought, by: -1 },
        ],
        '<=',
        0,
      );
  const demand = limitsOfHome(home);
  const chosenShare = (amount: 'coax' | 'ip'): Term[] =>
    chosen.map((variable, index) => ({ variable, by: -shares[index]![amount] }));
  draft.row(`inputs of ${home.key}`, [...coax, ...chosenShare('coax')], '<=', 0, demand);
  draft.row(`IP slots of ${home.key}`, [...ip, ...chosenShare('ip')], '<=', 0, demand);
}

/** Whole blocks of inputs for each signal family, where the recorder or the policy keeps families apart. */
function blockRows(
  draft: PlanDraft,
  home: CandidateRecorder,
  byFamily: ReadonlyMap<CameraClass['family'], Term[]>,
  size: number,
  demand: DemandRef | null,
): void {
  const { inputs } = home.slots;
  // Where the whole recorder takes one of several states, each is kept apart by itself.
  if (inputs === 0 || sharesOf(home.slots).length > 1) return;
  const extra = slotCount(home.slots) - inputs;
  const blocks = Math.ceil(inputs / size);
  const used = [...byFamily].flatMap(([family, terms]): Term[] => {
    if (terms.length === 0) return [];
    const variable = draft.variable(`blocks of ${family} on ${home.key}`, blocks, 0);
    draft.row(
      `${family} in blocks on ${home.key}`,
      [...terms, { variable, by: -size }],
      '<=',
      family === 'IP' ? extra : 0,
      demand,
    );
    return [{ variable, by: 1 }];
  });
  if (used.length > 0) draft.row(`blocks of ${home.key}`, used, '<=', blocks, demand);
}

/** Slots for every pick that needs one, under each recorder's rules and limits, and recorders to be bought. */
export function recorderRows(
  draft: PlanDraft,
  site: Site,
  picks: readonly PlanPick[],
  { spareSlots, policies }: Demands,
): RecorderBuy[] {
  const offered = onOffer(draft, site, picks);
  const homes: CandidateRecorder[] = [
    ...Object.values(site.recorder).map((recorder): CandidateRecorder => ({
      key: recorder.id,
      name: recorder.name,
      placeId: recorder.placeId,
      slots: recorder,
      bought: null,
    })),
    ...offered.homes,
  ];
  const on = new Map(homes.map((home) => [home, [] as { kind: CameraClass; variable: number }[]]));
  for (const kind of classesOf(picks)) {
    const may = homes.filter(({ placeId, slots }) =>
      kind.signal === 'ip'
        ? kind.megapixels <= slots.limits.slotMegapixels && slots.limits.ipCameras > 0
        : placeId === kind.headEndId && slots.inputs > 0 && slots.accepts.includes(kind.format!),
    );
    const placed = may.map((home) => {
      const variable = draft.variable(`${kind.key} on ${home.key}`, kind.picks.length, 0);
      on.get(home)!.push({ kind, variable });
      return { variable, by: 1 };
    });
    draft.row(
      `slots for ${kind.key}`,
      [...placed, ...kind.picks.map(({ variable }) => ({ variable, by: -1 }))],
      '=',
      0,
    );
  }
  for (const [home, placed] of on) {
    const terms = (
      of: (kind: CameraClass) => boolean,
      weight: (kind: CameraClass) => number = () => 1,
    ): Term[] =>
      placed.filter(({ kind }) => of(kind)).map(({ kind, variable }) => ({ variable, by: weight(kind) }));
    const [coax, ip] = [terms(({ signal }) => signal === 'coax'), terms(({ signal }) => signal === 'ip')];
    shareRows(draft, home, coax, ip);
    if (ip.length > 0) {
      within(draft, home, 'IP cameras', ip, home.slots.limits.ipCameras);
      within(
        draft,
        home,
        'incoming rate',
        terms(
          ({ signal }) => signal === 'ip',
          ({ mbps }) => mbps,
        ),
        home.slots.limits.incomingMbps,
      );
    }
    const size = home.slots.blockSize ?? (policies.blocks === 'separate' ? blockOfSeparate : undefined);
    const byFamily = new Map(
      (['composite', 'HD', 'IP'] as const).map((family) => [family, terms((kind) => kind.family === family)]),
    );
    if (size !== undefined)
      blockRows(draft, home, byFamily, size, home.slots.blockSize ? limitsOfHome(home) : { kind: 'blocks' });
  }
  if (spareSlots > 0) {
    const there = homes
      .filter(({ bought }) => bought === null)
      .reduce((sum, { slots }) => sum + slotCount(slots), 0);
    const slotted = picks
      .filter(({ candidate }) => candidate.option.signal.kind !== 'none')
      .map(({ variable }): Term => ({ variable, by: 1 }));
    draft.row(
      'spare slots',
      [
        ...slotted,
        ...offered.homes.map(({ bought, slots }) => ({
          variable: bought!,
          by: -slotCount(slots),
        })),
      ],
      '<=',
      there - spareSlots,
      { kind: 'spare-slots' },
    );
  }
  return offered.buys;
}
