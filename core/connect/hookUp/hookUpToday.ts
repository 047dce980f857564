import type { Camera, Run, Segment, Site } from '#core/model/site';
import { signalCable } from '#core/physics/cable';
import { powerLines } from './powerLines';
import { telemetryLines } from './telemetryLines';
import { runLine, type Gauge } from './runLine';
import type { HookUp, HookUpLine, Station } from './types';

/** On coax the picture is on the centre, its return on the shield; on a pair the balun says which conductor is plus. */
export const pictureCores = (segment: Segment): string =>
  signalCable(segment.cable).kind === 'pair' ? 'one pair: + to +, − to −' : 'centre conductor and shield';

const isPair = (segment: Segment | undefined): boolean =>
  segment !== undefined && signalCable(segment.cable).kind === 'pair';

/** An end of a picture's line: a BNC, with a balun before it where the line is a pair there. */
const withBalun = (end: Station, segment: Segment | undefined): Station =>
  isPair(segment) ? { ...end, terminals: [...end.terminals, 'balun: + and − of its terminals'] } : end;

export const inputStation = (
  site: Site,
  recorderId: string | undefined,
  slot: number | undefined,
): Station => ({
  name: recorderId === undefined ? 'Recorder' : (site.recorder[recorderId]?.name ?? 'Recorder'),
  where: slot === undefined ? 'input not noted' : `input ${slot}`,
  terminals: ['BNC'],
});

/** The picture of a camera over its run to a recorder's input. */
export function pictureLine(run: Run, ends: { head: Station; far: Station }, gauge: Gauge): HookUpLine {
  const { segments } = run;
  return runLine(
    run,
    'picture',
    { head: withBalun(ends.head, segments[0]), far: withBalun(ends.far, segments.at(-1)) },
    pictureCores,
    gauge,
  );
}

export const isolateFirst =
  'Before anything is unplugged: power off, foreign volts measured on centre and shield with a meter that was proved, and the run marked isolated.';

/** How a camera is connected today. */
export function hookUpToday(site: Site, run: Run, camera: Camera, gauge: Gauge): HookUp {
  const power = powerLines(site, run, camera, gauge);
  const steering = telemetryLines(site, camera);
  const head = inputStation(site, run.patchedTo?.recorderId, run.patchedTo?.input);
  const far: Station = {
    name: `Camera ${camera.number}`,
    where: camera.name,
    terminals: ['BNC, or the moulded lead’s video plug'],
  };
  const hasPair = run.segments.some((segment) => isPair(segment));
  return {
    title: `Camera ${camera.number} ${camera.name}, today`,
    lines: [pictureLine(run, { head, far }, gauge), ...power.lines, ...steering.lines],
    polarity: [
      ...(hasPair ? ['Baluns: the conductor on + at one end is the one on + at the other.'] : []),
      ...power.polarity,
      ...steering.polarity,
    ],
    cautions: [isolateFirst],
    unknown: [
      ...power.unknown,
      ...steering.unknown,
      ...(run.patchedTo ? [] : ['Which input of which recorder the lead is in is not noted.']),
    ],
  };
}
