import Router from '@koa/router';
import { recorders, settingsFile, type BodyOf } from '#contract';
import { otherRecorder, type Applying, type DeviceGoal, type DevicePlan } from '#core/allocate/device';
import type { Recorder } from '#core/model/site';
import type { Work } from '../evaluation/work';
import type { ApplyPatience } from '../recorders/apply';
import type { ServerLog } from '../log/serverLog';
import { currentJob, type ApplyingRecords, type Hold, type RecorderId } from '../recorders/applyingRecords';
import { recorderClient } from '../recorders/recorderClient';
import { newJob, startJob, type RecorderJobs } from '../recorders/recorderJobs';
import type { SiteStore } from '../store/siteStore';
import type { DeviceDoor } from './deviceDoor';
import { keepPace, paces } from './pace';
import { Refused } from './refused';
import { deviceTitles, talking } from './talking';
import { serveDownload, serveEndpoint } from './serveEndpoint';
import { nameOf } from './visitor';

/** A restart takes some minutes; one that takes a quarter of an hour is none. */
const usualPatience: ApplyPatience = { answerMs: 8000, restartMs: 900_000, silentMs: 10_000, pauseMs: 300 };

const notApplied = (status: 404 | 409, detail: string): Refused =>
  new Refused({ status, title: 'Not applied', detail });
const damagedRecord =
  'The record of an earlier plan on this recorder is damaged, so nobody knows how far it got. Set the record aside, read the recorder, and compare it with the plan before you begin again.';
const underWay = 'A plan is being applied to this recorder just now. Wait for it, or stop it first.';

const idOf = ({ id, recorderId }: { id: string; recorderId: string }): RecorderId => ({
  siteId: id,
  recorderId,
});

/** What the addresses of recorders rest on. */
interface Kept extends RecorderJobs {
  store: SiteStore;
  work: Work;
  door: DeviceDoor;
}

/** The plan of a recorder, worked out beside the server; ends the request where it cannot be said yet. */
async function plannedFor(
  { store, work }: Kept,
  { siteId, recorderId }: RecorderId,
  goal: DeviceGoal,
): Promise<{ recorder: Recorder; plan: DevicePlan }> {
  const site = (await store.read(siteId))?.site;
  const recorder = site?.recorder[recorderId];
  if (!site || !recorder)
    throw notApplied(404, `There is no recorder ${recorderId} on a site ${siteId} here.`);
  const planned = await work.evaluate('devicePlan', site, { recorderId, goal });
  if (planned.kind === 'not-yet') throw notApplied(409, planned.why);
  return { recorder, plan: planned.plan };
}

/** Keeps a recorder for whoever is about to begin with it; ends the request where something else is being done to it. */
async function heldFor({ records }: Kept, of: RecorderId, address: string): Promise<Hold> {
  const hold = await records.hold(of, address);
  if (!hold) throw notApplied(409, underWay);
  return hold;
}

/** Ends the request where an earlier plan was left half way. */
async function checkFinished({ records }: Kept, of: RecorderId): Promise<void> {
  const before = await records.read(of);
  if (before === 'damaged') throw notApplied(409, damagedRecord);
  if (before && before.state !== 'done')
    throw notApplied(
      409,
      'An earlier plan was not finished on this recorder. Go on with it, or go back first.',
    );
}

async function begin(
  kept: Kept,
  of: RecorderId,
  { address: asked, key, by, upTo }: BodyOf<typeof recorders.apply>,
): Promise<Applying> {
  const address = await kept.door(of.siteId, asked);
  const hold = await heldFor(kept, of, address);
  try {
    await checkFinished(kept, of);
    const { recorder, plan } = await plannedFor(kept, of, upTo);
    const before = await talking('recorder', () =>
      recorderClient(address, key, kept.patience.answerMs).report(),
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
    return await startJob(kept, hold, newJob(of, { address, by, startedAt, plan, before }), key);
  } catch (error) {
    await hold.letGo();
    throw error;
  }
}

async function goOn(
  kept: Kept,
  of: RecorderId,
  { address, key, by, goal }: BodyOf<typeof recorders.goOn>,
): Promise<Applying> {
  const hold = await heldFor(kept, of, address);
  try {
    const job = await kept.records.read(of);
    if (job === 'damaged') throw notApplied(409, damagedRecord);
    if (!job) throw notApplied(404, 'Nothing was begun on this recorder.');
    if (address !== job.address)
      throw notApplied(
        409,
        `This plan was begun on the recorder at ${job.address}. A key goes to no other address than the one it was typed for: enter ${job.address}, or leave the plan as it is.`,
      );
    const done = goal === job.goal ? job.done : [];
    return await startJob(kept, hold, { ...job, by, goal, state: 'running', why: null, done }, key);
  } catch (error) {
    await hold.letGo();
    throw error;
  }
}

/** The addresses under which recorders are read and brought to their plan. */
export function recorderRoutes(
  {
    applying: records,
    standIns,
    ...given
  }: {
    store: SiteStore;
    work: Work;
    applying: ApplyingRecords;
    standIns: Promise<Record<string, string>>;
    door: DeviceDoor;
    log: ServerLog;
  },
  patience: ApplyPatience = usualPatience,
): Router {
  const router = new Router({ prefix: '/api' });
  const kept: Kept = { ...given, records, patience };
  const { door } = given;
  router.post(/^\/api\/(recorders\/read|sites\/[^/]+\/recorders)/, keepPace(paces.devices));

  serveEndpoint(router, recorders.list, async () => ({ standIns: await standIns }));
  serveEndpoint(router, recorders.read, ({ body: { site, address } }) => {
    return talking('recorder', async () => {
      const client = recorderClient(await door(site, address), '', patience.answerMs);
      return { report: await client.report(), cameras: await client.cameras() };
    });
  });
  serveEndpoint(router, recorders.applying, async ({ params }) => {
    const job = await currentJob(records, idOf(params));
    return job === 'damaged' ? { applying: null, damaged: true } : { applying: job, damaged: false };
  });
  serveEndpoint(router, recorders.apply, ({ params, body, context }) =>
    begin(kept, idOf(params), { ...body, by: nameOf(context, body.by) }),
  );
  serveEndpoint(router, recorders.goOn, async ({ params, body, context }) =>
    goOn(kept, idOf(params), {
      ...body,
      by: nameOf(context, body.by),
      address: await door(params.id, body.address),
    }),
  );
  serveEndpoint(router, recorders.stop, ({ params }) => records.askToStop(idOf(params)));
  serveEndpoint(router, recorders.forget, async ({ params }) => {
    const of = idOf(params);
    if (await records.isHeld(of)) throw notApplied(409, 'It is under way; stop it first.');
    await records.forget(of);
  });
  serveDownload(router, settingsFile, async (context) => {
    const of = idOf(context.params as { id: string; recorderId: string });
    const job = await records.read(of);
    if (job === 'damaged' || !job?.settings)
      throw notApplied(404, 'No settings were saved from this recorder yet.');
    context.attachment(`${of.recorderId}-settings.json`);
    context.type = 'application/json';
    context.body = `${JSON.stringify(job.settings, null, 1)}\n`;
  });
  return router;
}
