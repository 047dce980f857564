import type { Topology } from '#core/connect/topology';
import { isIp, type FeasibleOption, type Margin, type MarginKind } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import {
  keepsView,
  hasOwnCamera,
  optionRow,
  type Camera,
  type OptionKind,
  type PolicyFigures,
  type Site,
} from '#core/model/site';
import { viewWhenDone } from '#core/signoff/pictures';
import { viewPurposes } from '#core/physics/optics';
import { formatQuantity } from '#core/shared/units';
import { asKnown, loadFactor, viewSpread } from '#core/test/scenarios';
import type { Predicted } from '#core/signoff/predicted';
import { fibreBounds } from './fibreBounds';
import { figureCheck, marginCheck, plain, soakCheck } from './build';
import type { AskedCheck, AskedThing } from './types';

type CameraEnd = Topology['cameras'][number];
type Device = Topology['devices'][number];

/** The limit that a margin is held against; `null` where it is held against none. */
const limitOf = (margin: Margin): number | null => margin.derivation().limit?.figure.value ?? null;

const marginOf = ({ margins }: FeasibleOption, kind: MarginKind): Margin | undefined =>
  margins.find((margin) => margin.kind === kind);

/** Volts at the camera’s plug, of one that a supply box or an adapter feeds. */
function voltsChecks(
  option: FeasibleOption,
  camera: Camera,
  { voltsSparePercent }: PolicyFigures,
): AskedCheck[] {
  const night = marginOf(option, 'night-volts');
  if (!night) return [];
  const lowest = limitOf(night) ?? camera.supply.window.minVolts;
  const highest = marginOf(option, 'highest-volts');
  const own = optionRow(option.kind).keepsCamera ? camera.supply.window.maxVolts : null;
  const most = highest ? limitOf(highest) : own;
  return [
    marginCheck('lamp-volts', night, {
      least: lowest * (1 + voltsSparePercent / 100),
      most,
      because: `the camera’s lowest, ${formatQuantity(lowest, 'V')}, and ${voltsSparePercent} % to spare`,
    }),
    ...(most === null
      ? []
      : [figureCheck('idle-volts', { least: lowest, most, because: 'the camera’s window' })]),
  ];
}

/** What a coax link carries, and how it does over hours. Where it is close it is watched for longer. */
function coaxLinkChecks(option: FeasibleOption, policy: PolicyFigures): AskedCheck[] {
  const rate = marginOf(option, 'link-rate');
  if (!rate) return [];
  const streams = limitOf(rate) ?? 0;
  const watts = marginOf(option, 'watts');
  const isClose = option.state !== 'holds';
  return [
    ...(watts
      ? [
          marginCheck('delivered-watts', watts, {
            least: limitOf(watts),
            because: 'what the camera takes by night',
          }),
        ]
      : []),
    marginCheck('throughput', rate, {
      least: streams * policy.linkTimes,
      because: `${policy.linkTimes} times what the camera streams`,
    }),
    figureCheck('lost-packets', { most: policy.lostPercent, because: 'policy' }),
    soakCheck(isClose ? policy.closeSoakHours : policy.soakHours, policy.lostPercent),
  ];
}

const loadTails = 1.645;

/** Watts that a port gives, by what the camera takes. */
function portCheck(
  end: CameraEnd | undefined,
  device: Device | undefined,
  { portSharePercent }: PolicyFigures,
): AskedCheck[] {
  if (!end || !device || end.watts <= 0 || device.portWatts <= 0) return [];
  const { nightWatts = end.watts } = end;
  const at = (load: number) => nightWatts * loadFactor('typical', { ...asKnown, load });
  const predicted: Predicted = { value: nightWatts, low: at(-loadTails), high: at(loadTails) };
  return [
    figureCheck(
      'port-watts',
      {
        most: (device.portWatts * portSharePercent) / 100,
        because: `${portSharePercent} % of the port’s ${device.portWatts} W`,
      },
      predicted,
    ),
  ];
}

/** Pixels that fall on a metre at the target, of a camera whose lens and target are noted. */
function pixelCheck(site: Site, camera: Camera, chosen: OptionKind): AskedCheck[] {
  const view = viewWhenDone(site, camera, chosen);
  if (!view) return [];
  const { perMetre } = view;
  const off = loadTails * viewSpread * perMetre;
  const purpose = viewPurposes.find(({ id }) => id === camera.needs?.detail);
  return [
    figureCheck(
      'pixels-per-metre',
      {
        least: purpose?.atLeast ?? null,
        because: purpose ? `to ${purpose.label}` : 'nobody has said what the view is for',
      },
      { value: perMetre, low: perMetre - off, high: perMetre + off },
    ),
  ];
}

const cablingChecks = (option: FeasibleOption, { lostPercent }: PolicyFigures): AskedCheck[] =>
  marginOf(option, 'channel')
    ? [
        plain('cable-tester'),
        figureCheck('frame-errors', { most: 0, because: 'none is normal on a sound cable' }),
        figureCheck('lost-packets', { most: lostPercent, because: 'policy' }),
      ]
    : [];

function fibreChecks(site: Site, option: FeasibleOption, policy: PolicyFigures): AskedCheck[] {
  const light = marginOf(option, 'light-loss');
  const budget = light && limitOf(light);
  if (!light || budget === null || budget === undefined) return [];
  return [marginCheck('fibre-loss', light, fibreBounds(site, policy, budget))];
}

/** What everybody looks at before a view is accepted. */
const viewChecks = ['frame-agrees', 'picture-by-day', 'picture-by-lamps', 'masks', 'playback'] as const;

/** Everything that is asked of a camera by what was chosen for it; `null` while nothing is chosen, or where it goes. */
export function cameraAsked(
  site: Site,
  evaluation: RunEvaluation,
  policy: PolicyFigures,
  end: CameraEnd | undefined,
  device: Device | undefined,
): AskedThing | null {
  const { camera } = evaluation;
  const option = chosenOption(evaluation);
  if (!option || !keepsView(option.kind)) return null;
  const thing = {
    of: { kind: 'camera' as const, id: camera.id },
    name: camera.name,
    number: camera.number,
    placeId: camera.placeId,
  };
  const ofView = [...pixelCheck(site, camera, option.kind), ...viewChecks.map(plain)];
  // Another camera’s picture shows it: whatever hangs there is asked of that one.
  if (!hasOwnCamera(option.kind)) return { ...thing, checks: ofView };
  return {
    ...thing,
    checks: [
      ...voltsChecks(option, camera, policy),
      ...coaxLinkChecks(option, policy),
      ...portCheck(end, device, policy),
      ...cablingChecks(option, policy),
      ...fibreChecks(site, option, policy),
      ...ofView,
      plain('labels'),
      ...(optionRow(option.kind).keepsCamera ? [] : [plain('serial')]),
      ...(isIp(option) ? [plain('password-holder'), plain('firmware')] : []),
    ],
  };
}
