/** Somewhere on a line that sends part of a wave back. Times are there and back from the instrument. */
export interface Node {
  timeNs: number;
  /** Sent back of what comes from the instrument, and of what comes from beyond. */
  rho: number;
  rhoBeyond: number;
  /** What is let through outwards times what is let through on the way back. */
  throughBoth: number;
  /** A branch hanging here: how long a wave is in it there and back, and what its end sends back. */
  stub?: { timeNs: number; gamma: number };
}

export interface Arrival {
  timeNs: number;
  size: number;
}

/** A wave on its way: between which nodes, which way, how late and how large. */
interface Wave {
  at: number;
  outwards: boolean;
  timeNs: number;
  size: number;
}

/** Waves closer together than this share of a nanosecond are one. */
const momentsPerNs = 20;

/** How many waves are followed at the most; what is left then is too small to see. */
const mostWaves = 4000;

/**
 * Everything that comes back to a matched instrument, echoes of echoes too, as long as it is larger than `least`.
 * `kept` tells what a wave has left after so many nanoseconds there and back.
 */
export function arrivals(
  nodes: readonly Node[],
  attenuation: (timeNs: number) => number,
  least: number,
  untilNs: number,
): Arrival[] {
  /** Waves that took the same steps in another order come back together: their sizes add up. */
  const back = new Map<number, Arrival>();
  // `at` is the node that the wave comes to next.
  const first = nodes[0];
  if (!first) return [];
  const waves: Wave[] = [{ at: 0, outwards: true, timeNs: first.timeNs / 2, size: 1 }];
  for (let count = 0; waves.length > 0 && count < mostWaves; count += 1) {
    const { at, outwards, timeNs, size } = waves.pop()!;
    if (at < 0) {
      const moment = Math.round(timeNs * momentsPerNs);
      const together = back.get(moment);
      if (together) together.size += size * attenuation(timeNs);
      else back.set(moment, { timeNs, size: size * attenuation(timeNs) });
      continue;
    }
    const node = nodes[at];
    if (!node || Math.abs(size) * attenuation(timeNs) < least) continue;
    const through = Math.sqrt(Math.max(0, node.throughBoth));
    const send = (way: boolean, part: number, late = 0): void => {
      if (part === 0) return;
      const next = at + (way ? 1 : -1);
      const from = node.timeNs;
      const to = next < 0 ? 0 : nodes[next]?.timeNs;
      if (to === undefined) return;
      const arrive = timeNs + late + Math.abs(to - from) / 2;
      if (arrive <= untilNs) waves.push({ at: next, outwards: way, timeNs: arrive, size: size * part });
    };
    send(!outwards, outwards ? node.rho : node.rhoBeyond);
    send(outwards, through);
    if (node.stub) {
      // Into the branch goes 1 + ρ; each time it comes back as much comes out both ways, and ρ goes in again.
      let inside = 1 + node.rho;
      for (let turn = 1; turn < 12 && Math.abs(size * inside) > least / 4; turn += 1) {
        inside *= node.stub.gamma;
        send(true, inside * (1 + node.rho), turn * node.stub.timeNs);
        send(false, inside * (1 + node.rho), turn * node.stub.timeNs);
        inside *= node.rho;
      }
    }
  }
  return [...back.values()];
}
