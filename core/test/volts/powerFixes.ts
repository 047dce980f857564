import { conductorOhms, powerCable } from '#core/physics/cable';
import {
  coldPowerOhms,
  dayLoad,
  expectedPowerOhms,
  feedSource,
  powerLoop,
  startUpLoad,
  voltsShare,
  worstLoad,
  worstWatts,
  type FeedSource,
} from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { arrivingVolts, leastAmps, type CameraLoad } from '#core/physics/power';
import type { Camera, Run, Site } from '#core/model/site';
import type { Status } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { usualAdapter } from './usualAdapter';

/** A supply at the head end for one camera alone, on the cores that are there, and what the converter at the camera makes of it. */
export interface OwnSupply {
  sourceVolts: number;
  outVolts: number;
}

/** A way to bring the volts up, and what it would give. */
export interface PowerFix {
  kind: 'as-is' | 'parallel-cores' | 'heavier-cores' | 'local-adapter' | 'step-up';
  label: string;
  nightVolts: number;
  startVolts: number;
  idleVolts: number;
  /** Share of the drop it may have that is used by night or as it starts, or of the highest volts where they are past it. */
  utilisation: number;
  status: Status;
  /** What has to be there for it. */
  needs: string;
  /** What takes the place of the box. */
  ownSupply?: OwnSupply;
  /** What is bought for it has to give at least this, in words; nothing where nothing gives power anew. */
  leastGiven?: string;
}

interface Fed {
  nightVolts: number;
  startVolts: number;
  idleVolts: number;
}

/** A converter at the camera: what it takes in, what it gives out and what it loses. Typical. */
const stepUp = { sourceVolts: 24, leastInVolts: 18, outVolts: 12.2, efficiency: 0.88 } as const;

const ampsInWords = (...asked: Parameters<typeof leastAmps>): string =>
  formatQuantity(leastAmps(...asked), 'A', 1);

/** Volts and loop of a way to feed a camera; least of the loop in the cold, most of the volts while a battery is charged. */
interface Way {
  sourceVolts: number;
  highestVolts: number;
  loopOhms: number;
  coldOhms: number;
}

function fedThrough({ sourceVolts, highestVolts, loopOhms, coldOhms }: Way, camera: Camera): Fed {
  const at = (load: CameraLoad): number => arrivingVolts({ sourceVolts, loopOhms, ...load });
  return {
    idleVolts: arrivingVolts({ sourceVolts: highestVolts, loopOhms: coldOhms, ...dayLoad(camera) }),
    nightVolts: at(worstLoad(camera)),
    startVolts: at(startUpLoad(camera)),
  };
}

/** The end of the window that is nearest: too high by day, or too low by night or as it starts. */
const heldBy = (
  { nightVolts, startVolts, idleVolts }: Fed,
  sourceVolts: number,
  { supply: { window } }: Camera,
): { utilisation: number; status: Status } =>
  voltsShare(sourceVolts, idleVolts > window.maxVolts ? idleVolts : Math.min(nightVolts, startVolts), window);

/** The cable that carries the power, where it is one kind all along. */
function powerCableOf(run: Run): string | null {
  if (run.feed.kind === 'separate-pair') return run.feed.cable;
  const cables = new Set(run.segments.map(({ leg }) => (leg.kind === 'cores' ? leg.cable : leg.kind)));
  const [only] = cables;
  return cables.size === 1 && only && run.segments.every(({ leg }) => leg.kind === 'cores') ? only : null;
}

/** Usual cross-sections of copper cores. Source: IEC 60228. */
const usualAreasMm2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6];

/** The loop that one core out and one back would make of the cable that carries the power. */
function onePairOhms(run: Run): number {
  const { feed, segments } = run;
  const pair = { outCores: 1, backCores: 1 };
  return expectedPowerOhms({
    ...run,
    feed: feed.kind === 'separate-pair' ? { ...feed, ...pair } : feed,
    segments: segments.map((one) =>
      one.leg.kind === 'none' ? one : { ...one, leg: { ...one.leg, ...pair } },
    ),
  });
}

/** The next two sizes of copper, one core out and one back, that are clearly better than the cores there, with the loop they would make. */
function heavierCores(cable: string, run: Run): { label: string; ohms: number }[] {
  const notedOhms = expectedPowerOhms(run);
  const perOhm = onePairOhms(run) / conductorOhms(powerCable(cable).conductor, 1, 20);
  return usualAreasMm2
    .map((areaMm2) => ({
      label: `Cores of ${areaMm2} mm² copper`,
      ohms: perOhm * conductorOhms({ areaMm2, material: 'copper' }, 1, 20),
    }))
    .filter(({ ohms }) => ohms < 0.8 * notedOhms)
    .slice(0, 2);
}

/**
 * What would become of the volts at a camera with its power brought another way: one more pair in parallel halves the
 * loop of one, heavier cores divide it by their area, an adapter at the camera has none, and a higher voltage with a
 * converter needs less current.
 */
export function powerFixes(
  site: Pick<Site, 'supply' | 'run' | 'camera'>,
  run: Run,
  camera: Camera,
  readings: RunReadings,
  source: FeedSource = feedSource(site, run),
): PowerFix[] {
  if (run.feed.kind === 'local-adapter') return [];
  const loopOhms = powerLoop(run, readings['power-loop-ohms']).ohms;
  const { current } = camera.supply;
  const fix = (
    kind: PowerFix['kind'],
    label: string,
    needs: string,
    loopOhms: number,
    { volts: sourceVolts, highestVolts }: Pick<FeedSource, 'volts' | 'highestVolts'> = source,
  ): PowerFix => {
    const coldOhms = coldPowerOhms(run, loopOhms);
    const fed = fedThrough({ sourceVolts, highestVolts, loopOhms, coldOhms }, camera);
    return { kind, label, needs, ...fed, ...heldBy(fed, sourceVolts, camera) };
  };
  const cable = powerCableOf(run);
  const pairOhms = onePairOhms(run);
  const heavier = cable
    ? heavierCores(cable, run).map(({ label, ohms }) =>
        fix('heavier-cores', label, 'a way to pull them', ohms),
      )
    : [];
  // The second pair is as noted, whatever spoils the first.
  const parallel = fix(
    'parallel-cores',
    'A second pair of the same cores in parallel',
    'spare cores all the way',
    (loopOhms * pairOhms) / (loopOhms + pairOhms),
  );
  const { labelVolts, leastVolts, mostVolts } = usualAdapter[current];
  const given = ampsInWords(leastVolts, worstLoad(camera), startUpLoad(camera));
  const adapter: PowerFix = {
    ...fix(
      'local-adapter',
      'An adapter at the camera',
      `a mains outlet there, by a licensed person, and an adapter of ${labelVolts} V and ${given} or more`,
      0.05,
      { volts: leastVolts, highestVolts: mostVolts },
    ),
    leastGiven: `The adapter gives ${labelVolts} V and at least ${given}.`,
  };
  return [
    fix('as-is', 'As it is', '', loopOhms),
    parallel,
    ...heavier,
    adapter,
    // A lead that others hang on as well takes no other volts.
    ...(current === 'dc' && source.isNoted ? [steppedUp(camera, loopOhms)] : []),
  ];
}

/** The same cores at twice the volts: half the amps, a quarter of the loss; a converter at the camera brings them down again. */
function steppedUp(camera: Camera, loopOhms: number): PowerFix {
  const { sourceVolts, leastInVolts, outVolts, efficiency } = stepUp;
  const lasting = worstWatts(camera);
  const starting = Math.max(lasting, camera.watts.startUp);
  const taken = (outWatts: number): CameraLoad => ({ voltAmps: outWatts / efficiency });
  const arriving = arrivingVolts({ sourceVolts, loopOhms, ...taken(starting) });
  // At the least volts it takes in, the most amps flow.
  const given = ampsInWords(leastInVolts, taken(lasting), taken(starting));
  const made = ampsInWords(outVolts, { voltAmps: lasting }, { voltAmps: starting });
  const volts = arriving >= leastInVolts ? outVolts : 0;
  const held = voltsShare(sourceVolts, arriving, {
    minVolts: leastInVolts,
    maxVolts: sourceVolts,
    from: 'typical',
  });
  return {
    kind: 'step-up',
    label: `${sourceVolts} V on the same cores and a converter at the camera`,
    needs: `a ${sourceVolts} V supply of ${given} or more, a converter of ${made} or more, and no other camera on that output`,
    leastGiven: `The ${sourceVolts} V supply gives at least ${given}, and the converter ${made} at ${outVolts} V.`,
    nightVolts: volts,
    startVolts: volts,
    idleVolts: volts,
    ownSupply: { sourceVolts, outVolts },
    ...held,
  };
}
