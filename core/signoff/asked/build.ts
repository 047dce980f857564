import { isMeasured, predictedOf, type Predicted } from '#core/signoff/predicted';
import type { Margin } from '#core/decide/options';
import type { OptionLine } from '#core/decide/risk';
import { acceptanceCheckOf, type AcceptanceCheckId } from '#core/model/site';
import type { AcceptanceLimit, AskedCheck } from './types';

/** Nine in ten of normal values lie within so many standard deviations. */
export const ninetyTails = 1.645;

/** A check of what is seen, done or written down. */
export function plain(check: AcceptanceCheckId): AskedCheck {
  const { asks } = acceptanceCheckOf(check);
  const limit: AcceptanceLimit = asks.kind === 'words' ? { kind: 'words' } : { kind: 'seen' };
  return { check, limit, predicted: null, foretold: null };
}

export interface Bounds {
  least?: number | null;
  most?: number | null;
  because: string;
}

/** A check of a figure against its limits. */
export function figureCheck(
  check: AcceptanceCheckId,
  { least = null, most = null, because }: Bounds,
  predicted: Predicted | null = null,
): AskedCheck {
  const { asks } = acceptanceCheckOf(check);
  const unit = asks.kind === 'figure' ? asks.unit : '';
  return { check, limit: { kind: 'figure', unit, least, most, because }, predicted, foretold: null };
}

/** Checks of figures that margins of what was chosen predict, over the line that it is built on. */
export const marginChecks =
  (line: OptionLine) =>
  (check: AcceptanceCheckId, margin: Margin, bounds: Bounds): AskedCheck => {
    const asked = figureCheck(check, bounds);
    if (!isMeasured(margin)) return asked;
    const foretold = { margin, line };
    return { ...asked, predicted: predictedOf(foretold), foretold };
  };

/** A link under watch for so many hours. */
export const soakCheck = (hours: number, lostPercent: number): AskedCheck => ({
  check: 'soak',
  limit: { kind: 'soak', hours, lostPercent },
  predicted: null,
  foretold: null,
});
