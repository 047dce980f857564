import { failuresOf, networkOf, waysOf } from '#core/connect/topology';
import { evaluateSite, type SiteEvaluation } from '#core/evaluate';
import { optionRow, type Choice, type Site } from '#core/model/site';
import { timed, timesLonger, type Row } from './measure';
import { generatedSite } from './sites';

const mostMs = 50;

/** A site of so many cameras of which every one that can goes to the network. */
function networked(count: number): { site: Site; evaluation: SiteEvaluation } {
  const bare = generatedSite(count);
  const choice = Object.fromEntries(
    evaluateSite(bare).runs.flatMap(({ camera, options }) => {
      const option = options.find(({ kind, state }) => state !== 'no' && optionRow(kind).slot === 'ip');
      const chosen: Choice | undefined = option && {
        id: camera.id,
        option: option.kind,
        at: '2026-04-01T09:00:00Z',
        by: 'R. Tolland',
      };
      return chosen ? [[camera.id, chosen] as const] : [];
    }),
  );
  const site = { ...bare, choice };
  return { site, evaluation: evaluateSite(site) };
}

const workOut = ({ site, evaluation: { runs, total } }: ReturnType<typeof networked>) =>
  networkOf(site, runs, total, { kind: 'after' });

/** What goes dark as each link and each device fails by itself, for a thousand links. */
function singleFailures(): Row {
  const { topology } = workOut(networked(6400));
  const ms = timed(10, () => failuresOf(topology, waysOf(topology)));
  const links = topology.links.length;
  return {
    figure: `single failures of ${links} links and ${topology.devices.length} devices`,
    measured: `${ms.toFixed(1)} ms`,
    wanted: 'under 100 ms for 1000 links',
    holds: links >= 1000 && ms < 100,
  };
}

/** The graph of the network with every check and every single failure. */
export function network(): Row[] {
  const [thousand, four] = [networked(1000), networked(4000)];
  const { topology, failures } = workOut(thousand);
  const ms = timed(15, () => workOut(thousand));
  const growth = timesLonger(
    10,
    () => workOut(thousand),
    () => workOut(four),
  );
  return [
    {
      figure: `network of 1000 cameras, ${topology.devices.length} devices, ${topology.links.length} links, ${failures.length} failures`,
      measured: `${ms.toFixed(1)} ms`,
      wanted: `under ${mostMs} ms`,
      holds: ms < mostMs,
    },
    {
      figure: 'network of 4000 cameras against 1000, quickest rounds',
      measured: `${growth.toFixed(1)} times`,
      wanted: 'about 4 (linear; 16 were quadratic)',
      holds: growth < 6,
    },
    singleFailures(),
  ];
}
