import { z } from 'zod';
import { numbersFrom } from '#core/shared/numeric';
import { slotFamily, type Occupant, type RuledRecorder } from './slotFamily';

const presetSchema = z.strictObject({
  inputs: z.int().min(0).max(64),
  ipSlots: z.int().min(0).max(128),
});
const schema = z.strictObject({
  kind: z.literal('preset-split'),
  presets: z.array(presetSchema).min(1).max(12),
});
export type Preset = z.infer<typeof presetSchema>;
type PresetRecorder = RuledRecorder<z.infer<typeof schema>>;

const mostCoaxFirst = ({ rules: { presets } }: PresetRecorder): Preset[] =>
  [...presets].sort((a, b) => b.inputs - a.inputs);

/** Cameras that a preset leaves without a slot that carries them. */
const leftOut = ({ inputs, ipSlots }: Preset, occupants: readonly Occupant[]): Occupant[] =>
  occupants.filter(({ need, slot }) =>
    need.signal.kind === 'coax' ? slot > inputs : slot <= inputs || slot > inputs + ipSlots,
  );

/** The preset that leaves the fewest cameras out; among equals the one with most coax. */
function presetFor(recorder: PresetRecorder, occupants: readonly Occupant[]): Preset | undefined {
  const badness = (preset: Preset) => leftOut(preset, occupants).length;
  return mostCoaxFirst(recorder).reduce<Preset | undefined>(
    (best, preset) => (!best || badness(preset) < badness(best) ? preset : best),
    undefined,
  );
}

const presetInWords = ({ inputs, ipSlots }: Preset): string => `${inputs} coax and ${ipSlots} IP`;

/** Preset split: the whole recorder takes one of a few presets, so many inputs on coax and so many IP slots after them, and restarts to change. */
export const presetSplit = slotFamily({
  kind: 'preset-split',
  label: 'One preset for the whole recorder',
  schema,
  takesCoax: true,
  conversion: 'whole',
  usual: (inputs) => {
    const half = Math.floor(inputs / 2);
    return {
      presets: [
        { inputs, ipSlots: 0 },
        { inputs: half, ipSlots: inputs - half },
        { inputs: 0, ipSlots: inputs },
      ],
    };
  },
  ipSlots: {
    path: 'presets.ipSlots',
    of: ({ presets }) => Math.max(...presets.map(({ ipSlots }) => ipSlots)),
  },
  fields: [{ kind: 'presets' }],
  words: ({ rules }) =>
    `${rules.presets.map(({ inputs, ipSlots }) => `${inputs} + ${ipSlots}`).join(', ')} (coax + IP), one for the whole recorder`,
  shares: ({ rules }) =>
    rules.presets.map(({ inputs, ipSlots }) => ({ coax: inputs, ip: ipSlots, together: inputs + ipSlots })),
  modes: (recorder) =>
    mostCoaxFirst(recorder).map((preset) => ({
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
        rule: 'family',
        slots: out.map(({ slot }) => slot),
        why: `No preset of ${recorder.name} carries all of these; with ${presetInWords(preset)} camera${many ? 's' : ''} ${out
          .map(({ need }) => need.number)
          .sort((a, b) => a - b)
          .join(', ')} ${many ? 'have' : 'has'} no slot.`,
        remedy: `Fit them to one of its presets: ${mostCoaxFirst(recorder).map(presetInWords).join('; ')}.`,
      },
    ];
  },
  usualChange: { restarts: true, factoryValues: false, losesAnalytics: false },
  mismatch: ({ inputs, rules }) =>
    rules.presets.some((preset) => preset.inputs > inputs)
      ? { path: 'rules.presets', allowed: `presets of at most ${inputs} inputs` }
      : undefined,
});
