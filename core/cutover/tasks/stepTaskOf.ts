import type { NightStep } from '#core/allocate/recorder';
import { taskIdOf } from './task';

/** The task that a step of the order of moves is a part of, in the night of that order that it stands in. */
export const stepTaskOf = (step: NightStep, night: number): string => {
  switch (step.kind) {
    case 'turn':
      return taskIdOf('recorder-change', step.recorderId, String(night + 1));
    case 'repatch':
      // A lead that makes way can move on in the same night.
      return taskIdOf(
        'patch',
        step.cameraId,
        String(night + 1),
        ...(step.temporary ? ['aside', String(step.to.slot)] : []),
      );
    case 'rejoin':
      return taskIdOf('rejoin', step.cameraId, String(night + 1));
    case 'join':
    case 'unplug':
      return taskIdOf('swap', step.cameraId);
  }
};
