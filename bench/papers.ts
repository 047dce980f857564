import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import loadHighs from 'highs';
import { evaluateSite, signOffOf } from '#core/evaluate';
import {
  readForAcceptance,
  toSiteFile,
  withChanges,
  type AcceptanceFound,
  type Change,
  type Site,
} from '#core/model/site';
import type { Row } from './measure';
import { decidedDemo, generatedSite } from './sites';

/** Every camera on the first option that holds. */
function firstChoices(site: Site): Site {
  const given = { at: '2026-03-12T09:00:00Z', by: 'R. Tolland' };
  const choice = Object.fromEntries(
    evaluateSite(site).runs.flatMap(({ camera, options }) => {
      const option = options.find(({ state, kind }) => state === 'holds' && kind !== 'retire');
      return option ? [[camera.id, { id: camera.id, option: option.kind, ...given }] as const] : [];
    }),
  );
  return { ...site, choice };
}

/** The same with every check read, so that the pack holds all of them. */
function readThrough(site: Site): Site {
  const { things } = signOffOf(site, evaluateSite(site));
  const doing = { at: '2026-05-05T07:30:00Z', by: 'K. Ridley' };
  const changes = things.flatMap(({ of, checks }) =>
    checks.map(({ check, limit, predicted }): Change => {
      const found: AcceptanceFound =
        limit.kind === 'figure'
          ? { kind: 'figure', value: predicted?.value ?? limit.least ?? limit.most ?? 1 }
          : limit.kind === 'soak'
            ? { kind: 'soak', hours: limit.hours, lostPercent: 0, drops: 0, gapMinutes: 0 }
            : limit.kind === 'words'
              ? { kind: 'words', words: 'J. Holm' }
              : { kind: 'seen', isSo: true };
      return readForAcceptance({ of, check, found, instrument: '' }, doing, 'b');
    }),
  );
  return withChanges(site, changes);
}

interface Pack {
  seconds: number;
  pages: number;
  bytes: number;
  peakMb: number;
}

/** Says at its end how much memory a program held at most, in kilobytes. */
const tellPeak =
  'data:text/javascript,process.on("exit",()=>process.stderr.write("peak "+process.resourceUsage().maxRSS))';

/** A hand-over pack by the command that people use, from the site file to the bytes of its PDF, in a process of its own. */
function packOf(site: Site): Pack {
  const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-bench-'));
  const [from, to] = [path.join(folder, 'site.json'), path.join(folder, 'pack.pdf')];
  writeFileSync(from, JSON.stringify(toSiteFile(site)));
  const start = performance.now();
  const { status, stderr } = spawnSync(
    process.execPath,
    ['--import', tellPeak, '--import', 'tsx', 'cli/paperMain.ts', 'hand-over', from, '--out', to],
    { encoding: 'utf8' },
  );
  const seconds = (performance.now() - start) / 1000;
  if (status !== 0) throw new Error(stderr);
  const pdf = readFileSync(to);
  rmSync(folder, { recursive: true });
  return {
    seconds,
    pages: pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0,
    bytes: pdf.length,
    peakMb: Number(/peak (\d+)/.exec(stderr)![1]) / 1000,
  };
}

const row = (what: string, pack: Pack, most: { seconds: number; peakMb: number }): Row => ({
  figure: `hand-over pack of ${what}, ${pack.pages} pages, as a process of its own`,
  measured: `${pack.seconds.toFixed(1)} s, ${(pack.bytes / 1e6).toFixed(2)} MB, ${pack.peakMb.toFixed(0)} MB of memory`,
  wanted: `${most.seconds} s, 10 MB, ${most.peakMb} MB`,
  holds: pack.seconds <= most.seconds && pack.bytes <= 10e6 && pack.peakMb <= most.peakMb,
});

/** Papers of the demo and of a site ten times as large. */
export async function papers(): Promise<Row[]> {
  const demo = readThrough(decidedDemo(await loadHighs()));
  const large = readThrough(firstChoices(generatedSite(250)));
  return [
    row('24 cameras', packOf(demo), { seconds: 5, peakMb: 600 }),
    row('250 cameras', packOf(large), { seconds: 60, peakMb: 600 }),
  ];
}
