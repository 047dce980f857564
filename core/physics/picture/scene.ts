/** A picture as light from 0 to 1, three values a point, row by row. */
export interface Picture {
  width: number;
  height: number;
  rgb: Float32Array;
}

type Colour = readonly [number, number, number];
const sky: Colour = [0.62, 0.72, 0.8];
const sea: Colour = [0.22, 0.36, 0.42];
const quay: Colour = [0.55, 0.5, 0.44];
const hull: Colour = [0.75, 0.28, 0.2];
const white: Colour = [0.93, 0.93, 0.9];
const dark: Colour = [0.08, 0.09, 0.1];

/**
 * The picture that faults are shown on, drawn for this: a quay with a ferry, railings that get finer to the right, and
 * upright edges, because what coax does to a picture is seen on fine detail and on edges.
 */
export function quayScene(width: number, height: number): Picture {
  const rgb = new Float32Array(width * height * 3);
  const colourAt = (x: number, y: number): Colour => {
    const [u, v] = [x / width, y / height];
    const onMast = u > 0.298 && u < 0.312 && v > 0.12 && v < 0.6;
    const onHouse = u > 0.36 && u < 0.56 && v > 0.32 && v < 0.47;
    const onHull = v > 0.45 && v < 0.62 && u > 0.18 + (v - 0.45) * 0.25 && u < 0.7 - (v - 0.45) * 0.15;
    const onPost = v > 0.66 && v < 0.92 && (u < 0.12 ? u > 0.05 : false);
    // Railings: bars of even height whose pitch falls from 1/20 to 1/110 of the width.
    const pitch = 1 / (20 + 90 * Math.max(0, (u - 0.18) / 0.82));
    const onRailing = v > 0.7 && v < 0.86 && u > 0.18 && (u / pitch) % 1 < 0.5;
    if (onMast || onPost) return dark;
    if (onHouse) return Math.floor((u - 0.36) / 0.025) % 2 === 0 && v > 0.36 && v < 0.42 ? dark : white;
    if (onHull) return hull;
    if (onRailing) return white;
    if (v > 0.64) return quay;
    return v > 0.5 ? sea : sky;
  };
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) rgb.set(colourAt(x, y), (y * width + x) * 3);
  return { width, height, rgb };
}

/** Bars that a camera shows while it tests itself. */
export function testBars(width: number, height: number): Picture {
  const bars: readonly Colour[] = [
    [0.9, 0.9, 0.9],
    [0.85, 0.8, 0.1],
    [0.1, 0.75, 0.8],
    [0.15, 0.7, 0.2],
    [0.75, 0.2, 0.7],
    [0.75, 0.15, 0.15],
    [0.15, 0.2, 0.7],
  ];
  const rgb = new Float32Array(width * height * 3);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1)
      rgb.set(bars[Math.floor((x * bars.length) / width)]!, (y * width + x) * 3);
  return { width, height, rgb };
}
