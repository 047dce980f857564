import { optionRow } from '#core/model/site';
import type { PlanDraft } from './planDraft';
import type { PlanPick } from './types';

/** A field switch on an old coax: whose coax it is has to leave it first, by going the same way or by needing no old cable; one whose view is seen elsewhere stays on it too long. */
export function carrierRows(draft: PlanDraft, picks: readonly PlanPick[]): void {
  for (const { candidate, camera, variable } of picks) {
    const { onCoaxOf } = candidate.option;
    if (onCoaxOf === null || onCoaxOf === camera.cameraId) continue;
    const leaving = picks.filter(
      ({ camera: { cameraId }, candidate: { option } }) =>
        cameraId === onCoaxOf && optionRow(option.kind).cable === 'none' && option.seenBy === null,
    );
    draft.row(
      `coax of ${onCoaxOf} for ${draft.programme.variables[variable]!.name}`,
      [{ variable, by: 1 }, ...leaving.map((pick) => ({ variable: pick.variable, by: -1 }))],
      '<=',
      0,
    );
  }
}
