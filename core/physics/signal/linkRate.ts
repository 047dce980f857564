import { pathLossCoefficients, type PathLossCoefficients, type Stretch } from '#core/physics/cable';
import type { LinkConverter } from './tableSchemas';

interface Comb {
  firstMHz: number;
  stepMHz: number;
  count: number;
}

/** Carriers at f_k = low + (k + ½)·Δf. */
function combOf({ lowMHz, highMHz, carrierKHz }: LinkConverter): Comb {
  const stepMHz = carrierKHz / 1000;
  return { firstMHz: lowMHz + stepMHz / 2, stepMHz, count: Math.floor((highMHz - lowMHz) / stepMHz) };
}

/** Least SNR in dB that carries b bits, 10·log10(2^b − 1), for b from 1. */
const leastSnrDb = Array.from({ length: 16 }, (_, k) => 10 * Math.log10(2 ** (k + 1) - 1));

const lossAt = ({ a, b, c }: PathLossCoefficients, mhz: number): number => {
  const root = Math.sqrt(mhz);
  return a * root + b * mhz + c / root;
};

/** How many carriers lose at most `mostDb`, where loss is a·√f + b·f and so only grows: those below one frequency. */
function carriersWithin(
  loss: PathLossCoefficients,
  mostDb: number,
  { firstMHz, stepMHz, count }: Comb,
): number {
  if (mostDb < 0) return 0;
  // a·√f + b·f = mostDb, solved for √f.
  const root =
    loss.b > 0
      ? (Math.sqrt(loss.a ** 2 + 4 * loss.b * mostDb) - loss.a) / (2 * loss.b)
      : loss.a > 0
        ? mostDb / loss.a
        : Infinity;
  const within = Math.floor((root ** 2 - firstMHz) / stepMHz) + 1;
  return Math.min(count, Math.max(0, within));
}

/** Where c/√f has died away before the first carrier, loss only grows from there on: its slope a/2√f + b − c/2f√f is not below nothing. */
const onlyGrows = ({ a, b, c }: PathLossCoefficients, { firstMHz }: Comb): boolean =>
  a * firstMHz + 2 * b * firstMHz ** 1.5 >= c;

/** The same with c/√f, by halving. */
function carriersHalved(loss: PathLossCoefficients, mostDb: number, comb: Comb): number {
  let [within, beyond] = [0, comb.count + 1];
  while (beyond - within > 1) {
    const middle = (within + beyond) >> 1;
    if (lossAt(loss, comb.firstMHz + (middle - 1) * comb.stepMHz) <= mostDb) within = middle;
    else beyond = middle;
  }
  return within;
}

/** The same, carrier by carrier, where loss falls before it rises. */
function carriersCounted(
  loss: PathLossCoefficients,
  mostDb: number,
  { firstMHz, stepMHz, count }: Comb,
): number {
  let within = 0;
  for (let k = 0; k < count; k += 1) if (lossAt(loss, firstMHz + k * stepMHz) <= mostDb) within += 1;
  return within;
}

/**
 * Rate of an Ethernet-over-coax link in Mb/s by bit loading, capped by the converter's port.
 * Source: SNR_k = tx − noise − loss(f_k) − gap; b_k = clamp(⌊log2(1 + 10^(SNR_k/10))⌋, 0, maxBits);
 * rate = efficiency · Δf · Σ b_k (discrete multitone with an SNR gap).
 */
export function linkRateMbps(
  converter: LinkConverter,
  stretches: readonly Stretch[],
  extraLossDb = 0,
): number {
  return linkRateOver(converter, pathLossCoefficients(stretches), extraLossDb);
}

/** The same over a path whose loss is known by its coefficients. */
export function linkRateOver(
  converter: LinkConverter,
  loss: PathLossCoefficients,
  extraLossDb: number,
): number {
  const comb = combOf(converter);
  const budgetDb = converter.txDbmHz - converter.noiseDbmHz - converter.gapDb - extraLossDb;
  const count = loss.c === 0 ? carriersWithin : onlyGrows(loss, comb) ? carriersHalved : carriersCounted;
  // Every carrier that could carry at least b bits adds its b-th bit.
  let bits = 0;
  for (let b = 0; b < converter.maxBits; b += 1) bits += count(loss, budgetDb - leastSnrDb[b]!, comb);
  return Math.min(converter.efficiency * comb.stepMHz * bits, converter.portCapMbps);
}
