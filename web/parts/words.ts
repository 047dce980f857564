import { targetCameras } from '#core/options';
import { pictureFormats } from '#core/signal';
import { bodies, environments, joints, lengthSources, targetClasses, type Camera, type Environment, type Run, type Segment } from '#core/site';

export interface Choice<T> { value: T; says: string }

const from = <T extends string>(values: readonly T[], words: Record<T, string>): Choice<T>[] => values.map((value) => ({ value, says: words[value] }));
const fromTable = (rows: readonly { id: string; label: string }[]): Choice<string>[] => rows.map(({ id, label }) => ({ value: id, says: label }));

/** The words for every fixed list that a person picks from. */
export const choices = {
  body: from(bodies, { slim: 'Slim cylinder', dome: 'Dome', 'vandal-dome': 'Vandal-resistant dome', box: 'Box, screw-on lens', turning: 'Pan, tilt, zoom' }),
  environment: from<Environment>(environments, { indoor: 'Indoor', outdoor: 'Outdoor', 'roof-space': 'Roof space', underground: 'Underground', marine: 'Marine' }),
  joint: [{ value: 'none' as const, says: 'No joint' }, ...from<NonNullable<Segment['joint']>>(joints, {
    crimp: 'Crimp', compression: 'Compression', 'twist-on': 'Twist-on', soldered: 'Soldered', 'screw-terminal': 'Screw terminal', coupler: 'Coupler', splitter: 'Splitter or tap', 'surge-arrester': 'Surge arrester',
  })],
  lengthFrom: from<Segment['lengthFrom']>(lengthSources, { 'jacket-marks': 'jacket marks', reflectometer: 'reflectometer', drawn: 'drawn', estimate: 'estimate' }),
  format: fromTable(pictureFormats),
  lineStandard: from<Camera['lineStandard']>(['625/50', '525/60'], { '625/50': '625 lines, 50 Hz', '525/60': '525 lines, 60 Hz' }),
  lamps: from<Camera['lamps']>(['none', 'infrared', 'white'], { none: 'No lamps', infrared: 'Infrared', white: 'White light' }),
  worthKeeping: from<Camera['worthKeeping']>(['yes', 'no', 'undecided'], { yes: 'Worth keeping', no: 'Worn out', undecided: 'Undecided' }),
  target: targetClasses.map((value): Choice<Camera['target']> => ({ value, says: targetCameras[value].label })),
  runState: from<Run['state']>(['live', 'isolated', 'disconnected'], { live: 'Live', isolated: 'Isolated', disconnected: 'Disconnected' }),
};
