import { runLengthM, type Run, type TraceReading, testDefinition } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { closeUtilisation, figure } from '#core/shared/derivation';
import { lengthFigure } from './loops';
import { faultsOf, longerByM, runEvents, type RunEvent } from './traceEvents';
import type { Verdict } from './verdict';

/** Series ohms and leak ohms from which an event counts as a fault rather than as a blemish. Policy. */
const seriesFaultOhms = 4;
const leakFaultOhms = 2000;

/** How grave an event is, as a share of what is borne. */
export function severity({ kind, ohms }: RunEvent): number {
  switch (kind) {
    case 'series':
      return (ohms ?? 0) / seriesFaultOhms;
    case 'shunt':
      return leakFaultOhms / Math.max(1, ohms ?? 1);
    case 'lower-impedance':
      return 0.9;
    // The piece that ends there has been counted where it begins.
    case 'patch-end':
      return 0;
    case 'tap':
      return 1.2;
    case 'open':
    case 'short':
    case 'end':
      return 1.5;
  }
}

/** An event in a few words. */
export function eventWords({ kind, ohms, joint, isFarEnd }: RunEvent): string {
  const much = ohms === undefined ? '' : ` about ${formatQuantity(ohms, 'Ω', ohms < 20 ? 1 : 0)}`;
  const at = joint ? ` at the ${joint.replace('-', ' ')} joint` : '';
  switch (kind) {
    case 'open':
      return isFarEnd ? 'far end, open' : 'open';
    case 'short':
      return isFarEnd ? 'far end, shorted' : 'short';
    case 'end':
      return `${isFarEnd ? 'far end' : 'end'},${much}`;
    case 'series':
      return `series resistance${at},${much}`;
    case 'shunt':
      return `leak${at},${much}`;
    case 'lower-impedance':
      return `a piece of${much} cable`;
    case 'patch-end':
      return 'where that piece ends';
    case 'tap':
      return `a tap${at}`;
  }
}

/** What a trace tells of the run: its gravest fault at its metre, and where it ends. */
export function reflectometerVerdict(run: Run, reading: TraceReading | undefined): Verdict {
  const { label } = testDefinition('reflectometer');
  const expected = figure('end', runLengthM(run), 'm', lengthFigure(run).from);
  const conclusion =
    'Distance = velocity factor · c · t / 2. Upwards: more impedance (open, series joint); downwards: less (short, water, other cable, tap).';
  if (!reading)
    return {
      id: 'reflectometer',
      label,
      state: 'untested',
      utilisation: null,
      read: null,
      expected,
      message: 'not done yet',
      basis: 'typical',
      derivation: () => ({ title: label, steps: [], conclusion }),
    };
  const events = runEvents(run, reading);
  const faults = faultsOf(events);
  const worst = faults.reduce<RunEvent | undefined>(
    (a, b) => (!a || severity(b) > severity(a) ? b : a),
    undefined,
  );
  const shown = worst ?? events.at(-1);
  const beyondM = longerByM(run, events);
  const utilisation = worst ? severity(worst) : beyondM === null ? 0 : closeUtilisation;
  return {
    id: 'reflectometer',
    label,
    expected,
    utilisation,
    basis: 'measured',
    read: shown ? figure(worst ? 'fault' : 'end', shown.atM, 'm', 'measured') : null,
    state: utilisation >= 1 ? 'fails' : utilisation > 0.3 ? 'close' : 'holds',
    message:
      worst === undefined && beyondM !== null
        ? `far end ${formatQuantity(beyondM, 'm')} beyond what is noted`
        : worst
          ? `${eventWords(worst)}${faults.length > 1 ? ` and ${faults.length - 1} more` : ''}`
          : shown
            ? `nothing on the way; ${eventWords(shown)}`
            : 'nothing seen, not even an end: matched, or the pulse is lost',
    derivation: () => ({
      title: `${label}, ${events.length} event${events.length === 1 ? '' : 's'}`,
      conclusion,
      steps: events.map((event) => ({
        message: eventWords(event),
        formula: 'echo-distance',
        inputs: event.ohms === undefined ? [] : [figure('resistance', event.ohms, 'Ω', 'measured')],
        result: figure('at', event.atM, 'm', 'measured'),
      })),
    }),
  };
}
