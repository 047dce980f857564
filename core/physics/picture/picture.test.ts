import { describe, expect, it } from 'vitest';
import { pictureFormat } from '#core/physics/signal';
import {
  symptoms,
  activeLineUs,
  microsecondsOfLine,
  percentOfLine,
  quayScene,
  simulate,
  symptomEffects,
  testBars,
  toRgba,
  type Effects,
  type Picture,
} from '.';

const [width, height] = [240, 60];
const scene = quayScene(width, height);
const composite = pictureFormat('cvbs');
const over = (lengthM: number): NonNullable<Effects['cable']> => ({
  stretches: [{ cable: 'coax-rg59-cu', lengthM }],
  format: composite,
});
const rowOf = ({ rgb }: Picture, y: number): number[] =>
  Array.from({ length: width }, (_, x) => rgb[(y * width + x) * 3]!);
/** How much neighbours differ: what is left of fine detail. */
const detail = (picture: Picture, y: number): number =>
  rowOf(picture, y).reduce((sum, value, x, row) => (x > 0 ? sum + Math.abs(value - row[x - 1]!) : sum), 0);
const railings = Math.round(height * 0.78);

/** Even bars of so many periods across the picture. */
function grating(periods: number): Picture {
  const rgb = new Float32Array(width * height * 3);
  for (let k = 0; k < width * height; k += 1)
    rgb.fill(0.5 + 0.4 * Math.sin((2 * Math.PI * periods * (k % width)) / width), k * 3, k * 3 + 3);
  return { width, height, rgb };
}

describe('what coax does to a picture', () => {
  it('takes fine detail, the more the longer it is', () => {
    const left = [0, 200, 500, 900].map((metres) =>
      detail(metres === 0 ? scene : simulate(scene, { cable: over(metres) }), railings),
    );
    expect(left).toEqual([...left].sort((a, b) => b - a));
    expect(left[3]!).toBeLessThan(0.75 * left[0]!);
  });
  it('takes from a grating of one frequency just what the cable loses there', () => {
    // 104 periods in 52 µs are 2 MHz; 300 m of RG-59 lose 3·(√2 + 0.009) dB there, less what they lose of everything.
    const periods = 104;
    const seen = simulate(grating(periods), { cable: over(300) });
    const swing = (picture: Picture) =>
      Math.max(...rowOf(picture, 30).slice(60, 180)) - Math.min(...rowOf(picture, 30).slice(60, 180));
    const lossDb = 3 * (Math.sqrt(2) + 0.0045 * 2) - 3 * (Math.sqrt(0.1) + 0.00045);
    expect(swing(seen) / swing(grating(periods))).toBeCloseTo(10 ** (-lossDb / 20), 1);
  });
  it('leaves large areas as they are', () => {
    const seen = simulate(scene, { cable: over(500) });
    expect(rowOf(seen, 3)[120]).toBeCloseTo(rowOf(scene, 3)[120]!, 1);
  });
});

describe('an echo', () => {
  it('stands to the right by its delay', () => {
    const edge: Picture = {
      width,
      height,
      rgb: Float32Array.from({ length: width * height * 3 }, (_, k) =>
        Math.floor(k / 3) % width === 40 ? 1 : 0,
      ),
    };
    const seen = rowOf(simulate(edge, { echo: { delayUs: 13, share: 0.5 } }), 10);
    // 13 of 52 µs are a quarter of the width.
    expect(seen[40 + width / 4]! - seen[41 + width / 4]!).toBeCloseTo(0.5, 5);
  });
  it('is measured with a ruler: a tenth of a composite picture is 5.2 µs', () => {
    expect(microsecondsOfLine(composite, 10)).toBeCloseTo(5.2, 9);
    expect(percentOfLine(composite, microsecondsOfLine(composite, 37))).toBeCloseTo(37, 9);
  });
  it('moves less in a format whose lines are quicker', () =>
    expect(activeLineUs(pictureFormat('hd1080'))).toBeLessThan(activeLineUs(composite)));
});

describe('hum, bad contacts, wrong settings, a weak supply', () => {
  it('bars lie across, the same all along a line', () => {
    const seen = simulate(scene, { hum: { bars: 2, share: 0.3, phase: 0 } });
    const added = rowOf(seen, 7).map((value, x) => value - rowOf(scene, 7)[x]!);
    expect(Math.max(...added) - Math.min(...added)).toBeLessThan(1e-5);
    expect(rowOf(seen, 7)[5]! - rowOf(scene, 7)[5]!).not.toBeCloseTo(
      rowOf(seen, 22)[5]! - rowOf(scene, 22)[5]!,
      2,
    );
  });
  it('a torn picture has no colour, a rolled one is itself moved down', () => {
    const torn = simulate(scene, { torn: 0.2 });
    for (let k = 0; k < 300; k += 3) expect(torn.rgb[k]).toBe(torn.rgb[k + 1]);
    const rolled = simulate(scene, { rolled: 0.5 });
    expect(rowOf(rolled, height / 2)).toEqual(rowOf(scene, 0));
  });
  it('sparkles touch some lines and the same ones each time', () => {
    const [a, b] = [simulate(scene, { sparkles: 0.3 }), simulate(scene, { sparkles: 0.3 })];
    expect(a.rgb).toEqual(b.rgb);
    const touched = Array.from({ length: height }, (_, y) =>
      rowOf(a, y).some((value, x) => value !== rowOf(scene, y)[x]),
    ).filter(Boolean).length;
    expect(touched).toBeGreaterThan(5);
    expect(touched).toBeLessThan(40);
  });
  it('without light nothing but noise is left', () =>
    expect(Math.max(...rowOf(simulate(scene, { light: 0 }), 30))).toBeLessThan(0.13));
  it('test bars are bars', () =>
    expect(new Set(rowOf(testBars(width, height), 5)).size).toBeLessThanOrEqual(7));
});

describe('every symptom', () => {
  it('looks unlike a clean picture and unlike every other', () => {
    const clean = simulate(scene, { cable: over(50) });
    const seen = symptoms.map((symptom) =>
      simulate(scene, symptomEffects(symptom, composite, [{ cable: 'coax-rg59-cu', lengthM: 50 }])),
    );
    const apart = (a: Picture, b: Picture) =>
      a.rgb.reduce((sum, value, k) => sum + Math.abs(value - b.rgb[k]!), 0) / a.rgb.length;
    seen.forEach((one, k) => {
      expect(apart(one, clean), symptoms[k]).toBeGreaterThan(0.004);
      seen.slice(k + 1).forEach((other) => expect(apart(one, other)).toBeGreaterThan(0.004));
    });
  });
  it('becomes bytes for a screen', () => {
    const bytes = toRgba(scene);
    expect(bytes).toHaveLength(width * height * 4);
    expect(bytes[3]).toBe(255);
  });
});
