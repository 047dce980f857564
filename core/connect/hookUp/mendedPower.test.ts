import { describe, expect, it } from 'vitest';
import { evaluateSite, hookUpOfRun } from '#core/evaluate';
import type { Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import type { HookUp } from '.';

const demo = saltmarrowUnshared();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };

/** The hook-up of a camera whose power is mended. */
function mended(number: string, fields: Partial<Site> = {}): HookUp {
  const cameraId = `c${number}`;
  const site = {
    ...demo,
    ...fields,
    choice: { [cameraId]: { id: cameraId, option: 'power-fix' as const, ...who } },
  };
  return hookUpOfRun(site, evaluateSite(site), `r${number}`, 'mm2')!.after!;
}
const power = ({ lines }: HookUp) => lines.find(({ carries }) => carries === 'power')!;

describe('the hook-up of power that is mended', () => {
  it('on a supply of its own leads through a converter, and warns of its volts', () => {
    const after = mended('08');
    const { stations, spans } = power(after);
    expect(stations[0]!.name).toBe('Supply of its own, 24 V DC');
    expect(stations[0]!.where).toMatch(/^beside .*, output \d+, which this camera leaves$/);
    expect(stations.slice(-2).map(({ name }) => name)).toEqual(['Converter', 'Camera 8']);
    expect(stations.at(-2)!.terminals).toEqual(['in: + and − of 24 V', 'out: + and − of 12.2 V']);
    expect(spans).toHaveLength(stations.length - 1);
    expect(after.polarity.join(' ')).toMatch(/24 V go to the converter and never to the camera/);
  });
  it('on an adapter beside the camera leaves the box', () => {
    const after = mended('04');
    expect(power(after).stations.map(({ name }) => name)).toEqual(['Adapter, 12 V DC', 'Camera 4']);
    expect(after.unknown.join(' ')).toMatch(/come off their box/);
  });
  it('over new cores leads from the same output straight to the camera', () => {
    const run = demo.run['r14']!;
    if (run.feed.kind !== 'separate-pair') throw new Error('its cores lie apart');
    const feed = { ...run.feed, cable: 'power-2x22-cca', lengthM: 260 } as const;
    const reading = Object.fromEntries(
      Object.entries(demo.reading).filter(([, { runId }]) => runId !== 'r14'),
    );
    const after = mended('14', { run: { ...demo.run, r14: { ...run, feed } }, reading });
    const { stations, spans } = power(after);
    expect(spans).toEqual([
      { label: 'new power cores', cores: 'one out, one back', lengthM: 260, look: 'cores' },
    ]);
    expect(stations[0]!.name).toBe(`${demo.supply[feed.supplyId]!.name}, output ${feed.output}`);
    expect(stations[1]!.name).toBe('Camera 14');
  });
});
