import { recordingOf, type RecorderState } from '#core/allocate/recorder';
import type { PowerNode } from '#core/connect/powerPicture';
import type { Network } from '#core/connect/topology';
import { onAir } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { catalogueOf, productOf } from '#core/model/catalogue';
import type { Equipment, Gear, Link, PolicyFigures, RadioPath, Site } from '#core/model/site';
import { fibreLossDb } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import { figureCheck, plain, soakCheck } from './build';
import { fibreBounds } from './fibreBounds';
import type { AskedCheck, AskedThing } from './types';

/** A site as it will be when all is done. */
export interface WhenDone {
  site: Site;
  runs: readonly RunEvaluation[];
  network: Network;
  power: readonly PowerNode[];
  recorders: readonly RecorderState[];
  policy: PolicyFigures;
}

const access = [plain('password-holder'), plain('firmware')];

/** What is bought has a warranty, which is claimed by its serial; what was there before has none of whoever signs. */
const bought = ({ toBuy }: { toBuy?: string | undefined }): AskedCheck[] =>
  toBuy === undefined ? [] : [plain('serial')];
/** A gigabyte a day as a mean rate: eight bits a byte over 86 400 seconds. */
const mbpsOfGigabytesADay = (8 * 1000) / 86_400;

/** A figure that is planned, with a tenth to either side: what cameras send and take follows what goes on before them. Judgement. */
const roughly = (value: number) => ({ value, low: 0.9 * value, high: 1.1 * value });

/** What is asked of a recorder that somebody is on. */
function recorderAsked({ site, policy }: WhenDone, { recorder, slots }: RecorderState): AskedThing | null {
  const occupants = slots.flatMap((slot) => slot.occupants);
  if (occupants.length === 0) return null;
  const { storage } = recordingOf(site, recorder, occupants);
  const planned =
    storage.perCamera.reduce((sum, { gigabytesADay }) => sum + gigabytesADay, 0) * mbpsOfGigabytesADay;
  const over = policy.rateOverPercent;
  return {
    of: { kind: 'recorder', id: recorder.id },
    name: recorder.name,
    number: null,
    placeId: recorder.placeId,
    checks: [
      figureCheck('clock-off', { most: policy.clockSeconds, because: 'policy' }),
      figureCheck(
        'day-rate',
        {
          most: planned * (1 + over / 100),
          because: `${over} % over the ${formatQuantity(planned, 'Mb/s', 1)} that was planned`,
        },
        roughly(planned),
      ),
      plain('loss-alarm'),
      ...bought(recorder),
      ...access,
      plain('closed-outside'),
    ],
  };
}

const nodesOf = (node: PowerNode): PowerNode[] => [node, ...node.children.flatMap(nodesOf)];

/** Supply boxes that still feed something, and UPS with something behind them. */
function powerAsked({ site, power, policy }: WhenDone): AskedThing[] {
  const share = policy.supplySharePercent;
  return power.flatMap(nodesOf).flatMap((node): AskedThing[] => {
    const supply = site.supply[node.id];
    if (node.kind === 'box' && supply && node.load && node.load.used > 0)
      return [
        {
          of: { kind: 'supply', id: supply.id },
          name: supply.name,
          number: null,
          placeId: supply.placeId,
          checks: [
            figureCheck(
              'night-amps',
              {
                most: (supply.ratedAmps * share) / 100,
                because: `${share} % of its ${formatQuantity(supply.ratedAmps, 'A', 1)}`,
              },
              roughly(node.load.used),
            ),
            plain('labels'),
          ],
        },
      ];
    if (node.kind === 'ups' && node.backup) {
      const { hours, battery, isOverloaded } = node.backup;
      const minutes = hours * 60;
      const isWorn = battery.kind === 'worn';
      const first = isOverloaded
        ? '; take load off it first, it bears less than hangs on it'
        : isWorn
          ? '; renew its worn battery first'
          : '';
      return [
        {
          of: { kind: 'equipment', id: node.id },
          name: node.name,
          number: null,
          placeId: node.placeId,
          checks: [
            figureCheck(
              'ups-minutes',
              {
                least: Math.floor(minutes),
                because: `what was promised at the load by night${first}`,
              },
              // Its battery is reckoned with in the middle of its life: a new one lasts longer, a worn one as short as it likes.
              { value: minutes, low: isWorn || isOverloaded ? 0 : 0.85 * minutes, high: 1.4 * minutes },
            ),
            plain('ups-return'),
          ],
        },
      ];
    }
    return [];
  });
}

const poolCheck = (equipment: Equipment, { network, policy }: WhenDone): AskedCheck[] => {
  const loads = network.devices.find(({ deviceId }) => deviceId === equipment.id)?.loads ?? [];
  const watts = loads.find(({ unit }) => unit === 'W');
  const share = policy.portSharePercent;
  return watts && watts.used > 0
    ? [
        figureCheck(
          'pool-watts',
          {
            most: (watts.most * share) / 100,
            because: `${share} % of its ${formatQuantity(watts.most, 'W', 0)}`,
          },
          roughly(watts.used),
        ),
      ]
    : [];
};

const servesCameras: ReadonlySet<Gear['kind']> = new Set(['switch', 'coax-unit', 'encoder']);

/** Devices that a camera hangs on, and those that lead to them, whether or not their way to a recorder is noted all along. */
function devicesUsed({ cameras, links }: Network['topology']): Set<string> {
  const used = new Set(cameras.flatMap(({ deviceId }) => deviceId ?? []));
  for (const id of used) for (const { fromId, toId } of links) if (toId === id) used.add(fromId);
  return used;
}

/** Switches, units and encoders that some camera’s picture goes through. */
function gearAsked(done: WhenDone): AskedThing[] {
  const used = devicesUsed(done.network.topology);
  return Object.values(done.site.equipment)
    .filter(({ id, goes, gear }) => used.has(id) && !goes && servesCameras.has(gear.kind))
    .map((equipment) => ({
      of: { kind: 'equipment', id: equipment.id },
      name: equipment.name,
      number: null,
      placeId: equipment.placeId,
      checks: [...poolCheck(equipment, done), ...bought(equipment), ...access, plain('labels')],
    }));
}

/** What is asked of a link by what it runs over. */
function linkChecks(
  { site, policy }: WhenDone,
  { medium, lengthM, fibreGrade }: Link,
  usedMbps: number,
): AskedCheck[] {
  const lost = figureCheck('lost-packets', { most: policy.lostPercent, because: 'policy' });
  const rate = (check: 'throughput' | 'busy-rate', times: number): AskedCheck =>
    figureCheck(check, {
      least: usedMbps * times,
      because: `${times} times the ${formatQuantity(usedMbps, 'Mb/s')} that go over it`,
    });
  switch (medium) {
    case 'category':
      return [
        plain('cable-tester'),
        figureCheck('frame-errors', { most: 0, because: 'none is normal on a sound cable' }),
      ];
    case 'fibre': {
      const fibre = fibreGrade ?? productOf(catalogueOf(site), 'fibre-end', 'fibre-end').fibre;
      const loss = fibreLossDb(lengthM, fibre);
      const predicted = { value: loss, low: fibreLossDb(lengthM, fibre, 'good'), high: 1.3 * loss };
      return [figureCheck('fibre-loss', fibreBounds(site, policy), predicted)];
    }
    case 'coax-converters':
    case 'power-line':
      return [rate('throughput', policy.linkTimes), lost, soakCheck(policy.soakHours, policy.lostPercent)];
    case 'radio':
      return [
        rate('busy-rate', policy.radioTimes),
        lost,
        soakCheck(policy.radioSoakHours, policy.lostPercent),
      ];
  }
}

/** Links of the network that streams go over. */
function linksAsked(done: WhenDone): AskedThing[] {
  const used = new Map(done.network.links.map(({ linkId, load }) => [linkId, load.used]));
  return Object.values(done.site.link)
    .filter(({ id }) => (used.get(id) ?? 0) > 0)
    .map((link) => ({
      of: { kind: 'link', id: link.id },
      name: link.name,
      number: null,
      placeId: link.fromPlaceId,
      checks: [...linkChecks(done, link, used.get(link.id)!), plain('labels')],
    }));
}

/** Two standard deviations nearly of how far a level is off what was computed for a clear way. */
const levelOffDb = 6.6;

/** What the cameras of a place send over its radio. */
const mbpsOnAir = ({ runs }: WhenDone, { fromPlaceId }: RadioPath): number =>
  runs
    .filter((run) => run.camera.placeId === fromPlaceId && chosenOption(run)?.kind === 'wireless')
    .map((run) => chosenOption(run)!.signal)
    .reduce((sum, signal) => sum + (signal.kind === 'ip' ? signal.mbps : 0), 0);

/** Radio paths that somebody’s picture goes over. */
function radioAsked(done: WhenDone): AskedThing[] {
  const { site, policy } = done;
  return Object.values(site.radioPath).flatMap((path): AskedThing[] => {
    const mbps = mbpsOnAir(done, path);
    if (mbps === 0) return [];
    const { overDb } = onAir(catalogueOf(site), site, path);
    return [
      {
        of: { kind: 'radioPath', id: path.id },
        name: `${site.place[path.fromPlaceId]!.name} to ${site.place[path.toPlaceId]!.name}`,
        number: null,
        placeId: path.fromPlaceId,
        checks: [
          figureCheck(
            'radio-level',
            {
              least: overDb - policy.radioOffDb,
              because: `within ${policy.radioOffDb} dB of the ${formatQuantity(overDb, 'dB')} that were planned`,
            },
            { value: overDb, low: overDb - levelOffDb, high: overDb + levelOffDb },
          ),
          figureCheck('busy-rate', {
            least: mbps * policy.radioTimes,
            because: `${policy.radioTimes} times what its cameras stream`,
          }),
          soakCheck(policy.radioSoakHours, policy.lostPercent),
          ...access,
        ],
      },
    ];
  });
}

/** Everything beside cameras that is accepted. */
export const thingsAsked = (done: WhenDone): AskedThing[] => [
  ...linksAsked(done),
  ...radioAsked(done),
  ...done.recorders.flatMap((state) => recorderAsked(done, state) ?? []),
  ...powerAsked(done),
  ...gearAsked(done),
];
