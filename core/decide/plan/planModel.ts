import { catalogueOf, eachOf } from '#core/model/catalogue';
import { continuousLoadShare } from '#core/physics/power';
import type { Term } from '#core/solver';
import type { Demands, Site } from '#core/model/site';
import { networkCameraNeeds, plannedNetwork, recordersToBuy, type Draws } from '#core/decide/options';
import type { FixedCamera } from './cameraClasses';
import type { SlotDetail } from './candidateRecorders';
import type { Candidate, Candidates } from './candidates';
import { demandKey, type DemandRef } from './demandRef';
import { planDraft, type PlanDraft } from './planDraft';
import { carrierRows } from './carrierRows';
import { sharedViewRows } from './sharedViewRows';
import { recorderRows } from './recorderRows';
import { sharedRows } from './sharedRows';
import { stayingCameras } from './staying';
import { sharedThingRows } from './sharedThingRows';
import type { PlanPick, PlanModel } from './types';

/**
 * What a supply box gives by night may not pass what it may give for good; what it gives while all start after a power cut, its
 * rating; and what an output gives then, its fuse.
 */
function supplyRows(
  draft: PlanDraft,
  site: Site,
  takers: readonly { draws: Draws | null; variable: number }[],
): void {
  for (const { id: supplyId, ratedAmps, outputs } of Object.values(site.supply)) {
    const of = (amount: (draws: Draws) => number): Term[] =>
      takers.flatMap(({ draws, variable }): Term[] => {
        const by = draws?.supplyId === supplyId ? amount(draws) : 0;
        return by > 0 ? [{ variable, by }] : [];
      });
    const atMost = (name: string, terms: Term[], amps: number, demand: DemandRef): void => {
      if (terms.length > 0) draft.row(name, terms, '<=', amps, demand);
    };
    atMost(
      `amps of ${supplyId}`,
      of(({ amps }) => amps),
      ratedAmps * continuousLoadShare,
      {
        kind: 'supply',
        supplyId,
      },
    );
    atMost(
      `start-up of ${supplyId}`,
      of(({ startUpAmps }) => startUpAmps),
      ratedAmps,
      {
        kind: 'start-up',
        supplyId,
      },
    );
    for (const { number, fuseAmps } of outputs)
      atMost(
        `fuse ${number} of ${supplyId}`,
        of(({ output, startUpAmps }) => (output === number ? startUpAmps : 0)),
        fuseAmps,
        { kind: 'fuse', supplyId, output: number },
      );
  }
}

/** What recorders and network gear cost that are noted on the site and not there yet: it is spent whatever is planned beside. */
function notedToBuy(site: Site): number {
  const { products } = catalogueOf(site);
  return recordersToBuy(site).reduce(
    (sum, { productId, count }) => sum + count * (eachOf(products.get(productId)!) ?? 0),
    plannedNetwork(site).cost,
  );
}

/** Cameras of the network: each is one whatever is planned, and takes a slot. */
const networkCameras = (draft: PlanDraft, site: Site): FixedCamera[] =>
  networkCameraNeeds(site).map(({ camera: { number }, signal }) => {
    const variable = draft.variable(`camera ${number} on the network`, 1, 0);
    draft.row(`camera ${number} on the network`, [{ variable, by: 1 }], '=', 1);
    return { variable, signal };
  });

/** Amount of each kind that is capped, an option and a unit at a time. */
function capRows(
  draft: PlanDraft,
  { picks, units, buys, things }: Pick<PlanModel, 'picks' | 'units' | 'buys' | 'things'>,
  { caps }: Demands,
  site: Site,
): void {
  const of = (amount: (candidate: Candidate) => number): Term[] =>
    picks.map(({ candidate, variable }) => ({ variable, by: amount(candidate) }));
  if (caps.cost !== undefined) {
    const { variables } = draft.programme;
    draft.row(
      'cost',
      [
        ...of(({ option }) => option.ownCost),
        ...things.map(({ unit, variable }) => ({ variable, by: unit.cost })),
        ...units.map(({ size, variable }) => ({ variable, by: size.each })),
        ...buys.map(({ variable }) => ({ variable, by: variables[variable]!.cost })),
      ],
      '<=',
      caps.cost - notedToBuy(site),
      { kind: 'cap', of: 'cost' },
    );
  }
  if (caps.darkHours !== undefined)
    draft.row(
      'dark hours',
      of(({ option }) => option.darkHours),
      '<=',
      caps.darkHours - plannedNetwork(site).darkHours,
      { kind: 'cap', of: 'darkHours' },
    );
  if (caps.hours !== undefined)
    draft.row(
      'labour hours',
      [
        ...of(({ option }) => option.ownHours),
        ...things.map(({ unit, variable }) => ({ variable, by: unit.hours })),
      ],
      '<=',
      caps.hours - plannedNetwork(site).hours,
      { kind: 'cap', of: 'hours' },
    );
}

/**
 * The choice for a whole site as a programme: one option for each camera, whole units of what they share at each place,
 * recorder slots under each recorder's rules, supply boxes, caps. Options that a demand rules out stand in it with a row
 * that says so, so that a demand can be given up.
 */
export function planModel(
  site: Site,
  { cameras, leftOut }: Candidates,
  demands: Demands,
  detail: SlotDetail,
): PlanModel {
  const draft = planDraft();
  const picks = cameras.flatMap((camera) =>
    camera.candidates.map((candidate): PlanPick => ({
      camera,
      candidate,
      variable: draft.variable(
        `c${camera.number} ${candidate.option.kind}`,
        1,
        candidate.option.ownCost + candidate.weight,
      ),
    })),
  );
  for (const camera of cameras)
    draft.row(
      `one for camera ${camera.number}`,
      picks.filter((pick) => pick.camera === camera).map(({ variable }) => ({ variable, by: 1 })),
      '=',
      1,
    );
  for (const { candidate, variable } of picks)
    for (const demand of candidate.ruledOutBy)
      draft.row(
        `${demandKey(demand)} rules out ${draft.programme.variables[variable]!.name}`,
        [{ variable, by: 1 }],
        '<=',
        0,
        demand,
      );
  carrierRows(draft, picks);
  sharedViewRows(draft, picks);
  const staying = stayingCameras(draft, site, leftOut);
  const onNetwork = networkCameras(draft, site);
  const buys = recorderRows(draft, site, picks, staying, onNetwork, demands, detail);
  const things = sharedThingRows(draft, site, picks);
  const units = sharedRows(draft, site, picks, things, buys);
  supplyRows(draft, site, [
    ...picks.map(({ candidate: { option }, variable }) => ({ draws: option.draws, variable })),
    ...staying,
  ]);
  capRows(draft, { picks, units, buys, things }, demands, site);
  return { programme: draft.programme, demands: draft.demands, picks, units, buys, things };
}
