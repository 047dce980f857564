import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../../core/model/site/testSite';
import { slotRead, slotsToday, slotText } from './slotsToday';

const site = saltmarrowSite();
const hall = site.recorder['hall-recorder']!;

describe('slots that may keep a camera of the network', () => {
  it('are those beyond the inputs, inputs that are set to IP, and none that is still to be bought', () => {
    const offered = (over: object) =>
      slotsToday({ recorder: { [hall.id]: { ...hall, ipInputs: undefined, ...over } } }).map(
        ({ label }) => label,
      );
    expect(offered({})).toEqual([
      'Not known yet',
      ...[17, 18, 19, 20, 21, 22, 23, 24].map((n) => `Hall recorder ${n}`),
    ]);
    expect(offered({ ipInputs: [16] })).toContain('Hall recorder 16');
    expect(offered({ toBuy: 'recorder-hybrid-16' })).toEqual(['Not known yet']);
  });
  it('are read as they are written', () => {
    const at = { recorderId: 'hall-recorder', slot: 18 };
    expect(slotRead(slotText(at))).toEqual(at);
    expect(slotRead(slotText(undefined))).toBeUndefined();
  });
});
