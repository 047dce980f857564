import { describe, expect, it } from 'vitest';
import { chanceOfFailing } from '#core/decide/risk';
import { evaluateRuns } from '#core/decide/runEvaluation';
import { withChanges, type Site } from '#core/model/site';
import { expectedCoaxOhms } from '#core/test/findings';
import { saltmarrowSite } from '../../model/site/testSite';
import { linesBelieved } from '.';

const reel = ['r14', 'r08', 'r18', 'r19'] as const;
const [own, ...others] = reel;
const bare: Site = { ...saltmarrowSite(), reading: {} };

/** Four runs of one print, noted as copper; the last three were read, and are of what is said. */
function fourOfOneReel(isOf: string, noted = 'coax-rg6-cu'): Site {
  const printed = reel.map((id) => {
    const run = bare.run[id]!;
    const segments = run.segments.map((segment) => ({
      ...segment,
      cable: noted,
      // Long enough that steel would starve what hangs at its end.
      lengthM: id === own ? 400 : segment.lengthM,
      print: 'FERRY 75',
      lengthFrom: 'jacket-marks' as const,
    }));
    return { kind: 'run', id, set: { ...run, segments } } as const;
  });
  const site = withChanges(bare, printed);
  return withChanges(
    site,
    others.map((runId) => ({
      kind: 'reading',
      id: `loop-${runId}`,
      set: {
        id: `loop-${runId}`,
        runId,
        test: 'coax-loop-ohms',
        value: expectedCoaxOhms(site.run[runId]!.segments.map((segment) => ({ ...segment, cable: isOf }))),
        instrument: 'Bench meter 1',
        at: '2026-03-02T10:00:00Z',
        by: 'I. Marlow',
      },
    })),
  );
}

function chancesIn(site: Site) {
  const runs = evaluateRuns(site);
  const one = runs.find(({ run }) => run.id === own)!;
  return {
    steel: linesBelieved(site, runs)(one, []).steelChance,
    fails: chanceOfFailing({ site, runs }, one.camera.id, 'ip-coax-pair'),
  };
}

describe('how likely a coax is steel', () => {
  it('three runs of a reel that read like steel make the fourth likely, and its scenarios fail by it', () => {
    const steel = chancesIn(fourOfOneReel('coax-rg6-ccs'));
    const copper = chancesIn(fourOfOneReel('coax-rg6-cu'));
    expect(steel.steel).toBeGreaterThan(0.3);
    expect(copper.steel).toBeLessThan(0.03);
    expect(steel.fails).toBeGreaterThan(copper.fails + 0.2);
  });
  it('a coax that is noted as steel is not taken for copper', () => {
    expect(chancesIn(fourOfOneReel('coax-rg6-ccs', 'coax-rg6-ccs')).steel).toBe(0);
  });
});

describe('a coax that nobody has tested', () => {
  const fails = (site: Site): number =>
    chanceOfFailing({ site, runs: evaluateRuns(site) }, 'c14', 'ip-coax-unit');
  const picture = (symptoms: 'no-picture'[]): Site =>
    withChanges(bare, [
      {
        kind: 'reading',
        id: 'seen',
        set: {
          id: 'seen',
          runId: 'r14',
          test: 'picture',
          symptoms,
          instrument: '',
          at: '2026-03-02T10:00:00Z',
          by: 'I. Marlow',
        },
      },
    ]);
  it('may have a joint or a leak that its margins know nothing of', () => {
    expect(fails(bare)).toBeGreaterThan(0.005);
    expect(fails(bare)).toBeLessThan(0.1);
  });
  it('is less of a risk with a clean picture over it, and a great one with none', () => {
    expect(fails(picture([]))).toBeLessThan(fails(bare));
    expect(fails(picture(['no-picture']))).toBeGreaterThan(fails(bare) + 0.05);
  });
});
