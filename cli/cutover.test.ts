import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import loadHighs from 'highs';
import { afterAll, describe, expect, it } from 'vitest';
import { nightsProgramme } from '#core/cutover/nights';
import { nightTasks } from '#core/cutover/tasks';
import { clockAt } from '#core/cutover/words';
import { cutoverOf, nightRulesOf } from '#core/evaluate';
import { cutoverSettingsOf, parseSiteFile } from '#core/model/site';
import { lpText, solve } from '#core/solver';
import { cutover } from './cutover';

const highs = await loadHighs();
const demo = readFileSync('demo/saltmarrow.neotrope.json', 'utf8');
const run = (args: string[], text = demo) => {
  const startMs = performance.now();
  return cutover(args, () => text, highs, {
    today: '2026-05-11',
    secondsSince: () => (performance.now() - startMs) / 1000,
  });
};

describe('the nights of a site file', () => {
  it('are told with who does what when, what it is too late for, and what comes before', () => {
    const { status, out } = run(['site.json', '--seconds', '10']);
    expect(status).toBe(0);
    const lines = out.split('\n');
    expect(lines[0]).toBe('Saltmarrow Ferry Terminal:');
    expect(lines[1]).toMatch(
      /^\d nights, (proven best|proven that fewer will not do; lifts and ways within \d+ % of the best|within \d+ % of the best)\.$/,
    );
    expect(lines[2]).toMatch(/^Night 1, 2026-05-11: over by \d\d:\d\d, in the shift with (9\d|100) %$/);
    const swap = lines.filter((line) => line.includes('1 Hall north desk: change over'));
    expect(swap).toEqual([
      expect.stringMatching(
        /^ {2}\d\d:\d\d–\d\d:\d\d {2}.*\((B\. Quay and R\. Tolland); not after \d\d:\d\d\)$/,
      ),
    ]);
    expect(out).toMatch(/Before the first of them: .*1 Hall north desk: set up and soak on the bench/);
  });
  it('as JSON hold the same for machines', () => {
    const { out } = run(['site.json', '--json', '--seconds', '10']);
    const said = JSON.parse(out) as {
      plan: { kind: string; nights: unknown[] };
      mornings: { broken: string[] }[];
    };
    expect(said.plan.kind).toBe('planned');
    expect(said.mornings).toHaveLength(said.plan.nights.length);
    expect(said.mornings.flatMap(({ broken }) => broken)).toEqual([]);
  });
  it('that cannot be say why, with another status', () => {
    const alone = JSON.parse(demo) as { crew: unknown[] };
    const { status, out } = run(['site.json'], JSON.stringify({ ...alone, crew: alone.crew.slice(1) }));
    expect(status).toBe(3);
    expect(out).toContain('1 Hall north desk: change over takes 2 people, and the crew is one person.');
  });
  it('are refused in a line where they are asked for wrongly', () => {
    expect(run([]).errors[0]).toMatch(/no site file named/);
    expect(run(['a', '--from', 'tomorrow']).errors).toEqual([
      '--from is "tomorrow", allowed: a date such as 2026-05-11',
    ]);
    expect(run(['a', '--seconds', '-1']).status).toBe(2);
    expect(run(['a', 'b']).errors[0]).toMatch(/one site file at a time/);
    expect(run(['a', '--now']).errors[0]).toMatch(/not understood/);
  });
});

it('a moment of a night is told by the clock, over midnight', () => {
  expect([0, 90, 180, 480].map((minutes) => clockAt('21:00', minutes))).toEqual([
    '21:00',
    '22:30',
    '00:00',
    '05:00',
  ]);
});

const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-nights-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** What Debian's glpk makes of the same LP file: a solver that shares no code with ours. */
function glpk(text: string): number | null {
  const [file, answer] = [path.join(folder, 'nights.lp'), path.join(folder, 'nights.txt')];
  writeFileSync(file, text);
  execFileSync('glpsol', ['--lp', file, '-o', answer, '--cuts'], { stdio: 'ignore' });
  const said = readFileSync(answer, 'utf8');
  return /Status:\s+INTEGER OPTIMAL/.test(said)
    ? Number(/Objective:\s+\w+\s+=\s+([-\d.e+]+)/.exec(said)![1])
    : null;
}

describe('the programme of the nights', () => {
  const sound = parseSiteFile(demo);
  if (sound.kind === 'refused') throw new Error(JSON.stringify(sound.problems));
  const site = sound.value;
  const settings = cutoverSettingsOf(site, '2026-05-11');
  const until = performance.now() + 10_000;
  const { tasks, crew, plan } = cutoverOf(highs, site, settings, {
    secondsLeft: () => (until - performance.now()) / 1000,
  });
  const count = plan.kind === 'planned' ? plan.nights.length : 0;
  const asked = { jobs: nightTasks(tasks), crew, rules: nightRulesOf(site, settings), nights: count };
  it('costs another solver as much, and neither finds a way in fewer nights', () => {
    const programme = nightsProgramme(asked, count);
    const ours = solve(highs, programme, { secondsMost: 30 });
    expect(ours.kind).toBe('proven');
    expect(glpk(lpText(programme))).toBe(ours.kind === 'proven' ? Math.round(ours.cost) : NaN);
    const fewer = nightsProgramme(asked, count - 1);
    expect(solve(highs, fewer, { secondsMost: 30 }).kind).toBe('infeasible');
    expect(glpk(lpText(fewer))).toBeNull();
  });
  it('goes out as a file for other solvers', () => {
    const { lp } = run(['site.json', '--seconds', '10', '--lp', 'nights.lp']);
    expect(lp).toMatchObject({ file: 'nights.lp' });
    expect(glpk(lp!.text)).toBeGreaterThan(0);
    expect(run(['site.json', '--lp']).errors[0]).toMatch(/--lp needs a file/);
  });
});
