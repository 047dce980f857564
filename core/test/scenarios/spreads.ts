import { tapLossDb, tapNotchDb } from '#core/physics/signal';
import type { Basis } from '#core/shared/derivation';
import type { Scenario, UnseenLine } from './scenario';

/** One standard deviation of a loop, as a share. A reading leaves the meter, temperature and ageing; a table leaves gauge, copper and joints. Judgement. */
const ohmsSpread: Record<Basis, number> = { measured: 0.03, 'data-sheet': 0.08, typical: 0.12 };
/** Of published loss figures for a construction. Judgement. */
const lossSpread = 0.06;
/** Of what a camera takes. */
const loadSpread = { typical: 0.08, 'data-sheet': 0.03 } as const;
/** Of volts and rates that were read. */
const readSpread = 0.01;
/** Of a way that was drawn and not walked. */
const routeSpread = 0.05;
/** Of pixels on a target: lens, sensor, angle and the metres to it as somebody noted them. Judgement. */
export const viewSpread = 0.06;
/** dB by which the level of a radio path is off what was computed for it. */
const fadeSpreadDb = 4;
/** So much is always left of a loop or a load, and of a loss, however far a scenario goes. */
const leastShare = 0.3;
const leastLossShare = 0.5;

/** Factor on a loop in a scenario; `times` is what it turns out to be where only a table tells it. */
export const ohmsFactor = (from: Basis, deviations: number, times = 1): number =>
  (from === 'typical' ? times : 1) * Math.max(leastShare, 1 + ohmsSpread[from] * deviations);

/** Factor on what a camera takes, in watts or in Mb/s. */
export const loadFactor = (from: 'typical' | 'data-sheet', { load }: Scenario): number =>
  Math.max(leastShare, 1 + loadSpread[from] * load);

/** Factor on the published loss of a cable. */
export const lossFactor = ({ loss }: Scenario): number => Math.max(leastLossShare, 1 + lossSpread * loss);

/** Factor on the width of a view, by angles and metres that were noted by eye. */
export const viewFactor = ({ length }: Scenario): number => Math.max(leastShare, 1 + viewSpread * length);

/** dB that faults nobody looked for take: of a picture up to its highest frequency, or on the whole of a link. */
export const unseenDb = (
  looked: boolean,
  { unseenDb: faultsDb, hasUnseenTap }: UnseenLine,
  topMHz?: number,
): number =>
  looked ? 0 : faultsDb + (hasUnseenTap ? (topMHz === undefined ? tapLossDb : tapNotchDb(topMHz)) : 0);

/** Factor on volts or a rate that were read; more deviations leave less. */
export const readFactor = (deviations: number): number => 1 - readSpread * deviations;

/** Factor on the length of a new route. */
export const routeFactor = ({ length }: Scenario): number => 1 + routeSpread * length;

/** dB that a radio path loses beside what was computed. */
export const fadeDb = ({ loss }: Scenario): number => fadeSpreadDb * loss;
