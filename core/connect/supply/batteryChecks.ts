import { dayLoad, floatVolts, leadVolts, powerLoop, worstLoad, type Lead } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { arrivingVolts, type CameraLoad } from '#core/physics/power';
import type { Camera, Run, Supply } from '#core/model/site';

/** Volts of a 12 V lead battery where a box cuts it off. Source: makers' usual figures at 20 °C. */
const emptyVolts = 10.5;

/** A camera on a box, by its run and what was read of it. */
export interface Hanging {
  run: Run;
  camera: Camera;
  readings: RunReadings;
  /** What it hangs behind with others. */
  lead: Lead | null;
}

const voltsAt = ({ run, readings }: Hanging, sourceVolts: number, load: CameraLoad): number =>
  arrivingVolts({
    sourceVolts,
    loopOhms: powerLoop(run, readings['power-loop-ohms']).ohms,
    ...load,
  });

const numbers = (hanging: readonly Hanging[]): string => {
  const all = hanging.map(({ camera }) => camera.number).sort((a, b) => a - b);
  return all.length === 1 ? `Camera ${all[0]}` : `Cameras ${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;
};

/** What a battery on the rail means for the cameras there: too high while it charges, too low before it is empty. */
export function batteryChecks(
  { name, battery, current }: Supply,
  hanging: readonly Hanging[],
): { wrong: string[]; cautions: string[] } {
  if (!battery || current !== 'dc') return { wrong: [], cautions: [] };
  const tooHigh = hanging.filter(
    (one) => voltsAt(one, floatVolts, dayLoad(one.camera)) > one.camera.supply.window.maxVolts,
  );
  const tooLow = hanging.filter(
    (one) =>
      voltsAt(one, one.lead ? leadVolts(emptyVolts, one.lead).volts : emptyVolts, worstLoad(one.camera)) <
      one.camera.supply.window.minVolts,
  );
  return {
    wrong:
      tooHigh.length > 0
        ? [
            `${numbers(tooHigh)}: above the window while the battery of ${name} charges at ${floatVolts} V. A regulator at the camera, or another supply.`,
          ]
        : [],
    cautions:
      tooLow.length > 0
        ? [
            `${numbers(tooLow)}: dark before the battery of ${name} is empty, which is at ${emptyVolts} V. Its hours are fewer than its Wh tell.`,
          ]
        : [],
  };
}
