import { networkCameraNeeds, type FeasibleOption, type NetworkCameraNeed } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { hasOwnCamera, type Site } from '#core/model/site';

/** Which moment is looked at: today, when all is done, or a morning by which some cameras have been moved. */
export type Moment = { kind: 'today' } | { kind: 'after' } | { kind: 'morning'; moved: ReadonlySet<string> };

/** Whether a camera hangs by its choice at a moment, and not as it does today. */
export const isMoved = (moment: Moment, cameraId: string): boolean =>
  moment.kind === 'after' || (moment.kind === 'morning' && moment.moved.has(cameraId));

/** A camera with how it hangs at that moment: by an option, or as it does today. */
export interface CameraNow {
  evaluation: RunEvaluation;
  option: FeasibleOption | null;
}

/** Cameras of the old site that hang somewhere at a moment. */
export function camerasNow(runs: readonly RunEvaluation[], moment: Moment): CameraNow[] {
  return runs.flatMap((evaluation): CameraNow[] => {
    if (!isMoved(moment, evaluation.camera.id)) return [{ evaluation, option: null }];
    // A choice that cannot be is as good as none: the camera hangs as it does today.
    const option = chosenOption(evaluation);
    return option && !hasOwnCamera(option.kind) ? [] : [{ evaluation, option: option ?? null }];
  });
}

/** Cameras of the network that are there at a moment: new views come when their slot is theirs. */
export const networkCamerasAt = (site: Site, moment: Moment): NetworkCameraNeed[] =>
  networkCameraNeeds(site, (id) => isMoved(moment, id)).filter(
    ({ fact }) => fact.state === 'there' || isMoved(moment, fact.id),
  );
