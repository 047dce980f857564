import { familyOf, slotCount } from '#core/model/slotRules';
import { z } from 'zod';
import type { Channel, FoundCamera, Report, Settings } from '#core/allocate/device';
import { changeCost } from '#core/allocate/recorder';
import type { Recorder, Site } from '#core/model/site';
import type { CameraNetwork } from './network';

/** What the stand-in keeps over a power cut. */
export const memorySchema = z.strictObject({
  ipInputs: z.array(z.number()),
  factoryValues: z.boolean(),
  timeSource: z.string().nullable(),
  /** Names by slot; a slot without one has the name it came with. */
  names: z.record(z.string(), z.string()),
  /** Addresses of network cameras by slot. */
  cameras: z.record(z.string(), z.string()),
});
export type Memory = z.infer<typeof memorySchema>;

/** A recorder as it was sold: its rules, what its coax inputs get today, and the cameras on its network. */
export interface Sold {
  recorder: Recorder;
  pictures: ReadonlyMap<number, { format: string; name: string }>;
  network: CameraNetwork;
}

/** What the coax inputs of a recorder get today, by the runs that are patched to it. */
export function picturesOf(site: Pick<Site, 'run' | 'camera'>, recorderId: string): Sold['pictures'] {
  return new Map(
    Object.values(site.run).flatMap(({ patchedTo, cameraId }) => {
      const camera = site.camera[cameraId]!;
      return patchedTo?.recorderId === recorderId
        ? [[patchedTo.input, { format: camera.format, name: `${camera.number} ${camera.name}` }] as const]
        : [];
    }),
  );
}

/** As it stands on the day somebody first talks to it. */
export function initialState({ recorder, pictures }: Sold): Memory {
  return {
    ipInputs: [...(recorder.ipInputs ?? [])],
    factoryValues: false,
    timeSource: null,
    names: Object.fromEntries([...pictures].map(([input, { name }]) => [input, name])),
    cameras: {},
  };
}

/** Thrown where the recorder refuses; its words are for a person. */
export class Refusal extends Error {
  constructor(
    readonly status: 404 | 409 | 422,
    message: string,
  ) {
    super(message);
  }
}

const usualName = (slot: number): string => `CH ${slot}`;
const nameOf = ({ names }: Memory, slot: number): string => names[slot] ?? usualName(slot);

const carriesIp = ({ recorder }: Sold, { ipInputs }: Memory, slot: number): boolean =>
  slot > recorder.inputs || ipInputs.includes(slot);

/** The cameras that record: from the lowest slot on, until the recorder's rate is used up; the others are dropped. */
function states(sold: Sold, memory: Memory): Channel[] {
  const { recorder, network } = sold;
  let leftMbps = recorder.limits.incomingMbps;
  return Object.entries(memory.cameras)
    .map(([slot, address]) => ({ slot: Number(slot), address }))
    .sort((a, b) => a.slot - b.slot)
    .map(({ slot, address }): Channel => {
      const camera = network.cameras.find((one) => one.address === address);
      const mbps = camera?.mbps ?? 0;
      const fits = mbps <= leftMbps;
      if (camera && fits) leftMbps -= mbps;
      return {
        slot,
        kind: 'ip',
        name: nameOf(memory, slot),
        address,
        mbps,
        state: !camera ? 'lost' : fits ? 'recording' : 'dropped',
      };
    });
}

export function report(sold: Sold, memory: Memory): Report {
  const { recorder, pictures } = sold;
  const coax = Array.from({ length: recorder.inputs }, (_, k) => k + 1)
    .filter((slot) => !memory.ipInputs.includes(slot))
    .map((slot): Channel => ({
      slot,
      kind: 'coax',
      name: nameOf(memory, slot),
      picture: pictures.get(slot)?.format ?? null,
    }));
  return {
    name: recorder.name,
    serial: `ST-${recorder.id}`,
    inputs: recorder.inputs,
    slots: slotCount(recorder),
    ipInputs: memory.ipInputs,
    incomingMbps: recorder.limits.incomingMbps,
    factoryValues: memory.factoryValues,
    timeSource: memory.timeSource,
    channels: [...coax, ...states(sold, memory)].sort((a, b) => a.slot - b.slot),
  };
}

export const found = ({ network }: Sold): FoundCamera[] =>
  network.cameras.map(({ address, model, megapixels, mbps, passwordSet }) => ({
    address,
    model,
    megapixels,
    mbps,
    passwordSet,
  }));

/** Takes a camera in, on the lowest slot that is free for IP: the recorder fills in its own order. */
export function add(
  sold: Sold,
  memory: Memory,
  address: string,
  name: string,
): { memory: Memory; slot: number } {
  const { recorder } = sold;
  const here = sold.network.cameras.filter((camera) => camera.address === address);
  const [camera] = here;
  if (!camera) throw new Refusal(404, `No camera answers at ${address}.`);
  if (here.length > 1)
    throw new Refusal(409, `Two cameras answer at ${address}; one of them needs another address.`);
  if (!camera.passwordSet)
    throw new Refusal(409, `The camera at ${address} has no first password yet; set it at the camera.`);
  if (Object.values(memory.cameras).includes(address))
    throw new Refusal(409, `The camera at ${address} is on a slot already.`);
  if (camera.megapixels > recorder.limits.slotMegapixels)
    throw new Refusal(
      422,
      `${camera.megapixels} MP are more than a slot takes, ${recorder.limits.slotMegapixels} MP.`,
    );
  if (Object.keys(memory.cameras).length >= recorder.limits.ipCameras)
    throw new Refusal(409, `It has its ${recorder.limits.ipCameras} IP cameras.`);
  const slot = Array.from({ length: slotCount(recorder) }, (_, k) => k + 1).find(
    (one) => carriesIp(sold, memory, one) && !(one in memory.cameras),
  );
  if (slot === undefined) throw new Refusal(409, 'No slot for IP is free.');
  return {
    slot,
    memory: {
      ...memory,
      cameras: { ...memory.cameras, [slot]: address },
      names: { ...memory.names, [slot]: name },
    },
  };
}

export function remove(memory: Memory, slot: number): Memory {
  const { [slot]: address, ...cameras } = memory.cameras;
  if (address === undefined) throw new Refusal(404, `Slot ${slot} has no network camera.`);
  const { [slot]: _, ...names } = memory.names;
  return { ...memory, cameras, names };
}

export function move(sold: Sold, memory: Memory, slot: number, to: number): Memory {
  const address = memory.cameras[slot];
  if (address === undefined) throw new Refusal(404, `Slot ${slot} has no network camera.`);
  if (to in memory.cameras) throw new Refusal(409, `Slot ${to} is taken.`);
  if (to < 1 || to > slotCount(sold.recorder) || !carriesIp(sold, memory, to))
    throw new Refusal(422, `Slot ${to} takes no IP.`);
  const name = nameOf(memory, slot);
  const without = remove(memory, slot);
  return {
    ...without,
    cameras: { ...without.cameras, [to]: address },
    names: { ...without.names, [to]: name },
  };
}

/** Sets names: those of any slot that there is. */
export function rename(sold: Sold, memory: Memory, slot: number, name: string): Memory {
  if (slot < 1 || slot > slotCount(sold.recorder)) throw new Refusal(404, `There is no slot ${slot}.`);
  return { ...memory, names: { ...memory.names, [slot]: name } };
}

/** Whether inputs can be IP together, by the rules of its family. */
function checkSplit({ recorder }: Sold, ipInputs: readonly number[]): void {
  const isIp = new Set(ipInputs);
  const possible = familyOf(recorder)
    .modes(recorder)
    .some(({ carries }) =>
      Array.from({ length: recorder.inputs }, (_, k) => k + 1).every(
        (slot) => carries(slot) === 'either' || (carries(slot) === 'ip') === isIp.has(slot),
      ),
    );
  if (!possible || ipInputs.some((slot) => slot > recorder.inputs))
    throw new Refusal(422, `Inputs ${ipInputs.join(', ')} cannot be IP together on this recorder.`);
}

/** Shares the slots out anew. What was on an input that changes is gone; where its rules say so, so are all settings. */
export function split(
  sold: Sold,
  memory: Memory,
  ipInputs: readonly number[],
): { memory: Memory; restarts: boolean } {
  checkSplit(sold, ipInputs);
  const cost = changeCost(sold.recorder, new Set(memory.ipInputs), new Set(ipInputs));
  if (!cost) return { memory, restarts: false };
  const next: Memory = { ...memory, ipInputs: [...ipInputs].sort((a, b) => a - b) };
  const restarts = cost.restartMinutes > 0;
  if (cost.factoryValues)
    return { restarts, memory: { ...next, factoryValues: true, timeSource: null, names: {}, cameras: {} } };
  return {
    restarts,
    memory: {
      ...next,
      cameras: Object.fromEntries(
        Object.entries(memory.cameras).filter(([slot]) => carriesIp(sold, next, Number(slot))),
      ),
    },
  };
}

const exported = 'saltmarrow-recorder-settings-1';

/** All settings as a file. No password is in it; cameras are known by their addresses. */
export const settingsOf = (memory: Memory): Settings => ({
  format: exported,
  names: memory.names,
  cameras: memory.cameras,
  timeSource: memory.timeSource,
});

/** Takes settings back. What does not fit the slots as they are shared out now is left out. */
export function restore(sold: Sold, memory: Memory, given: Settings): Memory {
  const read = memorySchema
    .pick({ names: true, cameras: true, timeSource: true })
    .extend({ format: z.literal(exported) })
    .safeParse(given);
  if (!read.success) throw new Refusal(422, 'These are no settings of this recorder.');
  const { names, cameras, timeSource } = read.data;
  return {
    ...memory,
    factoryValues: false,
    timeSource,
    names,
    cameras: Object.fromEntries(
      Object.entries(cameras).filter(([slot]) => carriesIp(sold, memory, Number(slot))),
    ),
  };
}
