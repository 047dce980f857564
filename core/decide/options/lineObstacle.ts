import { gearInLine, lineKind } from '#core/test/findings';
import type { InLineGear, OptionKind } from '#core/model/site';
import { infeasible } from './build';
import type { Context } from './context';
import type { InfeasibleOption } from './option';

/** What keeps a line of this kind from carrying anything new, whatever its margins. */
export function lineObstacle(
  { run, readings: { continuity } }: Pick<Context, 'run' | 'readings'>,
  kind: OptionKind,
  wants: 'coax' | 'pair',
): InfeasibleOption | undefined {
  if (lineKind(run) !== wants) {
    return wants === 'coax'
      ? infeasible(kind, 'not coax', 'The run is not coax all the way.', 'coax all the way')
      : infeasible(
          kind,
          'no Cat',
          'There is no category cable to this camera.',
          'category cable all the way',
        );
  }
  return continuity && continuity.found !== 'through'
    ? infeasible(
        kind,
        continuity.found,
        `The line was read as ${continuity.found}; nothing gets through it.`,
        'finding and mending the fault, then a new continuity reading',
      )
    : undefined;
}

/** What stands in a coax that an option's signal or power does not get past. It comes out first, and the run is tested again. */
export function gearObstacle(
  { run }: Pick<Context, 'run'>,
  kind: OptionKind,
  isPassed: (gear: InLineGear) => boolean,
): InfeasibleOption | undefined {
  const gear = gearInLine(run).find((one) => !isPassed(one));
  if (!gear) return undefined;
  const name = gear.label.toLowerCase();
  return infeasible(
    kind,
    gear.short,
    `In the line: ${name}. It does not let ${kind === 'hd-coax' ? 'an HD picture' : 'data and power'} through.`,
    `taking it out (${name}) or one made for this, and a new test of the run`,
  );
}
