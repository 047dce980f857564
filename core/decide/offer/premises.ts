import { isOwn, priceGaps } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import { oldCablesInUse, type FeasibleOption } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { counted } from '#core/shared/labels';
import type { Premise } from './types';

const numbers = (all: readonly number[]): string => all.join(', ');

/** A run with the choice that is offered for it. */
export interface Offered {
  run: RunEvaluation;
  option: FeasibleOption;
}

/**
 * What an offer rests on that nobody has seen: prices as they are shipped, routes that nobody walked, runs that nobody tested, choices that
 * hold by little or not at all. An offer with any of them is not final by itself.
 */
export function premisesOf(
  site: Site,
  offered: readonly Offered[],
  items: readonly string[],
  open: readonly RunEvaluation[],
): Premise[] {
  const shipped = [...new Set(items)].filter((item) => !isOwn(site, item));
  const gaps = priceGaps(site, items);
  const unwalked = offered.filter(({ option }) => option.tasks.some(({ item }) => item === 'survey-route'));
  const kept = oldCablesInUse(offered.map(({ run, option }) => ({ cameraId: run.camera.id, option })));
  const untested = offered.filter(({ run }) => kept.has(run.camera.id) && run.findings.missing.length > 0);
  const broken = offered.filter(({ run }) => run.choiceBroken !== null);
  const cameras = (of: readonly Offered[]): string => numbers(of.map(({ run }) => run.camera.number));
  const undecided = numbers(open.map(({ camera }) => camera.number));
  return [
    ...(open.length > 0
      ? [{ kind: 'choice' as const, message: `Not decided, so not in the price: cameras ${undecided}.` }]
      : []),
    ...gaps.map(({ message }): Premise => ({ kind: 'price', message })),
    ...(shipped.length > 0
      ? [
          {
            kind: 'price' as const,
            message: `${counted(shipped.length, 'price')} as shipped, which nobody here has confirmed.`,
          },
        ]
      : []),
    ...(unwalked.length > 0
      ? [{ kind: 'route' as const, message: `Routes that nobody has walked: cameras ${cameras(unwalked)}.` }]
      : []),
    ...(untested.length > 0
      ? [{ kind: 'run' as const, message: `Runs that are not tested through: cameras ${cameras(untested)}.` }]
      : []),
    ...broken.map(({ run }): Premise => ({
      kind: 'margin',
      message: `Camera ${run.camera.number}: what was chosen does not hold. ${run.choiceBroken}`,
    })),
  ];
}
