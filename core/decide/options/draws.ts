import { cameraLoad, drawnAmps, type CameraLoad } from '#core/physics/power';
import { dayLoad, feedSource, startUpLoad, worstLoad, type RunFindings } from '#core/test/findings';
import type { Figure } from '#core/shared/derivation';
import type { Camera, Run, Site } from '#core/model/site';
import type { Context } from './context';
import type { Draws } from './option';

/** What hangs on a feed asks of it for long and when it starts. */
export interface Loads {
  /** The least that it takes while it runs. */
  day: CameraLoad;
  worst: CameraLoad;
  startUp: CameraLoad;
}

export type DrawnAmps = Pick<Draws, 'amps' | 'startUpAmps'>;

/** Amps that loads draw of whatever feeds the run, at the volts that arrive. */
export function ampsOf(
  { source, findings: { powerLoop } }: Pick<Context, 'source' | 'findings'>,
  { worst, startUp }: Pick<Loads, 'worst' | 'startUp'>,
  sourceVolts = source.volts,
): DrawnAmps {
  const amps = (load: CameraLoad): number =>
    drawnAmps({
      sourceVolts,
      loopOhms: powerLoop.ohms,
      voltAmps: load.voltAmps,
      heaterOhms: load.heaterOhms,
    }).amps;
  return { amps: amps(worst), startUpAmps: amps(startUp) };
}

/** The same as drawn of the box that feeds the run; nothing where it has an adapter. */
export function drawsOf(
  { run: { feed } }: Pick<Context, 'run'>,
  { amps, startUpAmps }: DrawnAmps,
): Draws | null {
  if (feed.kind === 'local-adapter') return null;
  return { supplyId: feed.supplyId, output: feed.output, amps, startUpAmps };
}

/** What today's camera asks. */
export const loadsOf = (camera: Camera): Loads => ({
  day: dayLoad(camera),
  worst: worstLoad(camera),
  startUp: startUpLoad(camera),
});

/** What a camera draws of the box that feeds it today, whatever becomes of the others. */
export function drawsToday(
  site: Pick<Site, 'supply' | 'run' | 'camera'>,
  run: Run,
  camera: Camera,
  findings: RunFindings,
): Draws | null {
  return drawsOf({ run }, ampsOf({ source: feedSource(site, run), findings }, loadsOf(camera)));
}

/** Watts of a new camera: by night, of them a heater's, by day, and as it starts. */
export interface NewLoad {
  watts: Figure;
  heaterWatts: number;
  dayWatts: number;
  startUpWatts: number;
}

/** What a new one asks through what feeds it; of its start nobody knows how much is its heater. */
export const newLoads = (
  { source: { current } }: Context,
  { watts, heaterWatts, dayWatts, startUpWatts }: NewLoad,
): Loads => ({
  day: cameraLoad(dayWatts, current),
  worst: cameraLoad(watts.value ?? 0, current, heaterWatts),
  startUp: cameraLoad(startUpWatts, current),
});

/** What a heater asks that stays on the old cores by itself. */
export function heaterLoads(
  { source: { current } }: Context,
  watts: number,
): Pick<Loads, 'worst' | 'startUp'> {
  const load = cameraLoad(watts, current, watts);
  return { worst: load, startUp: load };
}
