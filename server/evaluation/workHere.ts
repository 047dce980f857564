import { toSiteFile } from '#core/model/site';
import type { ChildProcesses } from './childProcesses';
import type { Work } from './work';

/** How many plans may be sought at once; each takes a whole core for as long as it was given. */
const mostPlans = 2;

/** Work done on this machine, by processes of its own: plans two at a time, the rest one after another. */
export function workHere(processes: ChildProcesses): Work {
  let plans = 0;
  let turn: Promise<unknown> = Promise.resolve();
  return {
    plan: async (site, secondsMost) => {
      if (plans >= mostPlans) return 'busy';
      plans += 1;
      try {
        return await processes.run({ kind: 'plan', file: toSiteFile(site), asked: { secondsMost } });
      } finally {
        plans -= 1;
      }
    },
    evaluate: (kind, site, asked) => {
      const mine = turn.then(() => processes.run({ kind, file: toSiteFile(site), asked }));
      turn = mine.catch(() => undefined);
      return mine;
    },
    close: async () => processes.end(),
  };
}
