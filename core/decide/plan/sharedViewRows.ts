import { isIp } from '#core/decide/options';
import type { PlanDraft } from './planDraft';
import type { PlanPick } from './types';

/** A view that another camera sees: that one is renewed as an IP camera fine enough, and sees one view beside its own. */
export function sharedViewRows(draft: PlanDraft, picks: readonly PlanPick[]): void {
  const left = new Map<string, PlanPick[]>();
  for (const pick of picks) {
    const { seenBy } = pick.candidate.option;
    if (!seenBy) continue;
    left.set(seenBy.cameraId, [...(left.get(seenBy.cameraId) ?? []), pick]);
    const seeing = picks.filter(
      ({ camera, candidate: { option } }) =>
        camera.cameraId === seenBy.cameraId && isIp(option) && option.megapixels >= seenBy.megapixels,
    );
    draft.row(
      `who sees for ${draft.programme.variables[pick.variable]!.name}`,
      [{ variable: pick.variable, by: 1 }, ...seeing.map(({ variable }) => ({ variable, by: -1 }))],
      '<=',
      0,
    );
  }
  for (const [cameraId, several] of left)
    if (several.length > 1)
      draft.row(
        `views beside that of ${cameraId}`,
        several.map(({ variable }) => ({ variable, by: 1 })),
        '<=',
        1,
      );
}
