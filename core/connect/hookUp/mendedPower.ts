import type { FeasibleOption } from '#core/decide/options';
import type { Camera, Run, Site } from '#core/model/site';
import { usualAdapter } from '#core/test/volts';
import { cameraEnd, powerLines, type PowerHookUp } from './powerLines';
import type { Gauge } from './runLine';
import type { Span, Station } from './types';

const shortLead: Span = { label: 'its own lead', cores: 'one out, one back', lengthM: 0, look: 'cores' };

/** The old cores on a supply for this camera alone, and a converter before the camera. */
function onOwnSupply(
  site: Site,
  run: Run,
  camera: Camera,
  { sourceVolts, outVolts }: NonNullable<FeasibleOption['ownSupply']>,
  gauge: Gauge,
): PowerHookUp {
  const { lines, polarity, unknown } = powerLines(site, run, camera, gauge);
  const [given, made] = [`${sourceVolts} V`, `${outVolts} V`];
  const converter: Station = {
    name: 'Converter',
    where: 'at the camera',
    terminals: [`in: + and − of ${given}`, `out: + and − of ${made}`],
  };
  return {
    lines: lines.map(({ stations: [box, ...rest], spans, ...line }) => ({
      ...line,
      stations: [
        {
          name: `Supply of its own, ${given} DC`,
          where: `beside ${box!.name}, which this camera leaves`,
          terminals: ['terminals + and −'],
        },
        ...rest.slice(0, -1),
        converter,
        cameraEnd(camera),
      ],
      spans: [...spans, shortLead],
    })),
    polarity: [
      ...polarity,
      `${given} go to the converter and never to the camera: read ${made} at the converter’s output, plus where the camera has its plus, before the camera is plugged in.`,
    ],
    unknown,
  };
}

/** An adapter beside the camera, in the place of the box. */
function onAdapter(site: Site, run: Run, camera: Camera, gauge: Gauge): PowerHookUp {
  const { current } = camera.supply;
  const feed = {
    kind: 'local-adapter',
    current,
    volts: usualAdapter[current].labelVolts,
    ratedAmps: 1,
  } as const;
  const { unknown, ...drawn } = powerLines(site, { ...run, feed }, camera, gauge);
  return {
    ...drawn,
    unknown: [...unknown, 'The old power cores come off their box, and both ends are labelled as dead.'],
  };
}

/** From the same output over new cores. */
function overNewCores(power: PowerHookUp, lengthM: number): PowerHookUp {
  const span: Span = { label: 'new power cores', cores: 'one out, one back', lengthM, look: 'cores' };
  return {
    ...power,
    lines: power.lines.map((line) => ({
      ...line,
      stations: [line.stations[0]!, line.stations.at(-1)!],
      spans: [span],
    })),
  };
}

/** Power of a camera whose feed is mended: from its box still, from an adapter beside it, or from a supply of its own. */
export function mendedPower(
  site: Site,
  run: Run,
  camera: Camera,
  { ownSupply, fedLocally, newCableM }: Pick<FeasibleOption, 'ownSupply' | 'fedLocally' | 'newCableM'>,
  gauge: Gauge,
): PowerHookUp {
  if (ownSupply) return onOwnSupply(site, run, camera, ownSupply, gauge);
  if (fedLocally) return onAdapter(site, run, camera, gauge);
  const power = powerLines(site, run, camera, gauge);
  return newCableM > 0 ? overNewCores(power, newCableM) : power;
}
