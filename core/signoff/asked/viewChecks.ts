import type { Camera } from '#core/model/site';
import { viewPurposes } from '#core/physics/optics';
import { viewSpread } from '#core/test/scenarios';
import { figureCheck, ninetyTails, plain } from './build';
import type { AskedCheck } from './types';

/** Pixels that fall on a metre at the target. */
function pixelCheck(camera: Camera, perMetre: number): AskedCheck {
  const off = ninetyTails * viewSpread * perMetre;
  const purpose = viewPurposes.find(({ id }) => id === camera.needs?.detail);
  return figureCheck(
    'pixels-per-metre',
    {
      least: purpose?.atLeast ?? null,
      because: purpose ? `to ${purpose.label}` : 'nobody has said what the view is for',
    },
    { value: perMetre, low: perMetre - off, high: perMetre + off },
  );
}

/** What everybody looks at before a view is accepted. */
const lookedAt = ['frame-agrees', 'picture-by-day', 'picture-by-lamps', 'masks', 'playback'] as const;

/** What is asked of a view; its pixels at the target where lens and target are noted, else `perMetre` is `null`. */
export const viewChecks = (camera: Camera, perMetre: number | null): AskedCheck[] => [
  ...(perMetre === null ? [] : [pixelCheck(camera, perMetre)]),
  ...lookedAt.map(plain),
];
