import { runLabels } from '#core/cutover/lists';
import { chosenOption } from '#core/decide/runEvaluation';
import { changedIn } from './changedIn';
import type { LabelBlock } from './labelSheetNode';
import type { Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { placedNames } from './placedName';

type Label = LabelBlock['items'][number];

/** The cameras of one night where one is wanted, else all that are decided. */
function labelledIn(context: PaperContext): string[] {
  if (context.night === undefined)
    return context.evaluation.runs.flatMap((run) => (chosenOption(run) ? [run.camera.id] : []));
  const { nights, tasks } = context.nights();
  const night = nights.find(({ date }) => date === context.night);
  return night ? changedIn(night, tasks) : [];
}

/** Both ends of the runs, each with the address of its run as a square that a phone reads. */
const ofRuns = (context: PaperContext): Label[] =>
  runLabels(context.site, new Set(labelledIn(context))).map(
    ({ runId, number, name, end, goesTo, address, channel }) => ({
      code: context.pageOf(runId),
      title: `${number} ${name}`,
      lines: [end, `to ${goesTo}`, ...(address ? [address] : []), ...(channel ? [channel] : [])],
    }),
  );

/** Both ends of the leads of cameras without a run of their own, and of links that are still to be laid. A radio has no cable. */
function ofNetwork(context: PaperContext): Label[] {
  const { site } = context;
  const { devices, links, cameras } = context.network().topology;
  const placed = placedNames(site, devices);
  const bothEnds = (title: string, from: string, to: string, more: readonly string[] = []): Label[] => [
    { title, lines: [`at ${from}`, `to ${to}`, ...more] },
    { title, lines: [`at ${to}`, `to ${from}`, ...more] },
  ];
  const leads = cameras
    .filter(({ runId, deviceId, medium }) => runId === null && deviceId !== null && medium !== 'radio')
    .sort((a, b) => a.number - b.number)
    .flatMap(({ cameraId, number, name, deviceId, placeId }) => {
      const address = site.networkConfig[cameraId]?.address;
      return bothEnds(
        `${number} ${name}`,
        placed(deviceId),
        site.place[placeId]?.name ?? 'the camera',
        address ? [address] : [],
      );
    });
  const toLay = links
    .filter(({ standing, medium }) => standing === 'planned' && medium !== 'radio')
    .flatMap(({ name, fromId, toId }) => bothEnds(name, placed(fromId), placed(toId)));
  return [...leads, ...toLay];
}

/** Labels for both ends of whatever is cabled: of one night the runs of its cameras, else all that is decided, with leads and links. */
export function labelPaper(context: PaperContext): Paper {
  const items = [...ofRuns(context), ...(context.night === undefined ? ofNetwork(context) : [])];
  return paperOf(context, {
    id: 'labels',
    title: 'Labels',
    open: items.length === 0 ? ['No camera is decided.'] : [],
    blocks: [{ kind: 'labels', items }],
  });
}
