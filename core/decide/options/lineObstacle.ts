import { lineKind } from '#core/test/findings';
import type { OptionKind } from '#core/model/site';
import { infeasible } from './build';
import type { Context } from './context';
import type { InfeasibleOption } from './option';

/** What keeps a line of this kind from carrying anything new, whatever its margins. */
export function lineObstacle(
  { run, readings: { continuity } }: Context,
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
