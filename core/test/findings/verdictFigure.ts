import { formatQuantity } from '#core/shared/units';
import type { Verdict } from './verdict';

/** A figure of the verdict for the bar beside a run's name. */
export function verdictFigure({ read, expected }: Pick<Verdict, 'read' | 'expected'>): string {
  const shown = read ?? expected;
  return shown ? formatQuantity(shown.value, shown.unit) : '';
}
