import { feedSource, leadOf, leadVolts, powerLoop, startUpLoad, worstLoad } from '#core/test/findings';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { continuousLoadShare, drawnAmps, type CameraLoad } from '#core/physics/power';
import type { Camera, Run, Site, Supply } from '#core/model/site';
import { loadOf, type Load } from '#core/shared/derivation';
import { batteryChecks, type Hanging } from './batteryChecks';
import { fuseChecks } from './fuseChecks';

/** A camera that hangs on an output, with the amps it makes the output give. */
export interface Fed {
  runId: string;
  number: number;
  name: string;
  nightAmps: number;
  startUpAmps: number;
}

export interface OutputCheck {
  number: number;
  fed: Fed[];
  fuse: Load;
}

/** A supply box with everything that hangs on it. */
export interface SupplyCheck {
  supplyId: string;
  outputs: OutputCheck[];
  /** All cameras at their worst at once, against 80 % of the rating. */
  sum: Load;
  /** All cameras starting at once after a power cut, against the whole rating. */
  startUp: Load;
  /** What must not stay as it is, in words. */
  wrong: string[];
  /** What its fuses do not protect, and outputs that are no limited-power source. */
  cautions: string[];
}

function fedBy(
  supply: Supply,
  sourceVolts: number,
  run: Run,
  camera: Camera,
  readings: RunReadings,
): { fed: Fed; wrong: string[] } {
  const { ohms } = powerLoop(run, readings['power-loop-ohms']);
  const { maxVolts } = camera.supply.window;
  const drawing = (load: CameraLoad) => drawnAmps({ sourceVolts, loopOhms: ohms, ...load });
  const worst = drawing(worstLoad(camera));
  const starting = drawing(startUpLoad(camera));
  const whose = `Camera ${camera.number}`;
  const wrong = [
    ...(camera.supply.current !== supply.current
      ? [
          `${whose} takes ${camera.supply.current.toUpperCase()}; ${supply.name} gives ${supply.current.toUpperCase()}. The two are never mixed: it can destroy the camera.`,
        ]
      : []),
    ...(camera.supply.current === supply.current && supply.setVolts > maxVolts
      ? [
          `${whose} takes at most ${maxVolts} V; ${supply.name} is set to ${supply.setVolts} V, and little of that drops while the camera idles.`,
        ]
      : []),
    ...(worst.collapses
      ? [`${whose} asks for more at night than its wires can bring; its supply collapses.`]
      : []),
  ];
  return {
    fed: {
      runId: run.id,
      number: camera.number,
      name: camera.name,
      nightAmps: worst.amps,
      startUpAmps: starting.amps,
    },
    wrong,
  };
}

const sumOf = (fed: readonly Fed[], amps: 'nightAmps' | 'startUpAmps'): number =>
  fed.reduce((sum, one) => sum + one[amps], 0);

/**
 * What hangs on each output of a supply box, and whether its fuses and its rating hold. The loads are taken as constant
 * power; a loop that was measured counts as measured.
 */
export function supplyCheck(
  site: Site,
  supply: Supply,
  readings: ReadonlyMap<string, RunReadings> = readingsByRun(site),
): SupplyCheck {
  const wrong: string[] = [];
  const byOutput = new Map<number, Fed[]>();
  const runsOn = new Map<number, Run[]>();
  const hanging: Hanging[] = [];
  const collapsed = new Set<number>();
  for (const run of Object.values(site.run)) {
    const { feed } = run;
    const camera = site.camera[run.cameraId];
    if (feed.kind === 'local-adapter' || feed.supplyId !== supply.id || !camera) continue;
    const read = readings.get(run.id) ?? {};
    const lead = leadOf(site, run);
    const leftVolts = lead ? leadVolts(supply.setVolts, lead).volts : supply.setVolts;
    if (leftVolts === 0) collapsed.add(feed.output);
    hanging.push({ run, camera, readings: read, lead });
    runsOn.set(feed.output, [...(runsOn.get(feed.output) ?? []), run]);
    // What a lead that collapses lets through is reckoned by the rail, so that its fuse is not taken to be at ease.
    const one = fedBy(supply, leftVolts || supply.setVolts, run, camera, read);
    wrong.push(...one.wrong);
    byOutput.set(
      feed.output,
      [...(byOutput.get(feed.output) ?? []), one.fed].sort((a, b) => a.number - b.number),
    );
  }
  const outputs = supply.outputs.map(({ number, fuseAmps }): OutputCheck => {
    const fed = byOutput.get(number) ?? [];
    return { number, fed, fuse: loadOf(`output ${number}`, sumOf(fed, 'startUpAmps'), fuseAmps, 'A') };
  });
  const all = outputs.flatMap(({ fed }) => fed);
  const sum = loadOf('all at night', sumOf(all, 'nightAmps'), supply.ratedAmps * continuousLoadShare, 'A');
  const startUp = loadOf('all starting at once', sumOf(all, 'startUpAmps'), supply.ratedAmps, 'A');
  for (const number of collapsed)
    wrong.push(
      `Output ${number}: its lead cannot bring what its cameras ask together; their supply collapses.`,
    );
  for (const { number, fuse } of outputs)
    if (fuse.status === 'fails')
      wrong.push(`Output ${number} gives up to ${fuse.used.toFixed(2)} A; its fuse is ${fuse.most} A.`);
  if (sum.status === 'fails')
    wrong.push(
      `${supply.name} gives ${sum.used.toFixed(1)} A at night; 80 % of its ${supply.ratedAmps} A is ${sum.most.toFixed(1)} A.`,
    );
  else if (startUp.status === 'fails')
    wrong.push(
      `After a power cut all cameras start at once and ask ${startUp.used.toFixed(1)} A of the ${supply.ratedAmps} A of ${supply.name}.`,
    );
  const onBattery = batteryChecks(supply, hanging);
  wrong.push(...onBattery.wrong);
  return {
    supplyId: supply.id,
    outputs,
    sum,
    startUp,
    wrong,
    cautions: [...fuseChecks(supply, runsOn), ...onBattery.cautions],
  };
}

/** The same for an adapter at a camera. */
export function adapterCheck(
  site: Site,
  run: Run,
  readings: RunReadings = {},
): { load: Load; wrong: string[] } | null {
  const { feed } = run;
  const camera = site.camera[run.cameraId];
  if (feed.kind !== 'local-adapter' || !camera) return null;
  const source = feedSource(site, run);
  const box: Supply = {
    id: run.id,
    name: 'its adapter',
    placeId: camera.placeId,
    current: source.current,
    setVolts: source.volts,
    ratedAmps: feed.ratedAmps,
    outputs: [{ number: 1, fuseAmps: feed.ratedAmps }],
  };
  const { fed, wrong } = fedBy(box, box.setVolts, run, camera, readings);
  return { load: loadOf('adapter', fed.startUpAmps, feed.ratedAmps, 'A'), wrong };
}
