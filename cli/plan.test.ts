import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import loadHighs from 'highs';
import { afterAll, describe, expect, it } from 'vitest';
import { planSolver } from '#core/evaluate';
import { planningInput, planSite, withPolicy } from '#core/decide/plan';
import { lpText } from '#core/solver';
import { parseSiteFile, usualDemands, type Demands, type Site } from '#core/model/site';
import { plan } from './plan';

const highs = await loadHighs();
const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-plan-'));
afterAll(() => rmSync(folder, { recursive: true }));
const demoFile = path.resolve('demo/saltmarrow.neotrope.json');
const run = (...args: string[]) => plan(args, (file) => readFileSync(file, 'utf8'), highs);

/** What Debian's glpk makes of the same LP file: a solver that shares no code with ours. */
function glpk(text: string): number | null {
  const file = path.join(folder, 'plan.lp');
  const answer = path.join(folder, 'plan.txt');
  writeFileSync(file, text);
  execFileSync('glpsol', ['--lp', file, '-o', answer, '--cuts'], { stdio: 'ignore' });
  const said = readFileSync(answer, 'utf8');
  return /Status:\s+INTEGER OPTIMAL/.test(said)
    ? Number(/Objective:\s+\w+\s+=\s+([-\d.e+]+)/.exec(said)![1])
    : null;
}

const sound = parseSiteFile(readFileSync(demoFile, 'utf8'));
if (sound.kind === 'refused') throw new Error(JSON.stringify(sound.problems));
const site = sound.value;
const headEnd = (id: string): Site => {
  const run_ = Object.fromEntries(Object.entries(site.run).filter(([, { headEndId }]) => headEndId === id));
  const cameras = new Set(Object.values(run_).map(({ cameraId }) => cameraId));
  return {
    ...site,
    run: run_,
    camera: Object.fromEntries(Object.entries(site.camera).filter(([cameraId]) => cameras.has(cameraId))),
    networkCamera: {},
    choice: {},
    placement: {},
  };
};
const blocks: Site = {
  ...site,
  recorder: { ...site.recorder, 'hall-recorder': { ...site.recorder['hall-recorder']!, blockSize: 4 } },
};
const presets: Site = {
  ...site,
  recorder: {
    ...site.recorder,
    'hall-recorder': {
      ...site.recorder['hall-recorder']!,
      rules: {
        kind: 'preset-split',
        presets: [
          { inputs: 16, ipSlots: 0 },
          { inputs: 8, ipSlots: 8 },
          { inputs: 0, ipSlots: 16 },
        ],
      },
    },
  },
};

/** Another program is started and searches for as long as it takes, on whatever machine. */
const patientMs = 120_000;

describe('the same programme by another solver', { timeout: patientMs }, () => {
  it.each<[string, Site, Demands]>([
    ['the whole site', site, usualDemands],
    ['the hall alone', headEnd('ticket-hall'), usualDemands],
    [
      'the marshalling office alone, dark time first',
      headEnd('marshalling'),
      withPolicy(usualDemands, 'order', 'dark'),
    ],
    ['recabled first', site, withPolicy(usualDemands, 'route', 'recable')],
    ['a warden who minds everything', site, withPolicy(usualDemands, 'listed', 'nothing-new')],
    ['each view as it needs, inputs in blocks', blocks, { ...usualDemands, goal: 'view' }],
    [
      'a recorder with presets and little dark time',
      presets,
      { ...usualDemands, goal: 'mend', caps: { darkHours: 12 } },
    ],
    ['four slots left free', site, { ...usualDemands, spareSlots: 18 }],
  ])('%s has the same optimum', (_, at, demands) => {
    const input = planningInput(at, demands);
    const best = planSite(planSolver(highs), input);
    if (best.kind !== 'plan') throw new Error(JSON.stringify(best));
    expect(best.plan.proof.kind).toBe('proven');
    expect(glpk(lpText(input.model.programme))).toBeCloseTo(best.plan.totals.weighed, 2);
  });
  it('what cannot be is seen by both', () => {
    const input = planningInput(site, { ...usualDemands, caps: { cost: 3000 } });
    expect(planSite(planSolver(highs), input).kind).toBe('conflict');
    expect(glpk(lpText(input.model.programme))).toBeNull();
  });
});

describe('npm run plan', () => {
  it('says the plan of a site file, camera by camera', () => {
    const { status, out } = run(demoFile);
    expect(status).toBe(0);
    expect(out).toMatch(/Saltmarrow Ferry Terminal: proven/);
    expect(out.split('\n').filter((line) => /^ +\d+ {2}/.test(line))).toHaveLength(24);
  });
  it('as JSON, and the model as a file for other solvers', () => {
    const { out, lp } = run(demoFile, '--json', '--lp', 'x.lp');
    expect(JSON.parse(out)).toMatchObject({ kind: 'plan', plan: { proof: { kind: 'proven' } } });
    expect(lp).toMatchObject({
      file: 'x.lp',
      text: expect.stringMatching(/^\\ Saltmarrow[\s\S]*Generals[\s\S]*End\n$/) as string,
    });
  });
  it.each<[string[], RegExp]>([
    [[], /no site file/],
    [['a', 'b'], /one site file/],
    [[demoFile, '--seconds', '-1'], /more than 0/],
    [[demoFile, '--seconds'], /needs a number/],
    [[demoFile, '--quick'], /not understood/],
    [['/nowhere/at-all.json'], /cannot be read/],
  ])('%j is refused with a reason', (args, message) => {
    const { status, out, errors } = run(...args);
    expect([status, out]).toEqual([2, '']);
    expect(errors.join()).toMatch(message);
  });
  it('a file that is no site file is refused line by line', () => {
    const file = path.join(folder, 'bad.json');
    writeFileSync(file, '{"format":"neotrope-site","version":1}');
    expect(run(file).errors.length).toBeGreaterThan(1);
  });
  it('demands that exclude each other: status 3, in words', () => {
    const file = path.join(folder, 'capped.json');
    writeFileSync(
      file,
      JSON.stringify({
        ...(JSON.parse(readFileSync(demoFile, 'utf8')) as object),
        demands: [{ ...usualDemands, caps: { cost: 100 } }],
      }),
    );
    expect(run(file)).toMatchObject({
      status: 3,
      out: expect.stringMatching(/cannot .*be met[\s\S]*Relaxing this one requirement is enough/) as string,
    });
  });
});
