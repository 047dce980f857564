import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import loadHighs from 'highs';
import { makePaper, paperContext, pdfDefinition } from '#core/documents';
import { evaluateSite, signOffOf } from '#core/evaluate';
import {
  parseSiteFile,
  readForAcceptance,
  toSiteFile,
  withChanges,
  type AcceptanceFound,
  type Change,
  type Site,
} from '#core/model/site';
import { pdfFile } from '../cli/pdfFile';
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

const measures = { length: 'm', gauge: 'mm2' } as const;
const moment = {
  on: '2026-05-06',
  measures,
  clock: {
    now: Date.UTC(2026, 4, 6),
    beginOf: (date: string, time: string) => Date.parse(`${date}T${time}:00Z`),
  },
  pageOf: (runId: string) => `https://localhost/site/x/survey/${runId}`,
};

interface Pack {
  /** From the facts to the bytes of the PDF. */
  seconds: number;
  pages: number;
  bytes: number;
  /** Most memory of the whole process. */
  peakMb: number;
}

/** The hand-over pack of a site file, in this process and nothing else in it. */
export async function packOf(file: string): Promise<Pack> {
  const read = parseSiteFile(readFileSync(file, 'utf8'));
  if (read.kind === 'refused') throw new Error('the site is not sound');
  const from = performance.now();
  const paper = makePaper('hand-over', paperContext(read.value, evaluateSite(read.value), moment));
  const pdf = await pdfFile(pdfDefinition(paper, { locale: 'en-GB', pageSize: 'A4', measures }));
  return {
    seconds: (performance.now() - from) / 1000,
    pages: pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0,
    bytes: pdf.length,
    peakMb: process.resourceUsage().maxRSS / 1000,
  };
}

/** The same in a process of its own, which tells what it found. */
function packElsewhere(site: Site): Pack {
  const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-bench-'));
  const file = path.join(folder, 'site.json');
  writeFileSync(file, JSON.stringify(toSiteFile(site)));
  const told = execFileSync(process.execPath, [process.argv[1]!, '--pack-of', file], { encoding: 'utf8' });
  rmSync(folder, { recursive: true });
  return JSON.parse(told) as Pack;
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
    row('24 cameras', packElsewhere(demo), { seconds: 5, peakMb: 600 }),
    row('250 cameras', packElsewhere(large), { seconds: 60, peakMb: 600 }),
  ];
}
