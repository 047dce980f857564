import type { Site } from '#core/model/site';
import {
  continuity,
  insulationMegohms,
  loadedAcVolts,
  link,
  reflectometerTrace,
  resistanceOhms,
  volts,
  type HookedUp,
  type Random,
  actualRun,
  type Truth,
} from '#core/test/instrument';

/** What the stand-in stands on: the site, how it really is, and its dice. */
export interface Bench {
  site: Site;
  truth: Truth;
  random: Random;
  /** Share of measurements at which a clip has lost contact. */
  slips: number;
}

/** One conversation with the instrument: what it is hooked up to, and the errors nobody has asked for yet. */
export interface Session {
  hookedUp: HookedUp | null;
  far: HookedUp['far'];
  state: HookedUp['state'];
  load: HookedUp['load'];
  errors: string[];
}

export const newSession = (): Session => ({
  hookedUp: null,
  far: 'camera',
  state: 'live',
  load: 'day',
  errors: [],
});

export const identity = 'Saltmarrow Instruments,Cable tester stand-in,ST-0042,1.0';

/** What is answered where nothing could be measured; the reason waits in the error queue. */
export const notANumber = '9.91E37';

/** Errors by their numbers, in the manner of SCPI. */
const errorWords = {
  '-109': 'Missing parameter',
  '-113': 'Undefined header',
  '-221': 'Settings conflict',
  '-222': 'Data out of range',
  '-230': 'Data corrupt or stale',
  '-350': 'Queue overflow',
} as const;
const mostErrors = 20;

class Refusal extends Error {
  constructor(
    readonly number: keyof typeof errorWords,
    readonly because: string,
  ) {
    super(`${number},"${errorWords[number]}; ${because}"`);
  }
}

/** A keyword in its long or its short form, the short one being its capitals: `MEASure` is `MEAS` or `MEASURE`. */
function isWord(said: string, keyword: string): boolean {
  const short = keyword.replace(/[a-z]/g, '');
  const upper = said.toUpperCase();
  return upper === short || upper === keyword.toUpperCase();
}
const isHeader = (said: string, header: string): boolean => {
  const [a, b] = [said.replace(/^:/, '').split(':'), header.split(':')];
  return a.length === b.length && a.every((word, k) => isWord(word, b[k]!));
};

function choice<T extends string>(said: string | undefined, words: Record<string, T>): T {
  if (!said) throw new Refusal('-109', `one of ${Object.keys(words).join(', ')}`);
  const found = Object.entries(words).find(([keyword]) => isWord(said, keyword));
  if (!found) throw new Refusal('-222', `${said} is none of ${Object.keys(words).join(', ')}`);
  return found[1];
}

/** What the leads are on, with the settings of the moment. */
function hooked(session: Session): HookedUp {
  if (!session.hookedUp) throw new Refusal('-221', 'no run is routed to the instrument');
  return { ...session.hookedUp, far: session.far, state: session.state, load: session.load };
}

/** A run that has to be dead for a measurement, and is. */
function deadOnly(hookedUp: HookedUp, least: 'isolated' | 'disconnected'): HookedUp {
  if (hookedUp.state === 'live') throw new Refusal('-221', 'volts on the line: isolate the run first');
  if (least === 'disconnected' && hookedUp.state !== 'disconnected')
    throw new Refusal('-221', 'electronics on the line: disconnect both ends first');
  return hookedUp;
}

type Command = (session: Session, bench: Bench, given: string[]) => string | null;

/** A measurement: every so often a clip has lost contact. */
const measuring =
  (read: (hookedUp: HookedUp, bench: Bench) => string): Command =>
  (session, bench) => {
    const hookedUp = hooked(session);
    if (bench.random() < bench.slips) throw new Refusal('-230', 'a clip has lost contact, press it on again');
    return read(hookedUp, bench);
  };

const commands: [header: string, command: Command][] = [
  ['*IDN?', () => identity],
  ['*OPC?', () => '1'],
  [
    '*RST',
    (session) => {
      Object.assign(session, newSession());
      return null;
    },
  ],
  [
    '*CLS',
    (session) => {
      session.errors = [];
      return null;
    },
  ],
  ['SYSTem:ERRor?', (session) => session.errors.shift() ?? '0,"No error"'],
  [
    'ROUTe:CLOSe',
    (session, { site, truth }, [number, on]) => {
      if (!number) throw new Refusal('-109', 'a run’s number');
      const actual = actualRun(site, truth, Number(number));
      if (!actual) throw new Refusal('-222', `there is no run ${number}`);
      session.hookedUp = {
        actual,
        on: choice(on, { COAX: 'coax', POWer: 'power', EARTh: 'earth', CAMera: 'camera' }),
        far: session.far,
        state: session.state,
        load: session.load,
      };
      return null;
    },
  ],
  [
    'ROUTe:OPEN',
    (session) => {
      session.hookedUp = null;
      return null;
    },
  ],
  [
    'ROUTe:FAR',
    (session, _, [far]) => {
      session.far = choice(far, { OPEN: 'open', SHORt: 'short', CAMera: 'camera' });
      return null;
    },
  ],
  [
    'ROUTe:STATe',
    (session, _, [state]) => {
      session.state = choice(state, { LIVE: 'live', ISOLated: 'isolated', DISConnected: 'disconnected' });
      return null;
    },
  ],
  [
    'ROUTe:LOAD',
    (session, _, [load]) => {
      session.load = choice(load, { DAY: 'day', NIGHt: 'night' });
      return null;
    },
  ],
  [
    'MEASure:VOLTage:AC?',
    measuring((hookedUp, { site, random }) => volts(site, hookedUp, 'ac', random).toFixed(2)),
  ],
  [
    'MEASure:VOLTage:AC:LOADed?',
    measuring((hookedUp, { random }) => loadedAcVolts(hookedUp, random).toFixed(2)),
  ],
  [
    'MEASure:VOLTage:DC?',
    measuring((hookedUp, { site, random }) => volts(site, hookedUp, 'dc', random).toFixed(2)),
  ],
  [
    'MEASure:RESistance?',
    measuring((hookedUp, { random }) => resistanceOhms(deadOnly(hookedUp, 'isolated'), random).toFixed(2)),
  ],
  ['MEASure:CONTinuity?', measuring((hookedUp) => continuity(deadOnly(hookedUp, 'isolated')))],
  [
    'MEASure:INSulation?',
    measuring((hookedUp, { random }) =>
      insulationMegohms(deadOnly(hookedUp, 'disconnected'), random).toFixed(2),
    ),
  ],
  ['MEASure:TEMPerature?', measuring(({ actual }) => actual.run.segments[0]!.temperatureC.toFixed(1))],
  [
    'MEASure:LINK?',
    measuring((hookedUp, { random }) => {
      const { rateMbps, throughputMbps, lostPercent, deliveredWatts } = link(
        deadOnly(hookedUp, 'isolated'),
        random,
      );
      return [rateMbps, throughputMbps, lostPercent, deliveredWatts].join(',');
    }),
  ],
  [
    'REFLectometer:TRACe?',
    measuring((hookedUp, { random }) => {
      const { stepNs, voltsPerCount, counts } = reflectometerTrace(deadOnly(hookedUp, 'isolated'), random);
      return [stepNs, voltsPerCount, counts.length, ...counts].join(',');
    }),
  ],
];

/**
 * What the instrument answers to one line; `null` to a command that asks nothing. A query that cannot be answered says
 * 9.91E37, as a measurement that is not a number, and puts its reason in the error queue.
 */
export function answer(session: Session, bench: Bench, line: string): string | null {
  const [header = '', rest = ''] = line.trim().split(/\s+(.*)/s);
  if (header === '') return null;
  const command = commands.find(([known]) => isHeader(header, known))?.[1];
  try {
    if (!command) throw new Refusal('-113', header.slice(0, 40));
    return command(
      session,
      bench,
      rest
        .split(',')
        .map((one) => one.trim())
        .filter(Boolean),
    );
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    if (session.errors.length >= mostErrors) session.errors[mostErrors - 1] = `-350,"${errorWords['-350']}"`;
    else session.errors.push(error.message);
    return header.endsWith('?') ? notANumber : null;
  }
}
