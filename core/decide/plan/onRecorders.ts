import { slotCount } from '#core/model/slotRules';
import { pictureFormat } from '#core/physics/signal';
import type { Term } from '#core/solver';
import { takesClass, type CameraClass } from './cameraClasses';
import type { CandidateRecorder, SlotDetail } from './candidateRecorders';
import type { PlanDraft } from './planDraft';
import type { StayingCamera } from './staying';

/** How many cameras of a class on coax a recorder has, as an unknown. */
export interface CoaxOn {
  variable: number;
  family: CameraClass['family'];
  format: string;
}

/** What a recorder has: cameras on coax by class, IP cameras as a sum, and what those send. */
export interface OnRecorder {
  coax: CoaxOn[];
  ip: Term[];
  rates: Term[];
}

type OnRecorders = ReadonlyMap<CandidateRecorder, OnRecorder>;

/** Every pick of a class has a slot on some recorder that takes the class. */
function placeClass(draft: PlanDraft, on: OnRecorders, kind: CameraClass, detail: SlotDetail): void {
  const placed: Term[] = [];
  for (const [recorder, there] of on) {
    if (!takesClass(recorder, kind)) continue;
    const [name, most] = [`${kind.key} on ${recorder.key}`, kind.picks.length];
    const variable = detail === 'together' ? draft.amount(name, most) : draft.variable(name, most, 0);
    placed.push({ variable, by: 1 });
    if (kind.sent) there.coax.push({ variable, family: kind.family, format: kind.sent.format });
    else {
      there.ip.push({ variable, by: 1 });
      there.rates.push({ variable, by: kind.mbps });
    }
  }
  draft.row(
    `slots for ${kind.key}`,
    [...placed, ...kind.picks.map(({ variable }) => ({ variable, by: -1 }))],
    '=',
    0,
  );
}

/** A camera that stays on its input is on the recorder that it is on. */
function placeStaying(on: OnRecorders, { variable, recorderId, sent }: StayingCamera): void {
  for (const [{ key }, { coax }] of on)
    if (key === recorderId)
      coax.push({ variable, family: pictureFormat(sent.format).family, format: sent.format });
}

const termsOf = (classes: readonly CameraClass[], by: (kind: CameraClass) => number): Term[] =>
  classes.flatMap((kind) => kind.picks.map(({ variable }) => ({ variable, by: by(kind) })));

/**
 * IP cameras as two amounts of each recorder: how many, and what they send together. Those with more megapixels than some recorders
 * take have to be on the others.
 */
function placeTogether(draft: PlanDraft, on: OnRecorders, classes: readonly CameraClass[]): void {
  if (classes.length === 0) return;
  const all = [...on].flatMap(([recorder, there]) => {
    const taken = classes.filter((kind) => takesClass(recorder, kind));
    if (taken.length === 0) return [];
    const copies = recorder.bought === null ? 1 : (draft.programme.variables[recorder.bought]?.most ?? 1);
    const { limits } = recorder.slots;
    const cameras = draft.amount(
      `IP cameras on ${recorder.key}`,
      copies * Math.min(limits.ipCameras, slotCount(recorder.slots)),
    );
    const rate = draft.amount(`rate on ${recorder.key}`, copies * limits.incomingMbps);
    there.ip.push({ variable: cameras, by: 1 });
    there.rates.push({ variable: rate, by: 1 });
    const rates = taken.map(({ mbps }) => mbps);
    // What they send together is no more and no less than so many cameras can send.
    const sent = (by: number) => [
      { variable: rate, by: 1 },
      { variable: cameras, by: -by },
    ];
    draft.row(`most rate on ${recorder.key}`, sent(Math.max(...rates)), '<=', 0);
    draft.row(`least rate on ${recorder.key}`, sent(Math.min(...rates)), '>=', 0);
    return [{ taken: new Set(taken), cameras, rate }];
  });
  let before = Infinity;
  for (const megapixels of [...new Set(classes.map((kind) => kind.megapixels))].sort((a, b) => a - b)) {
    const large = classes.filter((kind) => kind.megapixels >= megapixels);
    const takers = all.filter(({ taken }) => large.some((kind) => taken.has(kind)));
    // Where the same recorders take the smaller ones, those were counted with these.
    if (takers.length === before) continue;
    before = takers.length;
    draft.row(
      `slots for ${megapixels} MP and more`,
      [...termsOf(large, () => 1), ...takers.map(({ cameras }) => ({ variable: cameras, by: -1 }))],
      '<=',
      0,
    );
    draft.row(
      `rate of ${megapixels} MP and more`,
      [...termsOf(large, ({ mbps }) => mbps), ...takers.map(({ rate }) => ({ variable: rate, by: -1 }))],
      '<=',
      0,
    );
  }
}

/** What every recorder has of the cameras, as unknowns. */
export function onRecorders(
  draft: PlanDraft,
  recorders: readonly CandidateRecorder[],
  classes: readonly CameraClass[],
  staying: readonly StayingCamera[],
  detail: SlotDetail,
): Map<CandidateRecorder, OnRecorder> {
  const on = new Map(
    recorders.map((recorder): [CandidateRecorder, OnRecorder] => [recorder, { coax: [], ip: [], rates: [] }]),
  );
  const isApart = ({ signal }: CameraClass): boolean => signal === 'coax' || detail === 'apart';
  for (const kind of classes.filter(isApart)) placeClass(draft, on, kind, detail);
  placeTogether(
    draft,
    on,
    classes.filter((kind) => !isApart(kind)),
  );
  for (const camera of staying) placeStaying(on, camera);
  return on;
}
