// Writes the decided demo with its nights agreed and everything done that comes before the night in which the hall recorder turns, as a site file:
// as a site is when that night begins.
import { readFileSync } from 'node:fs';
import loadHighs from 'highs';
import { taskKind } from '#core/cutover/tasks';
import { agreePlan, cutoverOf, nightsFound } from '#core/evaluate';
import {
  beginTask,
  cutoverSettingsOf,
  endTask,
  toSiteFile,
  withChanges,
  type AttachedFile,
  type Site,
} from '#core/model/site';
import { decidedDemo } from '../../bench/sites';

const read = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../../demo/${name}`, import.meta.url), 'utf8'));
const { cameras } = read('saltmarrow.network.json') as { cameras: { number: number; address: string }[] };
const { files } = read('saltmarrow.neotrope.json') as { files: AttachedFile[] };
const highs = await loadHighs();
const planned = decidedDemo(highs);
/** Camera 22 on its own cable and fed by a switch, so that somebody can ask its port in the night. */
const decided: Site = {
  ...planned,
  choice: { ...planned.choice, c22: { ...planned.choice['c22']!, option: 'long-reach' } },
};
const known = new Map(cameras.map(({ number, address }) => [number, address]));
const addressed: Site = {
  ...decided,
  networkConfig: Object.fromEntries(
    Object.values(decided.camera).map(({ id, number }) => [
      id,
      {
        ...decided.networkConfig[id],
        id,
        ...(known.has(number) ? { address: known.get(number)! } : {}),
        passwordHeldBy: 'R. Tolland',
      },
    ]),
  ),
};
const settings = cutoverSettingsOf(addressed, '2026-05-04');
const cutover = cutoverOf(highs, addressed, settings, { secondsLeft: () => 0 });
if (cutover.plan.kind !== 'planned') throw new Error(`no nights: ${cutover.plan.kind}`);
const found = nightsFound(cutover.plan.nights, cutover, 0);
const agreed = withChanges(addressed, agreePlan(addressed, found, settings));
const turn = found.nights.findIndex(({ jobs }) =>
  jobs.some(({ taskId }) => taskId.startsWith('recorder-change-hall-recorder')),
);
const before = cutover.tasks
  .filter(({ kind }) => taskKind(kind).when !== 'after')
  .map(({ id }) => id)
  .filter((id) => found.nights.findIndex(({ jobs }) => jobs.some(({ taskId }) => taskId === id)) < turn);
const dateOf = (taskId: string): string =>
  found.nights.find(({ jobs }) => jobs.some((job) => job.taskId === taskId))?.date ?? '2026-05-04';
const doing = (taskId: string, time: string) => ({ at: `${dateOf(taskId)}T${time}:00Z`, by: 'B. Quay' });
const worked = before.reduce((site, id) => {
  const begun = withChanges(site, beginTask(site, id, dateOf(id), doing(id, '21:05')));
  return withChanges(begun, endTask(begun, id, 'done', doing(id, '22:05')));
}, agreed);
process.stdout.write(
  JSON.stringify({ number: turn + 1, date: found.nights[turn]!.date, site: toSiteFile(worked, files) }),
);
