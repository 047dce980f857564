import type { Site } from '#core/model/site';
import type { Total } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { failuresOf } from './failures';
import { topologyFindings } from './findingsOf';
import { deviceLoads, linkLoads } from './loads';
import type { Moment } from './moment';
import { topologyOf } from './topologyOf';
import type { DeviceLoad, Failure, LinkLoad, Topology, TopologyFinding } from './types';
import { waysOf } from './ways';

/** The network of a site at a moment, with all that is worked out of it. */
export interface Network {
  topology: Topology;
  devices: DeviceLoad[];
  links: LinkLoad[];
  failures: Failure[];
  findings: TopologyFinding[];
}

/** One pass over the network; the cost grows with cameras and links. */
export function networkOf(
  site: Site,
  runs: readonly RunEvaluation[],
  total: Pick<Total, 'shared'>,
  moment: Moment,
): Network {
  const topology = topologyOf(site, runs, total, moment);
  const ways = waysOf(topology);
  const loads = { devices: deviceLoads(site, topology, ways), links: linkLoads(topology, ways) };
  return {
    topology,
    ...loads,
    failures: failuresOf(topology, ways),
    findings: topologyFindings(site, topology, ways, loads),
  };
}
