import { batteryYears, poeEfficiency, supplyEfficiency, type BatteryAge } from '#core/connect/supply';
import type { Site } from '#core/model/site';
import { figure, type Derivation, type Figure, type Load, type Step } from '#core/shared/derivation';
import { continuousLoadShare } from '#core/physics/power';
import { formatQuantity } from '#core/shared/units';
import { totalWatts, type PowerNode } from './powerPicture';

/** So many things stand one by one; the rest of a long list stands as a sum. */
const mostListed = 8;

/** Cameras take what is usual of them, what feeds others is a sum, and the rest is as it was noted. */
const sourceOf = ({ kind, children }: PowerNode): Figure['from'] =>
  children.length > 0 ? 'computed' : kind === 'camera' || kind === 'heater' ? 'typical' : 'noted';

/** What each thing below takes, the largest first. */
function takenBelow({ children }: PowerNode): Figure[] {
  const sorted = [...children].sort((a, b) => b.watts - a.watts);
  const listed = sorted
    .slice(0, mostListed)
    .map((below) => figure(below.name, below.watts, 'W', sourceOf(below)));
  const rest = sorted.slice(mostListed);
  return rest.length > 0
    ? [...listed, figure(`${rest.length} more`, totalWatts(rest), 'W', 'typical')]
    : listed;
}

const sumStep = (node: PowerNode, fed: number): Step => ({
  message: 'What hangs on it takes by night',
  formula: 'mains-watts',
  inputs: takenBelow(node),
  result: figure('together', fed, 'W', 'computed'),
});

/** What a box or gear takes of the mains for what it feeds, and for itself. */
function intakeStep(node: PowerNode, fed: number, ownWatts: number | undefined): Step[] {
  if (node.kind !== 'box' && node.kind !== 'gear') return [];
  const efficiency = node.kind === 'box' ? supplyEfficiency : poeEfficiency;
  const isNoted = node.kind === 'box' && ownWatts !== undefined;
  return [
    {
      message: isNoted
        ? 'What it takes of the mains is noted, and counts'
        : node.kind === 'box'
          ? 'It takes more of the mains than it gives'
          : 'Its ports take more of the mains than they give, and it takes some itself',
      formula: 'mains-watts',
      inputs: [
        ...(isNoted ? [] : [figure('of it arrives', 100 * efficiency, '%', 'typical')]),
        ...(ownWatts === undefined ? [] : [figure('takes itself', ownWatts, 'W', 'noted')]),
        ...(isNoted ? [] : [figure('together', fed, 'W', 'computed')]),
      ],
      result: figure('takes', node.watts, 'W', isNoted ? 'noted' : 'computed'),
    },
  ];
}

/** What a breaker or an inverter bears is volt-amperes. */
const voltAmpsStep = (node: PowerNode): Step => ({
  message: 'What it is in volt-amperes',
  formula: 'mains-volt-amps',
  inputs: [figure('takes', node.watts, 'W', 'computed')],
  result: figure('takes', node.voltAmps, 'VA', 'typical'),
});

const concluded = ({ status }: Load): string =>
  status === 'fails'
    ? 'More than it may give for long.'
    : status === 'close'
      ? 'It holds, with little to spare.'
      : 'It holds.';

/** What the year on the battery makes of the minutes. */
const wornStep = (batteryYear: number | undefined, battery: BatteryAge): Step[] =>
  batteryYear === undefined || battery.kind === 'unknown'
    ? []
    : [
        {
          message:
            battery.kind === 'worn'
              ? 'It is older than that: count on no minutes until it is renewed'
              : 'It counts as worn from',
          formula: 'battery-worn-from',
          inputs: [
            figure('year on it', batteryYear, '', 'noted'),
            figure('years', batteryYears, '', 'policy'),
          ],
          result: figure('worn from', battery.wornFrom, '', 'policy'),
        },
      ];

/** How long a UPS lasts, and what a circuit or a box may give. */
function limitSteps({ equipment, supply }: Pick<Site, 'equipment' | 'supply'>, node: PowerNode): Step[] {
  const gear = equipment[node.id]?.gear;
  if (gear?.kind === 'ups' && node.backup)
    return [
      ...(node.load?.unit === 'VA' ? [voltAmpsStep(node)] : []),
      {
        message: node.backup.isOverloaded
          ? 'It switches off at once, since more hangs on it than it bears; its battery alone would last'
          : 'Without mains its battery, in the middle of its life, lasts',
        formula: 'ups-hours',
        inputs: [
          figure('usable Wh', gear.usableWh, '', 'noted'),
          figure('efficiency', gear.efficiencyPercent, '%', 'noted'),
          figure('takes', node.watts, 'W', 'computed'),
        ],
        result: figure('lasts', node.backup.hours * 60, 'min', 'computed'),
      },
      ...wornStep(gear.batteryYear, node.backup.battery),
    ];
  if (gear?.kind === 'circuit' && node.load)
    return [
      voltAmpsStep(node),
      {
        message: 'A breaker is loaded for long with four fifths of what it is for',
        formula: 'lasting-load',
        inputs: [
          figure('volts', gear.volts, 'V', 'noted'),
          figure('breaker', gear.breakerAmps, 'A', 'noted'),
          figure('of it for long', 100 * continuousLoadShare, '%', 'policy'),
        ],
        result: figure('at most', node.load.most, 'VA', 'policy'),
      },
    ];
  const box = supply[node.id];
  if (box && node.load)
    return [
      {
        message: 'A box gives four fifths of its rating for long',
        formula: 'lasting-load',
        inputs: [
          figure('rated', box.ratedAmps, 'A', 'noted'),
          figure('of it for long', 100 * continuousLoadShare, '%', 'policy'),
        ],
        result: figure('at most', node.load.most, 'A', 'policy'),
      },
    ];
  return [];
}

const nodeIn = (nodes: readonly PowerNode[], id: string): PowerNode | null => {
  for (const node of nodes) {
    const found = node.id === id ? node : nodeIn(node.children, id);
    if (found) return found;
  }
  return null;
};

/** How the watts of something in the picture were reached; `null` where it is not in it, or takes what it takes by itself. */
export function powerDerivation(
  site: Pick<Site, 'equipment' | 'supply' | 'recorder'>,
  nodes: readonly PowerNode[],
  id: string,
): Derivation | null {
  const node = nodeIn(nodes, id);
  if (!node || (node.children.length === 0 && node.kind !== 'gear' && node.kind !== 'box')) return null;
  const own = site.equipment[id] ?? site.recorder[id] ?? site.supply[id];
  const fed = totalWatts(node.children);
  const { load } = node;
  return {
    title: `${node.name}, ${formatQuantity(node.watts, 'W')} by night`,
    steps: [
      ...(node.children.length > 0 ? [sumStep(node, fed)] : []),
      ...intakeStep(node, fed, own?.hookUp?.mainsWatts),
      ...limitSteps(site, node),
    ],
    ...(load
      ? {
          limit: {
            sense: 'at-most',
            figure: figure(
              'at most',
              load.most,
              load.unit,
              node.kind === 'ups' || node.kind === 'gear' ? 'noted' : 'policy',
            ),
          } as const,
        }
      : {}),
    conclusion: `${load ? concluded(load) : 'Nothing is noted that limits it.'}${node.isUnread ? ' Some of its watts are not noted, so they are too few.' : ''}`,
  };
}
