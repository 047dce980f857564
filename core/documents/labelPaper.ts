import { runLabels } from '#core/cutover/lists';
import { chosenOption } from '#core/decide/runEvaluation';
import { changedIn } from './changedIn';
import type { Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';

/** The cameras of one night where one is wanted, else all that are decided. */
function labelledIn(context: PaperContext): string[] {
  if (context.night === undefined)
    return context.evaluation.runs.flatMap((run) => (chosenOption(run) ? [run.camera.id] : []));
  const { nights, tasks } = context.nights();
  const night = nights.find(({ date }) => date === context.night);
  return night ? changedIn(night, tasks) : [];
}

/** Labels for both ends of the run of every camera that is decided, each with the address of its run as a square that a phone reads. */
export function labelPaper(context: PaperContext): Paper {
  const labels = runLabels(context.site, new Set(labelledIn(context)));
  return paperOf(context, {
    id: 'labels',
    title: 'Labels',
    open: labels.length === 0 ? ['No camera is decided.'] : [],
    blocks: [
      {
        kind: 'labels',
        items: labels.map(({ runId, number, name, end, goesTo, address, channel }) => ({
          code: context.pageOf(runId),
          title: `${number} ${name}`,
          lines: [end, `to ${goesTo}`, ...(address ? [address] : []), ...(channel ? [channel] : [])],
        })),
      },
    ],
  });
}
