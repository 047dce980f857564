import Router from '@koa/router';
import { recorders, settingsFile, type BodyOf } from '#contract';
import { otherRecorder, type Applying, type DevicePlan } from '#core/allocate/device';
import type { Recorder } from '#core/model/site';
import { evaluateInChildProcess } from '../evaluation/evaluateInChildProcess';
import type { ApplyPatience } from '../recorders/apply';
import type { ServerLog } from '../log/serverLog';
import type { ApplyingFolder } from '../recorders/applyingFolder';
import { recorderClient } from '../recorders/recorderClient';
import {
  currentJob,
  isBusy,
  isRunning,
  newJob,
  recorderJobs,
  reserve,
  startJob,
  stopJob,
  type RecorderId,
  type RecorderJobs,
} from '../recorders/recorderJobs';
import type { SiteStore } from '../store/siteStore';
import type { DeviceDoor } from './deviceDoor';
import { keepPace, paces } from './pace';
import { Refused } from './refused';
import { deviceTitles, talking } from './talking';
import { serveDownload, serveEndpoint } from './serveEndpoint';
import { nameOf } from './visitor';

/** A restart takes some minutes; one that takes a quarter of an hour is none. */
const patience: ApplyPatience = { answerMs: 8000, restartMs: 900_000, silentMs: 10_000, pauseMs: 300 };

const notApplied = (status: 404 | 409, detail: string): Refused =>
  new Refused({ status, title: 'Not applied', detail });
const damagedRecord =
  'The record of an earlier plan on this recorder is damaged, so nobody knows how far it got. Set the record aside, read the recorder, and compare it with the plan before you begin again.';
const underWay = 'A plan is being applied to this recorder just now. Wait for it, or stop it first.';

const idOf = ({ id, recorderId }: { id: string; recorderId: string }): RecorderId => ({
  siteId: id,
  recorderId,
});

/** The plan of a recorder, worked out beside the server; ends the request where it cannot be said yet. */
async function plannedFor(
  store: SiteStore,
  { siteId, recorderId }: RecorderId,
): Promise<{ recorder: Recorder; plan: DevicePlan }> {
  const site = (await store.read(siteId))?.site;
  const recorder = site?.recorder[recorderId];
  if (!site || !recorder)
    throw notApplied(404, `There is no recorder ${recorderId} on a site ${siteId} here.`);
  const planned = await evaluateInChildProcess('devicePlan', site, { recorderId });
  if (planned.kind === 'not-yet') throw notApplied(409, planned.why);
  return { recorder, plan: planned.plan };
}

/** Ends the request where something else is being done to the recorder, or an earlier plan was left half way. */
function checkFree(jobs: RecorderJobs, of: RecorderId, address: string): void {
  if (isBusy(jobs, of, address)) throw notApplied(409, underWay);
  const before = currentJob(jobs, of);
  if (before === 'damaged') throw notApplied(409, damagedRecord);
  if (before && before.state !== 'done')
    throw notApplied(
      409,
      'An earlier plan was not finished on this recorder. Go on with it, or go back first.',
    );
}

async function begin(
  jobs: RecorderJobs,
  store: SiteStore,
  door: DeviceDoor,
  of: RecorderId,
  { address: asked, key, by }: BodyOf<typeof recorders.apply>,
): Promise<Applying> {
  const address = await door(of.siteId, asked);
  checkFree(jobs, of, address);
  const letGo = reserve(jobs, of, address);
  try {
    const { recorder, plan } = await plannedFor(store, of);
    const before = await talking('recorder', () =>
      recorderClient(address, key, jobs.patience.answerMs).report(),
    );
    const other = otherRecorder(recorder, before);
    if (other)
      throw new Refused({
        status: 409,
        title: deviceTitles('recorder').refused,
        detail: other,
        kind: 'refused',
      });
    const startedAt = new Date().toISOString();
    return startJob(jobs, newJob(of, { address, by, startedAt, plan, before }), key);
  } finally {
    letGo();
  }
}

function goOn(
  jobs: RecorderJobs,
  of: RecorderId,
  { address, key, by, goal }: BodyOf<typeof recorders.goOn>,
): Applying {
  const job = currentJob(jobs, of);
  if (job === 'damaged') throw notApplied(409, damagedRecord);
  if (!job) throw notApplied(404, 'Nothing was begun on this recorder.');
  if (job.state === 'running') throw notApplied(409, 'It is under way.');
  if (address !== job.address)
    throw notApplied(
      409,
      `This plan was begun on the recorder at ${job.address}. A key goes to no other address than the one it was typed for: enter ${job.address}, or leave the plan as it is.`,
    );
  const done = goal === job.goal ? job.done : [];
  return startJob(jobs, { ...job, by, goal, state: 'running', why: null, done }, key);
}

/** The addresses under which recorders are read and brought to their plan. */
export function recorderRoutes(
  {
    store,
    applying: folder,
    standIns,
    door,
    log,
  }: {
    store: SiteStore;
    applying: ApplyingFolder;
    standIns: Promise<Record<string, string>>;
    door: DeviceDoor;
    log: ServerLog;
  },
  given: ApplyPatience = patience,
): Router {
  const router = new Router({ prefix: '/api' });
  const jobs = recorderJobs(folder, given, log);
  router.post(/^\/api\/(recorders\/read|sites\/[^/]+\/recorders)/, keepPace(paces.devices));

  serveEndpoint(router, recorders.list, async () => ({ standIns: await standIns }));
  serveEndpoint(router, recorders.read, ({ body: { site, address } }) => {
    return talking('recorder', async () => {
      const client = recorderClient(await door(site, address), '', given.answerMs);
      return { report: await client.report(), cameras: await client.cameras() };
    });
  });
  serveEndpoint(router, recorders.applying, ({ params }) => {
    const kept = currentJob(jobs, idOf(params));
    return kept === 'damaged' ? { applying: null, damaged: true } : { applying: kept, damaged: false };
  });
  serveEndpoint(router, recorders.apply, ({ params, body, context }) =>
    begin(jobs, store, door, idOf(params), { ...body, by: nameOf(context, body.by) }),
  );
  serveEndpoint(router, recorders.goOn, async ({ params, body, context }) =>
    goOn(jobs, idOf(params), {
      ...body,
      by: nameOf(context, body.by),
      address: await door(params.id, body.address),
    }),
  );
  serveEndpoint(router, recorders.stop, ({ params }) => stopJob(jobs, idOf(params)));
  serveEndpoint(router, recorders.forget, ({ params }) => {
    const of = idOf(params);
    if (isRunning(jobs, of)) throw notApplied(409, 'It is under way; stop it first.');
    folder.forget(of.siteId, of.recorderId);
  });
  serveDownload(router, settingsFile, (context) => {
    const of = idOf(context.params as { id: string; recorderId: string });
    const kept = currentJob(jobs, of);
    if (kept === 'damaged' || !kept?.settings)
      throw notApplied(404, 'No settings were saved from this recorder yet.');
    context.attachment(`${of.recorderId}-settings.json`);
    context.type = 'application/json';
    context.body = `${JSON.stringify(kept.settings, null, 1)}\n`;
  });
  return router;
}
