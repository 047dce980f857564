import type { Preset } from '#core/model/slotRules';
import { pictureFormatIds } from '#core/physics/signal';
import type { Recorder } from './headEnd';

type Presets = Preset[];
export type ReadList<T> = { kind: 'read'; value: T } | { kind: 'refused'; why: string };

/** Presets as a person writes them: `16+0, 8+8, 0+16`, inputs on coax first, then IP slots. */
export const presetsText = (presets: Presets): string =>
  presets.map(({ inputs, ipSlots }) => `${inputs}+${ipSlots}`).join(', ');

export function parsePresets(typed: string): ReadList<Presets> {
  const presets = typed
    .split(/[,;]/)
    .map((part) => /^\s*(\d{1,2})\s*\+\s*(\d{1,3})\s*$/.exec(part))
    .map((match) => (match ? { inputs: Number(match[1]), ipSlots: Number(match[2]) } : null));
  if (presets.length > 12 || presets.some((preset) => !preset || preset.inputs > 64 || preset.ipSlots > 128))
    return { kind: 'refused', why: 'presets such as 16+0, 8+8, 0+16: inputs on coax, then IP slots' };
  return { kind: 'read', value: presets as Presets };
}

type Disks = NonNullable<Recorder['disks']>;

/** Disks as a person writes them: `4, 4 TB`, each in terabytes. */
export const disksText = (disks: Disks): string => disks.map(({ terabytes }) => String(terabytes)).join(', ');

export function parseDisks(typed: string): ReadList<Disks> {
  const text = typed.trim();
  if (text === '') return { kind: 'read', value: [] };
  const sizes = text
    .split(/[,;]/)
    .map((part) => /^\s*(\d+(?:\.\d+)?)\s*(TB|GB)?\s*$/i.exec(part))
    .map((match) => (match ? Number(match[1]) / (/gb/i.test(match[2] ?? '') ? 1000 : 1) : 0));
  if (sizes.length > 24 || sizes.some((size) => !(size > 0 && size <= 100)))
    return { kind: 'refused', why: 'terabytes of each disk, such as 4, 4' };
  return { kind: 'read', value: sizes.map((terabytes) => ({ terabytes })) };
}

/** Inputs in a line: `13, 15, 16`. */
export const inputsText = (inputs: readonly number[]): string => inputs.join(', ');

/** Reads inputs, singly or as ranges: `13, 15-16`. */
export function parseInputs(text: string, inputs: number): ReadList<number[]> {
  const found: number[] = [];
  for (const part of text
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter(Boolean)) {
    const [, from, to] = /^(\d+)(?:\s*[-–]\s*(\d+))?$/.exec(part) ?? [];
    const [first, last] = [Number(from), Number(to ?? from)];
    if (from === undefined || first < 1 || last > inputs || last < first)
      return { kind: 'refused', why: `inputs from 1 to ${inputs}, such as 13, 15-16` };
    for (let input = first; input <= last; input += 1) if (!found.includes(input)) found.push(input);
  }
  return { kind: 'read', value: found.sort((a, b) => a - b) };
}

type Forced = NonNullable<Recorder['forced']>;

/** Inputs with the format that each is set to: `3: cvbs; 4: hd1080`. */
export const forcedText = (forced: Forced): string =>
  forced.map(({ input, format }) => `${input}: ${format}`).join('; ');

export function parseForced(text: string, inputs: number): ReadList<Forced> {
  const found: Forced = [];
  for (const part of text
    .split(/[;,]/)
    .map((one) => one.trim())
    .filter(Boolean)) {
    const [, input, id] = /^(\d+)\s*:\s*(\S+)$/.exec(part) ?? [];
    const format = pictureFormatIds.find((one) => one === id?.toLowerCase());
    if (!format || Number(input) < 1 || Number(input) > inputs)
      return {
        kind: 'refused',
        why: `an input from 1 to ${inputs} and one of ${pictureFormatIds.join(', ')}, such as 3: cvbs`,
      };
    found.push({ input: Number(input), format });
  }
  return { kind: 'read', value: found };
}
