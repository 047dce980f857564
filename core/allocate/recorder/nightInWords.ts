import { changeInWords } from './changeCost';
import type { NightStep } from './nightSteps';
import type { Recorder } from '#core/model/site';
import { isAt } from './slotRequest';

/** A step of a night in sentences. */
export function nightStepInWords(
  step: NightStep,
  recorderOf: (id: string) => Pick<Recorder, 'name'>,
): string[] {
  const there = ({ recorderId, slot }: { recorderId: string; slot: number }) =>
    `${recorderOf(recorderId).name} ${slot}`;
  switch (step.kind) {
    case 'unplug':
      return [`Camera ${step.number} goes: it leaves ${there(step.from)}.`];
    case 'turn':
      return changeInWords(recorderOf(step.recorderId), step.cost);
    case 'repatch':
      return [
        `Lead of camera ${step.number} from ${there(step.from)} to ${there(step.to)}${step.temporary ? ', for now' : ''}${step.makesWayFor === null ? '' : `, to make way for camera ${step.makesWayFor}`}.`,
      ];
    case 'join':
      if (step.from && isAt(step.from, step.to))
        return [`Camera ${step.number} leaves ${there(step.to)} and joins it anew.`];
      return [
        `Camera ${step.number} ${step.from ? `leaves ${there(step.from)} and ` : ''}joins ${there(step.to)}.`,
      ];
    case 'rejoin':
      return [
        `Camera ${step.number}, on the network already, goes from ${there(step.from)} to ${there(step.to)}.`,
      ];
  }
}
