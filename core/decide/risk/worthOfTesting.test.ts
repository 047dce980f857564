import { describe, expect, it } from 'vitest';
import { evaluateRuns } from '#core/decide/runEvaluation';
import { withChanges, type OptionKind, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { worthOfTesting } from '.';

const untested: Site = { ...saltmarrowSite(), reading: {} };

function worthOf(bare: Site, runId: string, option: OptionKind | null) {
  const { cameraId } = bare.run[runId]!;
  const site = option
    ? withChanges(bare, [
        {
          kind: 'choice',
          id: cameraId,
          set: { id: cameraId, option, by: 'R. Tolland', at: '2026-03-02T10:00:00Z' },
        },
      ])
    : bare;
  const runs = evaluateRuns(site);
  return worthOfTesting(
    site,
    runs,
    runs.find(({ run }) => run.id === runId)!,
  );
}

describe('what a test is worth to what is chosen', { timeout: 60_000 }, () => {
  it('names the test that reads what the choice hangs on, what it takes and what it saves', () => {
    // Camera 12 at the end of 410 m: the watts that arrive are just what it takes, by a loop nobody has read.
    const worth = worthOf(untested, 'r12', 'ip-coax-unit')!;
    expect(worth.test.id).toBe('coax-loop-ohms');
    expect(worth.by).toBe('watts that arrive');
    expect(worth.fails).toBeGreaterThan(0.3);
    expect(worth.fails).toBeLessThan(0.7);
    // Dear by the ladder and the way, and still a fraction of what is lost.
    expect(worth.minutes).toBeGreaterThan(5);
    expect(worth.savesHours * 60).toBeGreaterThan(worth.minutes);
    expect(worth.savesNights).toBeGreaterThan(0.3);
    expect(worth.savesNights).toBeLessThanOrEqual(0.5);
    // An hour of work is 48 in the generic prices.
    expect(worth.saves).toBe(Math.round(worth.savesHours * 48));
  });
  it('is nothing where the choice is sure to fail, sure to hold, or where nothing is chosen', () => {
    // 340 m of new category cable: no reading makes it 90 m.
    expect(worthOf(untested, 'r15', 'new-category')).toBeNull();
    // Its volts are read, and light asks nothing of the old coax.
    expect(worthOf(saltmarrowSite(), 'r01', 'fibre')).toBeNull();
    expect(worthOf(untested, 'r12', null)).toBeNull();
  });
});
