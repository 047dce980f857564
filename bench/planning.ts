import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import loadHighs from 'highs';
import { evaluateSite } from '#core/evaluate';
import { sampleScenarios } from '#core/decide/risk';
import { planningInput, planSite } from '#core/decide/plan';
import { lpText, type Programme } from '#core/solver';
import { demandsOf, type Site } from '#core/model/site';
import { median, timed, type Row } from './measure';
import { demoSite, generatedSite } from './sites';

const ms = (value: number) => `${value.toFixed(0)} ms`;

/** Longest that glpk is given for the large site; it rarely proves it in any time. */
const glpkSeconds = 60;

interface ByGlpk {
  cost: number | null;
  isProven: boolean;
  millis: number;
}

/** Debian's glpk on the same LP file. */
function glpk(programme: Programme): ByGlpk {
  const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-bench-'));
  const [model, answer] = [path.join(folder, 'plan.lp'), path.join(folder, 'answer.txt')];
  writeFileSync(model, lpText(programme));
  const start = performance.now();
  execFileSync('glpsol', ['--lp', model, '-o', answer, '--cuts', '--tmlim', String(glpkSeconds)], {
    stdio: 'ignore',
  });
  const millis = performance.now() - start;
  const said = readFileSync(answer, 'utf8');
  rmSync(folder, { recursive: true });
  const cost = /Objective:\s+\w+\s+=\s+([-\d.e+]+)/.exec(said)?.[1];
  return {
    millis,
    isProven: /INTEGER OPTIMAL/.test(said),
    cost: cost === undefined || /UNDEFINED/.test(said) ? null : Number(cost),
  };
}

/** 256 cameras around four closets, each a head end with a rack of its own and room for what a plan may buy. */
function fourClosets(): Site {
  const site = generatedSite(256);
  const cameras = Object.values(site.camera).sort((a, b) => a.number - b.number);
  const quarter = new Map(
    cameras.map(({ id }, index) => [id, `closet-${Math.floor((4 * index) / cameras.length) + 1}`]),
  );
  const hall = site.place['ticket-hall']!;
  const place = {
    ...site.place,
    ...Object.fromEntries(
      [1, 2, 3, 4].map((n) => [
        `closet-${n}`,
        { ...hall, id: `closet-${n}`, name: `Closet ${n}`, restrictions: [] },
      ]),
    ),
  };
  const run = Object.fromEntries(
    Object.values(site.run).map((one) => [one.id, { ...one, headEndId: quarter.get(one.cameraId)! }]),
  );
  const homes = new Map(
    Object.values(run).map(({ patchedTo, headEndId }) => [patchedTo!.recorderId, headEndId]),
  );
  // Supplies are one for every copy of the demo, as its recorders are: nobody hangs 128 cameras on one box, nor eleven on one fuse.
  const supply = Object.fromEntries(
    Object.values(site.supply).map((one) => [
      one.id,
      {
        ...one,
        ratedAmps: Math.min(100, one.ratedAmps * 11),
        outputs: one.outputs.map((output) => ({ ...output, fuseAmps: output.fuseAmps * 11 })),
      },
    ]),
  );
  const recorder = Object.fromEntries(
    Object.values(site.recorder).map((one) => [
      one.id,
      { ...one, placeId: homes.get(one.id) ?? 'closet-1', hookUp: {} },
    ]),
  );
  return { ...site, place, run, supply, recorder, equipment: {}, choice: {}, placement: {} } as Site;
}

/** Plans of a small and a large site, held against another solver's answer to the same file, and futures drawn. */
export async function planning(): Promise<Row[]> {
  const highs = await loadHighs();
  const rows: Row[] = [];
  for (const [name, site, most] of [
    ['24 cameras', demoSite(), 1000],
    ['256 cameras, four closets', fourClosets(), 10_000],
  ] as const) {
    const times: number[] = [];
    let cost = NaN;
    let isProven = false;
    const input = planningInput(site, demandsOf(site));
    for (let round = 0; round < (most > 1000 ? 3 : 7); round += 1) {
      const start = performance.now();
      const found = planSite(highs, planningInput(site, demandsOf(site)));
      times.push(performance.now() - start);
      if (found.kind !== 'plan') throw new Error(JSON.stringify(found));
      [cost, isProven] = [found.plan.totals.weighed, found.plan.proof.kind === 'proven'];
    }
    const took = median(times);
    const other = glpk(input.model.programme);
    const agrees = other.isProven
      ? Math.abs((other.cost ?? NaN) - cost) < 0.01 * Math.max(1, cost / 1000)
      : (other.cost ?? Infinity) >= cost - 0.01;
    rows.push(
      {
        figure: `${name}: worked out and planned (${input.model.programme.variables.length} unknowns)`,
        measured: `${ms(took)}, ${isProven ? 'proven' : 'not proven'}`,
        wanted: `under ${most / 1000} s, proven`,
        holds: took < most && isProven,
      },
      {
        figure: `${name}: glpk on the same LP file`,
        measured: `${ms(other.millis)}, ${other.isProven ? 'proven' : `not proven in ${glpkSeconds} s`}`,
        wanted: other.isProven
          ? `the same optimum, ${cost.toFixed(0)}`
          : `nothing better than ${cost.toFixed(0)}; its best ${other.cost?.toFixed(0) ?? 'none'}`,
        holds: agrees,
      },
    );
  }
  const site = demoSite();
  const evaluation = evaluateSite(site);
  const input = planningInput(site, demandsOf(site), evaluation);
  const found = planSite(highs, input);
  if (found.kind !== 'plan') throw new Error(found.kind);
  const draw = timed(
    3,
    () => [...sampleScenarios(input, found.plan.options, { count: 10_000, seed: 1 })].length,
  );
  rows.push({
    figure: '10 000 scenarios of the 24-camera site',
    measured: ms(draw),
    wanted: 'under 3 s',
    holds: draw < 3000,
  });
  return rows;
}
