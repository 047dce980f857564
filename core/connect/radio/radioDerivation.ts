import { clearanceDerivation, onAir, radioRateDerivation } from '#core/decide/options';
import { catalogueOf } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import type { Derivation } from '#core/shared/derivation';
import { mbpsOnAir } from './camerasOnAir';

/** How what a radio path carries, or the room for its beam, was reached; `null` where there is no such path, and of a beam that nobody measured. */
export function radioDerivation(site: Site, pathId: string, of: 'rate' | 'beam'): Derivation | null {
  const path = site.radioPath[pathId];
  if (!path) return null;
  const air = onAir(catalogueOf(site), site, path);
  if (of === 'rate') return radioRateDerivation(path, air, mbpsOnAir(site, path));
  const { distanceM, clearanceM } = path;
  return clearanceM === undefined ? null : clearanceDerivation(distanceM, clearanceM, air.best.frequencyMHz);
}
