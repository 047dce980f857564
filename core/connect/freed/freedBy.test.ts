import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import type { OptionKind, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { freedBy, freedInWords } from '.';

const demo = saltmarrowSite();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
const freed = (options: Record<string, OptionKind>, over: Partial<Site> = {}) => {
  const choice = Object.fromEntries(
    Object.entries(options).map(([id, option]) => [id, { id, option, ...who }]),
  );
  // Whoever is to go may go.
  const camera = Object.fromEntries(
    Object.values(demo.camera).map((one) => [one.id, { ...one, mayGo: true }]),
  );
  const site = { ...demo, camera, choice, ...over };
  return freedBy(site, evaluateSite(site).runs);
};
const idsOn = (supplyId: string): string[] =>
  Object.values(demo.run).flatMap(({ feed, cameraId }) =>
    feed.kind !== 'local-adapter' && feed.supplyId === supplyId ? [cameraId] : [],
  );

describe('what a change frees', () => {
  it('is nothing while nothing is chosen', () =>
    expect(freed({})).toEqual({
      inputs: [],
      boxes: [],
      coaxM: 0,
      pairM: 0,
      rackUnits: 0,
      goes: [],
      circuits: [],
      fibres: [],
      closets: [],
    }));
  it('is the input and the box’s output of a camera on IP over its coax, but not the coax', () => {
    const { inputs, boxes, coaxM } = freed({ c01: 'ip-coax-unit' });
    expect(inputs).toEqual([{ recorderId: 'hall-recorder', name: 'Hall recorder', count: 1, isAll: false }]);
    expect(boxes).toEqual([{ supplyId: 'hall-box', name: 'Hall box', outputs: 1, isAll: false }]);
    expect(coaxM).toBe(0);
  });
  it('is a recorder only once no camera has a slot of it either, and none of the network is kept by it', () => {
    const office = 'marshalling-recorder';
    const onOffice = Object.values(demo.run).flatMap(({ patchedTo, cameraId }) =>
      patchedTo?.recorderId === office ? [cameraId] : [],
    );
    const all = Object.fromEntries(onOffice.map((id) => [id, 'retire' as const]));
    const isAll = (over: Partial<Site>) =>
      freed(all, over).inputs.find(({ recorderId }) => recorderId === office)!.isAll;
    expect(isAll({ placement: {} })).toBe(true);
    expect(isAll({ placement: { c25: demo.placement['c25']! } })).toBe(false);
    const recordedAt = { recorderId: office, slot: 24 };
    const networkCamera = { c25: { ...demo.networkCamera['c25']!, recordedAt } };
    expect(isAll({ placement: {}, networkCamera })).toBe(false);
    const elsewhere = { c25: { id: 'c25', recorderId: 'hall-recorder', slot: 24 } };
    expect(isAll({ placement: elsewhere, networkCamera })).toBe(true);
  });
  it('is the old cable where a new one takes its place', () => {
    const { segments } = demo.run['r19']!;
    expect(freed({ c19: 'new-category' }).coaxM).toBe(
      segments.reduce((sum, { lengthM }) => sum + lengthM, 0),
    );
  });
  it('is a whole box with its units and its circuit once its last camera has gone', () => {
    const all = Object.fromEntries(idsOn('quay-box').map((id) => [id, 'retire' as const]));
    const circuit = {
      id: 'quay-circuit',
      name: 'Quay circuit',
      placeId: 'quay-hut',
      gear: { kind: 'circuit' as const, volts: 230, breakerAmps: 10 },
    };
    const box = { ...demo.supply['quay-box']!, hookUp: { fedById: 'quay-circuit', rackUnits: 2 } };
    const over = {
      supply: { ...demo.supply, 'quay-box': box },
      equipment: { ...demo.equipment, 'quay-circuit': circuit },
    };
    expect(freed(all, over)).toMatchObject({
      boxes: [{ supplyId: 'quay-box', isAll: true }],
      rackUnits: 2,
      circuits: ['Quay circuit'],
    });
  });
  it('is the pair of a fibre whose end goes, and the closet that nothing is left in', () => {
    const end = (id: string, placeId: string, goes: boolean): Site['equipment'] => ({
      [id]: {
        id,
        name: id,
        placeId,
        gear: { kind: 'link-end', medium: 'fibre', carriesMbps: 1000 },
        ...(goes ? { goes } : {}),
      },
    });
    const [fibre] = Object.values(demo.link).filter(({ medium }) => medium === 'fibre');
    const over = (goes: boolean): Partial<Site> => ({
      place: { ...demo.place, 'quay-hut': { ...demo.place['quay-hut']!, networkCloset: true } },
      // What the hut has of its own stands elsewhere here.
      supply: Object.fromEntries(
        Object.entries(demo.supply).map(([id, box]) => [id, { ...box, placeId: 'ticket-hall' }]),
      ),
      equipment: { ...demo.equipment, ...end('hut-end', 'quay-hut', goes) },
      link: { [fibre!.id]: { ...fibre!, toPlaceId: 'quay-hut', toEnd: { deviceId: 'hut-end' } } },
    });
    const gone = freed({}, over(true));
    expect([gone.fibres, gone.closets]).toEqual([[{ name: fibre!.name, count: 2 }], ['Quay hut']]);
    expect(freedInWords(gone)).toEqual([
      'hut-end, which goes',
      `2 fibres of ${fibre!.name}`,
      'The closet at Quay hut: nothing is left in it but what it is fitted with',
    ]);
    expect(freed({}, over(false))).toMatchObject({ fibres: [], closets: [] });
    const stays = over(true);
    const beside = { ...stays, equipment: { ...stays.equipment, ...end('other', 'quay-hut', false) } };
    expect(freed({}, beside)).toMatchObject({ fibres: [{ count: 2 }], closets: [] });
  });
  it('is said a line for each thing, and nothing where there is nothing', () => {
    expect(freedInWords(freed({}))).toEqual([]);
    expect(freedInWords(freed({ c01: 'ip-coax-unit', c19: 'new-category' }))).toEqual([
      '2 inputs of Hall recorder',
      '2 outputs of Hall box',
      '168 m of coax that nothing runs over',
    ]);
  });
});
