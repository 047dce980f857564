import type { Recorder, SlotRules } from '#core/model/site';
import { fixedSlots } from './fixedSlots';
import { highestFirst } from './highestFirst';
import { presetSplit } from './presetSplit';
import { switchPerInput } from './switchPerInput';
import type { SlotFamily } from './slots';

const families: Record<SlotRules['kind'], SlotFamily> = {
  'from-the-tail': highestFirst,
  'fixed-hybrid': fixedSlots,
  'network-only': fixedSlots,
  'preset-split': presetSplit,
  'switch-per-input': switchPerInput,
};

/** The module of a recorder's rule family. Blocks, ports that give power and what a change costs come on top of any. */
export const familyOf = ({ rules }: Pick<Recorder, 'rules'>): SlotFamily => families[rules.kind];
