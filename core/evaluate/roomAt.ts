import { freedBy, type Freed } from '#core/connect/freed';
import { monitorsOf, type MonitorPicture } from '#core/connect/monitors';
import { powerPicture, type PowerNode } from '#core/connect/powerPicture';
import { rackFront, type RackFront } from '#core/connect/rack';
import { topologyOf } from '#core/connect/topology';
import type { Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { momentOf, type NetworkMoment } from './momentOf';

/** What the rooms of a site hold and carry at a moment: watts, racks, and what is free when all is done. */
export interface RoomPicture {
  power: PowerNode[];
  racks: RackFront[];
  freed: Freed;
  monitors: MonitorPicture[];
}

export function roomAt(site: Site, evaluation: SiteEvaluation, at: NetworkMoment): RoomPicture {
  const { runs, total } = evaluation;
  const { moment } = momentOf(site, evaluation, at);
  const topology = topologyOf(site, runs, total, moment);
  // Today nothing has come yet.
  const coming = at.kind === 'today' ? { shared: [], recorders: [] } : total;
  return {
    power: powerPicture(site, runs, topology, moment),
    racks: Object.keys(site.equipment).flatMap((id) => rackFront(site, id, coming) ?? []),
    freed: freedBy(site, runs),
    monitors: monitorsOf(site, runs),
  };
}
