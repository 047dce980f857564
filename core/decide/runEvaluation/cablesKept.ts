import { oldCablesInUse } from '#core/decide/options';
import { chosenOption } from './chosenOption';
import type { RunEvaluation } from './evaluateRun';

/** Cameras whose old cable goes on being used when every choice is carried out; nothing is known of those that are not decided. */
export const cablesKept = (
  runs: readonly Pick<RunEvaluation, 'camera' | 'optionOf' | 'chosen'>[],
): Set<string> =>
  oldCablesInUse(
    runs.flatMap((run) => {
      const option = chosenOption(run);
      return option ? [{ cameraId: run.camera.id, option }] : [];
    }),
  );
