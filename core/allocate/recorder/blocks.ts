import type { BrokenRule, Occupant, SlotNeed } from '#core/model/slotRules';
import { pictureFormat, type PictureFormat } from '#core/physics/signal';
import type { Recorder } from '#core/model/site';

const familyWords: Record<PictureFormat['family'], string> = {
  composite: 'composite',
  'analog-hd': 'HD over coax',
  sdi: 'HD-SDI',
};

/** Composite, HD over coax and IP are families; the inputs of a block have one in common. */
export const familyOfSignal = ({ signal }: SlotNeed): string =>
  signal.kind === 'ip' ? 'IP' : familyWords[pictureFormat(signal.format).family];

/** Blocks of inputs, on a recorder that has them, in which signal families are mixed. */
export function brokenBlocks(
  { name, inputs, blockSize }: Recorder,
  occupants: readonly Occupant[],
): BrokenRule[] {
  if (!blockSize) return [];
  const blocks = new Map<number, Occupant[]>();
  for (const occupant of occupants) {
    if (occupant.slot > inputs) continue;
    const block = Math.floor((occupant.slot - 1) / blockSize);
    blocks.set(block, [...(blocks.get(block) ?? []), occupant]);
  }
  return [...blocks].flatMap(([block, on]) => {
    const families = [...new Set(on.map(({ need }) => familyOfSignal(need)))].sort();
    if (families.length < 2) return [];
    const first = block * blockSize + 1;
    return [
      {
        rule: 'block' as const,
        slots: on.map(({ slot }) => slot),
        why: `Inputs ${first} to ${Math.min(inputs, first + blockSize - 1)} of ${name} share one signal family; ${families.join(' and ')} are mixed there.`,
        remedy: 'Move the odd ones to a block of their own kind.',
      },
    ];
  });
}
