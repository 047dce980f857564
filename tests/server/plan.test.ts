import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { usualDemands } from '#core/model/site';
import { startServer, type RunningServer } from '../../server/startServer';
import { placeFor } from './placeUnderTest';
import { demo, demoFile, newFolder, post, root, siteId } from './serverUnderTest';

let server: RunningServer;
let api: string;

beforeAll(async () => {
  server = await startServer({
    port: 0,
    ...(await placeFor(newFolder())),
    webDir: path.join(root, 'dist'),
    demoFile,
    withDemo: true,
    reset: false,
  });
  api = `${server.address}/api`;
});
afterAll(() => server.close());

describe('planning on the server', () => {
  it('gives a proven plan of a site, and goes on answering meanwhile', async () => {
    const planned = fetch(`${api}/sites/${siteId}/plan`);
    expect((await fetch(`${api}/sites`)).status).toBe(200);
    const body = (await (await planned).json()) as {
      version: number;
      planning: { kind: string; plan: { proof: unknown; options: Record<string, string> } };
    };
    expect(body).toMatchObject({
      version: 0,
      planning: { kind: 'plan', plan: { proof: { kind: 'proven' } } },
    });
    expect(Object.keys(body.planning.plan.options)).toHaveLength(24);
  });
  it('says in words what excludes what', async () => {
    const capped = { ...demo(), demands: [{ ...usualDemands, caps: { cost: 4000 } }] };
    const { id } = (await (await post(`${api}/sites/import`, capped)).json()) as { id: string };
    expect(await (await fetch(`${api}/sites/${id}/plan`)).json()).toMatchObject({
      planning: {
        kind: 'conflict',
        conflict: { message: expect.stringMatching(/cannot all be met/) as string },
      },
    });
  });
  it('takes two searches at once and asks a third to come back', async () => {
    const answers = await Promise.all([1, 2, 3].map(() => fetch(`${api}/sites/${siteId}/plan`)));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 200, 503]);
    expect(answers.find(({ status }) => status === 503)!.headers.get('retry-after')).toBe('10');
  });
  it('hands out the model for other solvers', async () => {
    const response = await fetch(`${api}/sites/${siteId}/plan.lp`);
    expect(response.headers.get('content-disposition')).toContain('saltmarrow-ferry-terminal-plan.lp');
    expect(await response.text()).toMatch(/Minimize[\s\S]*one_for_camera_14[\s\S]*End/);
  });
  it.each([
    ['seconds=0', 400],
    ['seconds=soon', 400],
    ['seconds=1000', 400],
  ])('%s is refused', async (query, status) =>
    expect((await fetch(`${api}/sites/${siteId}/plan?${query}`)).status).toBe(status),
  );
  it('a site that is not there is not planned', async () =>
    expect((await fetch(`${api}/sites/nowhere/plan`)).status).toBe(404));
  it('the page may compile the solver and nothing else', async () =>
    expect((await fetch(server.address)).headers.get('content-security-policy')).toMatch(
      /script-src 'self' 'wasm-unsafe-eval';/,
    ));
});
