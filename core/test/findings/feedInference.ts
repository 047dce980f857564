import { loadVoltAmps, twoPoint, type TwoPoint } from '#core/physics/power';
import type { Camera } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { dayLoad, nightLoad } from './cameraLoads';
import type { FeedSource } from './feed';
import type { Loop } from './loops';
import type { RunReadings } from '#core/test/readings';

export interface FeedInference {
  told: TwoPoint;
  message: string;
}

/** Spreads from which two figures of a feed are not the same any more; a rail's own setting is known to this. Policy. */
const apartFrom = 2;
const railVolts = 0.15;
const loopShare = 0.04;

const untold = (why: string): string => `Day and night do not tell the loop: ${why}.`;
const othersToo = 'behind a lead that others share, their lamps take volts from it as well';

/**
 * What volts by day and by night say together: the loop behind the camera and the volts at its source, held against the
 * cores as noted or read and the rail as set. `null` until both are read.
 */
export function inferFeed(
  camera: Camera,
  source: FeedSource,
  loop: Pick<Loop, 'ohms' | 'from'>,
  readings: RunReadings,
): FeedInference | null {
  const [day, night] = [readings['day-volts'], readings['night-volts']];
  if (!day || !night) return null;
  if (!source.isNoted) return { told: { kind: 'untold', why: othersToo }, message: untold(othersToo) };
  const told = twoPoint(
    { volts: day.value, watts: loadVoltAmps(dayLoad(camera), day.value) },
    { volts: night.value, watts: loadVoltAmps(nightLoad(camera), night.value) },
  );
  if (told.kind === 'untold') return { told, message: untold(told.why) };
  const { loopOhms, sourceVolts, spreadOhms, spreadVolts } = told;
  const figures = `${formatQuantity(loopOhms, 'Ω')} ± ${formatQuantity(spreadOhms, 'Ω')} behind the camera, fed from ${formatQuantity(sourceVolts, 'V')} ± ${formatQuantity(spreadVolts, 'V')}`;
  const loopIsHigh = loopOhms - loop.ohms > apartFrom * Math.hypot(spreadOhms, loopShare * loop.ohms);
  const sags = source.volts - sourceVolts > apartFrom * Math.hypot(spreadVolts, railVolts);
  const cores = `the cores ${loop.from === 'measured' ? 'as read' : 'as noted'} have ${formatQuantity(loop.ohms, 'Ω')}`;
  const rail = `the rail is set to ${formatQuantity(source.volts, 'V')}`;
  if (loopIsHigh && sags)
    return {
      told,
      message: `${figures}: ${cores} and ${rail}. More is lost on the way than the cores explain, and the source gives less than it is set to.`,
    };
  if (loopIsHigh)
    return {
      told,
      message: `${figures}: ${cores}. The rest is a joint in the power, or the supply’s own resistance; read the loop of the cores.`,
    };
  if (sags)
    return {
      told,
      message: `${figures}: ${rail}. The source sags or is set lower than noted; measure at its terminals under load.`,
    };
  return { told, message: `${figures}: ${cores} and ${rail}. They explain both readings.` };
}
