import { expect, it } from 'vitest';
import { loadVoltAmps } from '#core/physics/power';
import { viewNeed } from '#core/model/views';
import { saltmarrowSite } from '../../model/site/testSite';
import { heaviestLoad } from './heaviestLoad';

const site = saltmarrowSite();
const voltAmps = (cameraId: string, volts: number): number => {
  const camera = site.camera[cameraId]!;
  return loadVoltAmps(heaviestLoad(camera, viewNeed(site, camera)), volts);
};

it('is today’s camera where no new one asks for more', () =>
  // The turning camera at the mast, 38 W by night of which 14 heat, on AC at a power factor of 0.65.
  expect(voltAmps('c12', 24)).toBeCloseTo((38 - 14) / 0.65 + 14, 6));
it('is never less than any of the three', () => {
  for (const camera of Object.values(site.camera)) {
    const { ip, hd } = viewNeed(site, camera);
    const volts = camera.supply.current === 'ac' ? 24 : 12;
    const least = Math.max(camera.watts.night, ip.nightWatts, hd.nightWatts);
    expect(voltAmps(camera.id, volts)).toBeGreaterThanOrEqual(least - 1e-9);
  }
});
it('counts what a converter loses where the new camera takes DC and the rail gives AC', () => {
  const camera = site.camera['c14']!;
  const { ip, hd } = viewNeed(site, camera);
  expect(hd.supply.current).toBe('dc');
  const small = { ...camera, watts: { day: 1, night: 1, startUp: 1 } };
  const most = Math.max(
    hd.nightWatts / 0.85 / 0.65,
    ip.supply.current === 'dc' ? ip.nightWatts / 0.85 / 0.65 : 0,
  );
  expect(loadVoltAmps(heaviestLoad(small, { ip, hd }), 24)).toBeCloseTo(most, 6);
});
