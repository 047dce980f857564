import type { Occupant, SlotNeed } from '#core/model/slotRules';
import { describe, expect, it } from 'vitest';
import { recorderState } from '#core/allocate/recorder';
import { saltmarrowSite } from '../../../core/model/site/testSite';
import { stripOf } from './leads';

const site = saltmarrowSite();
const hall = site.recorder['hall-recorder']!;
const need = (number: number, input: number | undefined, kind: 'ip' | 'coax'): SlotNeed => ({
  cameraId: `c${number}`,
  number,
  name: `Camera ${number}`,
  portWatts: 0,
  placeId: hall.placeId,
  patchedTo: input === undefined ? undefined : { recorderId: hall.id, input },
  signal: kind === 'ip' ? { kind, mbps: 4, megapixels: 2 } : { kind, format: 'cvbs' },
});

describe('the leads of a recorder', () => {
  const occupants: Occupant[] = [
    { need: need(1, 1, 'ip'), slot: 17, placed: true },
    { need: need(2, 2, 'coax'), slot: 2, placed: false },
    { need: need(3, 3, 'coax'), slot: 3, placed: true },
    { need: need(4, 4, 'coax'), slot: 5, placed: true },
    { need: need(9, undefined, 'ip'), slot: 18, placed: true },
    { need: need(25, undefined, 'ip'), slot: 24, placed: true },
  ];
  const { leads, ticks, ending } = stripOf(
    recorderState(hall, occupants),
    Object.fromEntries(occupants.map((one) => [one.need.cameraId, one.need])),
    {
      camera: { ...site.camera, c7: { ...site.camera['c07']!, id: 'c7' } },
      run: { r7: { ...site.run['r07']!, cameraId: 'c7', patchedTo: { recorderId: hall.id, input: 7 } } },
      networkCamera: site.networkCamera,
    },
  );
  it('tell what stays, what is patched elsewhere, what comes by the network and what nobody decided', () =>
    expect(leads.map(({ number, kind }) => [number, kind])).toEqual([
      [2, 'undecided'],
      [3, 'stays'],
      [4, 'repatched'],
      [1, 'network'],
      [9, 'network'],
      [25, 'stays'],
    ]));
  it('start at today’s input, or at the side where the run is not patched here', () => {
    expect(leads.find(({ number }) => number === 1)).toMatchObject({ fromX: 0.5 / 24, toX: 16.5 / 24 });
    expect(leads.find(({ number }) => number === 9)!.fromX).toBeNull();
    expect(leads.find(({ number }) => number === 25)).toMatchObject({ fromX: 23.5 / 24, toX: 23.5 / 24 });
    expect(ticks.find(({ slot }) => slot === 24)!.today).toBe(25);
  });
  it('of the network come from the slot that keeps them today, where somebody has noted it', () => {
    const at = (slot: number, recorderId = hall.id) => ({
      ...need(25, undefined, 'ip'),
      recordedAt: { recorderId, slot },
    });
    const strip = (moved: SlotNeed) =>
      stripOf(
        recorderState(hall, [{ need: moved, slot: 24, placed: true }]),
        { [moved.cameraId]: moved },
        { camera: {}, run: {}, networkCamera: site.networkCamera },
      );
    expect(strip(at(24)).leads).toMatchObject([{ kind: 'stays', fromX: 23.5 / 24 }]);
    const moved = strip(at(20));
    expect(moved.leads).toMatchObject([{ kind: 'network', fromX: 19.5 / 24, toX: 23.5 / 24 }]);
    expect([moved.ticks[19]!.today, moved.ticks[23]!.today]).toEqual([25, null]);
    expect(strip(at(3, 'marshalling-recorder')).leads).toMatchObject([{ kind: 'network', fromX: null }]);
  });
  it('end where nothing is asked of a slot any more, and stand there today', () => {
    expect(ending).toEqual([{ cameraId: 'c7', number: 7, x: 6.5 / 24 }]);
    expect(ticks[6]).toMatchObject({ today: 7, after: null });
  });
  it('run between ticks for every slot, with who is there today and after', () => {
    expect(ticks).toHaveLength(24);
    expect(ticks[0]).toMatchObject({ today: 1, after: null });
    expect(ticks[16]).toMatchObject({ today: null, after: 1, carries: 'ip' });
  });
});
