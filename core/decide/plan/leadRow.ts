import type { LeadRule } from '#core/decide/options';
import type { Term } from '#core/solver';
import { sumOf, type Asked } from './asked';
import type { PlanDraft } from './planDraft';
import type { UnitCount } from './types';

/** Leads at a place beside those to units of the kind in question: units of other kinds, recorders that are bought, ways that end there. */
export interface Beside {
  terms: Term[];
  most: number;
}

/** The most ports that cameras and leads could ask for together under any of the rules. */
export const mostJoined = ({ ports }: Asked, rules: readonly LeadRule[], { most }: Beside): number =>
  Math.max(0, ...rules.map(({ extra }) => sumOf(ports) + Math.max(0, extra) + most));

/**
 * Whether whoever asks has room beside all leads anyway, however few units serve the ports: more units only make more room.
 * @param most the most ports that are asked for
 */
function neverBinds(
  most: number,
  { applies, extra }: LeadRule,
  units: readonly UnitCount[],
  { most: leads, portsThere }: Beside & { portsThere: number },
): boolean {
  const fewest = Math.min(...units.map(({ size }) => size.ports));
  if (!Number.isFinite(fewest) || fewest < 2) return false;
  for (let count = applies === 'when-asked' ? 0 : 1; (fewest - 1) * count - leads - extra < most; count += 1)
    if (count + leads + extra + portsThere > 0) return false;
  return true;
}

/**
 * Ports of a kind for cameras and leads together, as far as a rule of the place has it. An unknown says whether it applies, where it
 * would bind without anybody asking.
 */
export function leadRow(
  draft: PlanDraft,
  { of, placeId, ports: all, strong }: Asked,
  rule: LeadRule,
  units: readonly UnitCount[],
  beside: Beside & { portsThere: number },
): void {
  const { asked, applies, extra } = rule;
  const name = `${asked} ${of} ports and leads at ${placeId}`;
  const ports =
    asked === 'all'
      ? all
      : strong.flatMap(({ watts, variable }): Term[] => (watts > 0 ? [{ variable, by: 1 }] : []));
  if (neverBinds(sumOf(ports), rule, units, beside)) return;
  const terms = [
    ...ports,
    ...beside.terms,
    ...units.map(({ size, variable }) => ({ variable, by: 1 - size.ports })),
  ];
  const deciding = applies === 'when-asked' ? ports : units.map(({ variable }) => ({ variable, by: 1 }));
  // What stands in the row when nobody asks, beyond what it allows: with nothing bought, ports that are there serve whoever asks.
  const served = applies === 'when-asked' ? 0 : Math.min(sumOf(ports), beside.portsThere);
  const idle = beside.most + extra + served;
  if (idle <= 0) {
    draft.row(name, terms, '<=', -extra);
    return;
  }
  const active = draft.variable(`${name} together`, 1, 0);
  const most = deciding.reduce(
    (sum, { variable, by }) => sum + by * draft.programme.variables[variable]!.most,
    0,
  );
  draft.row(`${name} apply`, [...deciding, { variable: active, by: -most }], '<=', 0);
  draft.row(name, [...terms, { variable: active, by: idle }], '<=', idle - extra);
}
