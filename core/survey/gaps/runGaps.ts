import { signalCable } from '#core/physics/cable';
import { lengthDisputes, type LengthDispute } from '#core/survey/drawing';
import type { Assumable, Camera, Run, Site } from '#core/model/site';
import { fieldKey, type Gap, type RunField } from './gap';

/** What has to be looked at before readings mean anything, and what before a successor can be chosen. */
const heldUpBy: Record<Assumable, Gap['before']> = {
  supply: 'test',
  watts: 'test',
  format: 'test',
  lineStandard: 'test',
  heater: 'test',
  lamps: 'test',
  body: 'decide',
  microphone: 'decide',
};

const saysOf: Record<Assumable, string> = {
  body: 'What body does the camera have?',
  format: 'Which picture format does it send?',
  lineStandard: 'Is it 625 or 525 lines?',
  lamps: 'Does it have lamps?',
  heater: 'Does it have a heater?',
  microphone: 'Does it have a microphone?',
  supply: 'DC or AC, and between which volts?',
  watts: 'How many watts by day, by night and at start-up?',
};

/** The order in which a person at the camera looks at things. */
const order: Assumable[] = [
  'body',
  'supply',
  'watts',
  'format',
  'lineStandard',
  'lamps',
  'heater',
  'microphone',
];

/** What gaps of a run are told from. */
type GapSite = Pick<Site, 'camera' | 'place' | 'route' | 'drawing'>;

type Note = (before: Gap['before'], field: RunField, message: string, segment?: number) => void;

function cameraGaps(camera: Camera, note: Note): void {
  for (const field of order) if (camera.assumed?.includes(field)) note(heldUpBy[field], field, saysOf[field]);
  if (!camera.lens) note('decide', 'lens', 'Which lens and sensor does it have?');
  if (camera.targetM === undefined) note('decide', 'targetM', 'How far away is what it must see?');
  if (camera.purpose.trim() === '') note('decide', 'purpose', 'What must it see?');
  if (camera.worthKeeping === 'undecided') note('decide', 'worthKeeping', 'Is it worth keeping?');
}

function cableGaps(run: Run, disputes: readonly LengthDispute[], note: Note): void {
  run.segments.forEach((segment, index) => {
    const which = run.segments.length > 1 ? `segment ${index + 1}` : 'the cable';
    if (segment.lengthFrom === 'estimate')
      note(
        'test',
        'length',
        `How long is ${which}? Its length is an estimate; marks, the drawing or a reflectometer tell it.`,
        index,
      );
    if (segment.assumed?.includes('leg'))
      note('test', 'leg', `Which power cores lie beside ${which}, and how many are used?`, index);
    if (segment.assumed?.includes('joint')) note('test', 'joint', `What joins ${which} to the next?`, index);
    if (segment.print === undefined)
      note(
        'decide',
        'print',
        signalCable(segment.cable).id === 'coax-mini'
          ? `What does ${which} say? A ready-made lead without a print is a warning in itself.`
          : `What does the jacket of ${which} say?`,
        index,
      );
  });
  for (const { segment } of disputes)
    note(
      'test',
      'dispute',
      `Two ways of knowing the length of ${run.segments.length > 1 ? `segment ${segment + 1}` : 'the cable'} contradict each other.`,
      segment,
    );
  if (!run.patchedTo) note('decide', 'patched', 'Which recorder input is it on?');
  if (!run.newRoute) note('decide', 'newRoute', 'Could a new cable be brought here?');
}

/** What is not noted yet of a run and its camera, what holds up the test first. */
export function runGaps(
  site: GapSite,
  run: Run,
  disputes: readonly LengthDispute[] = lengthDisputes(site, run),
): Gap[] {
  const camera = site.camera[run.cameraId]!;
  const gaps: Gap[] = [];
  const note: Note = (before, field, message, segment) =>
    gaps.push({
      id: `${run.id}/${fieldKey(field, segment)}`,
      before,
      message,
      placeId: camera.placeId,
      cameraId: camera.id,
      target: { kind: 'run', runId: run.id, field, ...(segment === undefined ? {} : { segment }) },
    });
  if (run.unreached) note('test', 'unreached', `Could not be reached: ${run.unreached.why}. Go again.`);
  if (site.place[camera.placeId]?.assumed)
    note('test', 'place', 'How is it there: indoors or out, how warm, mains, how is it reached?');
  cameraGaps(camera, note);
  cableGaps(run, disputes, note);
  return [
    ...gaps.filter(({ before }) => before === 'test'),
    ...gaps.filter(({ before }) => before === 'decide'),
  ];
}
