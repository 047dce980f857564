import type { Part } from './part';
import type { LeadRule } from './portsThere';
import type { PortLevel, UnitSize, Wanted } from './sharedUnits';

/** Whole units of several sizes with what they come to. */
export interface Mix {
  parts: Part[];
  cost: number;
  rackUnits: number;
}

/** How many of the ports that are asked for have to give power. */
const fedPorts = (levels: readonly PortLevel[]): number =>
  Math.max(0, ...levels.map(({ watts, ports }) => (watts > 0 ? ports : 0)));

const portsAtLeast = (levels: readonly PortLevel[], watts: number): number =>
  levels.reduce((sum, level) => sum + (level.watts >= watts ? level.ports : 0), 0);

/** What is wanted beyond what there is; nothing of it is negative but what is there in plenty. */
const beyond = (wanted: Wanted, have: Wanted): Wanted => ({
  ports: wanted.ports - have.ports,
  watts: wanted.watts - have.watts,
  mbps: wanted.mbps - have.mbps,
  fedMbps: wanted.fedMbps - have.fedMbps,
  levels: wanted.levels.map(({ watts, ports }) => ({
    watts,
    ports: ports - portsAtLeast(have.levels, watts),
  })),
});

const isMet = ({ ports, watts, mbps, fedMbps, levels }: Wanted): boolean =>
  ports <= 0 && watts <= 1e-9 && Math.max(mbps, fedMbps) <= 1e-9 && levels.every((level) => level.ports <= 0);

const unitsOf = ({ ports, watts, mbps, portWatts }: UnitSize, count: number): Wanted => ({
  ports: count * ports,
  watts: count * watts,
  mbps: count * mbps,
  fedMbps: count * mbps,
  levels: [{ watts: portWatts, ports: count * ports }],
});

/** How many of a size would serve what is wanted by themselves, as far as its ports are strong enough. */
const enoughOf = (size: UnitSize, { ports, watts, mbps, fedMbps, levels }: Wanted, joined: number): number =>
  Math.max(
    0,
    Math.ceil(ports / size.ports),
    size.ports > 1 ? Math.ceil(joined / (size.ports - 1)) : 0,
    size.watts > 0 ? Math.ceil(watts / size.watts - 1e-9) : 0,
    Math.ceil(Math.max(mbps, fedMbps) / size.mbps - 1e-9),
    ...levels.map((level) => (level.watts <= size.portWatts ? Math.ceil(level.ports / size.ports) : 0)),
  );

const nothingThere: Wanted = { ports: 0, watts: 0, mbps: 0, fedMbps: 0, levels: [] };

/** What the leads of a place ask of a mix: the rules of its kind, and how many units are bought there beside. */
export interface Leads {
  rules: readonly LeadRule[];
  beside: number;
}
const noLeads: Leads = { rules: [], beside: 0 };

/** Ports that are missing once each unit that is bought gives one of its own for the lead to itself. */
const joinedBy = ({ ports, levels }: Wanted, { rules, beside }: Leads): number =>
  Math.max(...rules.map(({ asked, extra }) => (asked === 'all' ? ports : fedPorts(levels)) + extra + beside));

/** Every mix of whole units that serves what is wanted and has none too many, cheapest first. */
export function mixes(
  sizes: readonly UnitSize[],
  wanted: Wanted,
  there: Wanted = nothingThere,
  leads: Leads = noLeads,
): Mix[] {
  const missing = beyond(wanted, there);
  const joined = joinedBy(wanted, leads);
  if (isMet(missing) && (joined <= 0 || leads.rules[0]?.applies === 'when-bought'))
    return [{ parts: [], cost: 0, rackUnits: 0 }];
  const found: Mix[] = [];
  const add = (from: number, left: Wanted, leftJoined: number, mix: Mix): void => {
    const size = sizes[from];
    if (!size) return;
    const most = enoughOf(size, left, leftJoined);
    for (let count = 0; count <= most; count += 1) {
      const parts = count > 0 ? [...mix.parts, { item: size.item, count }] : mix.parts;
      const next = {
        parts,
        cost: mix.cost + count * size.each,
        rackUnits: mix.rackUnits + count * size.rackUnits,
      };
      const still = beyond(left, unitsOf(size, count));
      const stillJoined = leftJoined - count * (size.ports - 1);
      if (isMet(still) && stillJoined <= 0) {
        found.push(next);
        return;
      }
      add(from + 1, still, stillJoined, next);
    }
  };
  add(0, missing, joined, { parts: [], cost: 0, rackUnits: 0 });
  return found.sort((a, b) => a.cost - b.cost || a.rackUnits - b.rackUnits);
}
