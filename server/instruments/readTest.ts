import { keptTrace } from '#core/test/findings';
import {
  mostSamples,
  quantityTests,
  testDefinition,
  testIds,
  type Found,
  type QuantityTestDefinition,
  type RunState,
  type TestHookUp,
  type TestId,
} from '#core/model/site';
import { InstrumentError } from './instrumentError';
import { openLine, type Line, type Patience } from './line';

/** What is to be read, and how the run was left for it. */
export interface Asked {
  test: TestId;
  runNumber: number;
  state: RunState;
  current: 'dc' | 'ac';
}

export interface Identity {
  name: string;
  serial: string;
}
export interface Answered extends Identity {
  found: Found;
  temperatureC?: number;
}

/** Who answers: `*IDN?` says maker, model, serial and version. */
async function identityOf(line: Line): Promise<Identity> {
  const [maker = '', model = '', serial = ''] = (await line.ask('*IDN?'))
    .split(',')
    .map((part) => part.trim());
  if (!model)
    throw new InstrumentError(
      'garbage',
      'The instrument does not say what it is. Does it speak this protocol?',
    );
  return { name: `${maker} ${model}`.trim().slice(0, 80), serial: serial.slice(0, 40) };
}

/** A query whose answer is 9.91E37 could not be measured; the error queue says why. Source: SCPI-1999, not-a-number. */
const notANumber = 9.91e37;

async function measured(line: Line, query: string): Promise<string> {
  const said = await line.ask(query);
  if (Number(said) !== notANumber) return said;
  const why = await line.ask('SYSTem:ERRor?');
  const [, words = why] = /^-?\d+,\s*"?(.*?)"?$/.exec(why) ?? [];
  throw new InstrumentError('refused', `The instrument refuses: ${words.slice(0, 160)}.`);
}

async function numberFrom(line: Line, query: string): Promise<number> {
  const said = await measured(line, query);
  const value = Number(said);
  if (said.trim() === '' || !Number.isFinite(value) || value < 0)
    throw new InstrumentError('garbage', `“${said.slice(0, 40)}” is no reading. Nothing was taken.`);
  return value;
}

async function numbersFrom(line: Line, query: string, least: number): Promise<number[]> {
  const said = await measured(line, query);
  const values = said.split(',').map(Number);
  if (values.length < least || values.some((value) => !Number.isFinite(value)))
    throw new InstrumentError(
      'garbage',
      'The instrument’s answer is cut or is no list of numbers. Nothing was taken.',
    );
  return values;
}

async function traceFrom(line: Line): Promise<Found> {
  const [stepNs = 0, voltsPerCount = 0, count = 0, ...counts] = await numbersFrom(
    line,
    'REFLectometer:TRACe?',
    19,
  );
  if (counts.length !== count || stepNs <= 0 || voltsPerCount <= 0)
    throw new InstrumentError(
      'garbage',
      `The trace is cut: ${counts.length} of ${count} samples came. Nothing was taken.`,
    );
  const whole =
    counts.every((value) => Number.isInteger(value) && Math.abs(value) <= 32_767) &&
    counts.length <= mostSamples &&
    voltsPerCount <= 1;
  return {
    test: 'reflectometer',
    trace: whole
      ? { stepNs, voltsPerCount, counts }
      : keptTrace({ stepNs, volts: Float64Array.from(counts, (value) => value * voltsPerCount) }),
  };
}

interface Way {
  on: 'COAX' | 'POWer' | 'EARTh' | 'CAMera';
  load?: 'DAY' | 'NIGHt';
  read: (line: Line) => Promise<Found>;
}

async function continuityFrom(line: Line): Promise<Found> {
  const said = (await measured(line, 'MEASure:CONTinuity?')).trim().toUpperCase();
  const found = ({ THROUGH: 'through', OPEN: 'open', SHORTED: 'shorted' } as const)[said];
  if (!found)
    throw new InstrumentError(
      'garbage',
      `“${said.slice(0, 40)}” is no answer to continuity. Nothing was taken.`,
    );
  return { test: 'continuity', found };
}

async function linkFrom(line: Line): Promise<Found> {
  const [rateMbps = 0, throughputMbps = 0, lostPercent = 0, deliveredWatts = 0] = await numbersFrom(
    line,
    'MEASure:LINK?',
    4,
  );
  return { test: 'link', rateMbps, throughputMbps, lostPercent, deliveredWatts };
}

/** How an instrument is asked for what it measures; not at all for what it cannot. Source: SCPI-1999. */
function queryFor(measures: QuantityTestDefinition['measures'], current: Asked['current']): string | null {
  switch (measures) {
    case 'ac-volts':
      return 'MEASure:VOLTage:AC?';
    case 'loaded-ac-volts':
      return 'MEASure:VOLTage:AC:LOADed?';
    case 'dc-volts':
      return 'MEASure:VOLTage:DC?';
    case 'supply-volts':
      return `MEASure:VOLTage:${current.toUpperCase()}?`;
    case 'ohms':
      return 'MEASure:RESistance?';
    case 'megohms':
      return 'MEASure:INSulation?';
    case 'cable-tester':
      return null;
  }
}

/** Where the instrument's switch puts its leads. */
function leadsFor({ at, on }: TestHookUp): Way['on'] {
  if (on === 'shield-earth') return 'EARTh';
  if (on !== 'power-cores') return 'COAX';
  return at === 'camera' ? 'CAMera' : 'POWer';
}

/** A test of one figure is read as its row says; what only a cable tester measures has no way here. */
function figureWay(test: QuantityTestDefinition, current: Asked['current']): Way | undefined {
  const { id, hookUp, measures, lamps } = test;
  const query = queryFor(measures, current);
  if (query === null) return undefined;
  return {
    on: leadsFor(hookUp),
    ...(lamps && { load: ({ off: 'DAY', on: 'NIGHt' } as const)[lamps] }),
    read: async (line) => ({ test: id, value: await numberFrom(line, query) }),
  };
}

/** How the other tests are read by an instrument; those that a person sees have none. */
const otherWays: Partial<Record<TestId, Way>> = {
  continuity: { on: 'COAX', read: continuityFrom },
  reflectometer: { on: 'COAX', read: traceFrom },
  link: { on: 'COAX', read: linkFrom },
};

function wayOf({ test, current }: Pick<Asked, 'test' | 'current'>): Way | undefined {
  const figure = quantityTests.find(({ id }) => id === test);
  return figure ? figureWay(figure, current) : otherWays[test];
}

/** Tests that an instrument can read. */
export const readableTests: TestId[] = testIds.filter((test) => wayOf({ test, current: 'dc' }));

const states: Record<RunState, string> = { live: 'LIVE', isolated: 'ISOLated', disconnected: 'DISConnected' };
const fars = { 'as-found': 'CAMera', open: 'OPEN', shorted: 'SHORt' } as const;

/**
 * Routes the run to the instrument where it has a switch for that. A plain meter has none and knows no such command: then
 * the leads are where the person put them, and its complaint is taken off the queue.
 */
async function route(line: Line, { test, runNumber, state }: Asked, { on, load }: Way): Promise<void> {
  line.send('*CLS');
  line.send(`ROUTe:STATe ${states[state]}`);
  line.send(`ROUTe:FAR ${fars[testDefinition(test).hookUp.far]}`);
  if (load) line.send(`ROUTe:LOAD ${load}`);
  line.send(`ROUTe:CLOSe ${runNumber},${on}`);
  for (let k = 0; k < 8; k += 1) {
    const said = await line.ask('SYSTem:ERRor?');
    if (said.startsWith('0') || said.startsWith('+0')) return;
    const unknown = said.startsWith('-113');
    if (!unknown) throw new InstrumentError('refused', `The instrument refuses: ${said.slice(0, 160)}.`);
  }
}

async function over<T>(address: string, patience: Patience, talk: (line: Line) => Promise<T>): Promise<T> {
  const line = await openLine(address, patience);
  try {
    return await talk(line);
  } finally {
    line.close();
  }
}

/** Asks the instrument at an address who it is. */
export const identify = (address: string, patience: Patience): Promise<Identity> =>
  over(address, patience, identityOf);

/** A clip that lost contact is tried once more by whoever holds it; so does the driver. */
const lostContact = (error: unknown): boolean =>
  error instanceof InstrumentError && error.kind === 'refused' && /stale|contact/i.test(error.message);

/** Takes one test of one run with the instrument at an address. Rejects with an InstrumentError in words. */
export async function readTest(address: string, asked: Asked, patience: Patience): Promise<Answered> {
  const way = wayOf(asked);
  if (!way)
    throw new InstrumentError('refused', 'No instrument can take this test; write down what you see.');
  return over(address, patience, async (line) => {
    const identity = await identityOf(line);
    await route(line, asked, way);
    const found = await way.read(line).catch((error: unknown) => {
      if (lostContact(error)) return way.read(line);
      throw error;
    });
    return { ...identity, found };
  });
}
