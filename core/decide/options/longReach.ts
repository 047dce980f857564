import { productOf } from '#core/model/catalogue';
import type { ProductOf } from '#core/model/site';
import { figure, type Status } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { loadFactor } from '#core/test/scenarios';
import type { Context } from './context';
import { reachMargin } from './margins';
import { oldCategoryObstacle, onOldCategory } from './oldCategory';
import type { Margin, Option } from './option';
import { portGearAt, unitSizes } from './sharedUnits';

const of = 'long-reach-switch' as const;
/** Of what a port carries, so much is used at most, and so much is planned with. Policy, as for every link. */
const [mostOfPort, plannedOfPort] = [0.8, 0.6];

/** How far a port reaches, and what it carries then: the least of those that are there or can be bought, since any of them may be the one. */
function portsReach({ site, catalogue, headEnd }: Context): { metres: number; mbps: number } {
  const bought = unitSizes(catalogue, of).map(({ item }): ProductOf<typeof of> =>
    productOf(catalogue, item, of),
  );
  const there = portGearAt(site, of, headEnd.id).flatMap(({ gear }) =>
    gear.kind === 'switch' && gear.reach ? [gear.reach] : [],
  );
  return {
    metres: Math.min(...bought.map(({ reachM }) => reachM), ...there.map(({ metres }) => metres)),
    mbps: Math.min(...bought.map(({ reachMbps }) => reachMbps), ...there.map(({ mbps }) => mbps)),
  };
}

/** What such a port carries at its reach, against what the camera streams. */
function rateMargin({ need: { ip } }: Context, portMbps: number): Margin {
  const most = mostOfPort * portMbps;
  const utilisation = ip.mbps / most;
  const status: Status =
    utilisation > 1 ? 'fails' : utilisation > plannedOfPort / mostOfPort ? 'close' : 'holds';
  return {
    kind: 'link-rate',
    label: 'rate of the port',
    unit: 'Mb/s',
    value: most,
    utilisation,
    status,
    basis: 'typical',
    unread: false,
    under: (scenario) => utilisation * loadFactor(ip.mbpsFrom, scenario),
    derivation: () => ({
      title: `Rate of the port, ${formatQuantity(most, 'Mb/s')}`,
      steps: [
        {
          message: 'Of what it carries over so many metres four fifths are used',
          formula: 'link-room',
          inputs: [figure('port carries', portMbps, 'Mb/s', 'typical')],
          result: figure('of use', most, 'Mb/s', 'policy'),
        },
      ],
      limit: { sense: 'at-least', figure: figure('camera streams', ip.mbps, 'Mb/s', ip.mbpsFrom) },
      conclusion:
        status === 'fails' ? 'The camera streams more than that.' : 'Carries what the camera streams.',
    }),
  };
}

/** A port that reaches further than Ethernet does, at a lower rate, over the category cable that is there. */
export function longReachOption(context: Context): Option {
  // Most runs are no category cable: whether ports reach is not asked for those.
  const obstacle = oldCategoryObstacle(context, 'long-reach');
  if (obstacle) return obstacle;
  const { metres, mbps } = portsReach(context);
  return onOldCategory(context, {
    kind: 'long-reach',
    of,
    reach: (stretches, from, spreadM) => reachMargin(stretches, from, spreadM, metres),
    margins: [rateMargin(context, mbps)],
    message: `The baluns come off; a port that reaches ${metres} m at ${mbps} Mb/s feeds the camera over the cable.`,
    cautions: [
      'Past 100 m no standard promises anything: the reach is the maker’s word for one kind of cable. Try camera, cable and port together, at night and for a day, before more are bought.',
    ],
    remedy: ({ kind }) =>
      kind === 'channel'
        ? 'fibre, or a switch nearer to it'
        : kind === 'link-rate'
          ? `a stream of at most ${formatQuantity(mostOfPort * mbps, 'Mb/s')}`
          : 'a camera of a lower class, or heavier cable',
  });
}
