import type { SlotRules } from '#core/model/slotRules';
import { describe, expect, it } from 'vitest';
import type { Recorder } from '#core/model/site';
import { saltmarrowSite } from '../../core/model/site/testSite';
import {
  add,
  initialState,
  move,
  picturesOf,
  Refusal,
  remove,
  report,
  restore,
  settingsOf,
  split,
  type Memory,
  type Sold,
} from './recorder';

const site = saltmarrowSite();
const hall = site.recorder['hall-recorder']!;
const camera = (number: number, over: Partial<Sold['network']['cameras'][number]> = {}) => ({
  number,
  address: `10.20.0.${100 + number}`,
  model: 'Saltmarrow fixed 4',
  megapixels: 4,
  mbps: 6,
  passwordSet: true,
  ...over,
});
const network = {
  about: '',
  cameras: [
    camera(1),
    camera(2),
    camera(3, { passwordSet: false }),
    camera(4, { megapixels: 12 }),
    camera(5, { mbps: 125 }),
  ],
};
const sold = (over: Partial<Recorder> = {}, rules?: SlotRules): Sold => ({
  recorder: { ...hall, ...over, ...(rules ? { rules } : {}) },
  pictures: picturesOf(site, hall.id),
  network,
});
const tail = sold();
const fresh = initialState(tail);
const refusal = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    if (error instanceof Refusal) return `${error.status} ${error.message}`;
    throw error;
  }
  return 'not refused';
};
const withTwo = (): Memory =>
  add(tail, add(tail, fresh, '10.20.0.101', 'one').memory, '10.20.0.102', 'two').memory;

describe('a stand-in recorder', () => {
  it('as found has its coax pictures under the names that somebody gave them', () => {
    const { channels, ipInputs, factoryValues } = report(tail, fresh);
    expect([channels.length, ipInputs, factoryValues]).toEqual([16, [], false]);
    expect(channels.find(({ slot }) => slot === 3)).toMatchObject({
      kind: 'coax',
      name: '3 Turnstiles',
      picture: 'hd720',
    });
    expect(channels.find(({ slot }) => slot === 6)).toMatchObject({ name: 'CH 6', picture: null });
  });
  it('fills its slots in its own order, and moves only to a slot that is free and carries IP', () => {
    const two = withTwo();
    expect(two.cameras).toEqual({ 17: '10.20.0.101', 18: '10.20.0.102' });
    expect(move(tail, two, 18, 24).names[24]).toBe('two');
    expect(refusal(() => move(tail, two, 18, 17))).toMatch(/^409 .*taken/);
    expect(refusal(() => move(tail, two, 18, 5))).toMatch(/^422 .*takes no IP/);
    expect(refusal(() => move(tail, two, 9, 20))).toMatch(/^404/);
    expect(remove(two, 17).cameras).toEqual({ 18: '10.20.0.102' });
  });
  it('takes no camera that does not answer, is there already, has no password, or is too large', () => {
    expect(refusal(() => add(tail, fresh, '10.20.0.9', 'x'))).toMatch(/^404 No camera answers/);
    expect(refusal(() => add(tail, withTwo(), '10.20.0.101', 'x'))).toMatch(/^409 .*already/);
    expect(refusal(() => add(tail, fresh, '10.20.0.103', 'x'))).toMatch(/^409 .*no first password/);
    expect(refusal(() => add(tail, fresh, '10.20.0.104', 'x'))).toMatch(/^422 12 MP/);
    expect(
      refusal(() => add(sold({ limits: { ...hall.limits, ipCameras: 2 } }), withTwo(), '10.20.0.105', 'x')),
    ).toMatch(/^409 It has its 2 IP cameras/);
    expect(
      refusal(() => add(sold({}, { kind: 'fixed-hybrid', ipSlots: 0 }), fresh, '10.20.0.101', 'x')),
    ).toMatch(/^409 No slot for IP/);
  });
  it('drops what its rate has no room for, from the highest slot down, and says what it lost', () => {
    const three = add(tail, withTwo(), '10.20.0.105', 'heavy').memory;
    expect(
      report(tail, three)
        .channels.slice(-3)
        .map((channel) => channel.kind === 'ip' && channel.state),
    ).toEqual(['recording', 'recording', 'dropped']);
    expect(
      report({ ...tail, network: { ...network, cameras: [] } }, withTwo()).channels.at(-1),
    ).toMatchObject({ state: 'lost' });
  });
  it('turns inputs as its rules allow, restarts, and forgets its settings where they say so', () => {
    const { memory, restarts } = split(tail, withTwo(), [15, 16]);
    expect([restarts, memory.factoryValues, memory.names, memory.cameras, memory.ipInputs]).toEqual([
      true,
      true,
      {},
      {},
      [15, 16],
    ]);
    expect(refusal(() => split(tail, fresh, [3]))).toMatch(/^422 Inputs 3 cannot be IP together/);
    expect(refusal(() => split(tail, fresh, [16, 40]))).toMatch(/^422/);
    expect(split(tail, memory, [16, 15])).toEqual({ memory, restarts: false });
    const each = sold({}, { kind: 'switch-per-input', extraIpSlots: 8 });
    const changed = split(each, withTwo(), [3]);
    expect([changed.restarts, changed.memory.factoryValues, Object.keys(changed.memory.cameras)]).toEqual([
      true,
      false,
      ['17', '18'],
    ]);
    const preset = sold(
      {},
      {
        kind: 'preset-split',
        presets: [
          { inputs: 16, ipSlots: 0 },
          { inputs: 8, ipSlots: 8 },
        ],
      },
    );
    expect(refusal(() => split(preset, fresh, [16]))).toMatch(/^422/);
    expect(split(preset, fresh, [9, 10, 11, 12, 13, 14, 15, 16]).restarts).toBe(true);
  });
  it('takes its settings back as far as its slots carry them, and no others', () => {
    const saved = settingsOf(withTwo());
    const wiped = split(tail, withTwo(), [16]).memory;
    expect(restore(tail, wiped, saved)).toMatchObject({
      factoryValues: false,
      ipInputs: [16],
      cameras: { 17: '10.20.0.101', 18: '10.20.0.102' },
      names: { 3: '3 Turnstiles', 17: 'one' },
    });
    expect(refusal(() => restore(tail, wiped, { format: 'of another maker' }))).toMatch(/^422/);
    const onInput = { ...saved, cameras: { 16: '10.20.0.101' } };
    expect(restore(tail, fresh, onInput).cameras).toEqual({});
  });
});
