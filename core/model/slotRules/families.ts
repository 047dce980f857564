import { z } from 'zod';
import { fixedHybrid } from './fixedHybrid';
import { highestFirst } from './highestFirst';
import { networkOnly } from './networkOnly';
import { presetSplit } from './presetSplit';
import type { ChannelShare, SlotFamily } from './slotFamily';
import { switchPerInput } from './switchPerInput';

/** Every rule family there is, in the order they are offered. A new one is a file beside this and a line here. */
export const slotFamilies = [presetSplit, switchPerInput, highestFirst, fixedHybrid, networkOnly] as const;

type SchemasOf<List extends readonly { schema: unknown }[]> = {
  -readonly [At in keyof List]: List[At]['schema'];
};

/** How a recorder lets coax inputs and IP slots be shared out. */
export const slotRulesSchema = z.discriminatedUnion(
  'kind',
  slotFamilies.map(({ schema }) => schema) as unknown as SchemasOf<typeof slotFamilies>,
);
export type SlotRules = z.infer<typeof slotRulesSchema>;
export type SlotRulesKind = SlotRules['kind'];

/** A family seen without its own rules: it is asked only with rules of its kind. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- any rules, since which they are is known by their kind
type AnyFamily = SlotFamily<SlotRulesKind, z.ZodObject<any>>;
const byKind = new Map<SlotRulesKind, AnyFamily>(
  slotFamilies.map((family) => [family.kind, family as unknown as AnyFamily]),
);

/** The rule family of this kind. Blocks, ports that give power and what a change costs come on top of any. */
export const familyOfKind = (kind: SlotRulesKind): AnyFamily => byKind.get(kind)!;
export const familyOf = ({ rules }: { rules: SlotRules }): AnyFamily => familyOfKind(rules.kind);

/** Rules of a kind as they usually come, for a recorder of so many inputs. */
export const usualRules = (kind: SlotRulesKind, inputs: number, ipSlots: number): SlotRules =>
  ({ ...familyOfKind(kind).usual(inputs, ipSlots), kind }) as SlotRules;

/** Where a recorder's rules of a kind say how many IP slots they have, as a path for its limits. */
export const ipSlotsField = (kind: SlotRulesKind): string =>
  `rules[${kind}].${familyOfKind(kind).ipSlots.path}`;

interface Ruled {
  inputs: number;
  rules: SlotRules;
}

/** A recorder with rules of another kind, as they usually come, its IP slots kept as far as the kind has them. */
export function withRulesOf<R extends Ruled>(recorder: R, kind: SlotRulesKind): R {
  const { rules, inputs } = recorder;
  const ipSlots = familyOf(recorder).ipSlots.of(rules);
  return {
    ...recorder,
    inputs: familyOfKind(kind).takesCoax ? inputs : 0,
    rules: usualRules(kind, inputs, ipSlots),
  };
}

/** What a recorder's slots can be shared out as, in numbers. */
export const sharesOf = (recorder: Ruled): ChannelShare[] => familyOf(recorder).shares(recorder);

/** All slots of a recorder: its coax inputs, then its IP slots. */
export const slotCount = (recorder: Ruled): number =>
  Math.max(...sharesOf(recorder).map(({ together }) => together));

/** How a recorder shares its slots, in a line. */
export function rulesInWords(recorder: Ruled & { blockSize?: number | undefined }): string {
  const blocks =
    recorder.blockSize && recorder.inputs > 0 ? `; inputs in blocks of ${recorder.blockSize}` : '';
  return familyOf(recorder).words(recorder) + blocks;
}

/** Ports of its own that give power, with the watts that they give together. */
export const ownPortsOf = (recorder: Ruled): { ports: number; watts: number } | undefined =>
  familyOf(recorder).ownPorts?.(recorder.rules);
