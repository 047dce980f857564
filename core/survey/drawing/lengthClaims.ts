import { markedLength, type Run, type Segment, type Site } from '#core/model/site';
import { drawnLength } from './routeLength';

/** One way in which a segment's length is known. */
export interface LengthClaim {
  by: 'drawn' | 'jacket-marks' | 'reflectometer';
  lengthM: number;
  spreadM: number;
}

/** Two ways that tell different lengths: further apart than both their uncertainties allow. */
export interface LengthDispute {
  segment: number;
  a: LengthClaim;
  b: LengthClaim;
  apartM: number;
  allowedM: number;
}

/** Everything that is known of a segment's length, the least certain first. */
export function lengthClaims(site: Pick<Site, 'route' | 'drawing'>, segment: Segment): LengthClaim[] {
  const drawn = drawnLength(site, segment.routeIds);
  const marked = markedLength(segment);
  return [
    ...(drawn ? [{ by: 'drawn' as const, ...drawn }] : []),
    ...(marked ? [{ by: 'jacket-marks' as const, ...marked }] : []),
    ...(segment.measured ? [{ by: 'reflectometer' as const, ...segment.measured }] : []),
  ];
}

/**
 * Where what is drawn, marked and measured contradict each other. Two lengths agree while they are no further apart than
 * twice the root of their spreads squared and added. Source: expanded uncertainty, coverage factor 2 (JCGM 100).
 */
export function lengthDisputes(
  site: Pick<Site, 'route' | 'drawing'>,
  { segments }: Pick<Run, 'segments'>,
): LengthDispute[] {
  const disputes: LengthDispute[] = [];
  segments.forEach((one, segment) => {
    const claims = lengthClaims(site, one);
    claims.forEach((a, index) => {
      for (const b of claims.slice(index + 1)) {
        const apartM = Math.abs(a.lengthM - b.lengthM);
        const allowedM = 2 * Math.hypot(a.spreadM, b.spreadM);
        if (apartM > allowedM) disputes.push({ segment, a, b, apartM, allowedM });
      }
    });
  });
  return disputes;
}
