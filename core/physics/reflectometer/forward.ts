import { nextPowerOfTwo } from '#core/shared/numeric';
import { fourier } from './fourier';
import {
  lightMPerNs,
  pulseAt,
  type End,
  type Fault,
  type Line,
  type Pulse,
  type Stretch,
  type Trace,
} from './line';

/** A complex number that is worked on in place: the loop over frequencies makes no new objects. */
interface Complex {
  re: number;
  im: number;
}

function multiply(a: Complex, re: number, im: number): void {
  const { re: x, im: y } = a;
  a.re = x * re - y * im;
  a.im = x * im + y * re;
}

/** a := (a + b) / (1 + a·b), which carries a reflection over a step of impedance with reflection b. */
function overStep(a: Complex, bRe: number, bIm: number): void {
  const denominatorRe = 1 + a.re * bRe - a.im * bIm;
  const denominatorIm = a.re * bIm + a.im * bRe;
  const size = denominatorRe ** 2 + denominatorIm ** 2;
  const [re, im] = [a.re + bRe, a.im + bIm];
  a.re = (re * denominatorRe + im * denominatorIm) / size;
  a.im = (im * denominatorRe - re * denominatorIm) / size;
}

const nepersPerDb = Math.LN10 / 20;

/** Square root with the positive real part. */
function root(re: number, im: number): [number, number] {
  // Not Math.hypot, which guards against sizes that no line has and takes ten times as long.
  const size = Math.sqrt(re * re + im * im);
  const a = Math.sqrt((size + re) / 2);
  return [a, Math.sign(im || 1) * Math.sqrt(Math.max(0, (size - re) / 2))];
}

/**
 * Carries a reflection that is seen at the far end of a stretch to its near end, both towards `nearOhms`.
 * Characteristic impedance and propagation of a line with series resistance R, inductance Z/v and capacitance 1/(Z·v);
 * skin effect adds a·√f with as much in phase as in size. Source: the telegrapher's equations.
 */
function throughStretch(seen: Complex, stretch: Stretch, nearOhms: number, megahertz: number): void {
  const { lengthM, velocityFactor, impedanceOhms, ohmsPerM = 0, skinDbPer100m = 0 } = stretch;
  const radiansPerNs = 2 * Math.PI * megahertz * 1e-3;
  const perNs = radiansPerNs / (velocityFactor * lightMPerNs);
  // 1 + R/(jωL): how far series resistance makes the line other than its nominal self.
  const [rootRe, rootIm] = root(1, perNs > 0 ? -ohmsPerM / (impedanceOhms * perNs) : 0);
  const skin = (skinDbPer100m * nepersPerDb * Math.sqrt(megahertz)) / 100;
  // γ = jω/v·√(1 + R/jωL) + skin·(1 + j)
  const attenuation = -perNs * rootIm + skin;
  const phase = perNs * rootRe + skin;
  const [stepRe, stepIm] = impedanceStep(nearOhms, impedanceOhms * rootRe, impedanceOhms * rootIm);
  overStep(seen, -stepRe, -stepIm);
  const shrink = Math.exp(-2 * attenuation * lengthM);
  const turn = -2 * phase * lengthM;
  multiply(seen, shrink * Math.cos(turn), shrink * Math.sin(turn));
  overStep(seen, stepRe, stepIm);
}

/** Reflection at a step from one impedance to another: (Z − Z₀)/(Z + Z₀). */
function impedanceStep(from: number, re: number, im: number): [number, number] {
  const size = (re + from) ** 2 + im ** 2;
  return [((re - from) * (re + from) + im * im) / size, (im * (re + from) - (re - from) * im) / size];
}

/** Reflection of an end towards a line of so many ohms. */
export function endReflection(end: End, ohms: number): number {
  switch (end.kind) {
    case 'open':
      return 1;
    case 'short':
      return -1;
    case 'load':
      return (end.ohms - ohms) / (end.ohms + ohms);
  }
}

/**
 * Carries a reflection past something that scatters alike from both sides: S11 + S21²·Γ/(1 − S11·Γ), where S21 is
 * 1 − S11 for a series part and 1 + S11 for a shunt one.
 */
function past(seen: Complex, scatterRe: number, scatterIm: number, isSeries: boolean): void {
  const sign = isSeries ? -1 : 1;
  const throughRe = 1 + sign * scatterRe;
  const throughIm = sign * scatterIm;
  const denominatorRe = 1 - (scatterRe * seen.re - scatterIm * seen.im);
  const denominatorIm = -(scatterRe * seen.im + scatterIm * seen.re);
  const size = denominatorRe ** 2 + denominatorIm ** 2;
  // A short across the line before another short, at no frequency at all: nothing comes from beyond it.
  if (size < 1e-24) {
    seen.re = scatterRe;
    seen.im = scatterIm;
    return;
  }
  multiply(seen, throughRe, throughIm);
  multiply(seen, throughRe, throughIm);
  multiply(seen, denominatorRe / size, -denominatorIm / size);
  seen.re += scatterRe;
  seen.im += scatterIm;
}

function pastFault(seen: Complex, fault: Fault, ohms: number, megahertz: number): void {
  switch (fault.kind) {
    case 'series':
      return past(seen, fault.ohms / (fault.ohms + 2 * ohms), 0, true);
    case 'shunt':
      return past(seen, -ohms / (2 * fault.ohms + ohms), 0, false);
    case 'tap': {
      // The stub is a shunt of admittance y = (1 − Γ)/(1 + Γ) towards the line's ohms: S11 = −y/(2 + y).
      const stub: Complex = { re: endReflection(fault.end, ohms), im: 0 };
      throughStretch(stub, fault.stub, ohms, megahertz);
      const [nRe, nIm, dRe, dIm] = [1 - stub.re, -stub.im, 3 + stub.re, stub.im];
      const size = dRe ** 2 + dIm ** 2;
      return past(seen, -(nRe * dRe + nIm * dIm) / size, -(nIm * dRe - nRe * dIm) / size, false);
    }
  }
}

/** The reflection of a whole line towards an instrument of so many ohms, at one frequency. */
export function lineReflection({ elements, end }: Line, instrumentOhms: number, megahertz: number): Complex {
  const seen: Complex = { re: endReflection(end, instrumentOhms), im: 0 };
  for (let at = elements.length - 1; at >= 0; at -= 1) {
    const element = elements[at]!;
    if (element.kind === 'stretch') throughStretch(seen, element, instrumentOhms, megahertz);
    else pastFault(seen, element, instrumentOhms, megahertz);
  }
  return seen;
}

/**
 * The trace that a reflectometer of so many ohms would show of a line: its pulse, and the pulse times the line's
 * reflection at every frequency. The window is twice as long as what is shown, so that late echoes do not come round.
 */
export function forwardTrace(
  line: Line,
  pulse: Pulse,
  instrumentOhms: number,
  stepNs: number,
  count: number,
): Trace {
  const size = nextPowerOfTwo(2 * count);
  const fft = fourier(size);
  const sent = Float64Array.from({ length: size }, (_, k) => pulseAt(pulse, k * stepNs));
  const spectrum = fft.createComplexArray() as number[];
  fft.realTransform(spectrum, sent as unknown as number[]);
  for (let k = 0; k <= size / 2; k += 1) {
    const megahertz = (1000 * k) / (size * stepNs);
    const { re, im } = lineReflection(line, instrumentOhms, megahertz);
    const [sentRe, sentIm] = [spectrum[2 * k]!, spectrum[2 * k + 1]!];
    spectrum[2 * k] = sentRe * (1 + re) - sentIm * im;
    spectrum[2 * k + 1] = sentRe * im + sentIm * (1 + re);
  }
  fft.completeSpectrum(spectrum);
  const seen = fft.createComplexArray() as number[];
  fft.inverseTransform(seen, spectrum);
  return { stepNs, volts: Float64Array.from({ length: count }, (_, k) => seen[2 * k]!) };
}
