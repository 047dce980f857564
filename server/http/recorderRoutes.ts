import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import type { Context } from 'koa';
import { z } from 'zod';
import { devicePlan, otherRecorder, type Applying } from '#core/allocate/device';
import { evaluateSite } from '#core/evaluate';
import { check } from '#core/shared/problems';
import { nameSchema } from '#core/model/site';
import { apply, type ApplyPatience } from '../recorders/apply';
import type { ApplyingFolder } from '../recorders/applyingFolder';
import { recorderClient } from '../recorders/recorderClient';
import { RecorderError } from '../recorders/recorderError';
import type { SiteStore } from '../store/siteStore';
import { deviceAddressSchema } from './deviceAddress';
import { sendProblem } from './problemDetails';

/** A restart takes some minutes; one that takes a quarter of an hour is none. */
const patience: ApplyPatience = { answerMs: 8000, restartMs: 900_000, silentMs: 10_000, pauseMs: 300 };

const readSchema = z.strictObject({ address: deviceAddressSchema });
const startSchema = z.strictObject({
  address: deviceAddressSchema,
  key: z.string().max(200),
  by: nameSchema,
});
const goOnSchema = z.strictObject({
  address: deviceAddressSchema,
  key: z.string().max(200),
  by: nameSchema,
  goal: z.enum(['plan', 'back']),
});

const statuses: Record<RecorderError['kind'], number> = { unreachable: 502, garbage: 502, refused: 409 };
const titles: Record<RecorderError['kind'], string> = {
  unreachable: 'The recorder does not answer',
  garbage: 'The recorder’s answer cannot be read',
  refused: 'The recorder refused',
};

const damagedRecord =
  'The record of an earlier plan on this recorder is damaged, so nobody knows how far it got. Set the record aside, read the recorder, and compare it with the plan before you begin again.';

/** The addresses under which recorders are read and brought to their plan. */
export function recorderRoutes(
  {
    store,
    applying,
    standIns,
  }: { store: SiteStore; applying: ApplyingFolder; standIns: Promise<Record<string, string>> },
  given: ApplyPatience = patience,
): Router {
  const router = new Router({ prefix: '/api' });
  const json = bodyParser({ enableTypes: ['json'], jsonLimit: '8kb', jsonStrict: true });
  /** What is under way in this process: by recorder, with a way to stop it. */
  const running = new Map<string, { address: string; stop: () => void }>();

  const keyOf = (context: Context & { params: Record<string, string> }) =>
    `${context.params['id']}/${context.params['recorderId']}`;
  const idsIn = (context: Context & { params: Record<string, string> }) =>
    [context.params['id']!, context.params['recorderId']!] as const;
  const refused = (context: Context, status: number, detail: string) =>
    sendProblem(context, { status, title: 'Not applied', detail });

  /** What is under way or was last, told apart from what only looks as if it were because the server was ended meanwhile. */
  function current(siteId: string, recorderId: string): Applying | 'damaged' | null {
    const kept = applying.read(siteId, recorderId);
    if (kept === 'damaged') return kept;
    if (kept?.state === 'running' && !running.has(`${siteId}/${recorderId}`))
      return {
        ...kept,
        state: 'broken-off',
        why: 'Neotrope was ended in the middle. Nothing is lost: go on, or go back.',
      };
    return kept;
  }

  function start(context: Context, job: Applying, key: string): void {
    const name = `${job.siteId}/${job.recorderId}`;
    let isStopped = false;
    const mine = { address: job.address, stop: () => void (isStopped = true) };
    running.set(name, mine);
    applying.write(job);
    void apply(
      job,
      recorderClient(job.address, key, given.answerMs),
      applying,
      given,
      () => isStopped,
    ).finally(() => {
      if (running.get(name) === mine) running.delete(name);
    });
    context.status = 202;
    context.body = job;
  }

  async function talk(context: Context, ask: () => Promise<unknown>): Promise<void> {
    try {
      context.body = await ask();
    } catch (error) {
      if (!(error instanceof RecorderError)) throw error;
      sendProblem(context, {
        status: statuses[error.kind],
        title: titles[error.kind],
        detail: error.message,
        kind: error.kind,
      });
    }
  }

  router.get('/recorders', async (context) => {
    context.body = { standIns: await standIns };
  });
  router.post('/recorders/read', json, async (context) => {
    const asked = check(readSchema, context.request.body);
    if (asked.kind === 'refused')
      return sendProblem(context, {
        status: 400,
        title: 'Not understood',
        detail: 'That is no address of a recorder.',
        problems: asked.problems,
      });
    const line = recorderClient(asked.value.address, '', given.answerMs);
    await talk(context, async () => ({ report: await line.report(), cameras: await line.cameras() }));
  });

  const one = '/sites/:id/recorders/:recorderId/applying';
  router.get(one, (context) => {
    const [siteId, recorderId] = idsIn(context);
    const kept = current(siteId, recorderId);
    context.body =
      kept === 'damaged' ? { applying: null, damaged: true } : { applying: kept, damaged: false };
  });
  router.post(one, json, async (context) => {
    const asked = check(startSchema, context.request.body);
    if (asked.kind === 'refused')
      return sendProblem(context, {
        status: 400,
        title: 'Not understood',
        detail: 'An address, the recorder’s key and who does it are needed.',
        problems: asked.problems,
      });
    const [siteId, recorderId] = idsIn(context);
    const { address, key, by } = asked.value;
    const site = (await store.read(siteId))?.site;
    const recorder = site?.recorder[recorderId];
    if (!site || !recorder)
      return refused(context, 404, `There is no recorder ${recorderId} on a site ${siteId} here.`);
    if (running.has(keyOf(context)) || [...running.values()].some((other) => other.address === address))
      return refused(
        context,
        409,
        'A plan is being applied to this recorder just now. Wait for it, or stop it first.',
      );
    const before = current(siteId, recorderId);
    if (before === 'damaged') return refused(context, 409, damagedRecord);
    if (before && before.state !== 'done')
      return refused(
        context,
        409,
        'An earlier plan was not finished on this recorder. Go on with it, or go back first.',
      );
    const { allocation } = evaluateSite(site);
    const state = allocation.recorders.find((one) => one.recorder.id === recorderId)!;
    const planned = devicePlan(site, recorder, allocation.occupied[recorderId] ?? [], state.broken);
    if (planned.kind === 'not-yet') return refused(context, 409, planned.why);
    await talk(context, async () => {
      const report = await recorderClient(address, key, given.answerMs).report();
      const other = otherRecorder(recorder, report);
      if (other) throw new RecorderError('refused', other);
      // Whoever else asked while this one waited for the recorder was first.
      if (running.has(keyOf(context)))
        throw new RecorderError(
          'refused',
          'A plan is being applied to this recorder just now. Wait for it, or stop it first.',
        );
      const job: Applying = {
        siteId,
        recorderId,
        address,
        by,
        startedAt: new Date().toISOString(),
        goal: 'plan',
        plan: planned.plan,
        before: report,
        settings: null,
        state: 'running',
        doing: '',
        done: [],
        left: [],
        why: null,
        wrong: [],
      };
      start(context, job, key);
      return job;
    });
  });
  router.post(`${one}/on`, json, (context) => {
    const asked = check(goOnSchema, context.request.body);
    if (asked.kind === 'refused')
      return sendProblem(context, {
        status: 400,
        title: 'Not understood',
        detail: 'An address, the recorder’s key, who does it and the goal are needed.',
        problems: asked.problems,
      });
    const job = current(...idsIn(context));
    if (job === 'damaged') return refused(context, 409, damagedRecord);
    if (!job) return refused(context, 404, 'Nothing was begun on this recorder.');
    if (job.state === 'running') return refused(context, 409, 'It is under way.');
    const { address, key, by, goal } = asked.value;
    if (address !== job.address)
      return refused(
        context,
        409,
        `This plan was begun on the recorder at ${job.address}. A key goes to no other address than the one it was typed for: enter ${job.address}, or leave the plan as it is.`,
      );
    start(
      context,
      { ...job, by, goal, state: 'running', why: null, done: goal === job.goal ? job.done : [] },
      key,
    );
  });
  router.post(`${one}/stop`, json, (context) => {
    running.get(keyOf(context))?.stop();
    context.status = 204;
  });
  router.delete(one, (context) => {
    const [siteId, recorderId] = idsIn(context);
    if (running.has(keyOf(context))) return refused(context, 409, 'It is under way; stop it first.');
    applying.forget(siteId, recorderId);
    context.status = 204;
  });
  router.get(`${one}/settings`, (context) => {
    const [siteId, recorderId] = idsIn(context);
    const kept = current(siteId, recorderId);
    if (kept === 'damaged' || !kept?.settings)
      return refused(context, 404, 'No settings were saved from this recorder yet.');
    context.attachment(`${recorderId}-settings.json`);
    context.type = 'application/json';
    context.body = `${JSON.stringify(kept.settings, null, 1)}\n`;
  });
  return router;
}
