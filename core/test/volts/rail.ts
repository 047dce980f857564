import {
  ampsBehind,
  coldPowerOhms,
  dayLoad,
  leadOf,
  leadVolts,
  powerLoop,
  startUpLoad,
  voltsShare,
  wasSeenRunning,
  worstLoad,
  type Lead,
  type LeadSite,
  type LoadOf,
} from '#core/test/findings';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { arrivingVolts, sourceVoltsFor, sourceVoltsUpTo, type CameraLoad } from '#core/physics/power';
import type { Camera, Run, Site, Supply } from '#core/model/site';
import type { Status } from '#core/shared/derivation';

/** A camera on a rail at one setting of it. */
export interface OnRail {
  runId: string;
  number: number;
  name: string;
  /** Volts by day on a cold day, and by night on a warm one; 0 where the supply collapses. */
  idleVolts: number;
  nightVolts: number;
  minVolts: number;
  maxVolts: number;
  /** Share of the drop it may have that is used at night. */
  utilisation: number;
  status: Status;
  /** Settings of the rail between which this camera is served by night and as it starts, and not harmed by day. */
  needsVolts: number;
  bearsVolts: number;
}

export interface Rail {
  setVolts: number;
  cameras: OnRail[];
  /** Lowest setting that serves every camera, by the one that needs most; highest that harms none, by the one that bears least. */
  lowest: { volts: number; number: number } | null;
  highest: { volts: number; number: number } | null;
  /** The box's own range of settings. */
  range: { minVolts: number; maxVolts: number };
  message: string;
}

/** What of a run's readings its supply's rail rests on. */
export const railRestsOn = (readings: RunReadings): readonly unknown[] => [
  readings['power-loop-ohms'],
  wasSeenRunning(readings),
];

/** A closing window: settings within this of a limit are no trim to leave. Policy. */
export const trimMarginVolts = 0.1;

interface Feeding {
  run: Run;
  camera: Camera;
  loopOhms: number;
  coldOhms: number;
  /** What it hangs behind with others. */
  lead: Lead | null;
  /** The rail at which it starts: by its figures, or as it is set today where it was seen running. */
  startsAtVolts: number;
}

/** A setting of the rail by which so many volts are left where its lead splits. */
const before = (lead: Lead | null, volts: number): number =>
  lead ? volts + lead.ohms * ampsBehind(lead, volts).amps : volts;

function onRail({ run, camera, loopOhms, coldOhms, lead, startsAtVolts }: Feeding, setVolts: number): OnRail {
  const { minVolts, maxVolts } = camera.supply.window;
  const [idle, worst] = [dayLoad(camera), worstLoad(camera)];
  const at = (sourceVolts: number, ohms: number, load: CameraLoad): number =>
    arrivingVolts({ sourceVolts, loopOhms: ohms, ...load });
  const leftVolts = lead ? leadVolts(setVolts, lead).volts : setVolts;
  // Most arrives while the others take nothing.
  const idleVolts = at(setVolts, coldOhms, idle);
  const nightVolts = at(leftVolts, loopOhms, worst);
  const { utilisation, status } =
    idleVolts > maxVolts
      ? voltsShare(setVolts, idleVolts, camera.supply.window)
      : voltsShare(leftVolts, nightVolts, camera.supply.window);
  return {
    runId: run.id,
    number: camera.number,
    name: camera.name,
    idleVolts,
    nightVolts,
    minVolts,
    maxVolts,
    utilisation,
    status,
    needsVolts: Math.max(before(lead, sourceVoltsFor(loopOhms, worst, minVolts)), startsAtVolts),
    bearsVolts: sourceVoltsUpTo(coldOhms, idle, maxVolts),
  };
}

const volts = (value: number): string => `${value.toFixed(1)} V`;

function saysOf({ lowest, highest, range, setVolts, cameras }: Omit<Rail, 'message'>): string {
  if (!lowest || !highest) return 'No camera hangs on it.';
  if (lowest.volts > highest.volts)
    return `No setting serves all: camera ${lowest.number} needs ${volts(lowest.volts)}, camera ${highest.number} bears at most ${volts(highest.volts)}. Feed camera ${lowest.number} another way.`;
  if (lowest.volts > range.maxVolts)
    return `Camera ${lowest.number} needs ${volts(lowest.volts)}; the box gives at most ${volts(range.maxVolts)}.`;
  if (highest.volts < range.minVolts)
    return `Camera ${highest.number} bears at most ${volts(highest.volts)}; the box gives at least ${volts(range.minVolts)}.`;
  const between = `between ${volts(lowest.volts)} (camera ${lowest.number}) and ${volts(highest.volts)} (camera ${highest.number})`;
  const isServed = cameras.every(
    ({ needsVolts, bearsVolts }) =>
      setVolts >= needsVolts + trimMarginVolts && setVolts <= bearsVolts - trimMarginVolts,
  );
  return isServed ? `All are served; any setting ${between} does.` : `Set it ${between}.`;
}

/**
 * Every camera on a supply box at one setting of its rail. Loads are constant power; loops are as read where they were read.
 * By day the cores count as cold, so that the upper limit is met when it is nearest.
 * @param loadOf what cameras behind a lead that they share ask at most; by those that are there where it is left out
 */
export function railAt(
  site: LeadSite & Pick<Site, 'reading' | 'mending'>,
  supply: Supply,
  setVolts: number,
  readings: ReadonlyMap<string, RunReadings> = readingsByRun(site),
  loadOf?: LoadOf,
): Rail {
  const feeding = Object.values(site.run).flatMap((run): Feeding[] => {
    const camera = site.camera[run.cameraId];
    if (
      run.feed.kind === 'local-adapter' ||
      run.feed.supplyId !== supply.id ||
      !camera ||
      camera.supply.current !== supply.current
    )
      return [];
    const read = readings.get(run.id) ?? {};
    const loopOhms = powerLoop(run, read['power-loop-ohms']).ohms;
    const lead = leadOf(site, run, loadOf);
    const startsAt = before(
      lead,
      sourceVoltsFor(loopOhms, startUpLoad(camera), camera.supply.window.minVolts),
    );
    return [
      {
        run,
        camera,
        loopOhms,
        coldOhms: coldPowerOhms(run, loopOhms),
        lead,
        startsAtVolts: wasSeenRunning(read) ? Math.min(startsAt, supply.setVolts) : startsAt,
      },
    ];
  });
  const cameras = feeding.map((one) => onRail(one, setVolts)).sort((a, b) => a.number - b.number);
  const most = cameras.reduce<OnRail | null>((a, b) => (!a || b.needsVolts > a.needsVolts ? b : a), null);
  const least = cameras.reduce<OnRail | null>((a, b) => (!a || b.bearsVolts < a.bearsVolts ? b : a), null);
  const rail = {
    setVolts,
    cameras,
    range: supply.adjustable ?? { minVolts: supply.setVolts, maxVolts: supply.setVolts },
    lowest: most && { volts: most.needsVolts, number: most.number },
    highest: least && { volts: least.bearsVolts, number: least.number },
  };
  return { ...rail, message: saysOf(rail) };
}
