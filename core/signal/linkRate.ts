import { pathLossCoefficients, type Stretch } from '#core/cable';
import { linkConverters, type LinkConverter } from './tables';

interface Carriers { rootMHz: Float64Array; mhz: Float64Array }

/** Centre frequencies f_k = low + (k + ½)·Δf and their roots; they depend on the converter alone. */
function carriersOf({ lowMHz, highMHz, carrierKHz }: LinkConverter): Carriers {
  const stepMHz = carrierKHz / 1000;
  const count = Math.floor((highMHz - lowMHz) / stepMHz);
  const mhz = Float64Array.from({ length: count }, (_, k) => lowMHz + (k + 0.5) * stepMHz);
  return { mhz, rootMHz: mhz.map(Math.sqrt) };
}

const carriers = new Map(linkConverters.map((converter) => [converter.id, carriersOf(converter)]));

/** Least loss-free SNR in dB that carries b bits: 10·log10(2^b − 1). Comparing spares a logarithm a carrier. */
function snrForBits(maxBits: number): number[] {
  return Array.from({ length: maxBits }, (_, k) => 10 * Math.log10(2 ** (k + 1) - 1));
}

/**
 * Rate of an Ethernet-over-coax link in Mb/s by bit loading, capped by the converter's port.
 * Source: SNR_k = tx − noise − loss(f_k) − gap; b_k = clamp(⌊log2(1 + 10^(SNR_k/10))⌋, 0, maxBits);
 * rate = efficiency · Δf · Σ b_k (discrete multitone with an SNR gap).
 */
export function linkRateMbps(converter: LinkConverter, stretches: readonly Stretch[], extraLossDb = 0): number {
  const { a, b, c } = pathLossCoefficients(stretches);
  const { mhz, rootMHz } = carriers.get(converter.id) ?? carriersOf(converter);
  const budgetDb = converter.txDbmHz - converter.noiseDbmHz - converter.gapDb - extraLossDb;
  const thresholds = snrForBits(converter.maxBits);
  let bits = converter.maxBits;
  let total = 0;
  for (let k = 0; k < mhz.length; k += 1) {
    const root = rootMHz[k]!;
    const snrDb = budgetDb - (a * root + b * mhz[k]! + c / root);
    // Neighbouring carriers carry nearly the same bits, so the search starts from the last one's.
    while (bits > 0 && snrDb < thresholds[bits - 1]!) bits -= 1;
    while (bits < converter.maxBits && snrDb >= thresholds[bits]!) bits += 1;
    total += bits;
  }
  return Math.min(converter.efficiency * (converter.carrierKHz / 1000) * total, converter.portCapMbps);
}
