import type { NetworkCameraNeed } from '#core/decide/options';
import { isToBeHung, type PolicyFigures } from '#core/model/site';
import { viewOnNetwork } from '#core/signoff/pictures';
import { plain, soakCheck } from './build';
import { categoryChecks } from './categoryChecks';
import { portCheck, type CameraEnd, type Device } from './portCheck';
import type { AskedCheck, AskedThing } from './types';
import { viewChecks } from './viewChecks';

/** What is asked of the lead of a new view, by what it runs over. */
const leadChecks = ({ medium }: NetworkCameraNeed['fact']['lead'], policy: PolicyFigures): AskedCheck[] =>
  medium === 'category' ? categoryChecks(policy) : [soakCheck(policy.radioSoakHours, policy.lostPercent)];

/**
 * Everything that is asked of a camera of the network: of one that was there before its picture and what is noted of it, of a new
 * view its lead and its serial as well, and of one that takes the place of another its serial.
 */
export function networkCameraAsked(
  { camera, fact, signal, nightWatts }: NetworkCameraNeed,
  policy: PolicyFigures,
  end: CameraEnd | undefined,
  device: Device | undefined,
): AskedThing {
  const isNewView = fact.state === 'planned';
  return {
    of: { kind: 'camera', id: camera.id },
    name: camera.name,
    number: camera.number,
    placeId: camera.placeId,
    checks: [
      ...portCheck(end && { ...end, nightWatts }, device, policy),
      ...(isNewView ? leadChecks(fact.lead, policy) : []),
      ...viewChecks(camera, viewOnNetwork(camera, signal.megapixels)?.perMetre ?? null).filter(
        // A new view has no old picture to agree with.
        ({ check }) => !(isNewView && check === 'frame-agrees'),
      ),
      plain('labels'),
      ...(isToBeHung(fact) ? [plain('serial')] : []),
      plain('password-holder'),
      plain('firmware'),
    ],
  };
}
