import type { PolicyFigures } from '#core/model/site';
import { figureCheck, plain } from './build';
import type { AskedCheck } from './types';

/** What is asked of a category cable with a camera at its end. */
export const categoryChecks = ({ lostPercent }: PolicyFigures): AskedCheck[] => [
  plain('cable-tester'),
  figureCheck('frame-errors', { most: 0, because: 'none is normal on a sound cable' }),
  figureCheck('lost-packets', { most: lostPercent, because: 'policy' }),
];
