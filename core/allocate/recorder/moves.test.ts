import type { Occupant, SlotNeed } from '#core/model/slotRules';
import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { movesOf, moveInWords, nightStepInWords, type SlotRequest } from '.';

const hall = saltmarrowSite().recorder['hall-recorder']!;
const nameOf = () => hall.name;
const need = (number: number, kind: 'ip' | 'coax', input?: number): SlotNeed => ({
  cameraId: `c${number}`,
  number,
  name: `Camera ${number}`,
  portWatts: 0,
  placeId: hall.placeId,
  patchedTo: input === undefined ? undefined : { recorderId: hall.id, input },
  signal: kind === 'ip' ? { kind, mbps: 4, megapixels: 2 } : { kind, format: 'cvbs' },
});
const wanting = (of: SlotNeed, placedOn?: number): SlotRequest => ({
  need: of,
  mayMove: true,
  placed: placedOn === undefined ? undefined : { recorderId: hall.id, slot: placedOn },
});
const said = (all: [SlotRequest, number][]) => {
  const occupied: Record<string, Occupant[]> = {
    [hall.id]: all.map(([one, slot]) => ({ need: one.need, slot, placed: true })),
  };
  return movesOf(
    [hall],
    all.map(([one]) => one),
    occupied,
  ).map((move) => moveInWords(move, nameOf));
};

describe('what an allocation moves, and why', () => {
  it('says nothing of a camera that stays', () =>
    expect(
      said([
        [wanting(need(1, 'coax', 1)), 1],
        [wanting(need(2, 'ip', 2), 17), 17],
      ]),
    ).toEqual([]));
  it('a lead goes elsewhere because its input turns', () =>
    expect(
      said([
        [wanting(need(16, 'coax', 16)), 1],
        [wanting(need(2, 'ip', 2)), 15],
      ])[1],
    ).toMatch(
      /^Camera 16: its lead goes from 16 to Hall recorder 1\. Camera 2 on input 15 is IP, so inputs 15 to 16 all turn to IP/,
    ));
  it('a camera joins where it has its number, or says what is against its number', () => {
    expect(said([[wanting(need(20, 'ip', 4)), 20]])).toEqual([
      'Camera 20 joins Hall recorder 20. Slot matches camera number.',
    ]);
    expect(said([[wanting(need(30, 'ip', 4)), 19]])).toEqual([
      'Camera 30 joins Hall recorder 19. Hall recorder has no slot 30.',
    ]);
    expect(
      said([
        [wanting(need(20, 'ip', 4)), 19],
        [wanting(need(21, 'ip', 5), 20), 20],
      ])[0],
    ).toBe('Camera 20 joins Hall recorder 19. Slot 20 goes to camera 21.');
  });
  it('a camera that leaves its planned slot for nothing of its own saves something elsewhere', () =>
    expect(said([[wanting(need(18, 'ip', 3), 17), 19]])[0]).toBe(
      'Camera 18: from 17 to Hall recorder 19. It saves leads or a restart elsewhere.',
    ));
});

describe('a night in words', () => {
  const at = (slot: number) => ({ recorderId: hall.id, slot });
  it('tells leads for now, inputs that turn, and who joins', () => {
    expect(
      nightStepInWords(
        {
          kind: 'repatch',
          cameraId: 'c5',
          number: 5,
          from: at(5),
          to: at(1),
          temporary: true,
          makesWayFor: 4,
        },
        () => hall,
      ),
    ).toEqual([
      'Lead of camera 5 from Hall recorder 5 to Hall recorder 1, for now, to make way for camera 4.',
    ]);
    expect(
      nightStepInWords(
        {
          kind: 'turn',
          recorderId: hall.id,
          cost: { toIp: [16], toCoax: [], restartMinutes: 4, factoryValues: true, losesAnalytics: true },
        },
        () => hall,
      ),
    ).toHaveLength(3);
    expect(
      nightStepInWords({ kind: 'join', cameraId: 'c4', number: 4, from: null, to: at(17) }, () => hall),
    ).toEqual(['Camera 4 joins Hall recorder 17.']);
  });
});
