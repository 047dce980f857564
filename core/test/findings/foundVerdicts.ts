import {
  symptomWords,
  type ContinuityReading,
  type LinkReading,
  type PictureReading,
  type Run,
  type SwapReading,
  type SwapTestId,
  type WireMap,
  type WireMapReading,
  testDefinition,
} from '#core/model/site';
import { linkConverters, linkRateMbps } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import { figure, utilisationOf, statusOf, type Limit } from '#core/shared/derivation';
import { unreadVerdict } from './unreadVerdict';
import type { Verdict } from './verdict';

/** A verdict on something that was found rather than measured: it has a standing and no share of any limit. */
function found(
  id: Verdict['id'],
  state: 'holds' | 'close' | 'fails',
  what: string,
  message: string,
  conclusion: string,
): Verdict {
  const { label } = testDefinition(id);
  return {
    id,
    label,
    state,
    message,
    utilisation: null,
    read: null,
    expected: null,
    basis: 'measured',
    derivation: () => ({ title: `${label}: ${what}`, steps: [], conclusion }),
  };
}

const continuityConclusion =
  'With the far end open it must not go through, with the far end shorted it must. The power cores likewise.';
const continuityUnread = unreadVerdict({
  id: 'continuity',
  message: 'not done yet',
  conclusion: continuityConclusion,
});

/** Whether the cable goes through, and only to its end. */
export function continuityVerdict(reading: ContinuityReading | undefined): Verdict {
  if (!reading) return continuityUnread;
  switch (reading.found) {
    case 'through':
      return found('continuity', 'holds', 'through', 'through, no short', continuityConclusion);
    case 'open':
      return found(
        'continuity',
        'fails',
        'open',
        'open: no way through',
        `${continuityConclusion} The reflectometer tells at which metre it is open.`,
      );
    case 'shorted':
      return found(
        'continuity',
        'fails',
        'shorted',
        'shorted on the way',
        `${continuityConclusion} The reflectometer tells at which metre it is shorted.`,
      );
  }
}

const wireMapConclusion =
  'Eight conductors, four pairs, each at its own contacts at both ends. Baluns use some of them only and hide the rest.';
const wireMapUnread = unreadVerdict({
  id: 'wire-map',
  message: 'not done yet',
  conclusion: wireMapConclusion,
});

/** What each map comes to. What is wrong at an end is mended by terminating it anew; what is wrong on the way is not. */
const wireMapWords: Record<WireMap, { state: 'holds' | 'close' | 'fails'; message: string; more: string }> = {
  straight: { state: 'holds', message: 'all pairs straight', more: '' },
  open: {
    state: 'fails',
    message: 'a conductor is open',
    more: ' An end not punched down, or a break on the way: the reflectometer tells which.',
  },
  short: {
    state: 'fails',
    message: 'conductors are shorted',
    more: ' At an end, or crushed on the way: the reflectometer tells where.',
  },
  crossed: {
    state: 'close',
    message: 'pairs crossed: the ends follow two schemes',
    more: ' Terminate both ends by one scheme.',
  },
  reversed: {
    state: 'close',
    message: 'a pair reversed: its two conductors swapped',
    more: ' Terminate that end anew; it matters to power too.',
  },
  split: {
    state: 'close',
    message: 'split pair: straight through, but twisted with the wrong partner',
    more: ' Terminate both ends by the twists of the cable. Until then it talks into its neighbours.',
  },
};

export function wireMapVerdict(reading: WireMapReading | undefined): Verdict {
  if (!reading) return wireMapUnread;
  const { state, message, more } = wireMapWords[reading.found];
  return found('wire-map', state, reading.found, message, `${wireMapConclusion}${more}`);
}

const swapWords: Record<SwapTestId, { works: string; fails: string; conclusion: string }> = {
  'camera-at-head-end': {
    works: 'the camera is sound',
    fails: 'the camera itself',
    conclusion:
      'On a short known-good lead and supply: where it works, the camera is sound, and what was wrong in its place lies in the run, its power or its input. Where it fails, it is the camera.',
  },
  'camera-on-local-supply': {
    works: 'the coax carries it',
    fails: 'not its power: the way of the signal',
    conclusion:
      'In its place on its own coax with a known-good supply: where it works, the coax carries it, and what was wrong before lies in its power. Where it fails still, the way of the signal is at fault, or the camera.',
  },
};

const notSwapped = (test: SwapTestId): Verdict =>
  unreadVerdict({ id: test, message: 'not done yet', conclusion: swapWords[test].conclusion });
const swapUnread: Record<SwapTestId, Verdict> = {
  'camera-at-head-end': notSwapped('camera-at-head-end'),
  'camera-on-local-supply': notSwapped('camera-on-local-supply'),
};

/** What a camera tells away from what is suspected of it. */
export function swapVerdict(test: SwapTestId, reading: SwapReading | undefined): Verdict {
  if (!reading) return swapUnread[test];
  const { conclusion, works, fails } = swapWords[test];
  return found(
    test,
    reading.found === 'works' ? 'holds' : 'fails',
    reading.found,
    reading.found === 'works' ? works : fails,
    conclusion,
  );
}

/** The picture as it was seen. */
export function seenVerdict(computed: Verdict, reading: PictureReading | undefined): Verdict {
  if (!reading) return computed;
  const seen = reading.symptoms.map((symptom) => symptomWords[symptom].label.toLowerCase());
  const isLost = reading.symptoms.some((symptom) => symptom === 'no-picture' || symptom === 'test-bars-only');
  const state = seen.length === 0 ? 'holds' : isLost ? 'fails' : 'close';
  return {
    ...computed,
    state,
    basis: 'measured',
    utilisation: null,
    message: seen.length === 0 ? 'seen clean' : `${seen.join(', ')}; see Cause`,
  };
}

/** Rate over a pair of converters against what they should reach over this run. */
export function linkVerdict(run: Run, reading: LinkReading | undefined): Verdict {
  const converter = linkConverters[0]!;
  const expected = figure('expected', linkRateMbps(converter, run.segments), 'Mb/s', 'typical');
  const conclusion =
    'Rate, throughput and loss at the far end, under the camera’s load. Well under what the run should carry points at a joint or a wrong cable.';
  if (!reading) return unreadVerdict({ id: 'link', message: 'not done yet', expected, conclusion });
  const read = figure('throughput', reading.throughputMbps, 'Mb/s', 'measured');
  const limit: Limit = {
    sense: 'at-least',
    figure: figure('half of what it should carry', (expected.value ?? 0) / 2, 'Mb/s', 'policy'),
  };
  const utilisation = utilisationOf(reading.throughputMbps, limit);
  const lossy = reading.lostPercent > 0.1;
  const status = statusOf(utilisation);
  const state = reading.throughputMbps === 0 ? 'fails' : lossy && status === 'holds' ? 'close' : status;
  return {
    id: 'link',
    label: testDefinition('link').label,
    state,
    utilisation,
    read,
    expected,
    basis: 'measured',
    message:
      reading.throughputMbps === 0
        ? 'no link'
        : `${formatQuantity(reading.lostPercent, '%', 1)} lost${reading.deliveredWatts === undefined ? '' : `, ${formatQuantity(reading.deliveredWatts, 'W')} at the far end`}`,
    derivation: () => ({
      title: `Link, ${formatQuantity(reading.throughputMbps, 'Mb/s')}`,
      steps: [{ message: 'Rate over this coax', formula: 'link-rate', inputs: [], result: expected }],
      limit,
      conclusion,
    }),
  };
}
