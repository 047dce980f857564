import { describe, expect, it } from 'vitest';
import { fieldSwitchesFor } from '#core/decide/options';
import { fieldSwitchesAt } from './fieldSwitches';
import type { SharedWay } from './sharedWays';

const places = { place: {} };
const fibreTo = (placeId: string, cameras: number): SharedWay => ({
  key: `fibre hall ${placeId}`,
  placeId,
  fromPlaceId: 'hall',
  medium: 'fibre',
  lengthM: 60,
  carriesMbps: 1000,
  cameraIds: Array.from({ length: cameras }, (_, index) => `${placeId}${index + 1}`),
  mbps: 4 * cameras,
});

describe('switches at the end of a way', () => {
  it('are as many as eight ports each take: one leads back, one on to the next, all others to cameras', () => {
    for (let cameras = 2; cameras <= 40; cameras += 1) {
      const roomOf = (switches: number) => 8 * switches - 1 - 2 * (switches - 1);
      let fewest = 1;
      while (roomOf(fewest) < cameras) fewest += 1;
      expect([cameras, fieldSwitchesFor(cameras)]).toEqual([cameras, fewest]);
      expect(fieldSwitchesAt(places, [fibreTo('yard', cameras)]).devices).toHaveLength(fewest);
    }
    expect(fieldSwitchesFor(1)).toBe(0);
  });
  it('hang on each other, and no camera too many on any of them', () => {
    const { devices, links, of, chainOf } = fieldSwitchesAt(places, [
      fibreTo('yard', 20),
      fibreTo('shed', 7),
    ]);
    const ids = devices.map(({ id }) => id);
    expect(devices.map(({ name }) => name)).toEqual([
      'Field switch, shed',
      'Field switch 1, yard',
      'Field switch 2, yard',
      'Field switch 3, yard',
      'Field switch 4, yard',
    ]);
    expect(new Set(ids).size).toBe(5);
    expect(links.map(({ fromId, toId }) => [ids.indexOf(fromId), ids.indexOf(toId)])).toEqual([
      [1, 2],
      [2, 3],
      [3, 4],
    ]);
    const hanging = ids.map((id) => [...of.values()].filter((device) => device.id === id).length);
    expect(hanging).toEqual([7, 6, 6, 6, 2]);
    expect(chainOf.get('fibre hall yard')![0]!.name).toBe('Field switch 1, yard');
  });
  it('are those of one way each: two that come to a place from different places are not joined to a loop', () => {
    const other = { ...fibreTo('yard', 3), key: 'fibre office yard', fromPlaceId: 'office' };
    const cameraIds = ['other1', 'other2', 'other3'];
    const { devices, links } = fieldSwitchesAt(places, [fibreTo('yard', 2), { ...other, cameraIds }]);
    expect(devices.map(({ name }) => name)).toEqual(['Field switch 1, yard', 'Field switch 2, yard']);
    expect(links).toEqual([]);
  });
});
