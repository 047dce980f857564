import { slotFamilies, type SlotRulesKind } from '#core/model/slotRules';
import {
  categoryGrades,
  fibreGrades,
  hdSchemes,
  pictureFormats,
  schemeSetters,
  type CategoryGrade,
  type FibreGrade,
  type HdScheme,
} from '#core/physics/signal';
import { sensorIds, sensors, type SensorId } from '#core/physics/optics';
import {
  assumable,
  bodies,
  environments,
  gearKinds,
  joints,
  lengthSources,
  fireClasses,
  inLineGear,
  inLineGearKinds,
  restrictions,
  targetClasses,
  symptomWords,
  type About,
  type Assumable,
  type Camera,
  type ContinuityReading,
  type Environment,
  type FireClass,
  type GearKind,
  type InLineGearKind,
  type Place,
  type Run,
  type Segment,
  type SwapReading,
  type WireMap,
  wireMaps,
} from '#core/model/site';
import { symptoms, type Symptom } from '#core/physics/picture';

export interface Choice<T> {
  value: T;
  label: string;
}

const from = <T extends string>(values: readonly T[], words: Record<T, string>): Choice<T>[] =>
  values.map((value) => ({ value, label: words[value] }));
const fromTable = (rows: readonly { id: string; label: string }[]): Choice<string>[] =>
  rows.map(({ id, label }) => ({ value: id, label }));

/** The words for every fixed list that a person picks from. */
export const choices = {
  role: from<Place['role']>(['area', 'head-end', 'closet', 'junction-box'], {
    area: 'Area',
    'head-end': 'Head end',
    closet: 'Closet',
    'junction-box': 'Junction box',
  }),
  access: from<Place['access']['by']>(['ground', 'ladder', 'lift', 'rope'], {
    ground: 'From the ground',
    ladder: 'Ladder',
    lift: 'Lift',
    rope: 'Rope',
  }),
  restriction: from<Place['restrictions'][number]>(restrictions, {
    heritage: 'Heritage',
    'asbestos-register': 'Asbestos register',
    'no-trenching': 'No trenching',
    wet: 'Wet: lower touch limits',
    'explosive-atmosphere': 'Explosive atmosphere',
  }),
  current: from<'dc' | 'ac'>(['dc', 'ac'], { dc: 'DC', ac: 'AC' }),
  sensor: sensorIds.map((value): Choice<SensorId> => ({ value, label: sensors[value].label })),
  slotRules: slotFamilies.map(({ kind, label }): Choice<SlotRulesKind> => ({ value: kind, label })),
  gear: from<GearKind>(gearKinds, {
    switch: 'Network switch',
    'coax-unit': 'Coax unit',
    encoder: 'Encoder',
    injector: 'PoE injector',
    'link-end': 'Radio or converter',
    router: 'Router',
    keyboard: 'Steering keyboard',
    matrix: 'Video matrix',
    monitor: 'Monitor',
    adapter: 'Single adapter',
    ups: 'UPS',
    rack: 'Rack',
    circuit: 'Mains circuit',
  }),
  assumable: from<Assumable>(assumable, {
    body: 'body',
    format: 'picture format',
    lineStandard: 'line standard',
    lamps: 'lamps',
    heater: 'heater',
    microphone: 'microphone',
    supply: 'supply',
    watts: 'watts',
  }),
  body: from(bodies, {
    slim: 'Bullet',
    dome: 'Dome',
    'vandal-dome': 'Vandal-resistant dome',
    box: 'Box, C/CS-mount',
    turning: 'PTZ',
  }),
  environment: from<Environment>(environments, {
    indoor: 'Indoor',
    outdoor: 'Outdoor',
    'roof-space': 'Roof space',
    underground: 'Underground',
    marine: 'Marine',
  }),
  categoryGrade: from<CategoryGrade>(categoryGrades, { cat5e: 'Cat 5e', cat6: 'Cat 6', cat6a: 'Cat 6A' }),
  fibreGrade: fibreGrades.map((value): Choice<FibreGrade> => ({
    value,
    label: value === 'os2' ? 'Single mode, OS2' : `Multimode, ${value.toUpperCase()}`,
  })),
  inLineGear: inLineGearKinds.map((value): Choice<InLineGearKind> => ({
    value,
    label: inLineGear[value].label,
  })),
  fireClass: from<FireClass>(fireClasses, {
    general: 'General',
    riser: 'Riser',
    plenum: 'Plenum',
    'escape-route': 'Escape route',
  }),
  joint: [
    { value: 'none' as const, label: 'No joint' },
    ...from<NonNullable<Segment['joint']>>(joints, {
      crimp: 'Crimp',
      compression: 'Compression',
      'twist-on': 'Twist-on',
      soldered: 'Soldered',
      'screw-terminal': 'Screw terminal',
      coupler: 'Coupler',
      splitter: 'Splitter or tap',
      'surge-arrester': 'Surge arrester',
    }),
  ],
  lengthFrom: from<Segment['lengthFrom']>(lengthSources, {
    'jacket-marks': 'jacket marks',
    reflectometer: 'reflectometer',
    drawn: 'drawn',
    estimate: 'estimate',
  }),
  format: fromTable(pictureFormats),
  lineStandard: from<Camera['lineStandard']>(['625/50', '525/60'], {
    '625/50': '625 lines, 50 Hz',
    '525/60': '525 lines, 60 Hz',
  }),
  lamps: from<Camera['lamps']>(['none', 'infrared', 'white'], {
    none: 'No lamps',
    infrared: 'Infrared',
    white: 'White light',
  }),
  worthKeeping: from<Camera['worthKeeping']>(['yes', 'no', 'undecided'], {
    yes: 'Worth keeping',
    no: 'Worn out',
    undecided: 'Undecided',
  }),
  target: from<Camera['target']>(targetClasses, {
    'fixed-2mp': 'Fixed, 2 MP',
    'fixed-4mp': 'Fixed, 4 MP',
    'fixed-8mp': 'Fixed, 8 MP',
    'turning-4mp': 'PTZ, 4 MP',
  }),
  continuity: from<ContinuityReading['found']>(['through', 'open', 'shorted'], {
    through: 'Through',
    open: 'Open',
    shorted: 'Shorted',
  }),
  wireMap: from<WireMap>(wireMaps, {
    straight: 'Straight',
    open: 'Open',
    short: 'Shorted',
    crossed: 'Pairs crossed',
    reversed: 'Pair reversed',
    split: 'Split pair',
  }),
  swap: from<SwapReading['found']>(['works', 'fails'], { works: 'Works', fails: 'Fails' }),
  symptom: symptoms.map((value): Choice<Symptom> => ({ value, label: symptomWords[value].label })),
  schemeSetBy: from<NonNullable<Camera['schemeSetBy']>>(schemeSetters, {
    recorder: 'By the recorder, over the coax',
    switch: 'By a switch on its lead',
    'timed-press': 'By a timed press after power-up',
    menu: 'In its menu',
  }),
  runState: from<Run['state']>(['live', 'isolated', 'disconnected'], {
    live: 'Live',
    isolated: 'Isolated',
    disconnected: 'Disconnected',
  }),
};

/** The three HD schemes by the words that stand on the recorders here, else by their letters. */
export const schemesOf = ({ schemeWords }: Pick<About, 'schemeWords'>): Choice<HdScheme>[] =>
  hdSchemes.map((value) => ({
    value,
    label: [`Scheme ${value.toUpperCase()}`, schemeWords?.[value]].filter(Boolean).join(', '),
  }));
