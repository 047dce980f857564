import { feedSource, runFindings, runLengthM, type RunFindings, type RunReadings } from '#core/findings';
import { optionsFor, targetCameras, type Option } from '#core/options';
import type { Camera, OptionKind, Recorder, Run, Site } from '#core/site';

/** Everything computed about one run and its camera. */
export interface RunEvaluation {
  run: Run;
  camera: Camera;
  lengthM: number;
  findings: RunFindings;
  options: Option[];
  chosen: OptionKind | null;
  /** Why what was chosen does not hold any more, where a later reading broke it. */
  choiceBroken: string | null;
}

function brokenChoice(chosen: Option | undefined): string | null {
  if (!chosen) return null;
  if (chosen.state === 'no') return chosen.why;
  return chosen.broken?.limit ?? null;
}

/** Evaluates one run from its own readings and the site around it. */
export function evaluateRun(site: Site, run: Run, readings: RunReadings, recorders: Recorder[]): RunEvaluation {
  const camera = site.camera[run.cameraId]!;
  const findings = runFindings(site, run, camera, readings);
  const options = optionsFor({
    site, camera, run, findings, recorders,
    place: site.place[camera.placeId]!, headEnd: site.place[run.headEndId]!,
    source: feedSource(site, run), target: targetCameras[camera.target],
  });
  const chosen = site.choice[camera.id]?.option ?? null;
  return { run, camera, findings, options, chosen, lengthM: runLengthM(run), choiceBroken: brokenChoice(options.find(({ kind }) => kind === chosen)) };
}
