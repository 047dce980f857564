import type { PictureFormat } from '#core/physics/signal';
import type { Stretch } from '#core/physics/cable';
import type { Effects } from './simulate';
import type { Symptom } from './symptoms';

/** The cable that softens a picture plainly: loss well past what its format bears. */
const farTooLong = 2.2;

/** How each symptom looks at its plainest, over this cable and in this format. */
export function symptomEffects(
  symptom: Symptom,
  format: PictureFormat,
  stretches: readonly Stretch[],
  ghostUs?: number,
): Effects {
  const cable = { stretches, format };
  switch (symptom) {
    case 'soft':
      return { cable: { ...cable, extraDb: farTooLong * format.limitDb } };
    case 'ghost':
      return { cable, echo: { delayUs: ghostUs ?? 3.2 * (6 / format.topMHz), share: 0.35 } };
    case 'bars':
      return { cable, hum: { bars: 1.6, share: 0.28, phase: 0.1 } };
    case 'sparkles':
      return { cable, sparkles: 0.22 };
    case 'torn':
      return { cable, torn: 0.22 };
    case 'rolling':
      return { cable, rolled: 0.38 };
    case 'test-bars-only':
      return { barsOnly: true };
    case 'no-picture':
      return { light: 0 };
    case 'gone-at-night':
      return { cable, light: 0.16, hum: { bars: 2, share: 0.05, phase: 0 } };
  }
}
