import { pictureFormat, speaksAlike, takesPicture } from '#core/physics/signal';
import { sentToday, type Camera, type Run, type Site } from '#core/model/site';

/** Whether a camera and the input it is on speak of the same picture, and what to know before one is forced. */
export interface FormatCheck {
  agrees: boolean;
  /** What does not agree, in words, with what it does to the picture. */
  wrong: string[];
  /** The way back, before a format is forced. */
  before: string[];
}

/** Formats that are switched at the camera itself or over the cable from the recorder's menu. */
const isHd = (format: string): boolean => pictureFormat(format).family === 'analog-hd';

/** How the scheme of the camera is set, where somebody noted it. */
const setWords: Record<NonNullable<Camera['schemeSetBy']>, string> = {
  recorder: 'Its scheme is set by the recorder over the coax.',
  switch: 'Its scheme is set by a switch on its lead.',
  'timed-press': 'Its scheme is set by a timed press after power-up.',
  menu: 'Its scheme is set in its menu.',
};
const howSet = ({ schemeSetBy }: Camera): string =>
  schemeSetBy ? setWords[schemeSetBy] : 'Find out how its scheme is set, if it has more than one.';

/** Whether both ends of a line are noted alike. */
export type Agreement = 'agree' | 'differ' | 'unknown';

/** Whether camera and input are noted to speak of the same format, and of the same line standard. */
export function notedAlike(
  site: Pick<Site, 'recorder'>,
  run: Run,
  camera: Camera,
): Record<'format' | 'line-standard', Agreement> {
  const recorder = run.patchedTo ? site.recorder[run.patchedTo.recorderId] : undefined;
  if (!recorder) return { format: 'unknown', 'line-standard': 'unknown' };
  return {
    format: takesPicture(recorder, sentToday(camera)) ? 'agree' : 'differ',
    'line-standard': !recorder.lineStandard
      ? 'unknown'
      : recorder.lineStandard === camera.lineStandard
        ? 'agree'
        : 'differ',
  };
}

/** Holds a camera's format and line standard against the recorder input that it is patched to. */
export function formatCheck(site: Site, run: Run, camera: Camera): FormatCheck {
  const recorder = run.patchedTo ? site.recorder[run.patchedTo.recorderId] : undefined;
  const label = pictureFormat(camera.format).label;
  const wrong: string[] = [];
  if (!recorder)
    wrong.push(
      'It is not noted which input the camera is on: format and line standard cannot be held against it.',
    );
  else {
    if (!recorder.accepts.includes(camera.format))
      wrong.push(
        `The camera sends ${label}; input ${run.patchedTo!.input} of ${recorder.name} does not take that: no picture, or a torn one without colour.`,
      );
    else if (speaksAlike(recorder, sentToday(camera)) === 'no')
      wrong.push(
        `The camera sends an HD scheme that ${recorder.name} does not understand: no picture. ${howSet(camera)}`,
      );
    if (notedAlike(site, run, camera)['line-standard'] === 'differ')
      wrong.push(
        `The camera is set to ${camera.lineStandard}, the inputs of ${recorder.name} to ${recorder.lineStandard}: the picture rolls or is torn. Both ends must agree.`,
      );
  }
  const before = [
    'Write down the format and line standard that both ends have now; that is the way back.',
    ...(isHd(camera.format)
      ? [
          'A camera that is set to composite may not be reached over the cable again: its menu goes over the HD signal. Before it is forced, be sure of the switch or joystick at the camera, and that somebody can get up there.',
        ]
      : [
          'Some cameras that send composite have a menu over the cable, some are changed at the camera only, with a switch or joystick. Try it before anything is forced; else somebody has to get up there.',
        ]),
    'Force one end at a time, the recorder’s input first, and look at the picture before the next camera.',
    ...(recorder?.blockSize
      ? [
          `Inputs of ${recorder.name} come in blocks of ${recorder.blockSize} that share a signal family: a forced input takes its neighbours along.`,
        ]
      : []),
  ];
  return { agrees: recorder !== undefined && wrong.length === 0, wrong, before };
}
