import { isIp, type FeasibleOption, type Margin, type MarginKind } from '#core/decide/options';
import type { optionLines } from '#core/decide/risk';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import {
  keepsView,
  hasOwnCamera,
  optionRow,
  type Camera,
  type PolicyFigures,
  type Site,
} from '#core/model/site';
import { viewWhenDone } from '#core/signoff/pictures';
import { formatQuantity } from '#core/shared/units';
import { figureCheck, marginChecks, plain, soakCheck } from './build';
import { categoryChecks } from './categoryChecks';
import { fibreBounds } from './fibreBounds';
import { portCheck, type CameraEnd, type Device } from './portCheck';
import type { AskedCheck, AskedThing } from './types';
import { viewChecks } from './viewChecks';

type MarginCheck = ReturnType<typeof marginChecks>;

/** The limit that a margin is held against; `null` where it is held against none. */
const limitOf = (margin: Margin): number | null => margin.derivation().limit?.figure.value ?? null;

const marginOf = ({ margins }: FeasibleOption, kind: MarginKind): Margin | undefined =>
  margins.find((margin) => margin.kind === kind);

/** Volts at the camera’s plug, of one that a supply box or an adapter feeds. */
function voltsChecks(
  option: FeasibleOption,
  camera: Camera,
  { voltsSparePercent }: PolicyFigures,
  marginCheck: MarginCheck,
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
function coaxLinkChecks(
  option: FeasibleOption,
  policy: PolicyFigures,
  marginCheck: MarginCheck,
): AskedCheck[] {
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

const cablingChecks = (option: FeasibleOption, policy: PolicyFigures): AskedCheck[] =>
  marginOf(option, 'channel') ? categoryChecks(policy) : [];

function fibreChecks(
  site: Site,
  option: FeasibleOption,
  policy: PolicyFigures,
  marginCheck: MarginCheck,
): AskedCheck[] {
  const light = marginOf(option, 'light-loss');
  const budget = light && limitOf(light);
  if (!light || budget === null || budget === undefined) return [];
  return [marginCheck('fibre-loss', light, fibreBounds(site, policy, budget))];
}

/** Everything that is asked of a camera by what was chosen for it; `null` while nothing is chosen, or where it goes. */
export function cameraAsked(
  site: Site,
  evaluation: RunEvaluation,
  lineOf: ReturnType<typeof optionLines>,
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
  const ofView = viewChecks(camera, viewWhenDone(site, camera, option.kind)?.perMetre ?? null);
  // Another camera’s picture shows it: whatever hangs there is asked of that one.
  if (!hasOwnCamera(option.kind)) return { ...thing, checks: ofView };
  const marginCheck = marginChecks(lineOf(evaluation, option));
  return {
    ...thing,
    checks: [
      ...voltsChecks(option, camera, policy, marginCheck),
      ...coaxLinkChecks(option, policy, marginCheck),
      ...portCheck(end, device, policy),
      ...cablingChecks(option, policy),
      ...fibreChecks(site, option, policy, marginCheck),
      ...ofView,
      plain('labels'),
      ...(optionRow(option.kind).keepsCamera ? [] : [plain('serial')]),
      ...(isIp(option) ? [plain('password-holder'), plain('firmware')] : []),
    ],
  };
}
