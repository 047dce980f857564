export {
  familyOf,
  familyOfKind,
  ipSlotsField,
  ownPortsOf,
  rulesInWords,
  sharesOf,
  slotCount,
  slotFamilies,
  slotRulesSchema,
  usualRules,
  withRulesOf,
  type SlotRules,
  type SlotRulesKind,
} from './families';
export type { Preset } from './presetSplit';
export type { BrokenRule, ChangeRules, ChannelMode, ChannelShare, Occupant, SlotNeed } from './slotFamily';
export type { OptionSignal } from './slotSignal';
