import { describe, expect, it } from 'vitest';
import type { Camera, QuantityReading } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { feedSource, inferFeed, powerLoop } from '.';
import type { RunReadings } from '#core/test/readings';

const site = saltmarrowSite();
const volts = (day: number, night: number): RunReadings => {
  const of = (test: 'day-volts' | 'night-volts', value: number): QuantityReading => ({
    id: test,
    runId: 'r03',
    test,
    value,
    at: '2026-04-01T09:00:00Z',
    by: 'x',
    instrument: '',
  });
  return { 'day-volts': of('day-volts', day), 'night-volts': of('night-volts', night) };
};
/** Camera 3 with lamps that count: 12.6 V through 2.4 Ω. */
const camera: Camera = { ...site.camera['c03']!, watts: { day: 2, night: 8, startUp: 9 } };
const says = (day: number, night: number) =>
  inferFeed(
    camera,
    feedSource(site, site.run['r03']!),
    powerLoop(site.run['r03']!, undefined),
    volts(day, night),
  )!.message;

describe('day and night together', () => {
  it('wait for both', () =>
    expect(
      inferFeed(camera, feedSource(site, site.run['r03']!), powerLoop(site.run['r03']!, undefined), {
        'day-volts': volts(12, 11)['day-volts']!,
      }),
    ).toBeNull());
  it('are explained by the cores and the rail where they are', () => {
    expect(says(12.2, 10.8)).toMatch(/^2\.4 Ω ± .* They explain both readings\.$/);
  });
  it('point at a joint in the power, or at the source', () => {
    expect(says(11.8, 8.5)).toMatch(/The rest is a joint in the power/);
    expect(says(11.0, 9.7)).toMatch(/The source sags or is set lower than noted/);
    expect(says(10.5, 6.6)).toMatch(/more is lost on the way|joint in the power/i);
  });
  it('say when they cannot tell', () =>
    expect(says(12.2, 12.18)).toMatch(/do not tell the loop: the volts hardly fall/));
});
