import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import type { QuantityTestId } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import { contradictionsIn } from './contradictions';
import { inputOf } from './testInput';

const site = saltmarrowSite();
const of = (runId: string, test: QuantityTestId, value: number, more: RunReadings = {}): string[] =>
  contradictionsIn(
    inputOf({ ...site, reading: {} }, runId, {
      [test]: { id: 'x', runId, at: '2026-04-01T09:00:00Z', by: 'x', instrument: '', test, value },
      ...more,
    } as RunReadings),
  );

describe('readings that contradict physics', () => {
  it('a loop below that of silver is said, with what could be behind it', () => {
    expect(of('r13', 'coax-loop-ohms', 1)).toEqual([
      expect.stringMatching(
        /^Loop, centre and shield 1\.0 Ω: less than 27\d m .* any metal.*shorter than noted/,
      ),
    ]);
    expect(of('r08', 'power-loop-ohms', 0.2)).toEqual([
      expect.stringMatching(/more cores are joined than noted/),
    ]);
  });
  it('a short on the way explains it', () => {
    const continuity = { id: 'c', runId: 'r13', at: '2026-04-01T09:00:00Z', by: 'x', instrument: '' };
    expect(
      of('r13', 'coax-loop-ohms', 1, { continuity: { ...continuity, test: 'continuity', found: 'shorted' } }),
    ).toEqual([]);
  });
  it('more volts than the source gives are said', () => {
    expect(of('r08', 'day-volts', 19)).toEqual([
      expect.stringMatching(/^Volts at the camera, day 19.0 V: more than /),
    ]);
  });
  it('nothing of the demo as it is', () => {
    for (const runId of Object.keys(site.run)) expect(contradictionsIn(inputOf(site, runId))).toEqual([]);
  });
});
