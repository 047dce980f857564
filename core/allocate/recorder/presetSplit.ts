import type { Recorder } from '#core/model/site';
import { numbersFrom } from './numbers';
import type { Occupant, SlotFamily } from './slots';

interface Preset {
  inputs: number;
  ipSlots: number;
}

const presetsOf = ({ rules }: Recorder): Preset[] =>
  rules.kind === 'preset-split' ? [...rules.presets].sort((a, b) => b.inputs - a.inputs) : [];

/** Cameras that a preset leaves without a slot that carries them. */
const leftOut = ({ inputs, ipSlots }: Preset, occupants: readonly Occupant[]): Occupant[] =>
  occupants.filter(({ need, slot }) =>
    need.signal.kind === 'coax' ? slot > inputs : slot <= inputs || slot > inputs + ipSlots,
  );

/** The preset that leaves the fewest cameras out; among equals the one with most coax. */
function presetFor(recorder: Recorder, occupants: readonly Occupant[]): Preset | undefined {
  const badness = (preset: Preset) => leftOut(preset, occupants).length;
  return presetsOf(recorder).reduce<Preset | undefined>(
    (best, preset) => (!best || badness(preset) < badness(best) ? preset : best),
    undefined,
  );
}

const presetInWords = ({ inputs, ipSlots }: Preset): string => `${inputs} coax and ${ipSlots} IP`;

/** Preset split: the whole recorder takes one of a few presets, and restarts to change. */
export const presetSplit: SlotFamily = {
  turnsInOrder: false,
  splits: (recorder) =>
    presetsOf(recorder).map((preset) => ({
      label: presetInWords(preset),
      carries: (slot) =>
        slot <= preset.inputs ? 'coax' : slot <= preset.inputs + preset.ipSlots ? 'ip' : 'none',
    })),
  ipInputs: (recorder, occupants) =>
    new Set(numbersFrom((presetFor(recorder, occupants)?.inputs ?? recorder.inputs) + 1, recorder.inputs)),
  broken: (recorder, occupants) => {
    const preset = presetFor(recorder, occupants);
    const out = preset ? leftOut(preset, occupants) : [];
    if (!preset || out.length === 0) return [];
    const many = out.length > 1;
    return [
      {
        rule: 'preset',
        slots: out.map(({ slot }) => slot),
        why: `No preset of ${recorder.name} carries all of these; with ${presetInWords(preset)} camera${many ? 's' : ''} ${out
          .map(({ need }) => need.number)
          .sort((a, b) => a - b)
          .join(', ')} ${many ? 'have' : 'has'} no slot.`,
        remedy: `Fit them to one of its presets: ${presetsOf(recorder).map(presetInWords).join('; ')}.`,
      },
    ];
  },
  usualChange: { restarts: true, factoryValues: false, losesAnalytics: false },
};
