import type { SlotNeed } from '#core/model/slotRules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import {
  devicePlan,
  differences,
  nextStep,
  otherRecorder,
  planOf,
  stepInWords,
  stepsLeft,
  stillWrong,
  type DevicePlan,
  type Report,
} from '.';

const hall = saltmarrowSite().recorder['hall-recorder']!;
const found: Report = {
  name: 'Hall recorder',
  serial: 'ST-1',
  inputs: 16,
  slots: 24,
  ipInputs: [],
  incomingMbps: 128,
  factoryValues: false,
  timeSource: null,
  channels: [{ slot: 1, kind: 'coax', name: '1 Hall north desk', picture: 'cvbs' }],
};
const onIp = (slot: number, name: string, address: string) => ({
  slot,
  kind: 'ip' as const,
  name,
  address,
  mbps: 6,
  state: 'recording' as const,
});
const planned = (slot: number, name: string, address: string) => ({
  slot,
  kind: 'ip' as const,
  name,
  address,
});
const plan = (over: Partial<DevicePlan>): DevicePlan => ({
  ipInputs: [],
  timeSource: null,
  channels: [],
  ...over,
});
const words = (report: Report, to: DevicePlan) => stepsLeft(report, to, { settings: false }).map(stepInWords);

describe('the steps to a plan', () => {
  it('are none where the recorder holds it', () => {
    const report = { ...found, channels: [onIp(17, '1 Desk', '10.20.0.101')] };
    expect(stepsLeft(report, planOf(report), { settings: false })).toEqual([]);
  });
  it('begin with saving, turn the inputs, add cameras in the order of their slots, name them and set the time', () =>
    expect(
      words(
        found,
        plan({
          ipInputs: [16],
          timeSource: '10.20.0.1',
          channels: [
            planned(16, '16 Fuel berth', '10.20.0.116'),
            planned(17, '1 Hall north desk', '10.20.0.101'),
          ],
        }),
      ),
    ).toEqual([
      'Save all settings, before anything is changed',
      'Set input 16 to IP, and restart',
      'Add 16 Fuel berth at 10.20.0.116 on slot 16',
      'Add 1 Hall north desk at 10.20.0.101 on slot 17',
      'Take the time from 10.20.0.1',
    ]));
  it('put saved settings back after a restart that wiped them, and nothing before that', () =>
    expect(
      nextStep({ ...found, factoryValues: true }, plan({ channels: [planned(17, 'x', '10.20.0.1')] }), {
        settings: true,
      }),
    ).toEqual({ kind: 'restore' }));
  it('move what is on the wrong slot, and take one of a ring off', () => {
    const two = { ...found, channels: [onIp(17, 'a', '10.20.0.1'), onIp(18, 'b', '10.20.0.2')] };
    expect(
      words(two, plan({ channels: [planned(19, 'a', '10.20.0.1'), planned(18, 'b', '10.20.0.2')] })).slice(1),
    ).toEqual(['Move “a” from slot 17 to 19']);
    expect(
      words(two, plan({ channels: [planned(18, 'a', '10.20.0.1'), planned(17, 'b', '10.20.0.2')] })).slice(1),
    ).toEqual(['Take “a” off slot 17', 'Move “b” from slot 18 to 17', 'Add a at 10.20.0.1 on slot 18']);
  });
  it('take a camera off an input before it turns back to coax', () => {
    const converted = { ...found, ipInputs: [16], channels: [onIp(16, 'a', '10.20.0.1')] };
    expect(words(converted, plan({ channels: [planned(17, 'a', '10.20.0.1')] })).slice(1)).toEqual([
      'Take “a” off slot 16',
      'Set every input to coax, and restart',
      'Add a at 10.20.0.1 on slot 17',
    ]);
  });
  it('end at the plan, whatever was there and whatever is wanted', () => {
    const slots = fc.uniqueArray(
      fc.record({ slot: fc.integer({ min: 13, max: 24 }), host: fc.integer({ min: 1, max: 9 }) }),
      { maxLength: 9, selector: ({ slot }) => slot },
    );
    const state = slots.map((all) => {
      const seen = new Set<number>();
      const channels = all.filter(({ host }) => !seen.has(host) && seen.add(host));
      const lowest = Math.min(17, ...channels.map(({ slot }) => slot));
      return { channels, ipInputs: Array.from({ length: 17 - lowest }, (_, k) => lowest + k) };
    });
    fc.assert(
      fc.property(state, state, (was, is) => {
        const report: Report = {
          ...found,
          ipInputs: was.ipInputs,
          channels: was.channels.map(({ slot, host }) => onIp(slot, `c${host}`, `10.20.0.${host}`)),
        };
        const wanted = plan({
          ipInputs: is.ipInputs,
          channels: is.channels.map(({ slot, host }) => planned(slot, `n${host}`, `10.20.0.${host}`)),
        });
        const steps = stepsLeft(report, wanted, { settings: false });
        expect(steps.filter(({ kind }) => kind === 'split').length).toBe(
          was.ipInputs.length === is.ipInputs.length ? 0 : 1,
        );
        expect(steps.length > 0 ? steps[0]!.kind : 'save').toBe('save');
      }),
    );
  });
});

describe('a recorder held against its plan', () => {
  it('is another one where it has other inputs or slots', () => {
    expect(otherRecorder(hall, found)).toBeNull();
    expect(otherRecorder(hall, { ...found, inputs: 8, slots: 16 })).toMatch(
      /has 8 inputs and 16 slots; Hall recorder is noted with 16 and 24/,
    );
  });
  it('shows slot by slot what differs', () =>
    expect(
      differences(
        {
          ...found,
          channels: [
            ...found.channels,
            { slot: 2, kind: 'coax', name: 'CH 2', picture: null },
            { slot: 3, kind: 'coax', name: '3 Turnstiles', picture: 'hd720' },
          ],
        },
        plan({
          channels: [
            { slot: 1, kind: 'coax', name: '1 Hall north desk' },
            planned(17, '2 Hall south desk', '10.20.0.102'),
          ],
        }),
      ),
    ).toEqual([
      { slot: 1, same: true, byHand: '', has: '1 Hall north desk, coax', wants: '1 Hall north desk, coax' },
      { slot: 2, same: true, byHand: '', has: 'CH 2, coax without a picture', wants: 'nothing' },
      {
        slot: 3,
        same: true,
        byHand: 'its lead can be taken off',
        has: '3 Turnstiles, coax',
        wants: 'nothing',
      },
      { slot: 17, same: false, byHand: '', has: 'nothing', wants: '2 Hall south desk, 10.20.0.102' },
    ]));
  it('says what it does not do although it holds the plan', () => {
    const report: Report = {
      ...found,
      incomingMbps: 10,
      channels: [
        { slot: 1, kind: 'coax', name: 'a', picture: null },
        onIp(17, 'b', '10.20.0.1'),
        { ...onIp(18, 'c', '10.20.0.2'), state: 'dropped' },
        { ...onIp(19, 'd', '10.20.0.3'), state: 'lost', mbps: 0 },
      ],
    };
    const said = stillWrong(report, plan({ channels: [{ slot: 1, kind: 'coax', name: 'a' }] }));
    expect(said).toEqual([
      expect.stringMatching(/^Slot 1 \(a\) has no picture/),
      expect.stringMatching(/“c” was dropped: 12 Mb\/s come in, and the recorder takes 10/),
      expect.stringMatching(/“d” at 10.20.0.3 does not answer/),
    ]);
  });
});

describe('the plan of a recorder', () => {
  const need = (number: number, kind: 'ip' | 'coax'): SlotNeed => ({
    cameraId: `c${number}`,
    number,
    name: `Camera ${number}`,
    portWatts: 0,
    placeId: hall.placeId,
    patchedTo: undefined,
    signal: kind === 'ip' ? { kind, mbps: 4, megapixels: 2 } : { kind, format: 'cvbs' },
  });
  const on = [
    { need: need(2, 'ip'), slot: 16, placed: true },
    { need: need(1, 'coax'), slot: 1, placed: true },
  ];
  it('is its slots in order, with the inputs that turn', () =>
    expect(
      devicePlan(
        { networkConfig: { c2: { id: 'c2', address: '10.20.0.102' } } },
        { ...hall, network: { address: '10.20.0.5', prefixBits: 24, timeSource: '10.20.0.1' } },
        on,
        [],
      ),
    ).toEqual({
      kind: 'plan',
      plan: {
        ipInputs: [16],
        timeSource: '10.20.0.1',
        channels: [
          { slot: 1, kind: 'coax', name: '1 Camera 1' },
          { slot: 16, kind: 'ip', name: '2 Camera 2', address: '10.20.0.102' },
        ],
      },
    }));
  it('waits for addresses, and for rules that are broken', () => {
    expect(devicePlan({ networkConfig: {} }, hall, on, [])).toEqual({
      kind: 'not-yet',
      why: 'Camera 2 has no address yet.',
    });
    expect(devicePlan({ networkConfig: {} }, hall, on, [{ why: 'Too many.' }])).toEqual({
      kind: 'not-yet',
      why: 'A rule of the recorder is broken: Too many.',
    });
  });
});
