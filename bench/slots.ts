import { usualRules, type Occupant, type SlotNeed, type SlotRules } from '#core/model/slotRules';
import loadHighs from 'highs';
import { allocate, tryPlacement, type SlotRequest } from '#core/allocate/recorder';
import type { Recorder } from '#core/model/site';
import { median, timed, type Row } from './measure';

const kinds: SlotRules['kind'][] = ['highest-first', 'switch-per-input', 'fixed-hybrid', 'preset-split'];

/** Recorders of all hybrid families, two in a building, each with a camera on every input; four in seven turn to IP. */
function generated(count: number, inputs: number): { recorders: Recorder[]; wanting: SlotRequest[] } {
  const buildingOf = (recorder: number) => `building-${Math.floor(recorder / 2)}`;
  const recorders = Array.from({ length: count }, (_, k): Recorder => ({
    id: `recorder-${k}`,
    name: `Recorder ${k}`,
    placeId: buildingOf(k),
    inputs,
    accepts: ['cvbs', 'hd1080'],
    rules: usualRules(kinds[k % kinds.length]!, inputs, inputs / 2),
    limits: { incomingMbps: inputs * 8, slotMegapixels: 8, ipCameras: inputs * 2 },
    restartMinutes: 4,
  }));
  const wanting = Array.from({ length: count * inputs }, (_, k): SlotRequest => {
    const recorder = Math.floor(k / inputs);
    const need: SlotNeed = {
      cameraId: `camera-${k}`,
      number: k + 1,
      name: `Camera ${k + 1}`,
      portWatts: 0,
      placeId: buildingOf(recorder),
      patchedTo: { recorderId: `recorder-${recorder}`, input: (k % inputs) + 1 },
      signal:
        k % 7 < 4
          ? { kind: 'ip', mbps: 4 + (k % 3) * 2, megapixels: 4 }
          : { kind: 'coax', format: k % 2 ? 'cvbs' : 'hd1080' },
    };
    return { need, placed: undefined, mayMove: true };
  });
  return { recorders, wanting };
}

/** Slots given out and proven best, and how long a drag waits to be told whether it is legal. */
export async function slots(): Promise<Row[]> {
  const highs = await loadHighs();
  const sizes = [
    { count: 2, inputs: 16, rounds: 9, most: 200 },
    { count: 16, inputs: 32, rounds: 3, most: 5000 },
  ];
  const rows = sizes.map(({ count, inputs, rounds, most }): Row => {
    const { recorders, wanting } = generated(count, inputs);
    let isProven = true;
    const times = Array.from({ length: rounds }, () => {
      const start = performance.now();
      isProven &&= allocate(highs, recorders, wanting, {
        numbers: 'keep',
        share: 'building',
        blocks: 'mix',
        spareSlots: 0,
      }).proven;
      return performance.now() - start;
    });
    const millis = median(times);
    return {
      figure: `slots of ${count} recorders × ${inputs} inputs`,
      measured: `${millis.toFixed(0)} ms, ${isProven ? 'proven' : 'not proven'}`,
      wanted: `under ${most < 1000 ? `${most} ms` : `${most / 1000} s`}, proven`,
      holds: isProven && millis < most,
    };
  });
  const {
    recorders: [recorder],
    wanting,
  } = generated(1, 32);
  const standing = wanting.slice(0, 31).map(({ need }, k): Occupant => ({ need, slot: k + 1, placed: true }));
  const drag = timed(200, () => tryPlacement(recorder!, standing, wanting[31]!.need, 32));
  return [
    ...rows,
    {
      figure: 'legality of a drag on 48 slots',
      measured: `${drag.toFixed(2)} ms`,
      wanted: 'under 1 ms',
      holds: drag < 1,
    },
  ];
}
