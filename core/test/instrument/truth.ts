import { z } from 'zod';
import { signalCableIds } from '#core/physics/cable';
import type { FaultAt } from '#core/test/findings';
import type { Run, Segment, Site } from '#core/model/site';

/** A fault that the audit does not know of, at its metre of the run. */
const faultSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('series'), atM: z.number().min(0), ohms: z.number().positive() }),
  z.strictObject({ kind: z.literal('shunt'), atM: z.number().min(0), ohms: z.number().positive() }),
  z.strictObject({ kind: z.literal('tap'), atM: z.number().min(0), stubM: z.number().positive().max(200) }),
]);

/** How one run really is, where that differs from the audit. */
export const trueRunSchema = z.strictObject({
  /** Construction or length of the segments, in their order. */
  segments: z
    .array(
      z.strictObject({ cable: z.enum(signalCableIds).optional(), lengthM: z.number().positive().optional() }),
    )
    .optional(),
  faults: z.array(faultSchema).optional(),
  insulationMegohms: z.number().min(0).optional(),
  foreignAcVolts: z.number().min(0).optional(),
  /** Volts that fall away under the least load. */
  inducedAcVolts: z.number().min(0).optional(),
  shieldEarthVolts: z.number().min(0).optional(),
  /** In the power cores, beyond what their construction has. */
  powerExtraOhms: z.number().min(0).optional(),
  /** What the supply gives under load, where that is less than it is set to. */
  supplyVolts: z.number().positive().optional(),
});
export type TrueRun = z.infer<typeof trueRunSchema>;

/** What a stand-in measures: the site as audited, and how it really is. Keyed by camera number. */
export const truthSchema = z.strictObject({
  about: z.string(),
  runs: z.record(z.string().regex(/^\d+$/), trueRunSchema),
});
export type Truth = z.infer<typeof truthSchema>;

/** A run with all its secrets. */
export interface ActualRun {
  run: Run;
  faults: FaultAt[];
  secrets: TrueRun;
}

/** A few tenths of the noted spread either way, always the same for the same run: no audit is exact. */
const slip = (cameraNumber: number): number => Math.sin(cameraNumber * 12.9898) * 0.4;

function actualSegments(run: Run, cameraNumber: number, secrets: TrueRun): Segment[] {
  return run.segments.map((segment, index) => {
    const told = secrets.segments?.[index];
    return {
      ...segment,
      cable: told?.cable ?? segment.cable,
      // What really lies there is not what the sheet says.
      sheet: told?.cable === undefined ? segment.sheet : undefined,
      lengthM: told?.lengthM ?? segment.lengthM + segment.spreadM * slip(cameraNumber + index),
    };
  });
}

function faultAt(fault: z.infer<typeof faultSchema>): FaultAt {
  if (fault.kind !== 'tap') return { atM: fault.atM, fault: { kind: fault.kind, ohms: fault.ohms } };
  return {
    atM: fault.atM,
    fault: {
      kind: 'tap',
      stub: {
        kind: 'stretch',
        lengthM: fault.stubM,
        velocityFactor: 0.83,
        impedanceOhms: 75,
        skinDbPer100m: 1,
      },
      end: { kind: 'open' },
    },
  };
}

/** The run of a camera as it really is; `undefined` where there is none. */
export function actualRun(site: Site, truth: Truth, cameraNumber: number): ActualRun | undefined {
  const run = Object.values(site.run).find(({ cameraId }) => site.camera[cameraId]?.number === cameraNumber);
  if (!run) return undefined;
  const secrets = truth.runs[String(cameraNumber)] ?? {};
  return {
    run: { ...run, segments: actualSegments(run, cameraNumber, secrets) },
    faults: (secrets.faults ?? []).map(faultAt),
    secrets,
  };
}
