import { networkOf, type Moment, type Network } from '#core/connect/topology';
import type { Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { momentOf, type MomentsAhead, type NetworkMoment } from './momentOf';

/** The network at a moment, with who has moved by then, and the mornings that lead from today to the end. */
export interface NetworkThen extends Network {
  moment: Moment;
  ahead: MomentsAhead;
}

export function networkAt(site: Site, evaluation: SiteEvaluation, at: NetworkMoment): NetworkThen {
  const then = momentOf(site, evaluation, at);
  return { ...networkOf(site, evaluation.runs, evaluation.total, then.moment), ...then };
}
