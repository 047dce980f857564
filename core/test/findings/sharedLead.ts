import { drawnAmps, type CameraLoad } from '#core/physics/power';
import type { Camera, Run, Site } from '#core/model/site';
import { worstLoad } from './cameraLoads';
import { coresOhms, expectedPowerOhms } from './loops';

/** What a lead that several cameras share leaves of the volts of its output. */
export interface SharedLead {
  ohms: number;
  /** Amps of all cameras on it, and how many those are. */
  amps: number;
  cameras: number;
  /** Volts where it splits. */
  volts: number;
}

/** A camera behind a lead: its load, and the loop of its own cores. */
export interface BehindLead extends CameraLoad {
  loopOhms: number;
}

/** A lead with everything behind it. */
export interface Lead {
  ohms: number;
  loads: readonly BehindLead[];
}

/** Amps that all loads take together of so many volts where the lead splits; what collapses takes what its cores let through. */
export function ampsBehind(
  { loads }: Pick<Lead, 'loads'>,
  volts: number,
): { amps: number; collapses: boolean } {
  const drawn = loads.map((load) => drawnAmps({ sourceVolts: volts, ...load }));
  return {
    amps: drawn.reduce((sum, one) => sum + one.amps, 0),
    collapses: drawn.some(({ collapses }) => collapses),
  };
}

/** Amps to which the sum is worked out, and how often it is tried: what does not settle by then collapses. */
const closeEnough = 1e-6;
const mostTries = 200;

/**
 * Volts where a lead splits, with every load behind it at once: `V = V0 − R·ΣI(V)`, each current that of a constant power behind its own
 * cores. From the full volts downward, so that of two solutions the stable one is found; 0 where the lead cannot bring what is asked.
 */
export function leadVolts(setVolts: number, lead: Lead): Pick<SharedLead, 'amps' | 'volts'> {
  let [amps, volts] = [0, setVolts];
  for (let tried = 0; tried < mostTries && volts > 0; tried += 1) {
    const { amps: next, collapses } = ampsBehind(lead, volts);
    if (collapses) return { amps: next, volts: 0 };
    if (Math.abs(next - amps) < closeEnough) return { amps: next, volts };
    amps = next;
    volts = setVolts - lead.ohms * amps;
  }
  return { amps, volts: 0 };
}

/** What is asked of an output by a camera: by the one that is there, or by one that may come. */
export type LoadOf = (camera: Camera) => CameraLoad;

/** What of a site a lead is worked out from. */
export type LeadSite = Pick<Site, 'supply' | 'run' | 'camera'>;

/**
 * The lead that a run hangs behind with others, each at its worst; `null` where its cores begin at the box. Loops are as their cables
 * promise: what was read of one does not move the others.
 */
export function leadOf(
  { supply: supplies, run: runs, camera: cameras }: LeadSite,
  { feed }: Run,
  loadOf: LoadOf = worstLoad,
): Lead | null {
  if (feed.kind === 'local-adapter') return null;
  const lead = supplies[feed.supplyId]!.outputs.find(({ number }) => number === feed.output)?.lead;
  if (!lead) return null;
  const loads = Object.values(runs).flatMap((run): BehindLead[] => {
    const camera = cameras[run.cameraId];
    return run.feed.kind !== 'local-adapter' &&
      run.feed.supplyId === feed.supplyId &&
      run.feed.output === feed.output &&
      camera
      ? [{ ...loadOf(camera), loopOhms: expectedPowerOhms(run) }]
      : [];
  });
  return { ohms: coresOhms(lead), loads };
}

/** What the lead of a run leaves of volts at its output, with all of its cameras at their worst. */
export function sharedLead(site: LeadSite, run: Run, setVolts: number, loadOf?: LoadOf): SharedLead | null {
  const lead = leadOf(site, run, loadOf);
  return lead && { ohms: lead.ohms, cameras: lead.loads.length, ...leadVolts(setVolts, lead) };
}
