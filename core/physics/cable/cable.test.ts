import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  coaxCables,
  coaxLoopOhms,
  conductorAreaMm2,
  conductorOhms,
  loopOhms,
  pathLossDb,
  signalCable,
  signalCableIds,
  temperatureFactor,
} from '.';

const lengthM = fc.double({ min: 0.1, max: 2000, noNaN: true });
const temperatureC = fc.double({ min: -30, max: 70, noNaN: true });
const gauge = fc.integer({ min: 10, max: 30 });

describe('conductors', () => {
  // Independent figures: the wire tables of the American gauge at 20 °C, ohm per kilometre.
  it.each([
    [10, 3.277],
    [14, 8.286],
    [18, 20.95],
    [20, 33.31],
    [24, 84.22],
    [26, 133.9],
  ])('AWG %i copper has %f ohm per km', (awg, ohmPerKm) => {
    expect(conductorOhms({ awg, material: 'copper' }, 1000, 20)).toBeGreaterThan(ohmPerKm * 0.995);
    expect(conductorOhms({ awg, material: 'copper' }, 1000, 20)).toBeLessThan(ohmPerKm * 1.005);
  });
  it('AWG 18 is 0.823 mm²', () =>
    expect(conductorAreaMm2({ awg: 18, material: 'copper' })).toBeCloseTo(0.823, 3));
  it('six gauges thicker is a quarter of the resistance, near enough', () => {
    fc.assert(
      fc.property(gauge, (awg) => {
        const ratio =
          conductorOhms({ awg: awg + 6, material: 'copper' }, 1, 20) /
          conductorOhms({ awg, material: 'copper' }, 1, 20);
        expect(ratio).toBeCloseTo(4.02, 1);
      }),
    );
  });
  it('copper gains about a tenth from 20 to 45 °C', () =>
    expect(temperatureFactor('copper', 45)).toBeCloseTo(1.098, 3));
});

describe('loops', () => {
  it('two cores out and one back are 1.5 of one core', () => {
    fc.assert(
      fc.property(gauge, lengthM, temperatureC, (awg, length, temperature) => {
        const core = { awg, material: 'copper' as const };
        const one = conductorOhms(core, length, temperature);
        expect(loopOhms({ ...core, count: 2 }, { ...core, count: 1 }, length, temperature)).toBeCloseTo(
          1.5 * one,
          6,
        );
      }),
    );
  });
  it('a coax loop is proportional to length and grows with temperature', () => {
    fc.assert(
      fc.property(fc.constantFrom(...coaxCables), lengthM, (cable, length) => {
        expect(coaxLoopOhms(cable, 2 * length, 20)).toBeCloseTo(2 * coaxLoopOhms(cable, length, 20), 6);
        expect(coaxLoopOhms(cable, length, 45)).toBeGreaterThan(coaxLoopOhms(cable, length, 20));
      }),
    );
  });
});

describe('loss', () => {
  it('is the same however a run is cut', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...signalCableIds),
        lengthM,
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        (cable, length, cut, frequency) => {
          const whole = pathLossDb([{ cable, lengthM: length }], frequency);
          const parts = pathLossDb(
            [
              { cable, lengthM: length * cut },
              { cable, lengthM: length * (1 - cut) },
            ],
            frequency,
          );
          expect(parts).toBeCloseTo(whole, 6);
        },
      ),
    );
  });
  it('a cable of no table is an error, not a guess', () =>
    expect(() => signalCable('coax-string')).toThrow(/unknown cable/));
});
