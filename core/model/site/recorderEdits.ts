import { slotCount } from '#core/model/slotRules';
import { removing, type Change } from './change';
import type { Recorder } from './headEnd';
import type { Site } from './site';

/**
 * The changes that note a recorder anew, a smaller one in its place among them: cameras on slots that it has no more lose
 * their slots and wait for others, and what was noted of inputs that are gone goes with them. Leads that are patched to
 * such an input stay: where they are is a fact, and somebody has to say where they went.
 */
export function noteRecorder(site: Pick<Site, 'placement'>, recorder: Recorder): Change[] {
  const { ipInputs, forced, ...rest } = recorder;
  const [left, set] = [
    ipInputs?.filter((input) => input <= recorder.inputs),
    forced?.filter(({ input }) => input <= recorder.inputs),
  ];
  const fitted: Recorder = {
    ...rest,
    ...(left?.length ? { ipInputs: left } : {}),
    ...(set?.length ? { forced: set } : {}),
  };
  const beyond = Object.values(site.placement).filter(
    ({ recorderId, slot }) => recorderId === recorder.id && slot > slotCount(recorder),
  );
  return [
    ...beyond.map(({ id }) => removing('placement', id)),
    { kind: 'recorder', id: recorder.id, set: fitted },
  ];
}
