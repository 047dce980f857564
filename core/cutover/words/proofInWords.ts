import type { NightsProof } from '#core/cutover/nights';

/** How sure it is that no better nights can be had. */
export function proofInWords(proof: NightsProof): string {
  switch (proof.kind) {
    case 'proven':
      return 'proven best';
    case 'fewest':
      return `proven that fewer will not do; lifts and ways within ${Math.ceil(proof.waysPercent)} % of the best`;
    case 'gap':
      return `within ${Math.ceil(proof.percent)} % of the best`;
  }
}
