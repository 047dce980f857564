import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import type { RoundStop } from './planRound';
import { roundOnDrawing } from './roundOnDrawing';

const site = saltmarrowSite();
const stop = (at: RoundStop['at'], placeId: string, ...runIds: string[]): RoundStop => ({
  at,
  placeId,
  setUpMinutes: 0,
  minutes: 10,
  tests: runIds.map((runId) => ({ runId, testId: 'picture', at, placeId, minutes: 2, worth: 1 })),
});

describe('a round on a drawing', () => {
  it('stands amid the cameras that are tested, on the drawing that shows most of it', () => {
    const round = roundOnDrawing(site, [
      stop('recorder', 'ticket-hall', 'r15'),
      stop('camera', 'kiosks', 'r09', 'r10'),
      stop('camera', 'roof-space', 'r05'),
      stop('camera', 'marshalling', 'r11'),
    ])!;
    expect(round.drawing.name).toBe('Site');
    expect(round.elsewhere).toBe(1);
    // The kiosks’ two cameras are pinned at (456, 365.5) and (456, 400).
    expect(round.spots.map(({ number, at }) => [number, at])).toEqual([
      [1, { x: 545, y: 350 }],
      [2, { x: 456, y: 382.75 }],
      [4, { x: 434, y: 335 }],
    ]);
  });
  it('is on none where nothing is pinned', () => {
    expect(roundOnDrawing({ ...site, pin: {} }, [stop('camera', 'kiosks', 'r09')])).toBeNull();
    expect(roundOnDrawing(site, [])).toBeNull();
  });
});
