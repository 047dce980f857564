import { describe, expect, it } from 'vitest';
import { pathLossDb } from '#core/physics/cable';
import { pictureFormat } from '#core/physics/signal';
import { withSegment, type Run } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { mismatchLossDb } from './mismatchLoss';
import { pictureOver } from './pictureVerdict';

const run: Run = saltmarrowSite().run['r01']!;
const of50Ohms = withSegment(run, 0, { cable: 'coax-rg58' });

describe('coax that is not 75 Ω', () => {
  it('sends a twenty-fifth of the power back at each of its ends', () => {
    // By hand: ρ = 25/125 = 0.2; −10·log10(0.96) = 0.1773 dB, twice.
    expect(mismatchLossDb(of50Ohms)).toBeCloseTo(2 * 0.1773, 3);
    expect(mismatchLossDb(run)).toBe(0);
  });
  it('is not cable of 75 Ω that its sheet puts a few ohms off', () => {
    const [first, ...rest] = run.segments;
    const sheet = {
      kind: 'coax' as const,
      id: 'dock-coax',
      name: 'Dock coax',
      material: 'copper' as const,
      centreOhmPerKm: 40,
      shieldOhmPerKm: 10,
      loss: [{ mhz: 100, dbPer100m: 10 }],
      velocityFactor: 0.7,
      impedanceOhms: 73,
    };
    const near = { ...run, segments: [{ ...first!, lengthM: 10, sheet }, ...rest] };
    expect(pictureOver(near, pictureFormat('cvbs')).status).toBe('holds');
  });
  it('never simply holds a picture, since its echoes make ghosts', () => {
    const short = withSegment(of50Ohms, 0, { lengthM: 10 });
    const picture = pictureOver(short, pictureFormat('cvbs'));
    expect(picture.status).toBe('close');
    expect(picture.derivation().conclusion).toMatch(/not 75 Ω.*ghosts/);
    expect(pictureOver(withSegment(run, 0, { lengthM: 10 }), pictureFormat('cvbs')).status).toBe('holds');
  });
});

describe('steel under thin copper', () => {
  it('loses more than copper at the low end, where waves reach past the copper, and hardly more at the high end', () => {
    const more = (mhz: number): number =>
      pathLossDb([{ cable: 'coax-rg6-ccs', lengthM: 100 }], mhz) /
      pathLossDb([{ cable: 'coax-rg6-cu', lengthM: 100 }], mhz);
    // Published for such cable: 1.9 dB at 5 MHz where solid copper has 1.4; alike from some 50 MHz on.
    expect(pathLossDb([{ cable: 'coax-rg6-ccs', lengthM: 100 }], 5)).toBeCloseTo(1.9, 1);
    expect(more(5)).toBeGreaterThan(1.25);
    expect(more(100)).toBeLessThan(1.05);
  });
});
