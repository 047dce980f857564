import { cableOf, conductorOhms } from '#core/physics/cable';
import type { WarmStretch } from '#core/physics/signal';
import {
  maxLoadWatts,
  poeClasses,
  poeClassFor,
  poeMinDeviceVolts,
  poePairsFed,
  poeLeastSourceVolts,
  type PoeClass,
} from '#core/physics/power';
import type { CameraFigures } from '#core/model/views';
import { loadFactor, ohmsFactor } from '#core/test/scenarios';
import { figure, type Figure } from '#core/shared/derivation';
import type { Margin } from '../option';
import { enough, wattsMargin } from './wattsMargin';

const pairPathOhms = (stretches: readonly WarmStretch[]): number =>
  stretches.reduce((sum, stretch) => {
    const line = cableOf(stretch);
    return line.kind === 'pair'
      ? sum + conductorOhms(line.conductor, stretch.lengthM, stretch.temperatureC)
      : sum;
  }, 0);

/** Watts over category cable from a PoE port of one class. Two fed pairs make a loop of one conductor, four of half. */
function poeWatts(conductorLoopOhms: number, row: PoeClass): number {
  const loopOhms = poePairsFed(row.poeClass) === 4 ? conductorLoopOhms / 2 : conductorLoopOhms;
  const most =
    maxLoadWatts({
      sourceVolts: poeLeastSourceVolts(row.poeClass),
      loopOhms,
      minLoadVolts: poeMinDeviceVolts(row.poeClass),
      sourceLimitWatts: row.sourceWatts,
    }) ?? row.sourceWatts;
  return Math.min(most, row.deviceWatts);
}

export interface PoeMargin {
  margin: Margin;
  sourceWatts: number;
}

/**
 * Watts from the lowest PoE class that serves the camera over these stretches of category cable, or those that a load tester
 * has held there.
 */
export function poeMargin(
  stretches: readonly WarmStretch[],
  { nightWatts, from }: Pick<CameraFigures, 'nightWatts' | 'from'>,
  lengthFrom: Figure,
  loadedWatts?: number,
): PoeMargin {
  const ohms = pairPathOhms(stretches);
  const wanted = poeClassFor(nightWatts) ?? poeClasses[8];
  const row =
    poeClasses
      .filter(({ poeClass, sourceWatts }) => poeClass > 0 && sourceWatts >= wanted.sourceWatts)
      .find((candidate) => poeWatts(ohms, candidate) >= nightWatts) ?? wanted;
  const have = loadedWatts ?? poeWatts(ohms, row);
  return {
    sourceWatts: row.sourceWatts,
    margin: wattsMargin({
      need: figure('camera by night', nightWatts, 'W', from),
      have,
      loopFrom: loadedWatts === undefined ? 'typical' : 'measured',
      unread: lengthFrom.from !== 'measured' && loadedWatts === undefined,
      limitSays: 'Too little power arrives for this camera.',
      // A port gives what its class may draw; a camera that turns out hungrier asks for the next class.
      under: (scenario) =>
        enough(
          nightWatts * loadFactor(from, scenario),
          loadedWatts ?? poeWatts(ohms * ohmsFactor('typical', scenario.coaxOhms), row),
        ),
      steps: () => [
        {
          message: 'Loop of the fed pairs',
          formula: 'power-loop',
          inputs: [lengthFrom],
          result: figure('loop', ohms, 'Ω', 'typical'),
        },
        {
          message: `Most that can arrive, class ${row.poeClass}`,
          formula: 'most-watts',
          inputs: [
            figure('source gives at least', poeLeastSourceVolts(row.poeClass), 'V', 'standard'),
            figure('loop', ohms, 'Ω', 'typical'),
            figure('class gives', row.sourceWatts, 'W', 'standard'),
            figure('class lets in', row.deviceWatts, 'W', 'standard'),
          ],
          result: figure('arrives', poeWatts(ohms, row), 'W', 'computed'),
        },
        ...(loadedWatts === undefined
          ? []
          : [
              {
                message: 'Held by a load tester at the camera',
                formula: 'against-limit' as const,
                inputs: [],
                result: figure('held', loadedWatts, 'W', 'measured'),
              },
            ]),
      ],
    }),
  };
}
