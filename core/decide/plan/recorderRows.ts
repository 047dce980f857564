import { slotCount } from '#core/model/slotRules';
import type { Term } from '#core/solver';
import type { Demands, Site } from '#core/model/site';
import { classesOf, type FixedCamera } from './cameraClasses';
import {
  limitsOf,
  recordersOnOffer,
  recordersThere,
  type CandidateRecorder,
  type SlotDetail,
} from './candidateRecorders';
import type { DemandRef } from './demandRef';
import { blockRows, type BlockKind } from './familyBlocks';
import { forcedRows } from './forcedRows';
import { onRecorders, type OnRecorder } from './onRecorders';
import type { PlanDraft } from './planDraft';
import { shareRows, within } from './shareRows';
import type { StayingCamera } from './staying';
import type { PlanPick, RecorderBuy } from './types';

const blockOfSeparate = 4;

/** What one recorder's rules, limits and blocks allow of what is on it. */
function limitRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  { coax, ip, rates }: OnRecorder,
  { policies }: Demands,
): void {
  const { limits, blockSize } = recorder.slots;
  const coaxTerms = coax.map(({ variable }): Term => ({ variable, by: 1 }));
  const presets = shareRows(draft, recorder, coaxTerms, ip);
  if (ip.length > 0) {
    within(draft, recorder, 'IP cameras', ip, limits.ipCameras);
    within(draft, recorder, 'incoming rate', rates, limits.incomingMbps);
  }
  forcedRows(draft, recorder, presets, coax);
  const size = blockSize ?? (policies.blocks === 'separate' ? blockOfSeparate : undefined);
  if (size === undefined) return;
  const kinds = [...new Set(coax.map(({ format }) => format))].map((format): BlockKind => {
    const alike = coax.filter((one) => one.format === format);
    return {
      format,
      family: alike[0]!.family,
      terms: alike.map(({ variable }) => ({ variable, by: 1 })),
    };
  });
  if (ip.length > 0) kinds.push({ format: null, family: 'IP', terms: ip });
  const demand: DemandRef | null = blockSize ? limitsOf(recorder) : { kind: 'blocks' };
  blockRows(draft, recorder, presets, kinds, size, demand);
}

/** So many slots of those that are there and those that are bought stay free. */
function spareRow(
  draft: PlanDraft,
  picks: readonly PlanPick[],
  staying: readonly StayingCamera[],
  onNetwork: readonly FixedCamera[],
  recorders: readonly CandidateRecorder[],
  spareSlots: number,
): void {
  const slotted = [
    ...picks.filter(({ candidate }) => candidate.option.signal.kind !== 'none'),
    ...onNetwork,
  ].map(({ variable }): Term => ({ variable, by: 1 }));
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

/**
 * Slots for every pick that needs one, under each recorder's rules and limits, and recorders to be bought.
 * @param detail together: IP cameras and their rates are sums over the recorders, and cameras on coax may be shared out in fractions,
 * so that what is found has to be held against the slots themselves; apart: every class of cameras is counted on each recorder
 */
export function recorderRows(
  draft: PlanDraft,
  site: Site,
  picks: readonly PlanPick[],
  staying: readonly StayingCamera[],
  onNetwork: readonly FixedCamera[],
  demands: Demands,
  detail: SlotDetail,
): RecorderBuy[] {
  const offered = recordersOnOffer(draft, site, picks, detail);
  const recorders = [...recordersThere(site), ...offered.recorders];
  const on = onRecorders(draft, recorders, classesOf(picks, onNetwork), staying, detail);
  for (const [recorder, there] of on) limitRows(draft, recorder, there, demands);
  if (demands.spareSlots > 0) spareRow(draft, picks, staying, onNetwork, recorders, demands.spareSlots);
  return offered.buys;
}
