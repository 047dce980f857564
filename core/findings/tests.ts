import type { RunState, TestId } from '#core/site';
import type { Unit } from '#core/units';

/** One test of a run: what is read, in which unit, and the state of the run it needs. */
export interface TestDefinition {
  id: TestId;
  label: string;
  unit: Unit;
  /** States of the run in which the test may be done. */
  allowedIn: readonly RunState[];
  connect: string;
}

const dead: readonly RunState[] = ['isolated', 'disconnected'];
const any: readonly RunState[] = ['live', 'isolated', 'disconnected'];

/** The tests in the order they are done: what could hurt first, dead tests next, live ones last. */
export const tests: readonly TestDefinition[] = [
  { id: 'foreign-ac-volts', label: 'Foreign voltage, AC', unit: 'V', allowedIn: any, connect: 'Centre to shield, then shield to earth; note the higher.' },
  { id: 'foreign-dc-volts', label: 'Foreign voltage, DC', unit: 'V', allowedIn: dead, connect: 'Centre to shield with the camera’s own supply off.' },
  { id: 'shield-earth-volts', label: 'Shield to earth', unit: 'V', allowedIn: any, connect: 'Shield to the local earth bar, AC range.' },
  { id: 'coax-loop-ohms', label: 'Loop, centre and shield', unit: 'Ω', allowedIn: dead, connect: 'Short centre to shield at the far end; read at the head end.' },
  { id: 'power-loop-ohms', label: 'Loop, power cores', unit: 'Ω', allowedIn: dead, connect: 'Short the cores at the far end; read at the supply.' },
  { id: 'insulation-megohms', label: 'Insulation', unit: 'MΩ', allowedIn: ['disconnected'], connect: 'Nothing connected at either end; 250 V or less.' },
  { id: 'day-volts', label: 'Volts at the camera, day', unit: 'V', allowedIn: ['live'], connect: 'At the camera’s terminals, lamps off.' },
  { id: 'night-volts', label: 'Volts at the camera, night', unit: 'V', allowedIn: ['live'], connect: 'At the camera’s terminals with the lens covered, lamps on.' },
];

export function testDefinition(id: TestId): TestDefinition {
  const definition = tests.find((test) => test.id === id);
  if (!definition) throw new Error(`unknown test ${id}`);
  return definition;
}

/** Why a test may not be done while the run is in this state; `undefined` where it may. */
export function heldBack(test: TestDefinition, state: RunState): string | undefined {
  if (test.allowedIn.includes(state)) return undefined;
  if (!test.allowedIn.includes('isolated') && !test.allowedIn.includes('live')) return 'disconnect both ends first';
  return test.allowedIn.includes('live') ? 're-energise the run first' : 'isolate the run first';
}
