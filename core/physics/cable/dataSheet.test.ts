import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  cableOf,
  coaxLoopOhms,
  conductorOhms,
  lossFit,
  lossText,
  parseLoss,
  pathLossDb,
  signalCable,
  type DataSheet,
} from '.';

const sheet: DataSheet = {
  kind: 'coax',
  id: 'dock-coax',
  name: 'Dock coax',
  material: 'copper',
  centreOhmPerKm: 40,
  shieldOhmPerKm: 10,
  loss: [
    { mhz: 10, dbPer100m: 3 },
    { mhz: 100, dbPer100m: 10 },
  ],
  velocityFactor: 0.7,
  impedanceOhms: 75,
};

describe('a cable by its data sheet', () => {
  it('has the sheet’s ohms at 20 °C, and copper’s rise above it', () => {
    const cable = cableOf({ cable: 'coax-rg59-cu', sheet });
    expect(cable.kind === 'coax' && coaxLoopOhms(cable, 200, 20)).toBeCloseTo(0.2 * 50, 9);
    expect(cable.kind === 'coax' && coaxLoopOhms(cable, 200, 60)).toBeCloseTo(
      0.2 * 50 * (1 + 0.00393 * 40),
      6,
    );
  });
  it('loses what the sheet says where it says it', () => {
    for (const { mhz, dbPer100m } of sheet.loss)
      expect(pathLossDb([{ cable: 'coax-rg59-cu', sheet, lengthM: 100 }], mhz)).toBeCloseTo(dbPer100m, 6);
  });
  it('goes before the row of the tables; without one the row counts', () => {
    expect(cableOf({ cable: 'coax-rg59-cu', sheet }).velocityFactor).toBe(0.7);
    expect(cableOf({ cable: 'coax-rg59-cu' })).toBe(signalCable('coax-rg59-cu'));
  });
  it('of pairs has its conductor, pairs and screen', () => {
    const pairs = cableOf({
      cable: 'pair-cat5e',
      sheet: {
        kind: 'pair',
        id: 'p',
        name: 'Old pairs',
        material: 'cca',
        conductorOhmPerKm: 148,
        pairs: 2,
        screened: true,
        loss: [{ mhz: 100, dbPer100m: 25 }],
        velocityFactor: 0.66,
        impedanceOhms: 100,
      },
    });
    expect(pairs).toMatchObject({ kind: 'pair', pairs: 2, screened: true });
    expect(pairs.kind === 'pair' && conductorOhms(pairs.conductor, 1000, 20)).toBeCloseTo(148, 9);
  });
});

describe('the fit of a loss', () => {
  it('finds the coefficients that made the figures, and none below nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        (a, b) => {
          const points = [5, 10, 50, 100].map((mhz) => ({ mhz, dbPer100m: a * Math.sqrt(mhz) + b * mhz }));
          const fit = lossFit(points);
          expect(fit.a).toBeCloseTo(a, 5);
          expect(fit.b).toBeCloseTo(b, 5);
        },
      ),
    );
    const falling = lossFit([
      { mhz: 10, dbPer100m: 4 },
      { mhz: 100, dbPer100m: 6 },
    ]);
    expect(falling.b).toBe(0);
    expect(falling.a).toBeGreaterThan(0);
  });
  it('of one figure is all skin effect', () =>
    expect(lossFit([{ mhz: 100, dbPer100m: 10 }])).toEqual({ a: 1, b: 0 }));
  it('is written and read as a sheet lists it', () => {
    expect(parseLoss(lossText(sheet.loss))).toEqual(sheet.loss);
    expect(parseLoss('100 MHz: 10 dB; 10 3')).toEqual(sheet.loss);
    for (const wrong of ['', 'much', '10', '10: 0', '-1: 2']) expect(parseLoss(wrong)).toBeNull();
  });
});
