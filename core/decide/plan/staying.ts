import { drawsToday, type Draws } from '#core/decide/options';
import { sentToday, type Site } from '#core/model/site';
import type { SentPicture } from '#core/physics/signal';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { PlanDraft } from './planDraft';

/** A camera that a plan leaves out: it stays as it hangs, on its feed and on its input, as an unknown that is always one. */
export interface StayingCamera {
  variable: number;
  number: number;
  recorderId: string | null;
  sent: SentPicture;
  draws: Draws | null;
}

/** Cameras for which nothing can be planned, as what they go on taking. */
export const stayingCameras = (
  draft: PlanDraft,
  site: Pick<Site, 'supply' | 'run' | 'camera'>,
  leftOut: readonly RunEvaluation[],
): StayingCamera[] =>
  leftOut.map(({ camera, run, findings }) => {
    const variable = draft.variable(`camera ${camera.number} stays`, 1, 0);
    draft.row(`camera ${camera.number} stays`, [{ variable, by: 1 }], '=', 1, {
      kind: 'stays',
      cameraId: camera.id,
    });
    return {
      variable,
      number: camera.number,
      recorderId: run.patchedTo?.recorderId ?? null,
      sent: sentToday(camera),
      draws: drawsToday(site, run, camera, findings),
    };
  });
