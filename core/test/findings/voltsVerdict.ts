import { type Camera, type QuantityReading, testDefinition } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, type Limit, type Status } from '#core/shared/derivation';
import { heaterWatts } from './cameraLoads';
import { voltsAtLoad, voltsShare, type FeedSource } from './feed';
import type { Loop } from './loops';
import type { Verdict } from './verdict';

/** Volts at the camera against its window: as read, or as the feed should give until it is read. */
export function voltsVerdict(
  time: 'day' | 'night',
  camera: Camera,
  source: FeedSource,
  loop: Loop,
  reading: QuantityReading | undefined,
): Verdict {
  const id = time === 'day' ? 'day-volts' : 'night-volts';
  const { label } = testDefinition(id);
  const { window, current } = camera.supply;
  const watts = figure(
    `camera by ${time}`,
    camera.watts[time],
    'W',
    window.from === 'data-sheet' ? 'data-sheet' : 'noted',
  );
  const predicted = voltsAtLoad(source, loop, watts, window, time === 'night' ? heaterWatts(camera) : 0);
  const expected = figure('expected', predicted.volts, 'V', 'computed');
  const volts = reading ? reading.value : predicted.volts;
  const { utilisation, status } = voltsShare(source.volts, volts, window);
  const tooHigh = volts > window.maxVolts;
  const limit: Limit = {
    sense: tooHigh ? 'at-most' : 'at-least',
    figure: figure(
      tooHigh ? 'highest of the camera' : 'lowest of the camera',
      tooHigh ? window.maxVolts : window.minVolts,
      'V',
      window.from,
    ),
  };
  const wrongRail = source.current !== current;
  const message = wrongRail
    ? `a ${current.toUpperCase()} camera on a ${source.current.toUpperCase()} rail`
    : reading
      ? wordsFor(time, volts, tooHigh, status)
      : expectedWords(predicted.feed.state === 'collapsed', status);
  const read = reading ? figure('read', reading.value, 'V', 'measured') : null;
  return {
    id,
    label,
    utilisation,
    read,
    expected,
    message,
    state: wrongRail ? 'fails' : reading ? status : 'untested',
    basis: reading
      ? 'measured'
      : loop.from === 'measured' && window.from === 'data-sheet'
        ? 'data-sheet'
        : 'typical',
    derivation: () => ({
      title: `${label}, ${formatQuantity(volts, 'V')}`,
      limit,
      conclusion: conclusionFor(reading, predicted.volts, message),
      steps: [
        ...predicted.steps(),
        {
          message: tooHigh ? 'Share of the highest volts' : 'Share of the drop used',
          formula: tooHigh ? 'against-limit' : 'drop-share',
          inputs: [
            ...(tooHigh
              ? []
              : [figure(source.name, source.volts, 'V', source.isNoted ? 'noted' : 'computed')]),
            read ?? expected,
            limit.figure,
          ],
          result: figure('share', utilisation * 100, '%', reading ? 'measured' : 'computed'),
        },
      ],
    }),
  };
}

/** Until it is read a figure is only what the cores as noted should give. */
function expectedWords(collapses: boolean, status: Status): string {
  if (collapses) return 'the supply collapses under this load';
  return { holds: 'should hold', close: 'should just hold', fails: 'should not hold' }[status];
}

function wordsFor(time: 'day' | 'night', volts: number, tooHigh: boolean, status: Status): string {
  if (tooHigh) return 'above what the camera takes';
  if (status === 'fails')
    return volts === 0 ? 'no volts' : time === 'night' ? 'too low with the lamps on' : 'too low';
  return status === 'close' ? 'holds, little to spare' : 'holds';
}

/** A reading well below what the wire explains points at the wire: a joint, or thinner cores than noted. */
function conclusionFor(
  reading: QuantityReading | undefined,
  predictedVolts: number,
  message: string,
): string {
  const word = message.charAt(0).toUpperCase() + message.slice(1);
  if (!reading) return `${word}. Expected only; read it with the lens covered.`;
  const short = predictedVolts - reading.value;
  return short > 0.05 * predictedVolts
    ? `${word}. ${formatQuantity(short, 'V')} below what the cores as noted would give: look for a poor joint or thinner cores.`
    : `${word}. The cores as noted explain the reading.`;
}
