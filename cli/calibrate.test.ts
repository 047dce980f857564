import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import path from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { noteMending, toSiteFile, type Site, type Trouble } from '#core/model/site';
import type { Fitted } from '#core/test/calibrate';
import { knownRuns, knownSite } from '../tests/reference/judgement/known';
import { calibrateOn } from './calibrate';

/** The runs of known truth, as if each had been opened up the day after it was read. */
function openedUp(most: number): Site {
  const site = knownSite();
  const mending = Object.fromEntries(
    knownRuns()
      .slice(0, most)
      .map(({ run, troubles }) => {
        const change = noteMending(run, 'a', {
          at: '2030-01-01T08:00:00Z',
          by: 'I. Marlow',
          found: troubles.map(({ cause }) => cause as Trouble),
          did: '',
          changedLine: true,
        });
        return [change.id, 'set' in change ? change.set : undefined];
      }),
  ) as Site['mending'];
  return { ...site, mending };
}

const demoFile = path.resolve('demo/saltmarrow.neotrope.json');
const files = new Map<string, string>();
const read = (file: string): string => files.get(file) ?? readFileSync(file, 'utf8');
const calibrate = (...args: string[]) => calibrateOn(args, read);

describe('chances of the practice against what was found', () => {
  const runs = 140;
  let said: { runs: number; score: { right: number; calibrationError: number }; changes: Fitted[] };
  beforeAll(() => {
    files.set('opened', JSON.stringify(toSiteFile(openedUp(runs))));
    said = JSON.parse(calibrate('opened', '--json').out) as typeof said;
  }, 120_000);

  it('holds what was said from the readings of before against what came to light', () => {
    expect(said.runs).toBe(runs);
    expect(said.score.right).toBeGreaterThan(0.9);
    expect(said.score.calibrationError).toBeLessThan(0.08);
  });
  it('moves a rate towards what was found, by how much was looked at', () => {
    const water = said.changes.find(({ of }) => of.kind === 'rate' && of.trouble === 'water')!;
    const found = knownRuns()
      .slice(0, runs)
      .filter(({ troubles }) => troubles.some(({ cause }) => cause === 'water')).length;
    expect([water.seen, water.among]).toEqual([found, runs]);
    // 300 runs of practice at 4 %, and these.
    expect(water.would).toBeCloseTo((300 * 0.04 + found) / (300 + runs), 9);
  });
  it('says it in words, and that nothing is changed', () => {
    const { out } = calibrate('opened');
    expect(out).toMatch(/^140 runs were opened up\. Named rightly: 9\d\.\d %/);
    expect(out).toMatch(/Echo shows as ghost +55\.0 %/);
    expect(out).toMatch(/Nothing is changed by this\./);
  });
});

describe('bad input', () => {
  it.each([
    [[], /^no site file named/],
    [['--fast', demoFile], /^--fast is not understood/],
    [['nowhere.json'], /cannot be read/],
    [[demoFile], /^no run of these sites was opened up yet/],
  ])('%j is refused in words', (args, words) => {
    const said = calibrate(...args);
    expect([said.status, said.out]).toEqual([2, '']);
    expect(said.errors[0]).toMatch(words);
  });
});

it('reads packed files like others', () => {
  const packed = path.resolve('tests/reference/judgement/site.neotrope.json.gz');
  files.set('packed', gunzipSync(readFileSync(packed)).toString('utf8'));
  expect(calibrate('packed').errors[0]).toMatch(/opened up yet/);
});
