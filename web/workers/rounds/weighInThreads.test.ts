import { expect, it } from 'vitest';
import { evaluateSite, roundOf, unweighedRuns } from '#core/evaluate';
import type { Site } from '#core/model/site';
import { saltmarrowSite } from '../../../core/model/site/testSite';
import { weighInThreads } from './weighInThreads';

const demo = saltmarrowSite();

/** The demo with every run three times, so that there are enough of them for threads. */
function threefold(): Site {
  const copies = <T extends { id: string }>(all: Record<string, T>, change: (one: T, id: string) => T) =>
    Object.fromEntries(
      Object.values(all).flatMap((one) =>
        ['', '-b', '-c'].map((mark) => [`${one.id}${mark}`, change(one, `${one.id}${mark}`)]),
      ),
    );
  const markOf = (id: string, own: string): string => id.slice(own.length);
  return {
    ...demo,
    camera: copies(demo.camera, (one, id) => ({ ...one, id })),
    run: copies(demo.run, (one, id) => ({ ...one, id, cameraId: `${one.cameraId}${markOf(id, one.id)}` })),
    networkCamera: {},
    sheath: {},
    choice: {},
    placement: {},
  };
}

// There are no threads here: they fail, as they may in a browser.
it('where threads fail, the round is weighed by whoever asks for it', async () => {
  const site = threefold();
  const before = { site, evaluation: evaluateSite(site) };
  expect(unweighedRuns(before).length).toBeGreaterThan(48);
  await weighInThreads(before);
  expect(unweighedRuns(before).length).toBeGreaterThan(48);
  expect(roundOf(before, 120).stops.length).toBeGreaterThan(0);
  expect(unweighedRuns(before)).toEqual([]);
});
