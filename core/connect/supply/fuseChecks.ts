import { cableOf, conductorAreaMm2, powerCable, type Conductor } from '#core/physics/cable';
import { ampacityA, limitedPowerVa } from '#core/physics/power';
import type { Run, Supply } from '#core/model/site';

interface Cores {
  conductor: Conductor;
  outCores: number;
  backCores: number;
}

/** Every bundle of cores that one feed goes through. */
function coresOf({ feed, segments }: Run): Cores[] {
  if (feed.kind === 'local-adapter') return [];
  if (feed.kind === 'separate-pair') {
    const { outCores, backCores, cable } = feed;
    return [{ conductor: powerCable(cable).conductor, outCores, backCores }];
  }
  return segments.flatMap((segment): Cores[] => {
    const { leg } = segment;
    if (leg.kind === 'none') return [];
    const { outCores, backCores } = leg;
    if (leg.kind === 'cores') return [{ conductor: powerCable(leg.cable).conductor, outCores, backCores }];
    const line = cableOf(segment);
    return line.kind === 'pair' ? [{ conductor: line.conductor, outCores, backCores }] : [];
  });
}

/** What is not plain copper runs hotter: so much of copper's amps. Source: √(ρ of copper / ρ of copper-clad aluminium). */
const cladShare = 0.78;

/** Amps that the weakest of these cores carry for good; nothing where there are none. */
function coresAmps(cores: readonly Cores[]): number | null {
  const each = cores.map(
    ({ conductor, outCores, backCores }) =>
      ampacityA(conductorAreaMm2(conductor)) *
      (conductor.material === 'copper' ? 1 : cladShare) *
      Math.min(outCores, backCores),
  );
  return each.length > 0 ? Math.min(...each) : null;
}

const amps = (value: number): string => `${Number(value.toFixed(1))} A`;

/** Outputs in words: “Output 3”, “Outputs 1, 2 and 5”, “All outputs”. */
function outputWords(numbers: readonly number[], of: number): string {
  if (numbers.length === 1) return `Output ${numbers[0]}`;
  if (numbers.length === of) return 'All outputs';
  return `Outputs ${numbers.slice(0, -1).join(', ')} and ${numbers.at(-1)}`;
}

/** Fuses that would not open before what they should protect is harmed. */
function uselessFuses(
  { name, ratedAmps, outputs }: Supply,
  fed: ReadonlyMap<number, readonly Run[]>,
): string[] {
  const aboveRating = outputs.filter(({ fuseAmps }) => fuseAmps > ratedAmps);
  const aboveCores = outputs.flatMap(({ number, fuseAmps, lead }) => {
    const shared = lead ? [{ ...lead, conductor: powerCable(lead.cable).conductor }] : [];
    const bears = [shared, ...(fed.get(number) ?? []).map(coresOf)].flatMap(
      (cores) => coresAmps(cores) ?? [],
    );
    const least = Math.min(...bears);
    return fuseAmps > least ? [{ number, fuseAmps, least }] : [];
  });
  return [
    ...(aboveRating.length > 0
      ? [
          `${outputWords(
            aboveRating.map(({ number }) => number),
            outputs.length,
          )}: a fuse above the ${amps(ratedAmps)} that ${name} gives never opens. It protects nothing.`,
        ]
      : []),
    ...aboveCores.map(
      ({ number, fuseAmps, least }) =>
        `Output ${number}: its fuse of ${amps(fuseAmps)} does not protect cores that bear ${amps(least)}. Fit a smaller fuse.`,
    ),
  ];
}

/** Outputs that can give more than counts as limited power, by their fuse or by what the box gives at all. */
function unlimitedOutputs({ setVolts, ratedAmps, outputs }: Supply): string[] {
  const above = outputs.filter(({ fuseAmps }) => Math.min(fuseAmps, ratedAmps) * setVolts > limitedPowerVa);
  if (above.length === 0) return [];
  const most = Math.max(...above.map(({ fuseAmps }) => Math.min(fuseAmps, ratedAmps) * setVolts));
  return [
    `${outputWords(
      above.map(({ number }) => number),
      outputs.length,
    )}: up to ${most.toFixed(0)} VA, above ${limitedPowerVa} VA. No limited-power source: cable and enclosure follow the rules for higher power, a licensed person decides.`,
  ];
}

/** What the fuses of a supply box do not do, in words; `fed` are the runs on each output. */
export const fuseChecks = (supply: Supply, fed: ReadonlyMap<number, readonly Run[]>): string[] => [
  ...uselessFuses(supply, fed),
  ...unlimitedOutputs(supply),
];
