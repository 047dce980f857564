import { infeasible, feasible } from './build';
import type { Context } from './context';
import type { Option } from './option';

/** No camera any more; the customer has to agree to the view lost. */
export function retireOption(context: Context): Option {
  const { camera } = context;
  if (!camera.mayGo)
    return infeasible(
      'retire',
      'not agreed',
      'Nobody has agreed to lose this view.',
      'the customer’s word, noted with the camera',
    );
  return feasible(context, {
    kind: 'retire',
    margins: [],
    parts: [{ item: 'disposal', count: 1 }],
    work: ['take-down'],
    signal: { kind: 'none' },
    megapixels: 0,
    lifeYears: 100,
    successor: null,
    message: `The view “${camera.purpose || camera.name}” is given up, as agreed.`,
    cautions: [
      'Write down who agreed that this view is lost.',
      'Isolate its supply before it comes down; never lift a camera by its lead.',
    ],
    remedy: () => '',
  });
}
