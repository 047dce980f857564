import { z } from 'zod';
import type { Unit } from '#core/shared/units';

/** There is one record of it. */
export const acceptancePolicyId = 'acceptance';

/** A figure by which readings are accepted, and what it may be. */
interface PolicyFigure {
  label: string;
  unit: Unit;
  usual: number;
  least: number;
  most: number;
}

/** What acceptance goes by until a firm says otherwise. */
export const policyFigures = {
  voltsSparePercent: {
    label: 'Volts above the camera’s lowest',
    unit: '%',
    usual: 5,
    least: 0,
    most: 30,
  },
  portSharePercent: { label: 'Most of a port’s or pool’s watts', unit: '%', usual: 85, least: 10, most: 100 },
  linkTimes: { label: 'Rate of a coax link, times all streams', unit: '', usual: 1.5, least: 1, most: 5 },
  lostPercent: { label: 'Most packets lost', unit: '%', usual: 0.1, least: 0, most: 5 },
  soakHours: { label: 'Soak of a link', unit: 'h', usual: 24, least: 1, most: 720 },
  closeSoakHours: { label: 'Soak of a close link', unit: 'h', usual: 72, least: 1, most: 720 },
  fibreInsideDb: { label: 'Fibre inside its budget', unit: 'dB', usual: 3, least: 0, most: 10 },
  radioOffDb: { label: 'Radio below its plan at most', unit: 'dB', usual: 3, least: 0, most: 15 },
  radioTimes: { label: 'Rate of a radio, times all streams', unit: '', usual: 2, least: 1, most: 10 },
  radioSoakHours: { label: 'Soak of a radio', unit: 'h', usual: 168, least: 1, most: 720 },
  clockSeconds: { label: 'Clock off at most', unit: 's', usual: 1, least: 0, most: 60 },
  rateOverPercent: { label: 'Rate over the plan at most', unit: '%', usual: 10, least: 0, most: 100 },
  supplySharePercent: { label: 'Most of a supply box’s amps', unit: '%', usual: 80, least: 10, most: 100 },
  driftPercent: { label: 'Drift since acceptance that is told', unit: '%', usual: 10, least: 1, most: 100 },
} as const satisfies Record<string, PolicyFigure>;
export type PolicyFigureId = keyof typeof policyFigures;
export const policyFigureIds = Object.keys(policyFigures) as PolicyFigureId[];

const figures = Object.fromEntries(
  policyFigureIds.map((id) => [
    id,
    z.number().min(policyFigures[id].least).max(policyFigures[id].most).optional(),
  ]),
) as Record<PolicyFigureId, z.ZodOptional<z.ZodNumber>>;

/** What a firm accepts by where that is other than usual. */
export const acceptancePolicySchema = z.strictObject({
  id: z.literal(acceptancePolicyId),
  figures: z.strictObject(figures),
});
export type AcceptancePolicy = z.infer<typeof acceptancePolicySchema>;
export type PolicyFigures = Record<PolicyFigureId, number>;

/** Every figure that readings of a site are accepted by. */
export function policyFiguresOf({
  acceptancePolicy,
}: {
  acceptancePolicy: Readonly<Record<string, AcceptancePolicy>>;
}): PolicyFigures {
  const own = acceptancePolicy[acceptancePolicyId]?.figures ?? {};
  return Object.fromEntries(
    policyFigureIds.map((id) => [id, own[id] ?? policyFigures[id].usual]),
  ) as PolicyFigures;
}
