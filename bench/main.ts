import { readFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { evaluateSite, roundOf, runDiagnostics, summaryPatch } from '#core/evaluate';
import { findEvents, forwardTrace, type Line } from '#core/physics/reflectometer';
import {
  optionKinds,
  parseSiteFile,
  toSiteFile,
  withChanges,
  type Change,
  type Site,
} from '#core/model/site';
import { startServer } from '../server/startServer';
import { browserFigures } from './browser';
import { flight } from './flight';
import { judgement } from './judgement';
import { against, median, printTable, timed, timesLonger, type Row } from './measure';
import { network } from './network';
import { nights } from './nights';
import { drills } from './drills';
import { packOf, papers } from './papers';
import { planning } from './planning';
import { slots } from './slots';
import { demoSite, generatedSite, tracedSite } from './sites';
import { tables } from './tables';

/** Started by its script from the project's own folder. */
const root = process.cwd();
const ms = (value: number) => `${value.toFixed(1)} ms`;

/** What the reference takes at the 4.2 GHz of an ordinary laptop: a chain of ten million steps of some 25 cycles. */
const laptopReferenceMs = 60;

/** A fixed piece of plain work that only the clock of the core decides, to tell how fast this machine is just now. */
function referenceMs(): number {
  return timed(5, () => {
    let sum = 0;
    for (let k = 0; k < 1e7; k += 1) sum += Math.sqrt(k + sum * 1e-12);
    return sum;
  });
}

/** Options are worked out when they are asked for; here they are. */
const withOptionsWorkedOut = (site: Site): number =>
  evaluateSite(site).runs.reduce((sum, { options }) => sum + options.length, 0);

function evaluation(reference: number): Row[] {
  const sizes = [24, 250, 1000];
  const times = sizes.map((count) => {
    const site = generatedSite(count);
    return timed(count > 500 ? 25 : 60, () => withOptionsWorkedOut(site));
  });
  // From a thousand on: smaller sites fit the collector's nursery and are cheaper by that, not by the work.
  const [small, four] = [generatedSite(1000), generatedSite(4000)];
  const growth = timesLonger(
    20,
    () => withOptionsWorkedOut(small),
    () => withOptionsWorkedOut(four),
  );
  const big = { site: small, evaluation: evaluateSite(small) };
  const [cameraId = ''] = Object.keys(small.camera);
  const edited = withChanges(small, [
    {
      kind: 'choice',
      id: cameraId,
      set: { id: cameraId, option: 'keep', at: '2026-03-12T09:00:00Z', by: 'R. Tolland' },
    },
  ]);
  const afterEdit = (): unknown => structuredClone(summaryPatch(evaluateSite(edited, big), big.evaluation));
  return [
    ...sizes.map((count, index): Row => {
      const figure = `evaluate ${count} cameras × ${optionKinds.length} options`;
      if (count === 1000) return against(reference, figure, times[index]!, 1);
      return { figure, measured: ms(times[index]!), wanted: '', holds: true };
    }),
    {
      figure: '4000 cameras against 1000, quickest rounds',
      measured: `${growth.toFixed(1)} times`,
      wanted: 'about 4 (linear; 16 were quadratic)',
      holds: growth < 6,
    },
    {
      figure: 'an edit on 1000 cameras evaluated and passed between threads',
      measured: ms(timed(20, afterEdit)),
      wanted: '',
      holds: true,
    },
  ];
}

interface Chunk {
  file: string;
  imports?: string[];
}

/** JavaScript that the first screen loads: the entry, the first stage, the thread that works out the site, and what they import. */
function firstScreen(): Row {
  const manifest = JSON.parse(
    readFileSync(path.join(root, 'dist', '.vite', 'manifest.json'), 'utf8'),
  ) as Record<string, Chunk>;
  const needed = new Set<string>();
  const add = (key: string): void => {
    const chunk = manifest[key]!;
    if (needed.has(chunk.file)) return;
    needed.add(chunk.file);
    chunk.imports?.forEach(add);
  };
  const entry = readFileSync(path.join(root, 'dist', 'index.html'), 'utf8');
  for (const [, file] of entry.matchAll(/<script type="module" crossorigin src="\/([^"]+)"/g))
    needed.add(file!);
  for (const key of [
    'app.ts',
    'stages/survey/SurveyStage.vue',
    'workers/evaluator.worker.ts',
    'workers/siteEvaluator.ts',
  ])
    add(key);
  const bytes = [...needed]
    .filter((file) => file.endsWith('.js'))
    .reduce((sum, file) => sum + gzipSync(readFileSync(path.join(root, 'dist', file))).length, 0);
  return {
    figure: 'JavaScript of the first screen with its worker, gzipped',
    measured: `${(bytes / 1000).toFixed(0)} kB`,
    wanted: 'at most 280 kB',
    holds: bytes <= 280_000,
  };
}

async function edits(): Promise<Row[]> {
  const dataDir = mkdtempSync(path.join(tmpdir(), 'neotrope-bench-'));
  const server = await startServer({
    port: 0,
    dataDir,
    webDir: path.join(root, 'dist'),
    demoFile: path.join(root, 'demo', 'saltmarrow.neotrope.json'),
    withDemo: true,
    reset: false,
  });
  const site = 'saltmarrow-ferry-terminal';
  const post = (address: string, body: unknown) =>
    fetch(`${server.address}/api${address}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  const answer = async (id: string, rounds: number): Promise<number> => {
    const times: number[] = [];
    for (let version = 0; version < rounds; version += 1) {
      const set = {
        id: id === site ? 'c08' : 'c08-0',
        option: version % 2 ? 'keep' : 'ip-coax-unit',
        at: '2026-03-12T09:00:00Z',
        by: 'R. Tolland',
      };
      const changes = [{ kind: 'choice', id: set.id, set }] as Change[];
      const start = performance.now();
      const response = await post(`/sites/${id}/edits`, {
        id: crypto.randomUUID(),
        site: id,
        baseVersion: version,
        label: 'Choose',
        operation: { kind: 'do' },
        by: 'R. Tolland',
        changes,
      });
      await response.text();
      times.push(performance.now() - start);
      if (!response.ok) throw new Error(`an edit was refused with ${response.status}`);
    }
    return median(times.slice(20));
  };
  const small = await answer(site, 220);
  const bigFile = toSiteFile(generatedSite(1000));
  const text = JSON.stringify(bigFile);
  const { id } = (await (await post('/sites/import', bigFile)).json()) as { id: string };
  const big = await answer(id, 120);
  await server.close();
  rmSync(dataDir, { recursive: true });
  return [
    {
      figure: 'an edit answered, 24 cameras, flushed to disk',
      measured: ms(small),
      wanted: 'under 10 ms median',
      holds: small < 10,
    },
    { figure: 'an edit answered, 1000 cameras', measured: ms(big), wanted: '', holds: true },
    {
      figure: 'a site file of 1000 cameras read and checked',
      measured: ms(timed(5, () => parseSiteFile(text))),
      wanted: '',
      holds: true,
    },
  ];
}

/** A line with two joints on it, seen with some noise. */
function reflectometer(): Row[] {
  const stretch = (lengthM: number) => ({
    kind: 'stretch' as const,
    lengthM,
    velocityFactor: 0.83,
    impedanceOhms: 75,
    skinDbPer100m: 0.8,
  });
  const line: Line = {
    elements: [
      stretch(40),
      { kind: 'series', ohms: 12 },
      stretch(55),
      { kind: 'series', ohms: 30 },
      stretch(65),
    ],
    end: { kind: 'open' },
  };
  const pulse = { centreNs: 5, widthNs: 5, edgeNs: 1, volts: 1 };
  const trace = forwardTrace(line, pulse, 75, 0.5, 8192);
  const [model, events] = [
    timed(30, () => forwardTrace(line, pulse, 75, 0.5, 8192)),
    timed(60, () => findEvents(trace, { velocityFactor: 0.83, impedanceOhms: 75 })),
  ];
  return [
    {
      figure: 'forward model of a trace of 8192 points',
      measured: ms(model),
      wanted: 'under 20 ms',
      holds: model < 20,
    },
    {
      figure: 'a trace of 8192 points to its events',
      measured: ms(events),
      wanted: 'under 20 ms',
      holds: events < 20,
    },
  ];
}

/** A close look at one run of the demo: its cause, the next test and its uses, the trace found out already. */
function closeLook(): Row[] {
  const site = tracedSite(demoSite());
  const before = { site, evaluation: evaluateSite(site) };
  const runIds = Object.keys(site.run);
  let turn = 0;
  const look = timed(200, () => runDiagnostics(before, runIds[(turn += 1) % runIds.length]!));
  const fresh = (count: number) => {
    const at = tracedSite(generatedSite(count));
    return () => evaluateSite({ ...at, reading: structuredClone(at.reading) });
  };
  const growth = timesLonger(2, fresh(100), fresh(400));
  const opened = timed(1, fresh(1000));
  const many = tracedSite(generatedSite(250));
  const roundStart = performance.now();
  roundOf({ site: many, evaluation: evaluateSite(many) }, 240);
  const round = performance.now() - roundStart;
  return [
    {
      figure: 'the round of 250 runs, planned for the first time',
      measured: ms(round),
      wanted: 'under 2 s',
      holds: round < 2000,
    },
    {
      figure: 'diagnosis, next test and uses of a run',
      measured: ms(look),
      wanted: 'under 10 ms',
      holds: look < 10,
    },
    {
      figure: '400 runs with a trace each against 100, read for the first time',
      measured: `${growth.toFixed(1)} times`,
      wanted: 'about 4 (linear)',
      holds: growth < 6,
    },
    {
      figure: '1000 runs with a trace of 2048 points each, read for the first time',
      measured: ms(opened),
      wanted: '',
      holds: true,
    },
  ];
}

/** The parts of the bench, in their order; each can be asked for by its name. */
const parts: Record<string, () => Row[] | Promise<Row[]>> = {
  evaluation: () => evaluation(referenceMs()),
  reflectometer,
  diagnosis: closeLook,
  planning,
  slots,
  network,
  'first-screen': () => [firstScreen()],
  tables: () => tables(generatedSite(1000)),
  edits,
  browser: () => browserFigures(root, referenceMs()),
  flight,
  nights,
  papers,
  drills,
};

async function figuresOf(names: readonly string[]): Promise<Row[]> {
  const rows: Row[] = [
    {
      figure: 'reference: ten million square roots, each after the last',
      measured: ms(referenceMs()),
      wanted: `${laptopReferenceMs} ms on a laptop`,
      holds: true,
    },
  ];
  for (const name of names) rows.push(...(await parts[name]!()));
  return rows;
}

async function bench(asked: readonly string[]): Promise<void> {
  const unknown = asked.find((name) => name !== 'judgement' && !(name in parts));
  if (unknown !== undefined)
    throw new Error(`There is no part ${unknown}: ${[...Object.keys(parts), 'judgement'].join(', ')}.`);
  const rows = asked.includes('judgement')
    ? judgement()
    : await figuresOf(asked.length > 0 ? asked : Object.keys(parts));
  printTable(rows);
  if (rows.some(({ holds }) => !holds)) process.exitCode = 1;
}

const [first, file, ...rest] = process.argv.slice(2);
if (first === '--pack-of' && file !== undefined) console.log(JSON.stringify(await packOf(file)));
else await bench([first, file, ...rest].flatMap((name) => name?.replace(/^--/, '') ?? []));
