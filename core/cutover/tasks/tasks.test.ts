import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { cutoverSettingsOf, type Recorder, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { followsNight } from './followsNight';
import { openBefore } from './openBefore';
import { heldTo } from './heldTo';
import { ordersFor, orderTasks } from './orderTasks';
import { ownTasks } from './ownTasks';
import { prepared } from './prepared';
import { startBy } from './startBy';
import { taskOf, workOf, type Task } from './task';
import { waitingLoop } from './waitingLoop';

const site = saltmarrowSite();
const catalogue = catalogueOf(site);
const task = (id: string, over: Partial<Task> = {}): Task =>
  taskOf(catalogue, { id, kind: 'swap', of: id, place: 'quay', cameraId: id, ...over });

describe('what is usual of a kind', () => {
  it('is a row of the catalogue, which a firm can change', () => {
    const usual = workOf(catalogue, 'patch');
    const own: Site = { ...site, product: { 'work-patch': { ...usual, minutes: 25, people: 2 } } };
    expect(usual).toMatchObject({ minutes: 10, people: 1 });
    expect(taskOf(catalogueOf(own), { id: 'a', kind: 'patch', of: '', place: '' })).toMatchObject({
      minutes: { low: 20, likely: 25, high: 40 },
      people: 2,
    });
  });
});

describe('what is ordered', () => {
  const parts = [
    { item: 'coax-converter', count: 7.2 },
    { item: 'joint-kit', count: 3 },
  ];
  const orders = orderTasks(site, { parts } as Parameters<typeof orderTasks>[1], 'hall');
  it('is what is not on the shelf, in whole pieces, with its days', () => {
    expect(orders).toMatchObject([
      { id: 'order-coax-converter', of: '8 × Ethernet-over-coax converter', days: 10, place: 'hall' },
    ]);
  });
  it('is waited for by whatever takes it', () =>
    expect(ordersFor(parts, orders)).toEqual(['order-coax-converter']));
});

describe('what a task is held to', () => {
  const dates = ['2026-05-11', '2026-05-12', '2026-05-13', '2026-05-14'];
  const settings = cutoverSettingsOf(site, '2026-05-11');
  const held = (tasks: Task[], over: Partial<typeof settings> = {}, done: string[] = [], at: Site = site) =>
    heldTo(tasks, at, { settings: { ...settings, ...over }, dates }, new Set(done));
  it('is nothing as long as nobody has said anything', () =>
    expect(held([task('a', { lift: 'mast' })])).toMatchObject([{ window: null, allowed: null }]));
  it('is the hours and the nights of the lift, of those alone who are on it', () => {
    const [onLift, other] = held([task('a', { lift: 'mast' }), task('b')], {
      liftHours: { from: '22:00', to: '02:00' },
      liftDates: ['2026-05-12', '2026-05-20'],
    });
    expect(onLift).toMatchObject({ window: { from: 60, to: 300 }, allowed: { nights: [1] } });
    expect(other).toMatchObject({ window: null, allowed: null });
  });
  it('is the hours in which a recorder may restart', () => {
    const [recorder] = Object.values(site.recorder) as [Recorder];
    const guarded = { ...recorder, restartHours: { from: '01:00', to: '04:00' } };
    const at: Site = { ...site, recorder: { ...site.recorder, [recorder.id]: guarded } };
    const [turn] = held([task('turn', { restarts: recorder.id })], {}, [], at);
    expect(turn!.window).toEqual({
      from: 240,
      to: 420,
      why: `${recorder.name} may restart from 01:00 to 04:00`,
    });
  });
  it('is what is ordered for it: the longest way through all that it waits for, less what is there', () => {
    const order = task('order', { kind: 'order', days: 2 });
    const bench = task('bench', { kind: 'configure', days: 1, needs: ['order'] });
    const swap = task('c08', { needs: ['bench', 'order'] });
    const nights = (done: string[]) =>
      held([order, bench, swap], { orderedOn: '2026-05-10' }, done)[2]!.allowed?.nights;
    // 10 May and three days: the nights from 13 May on.
    expect(nights([])).toEqual([2, 3]);
    expect(nights(['order'])).toEqual([0, 1, 2, 3]);
    expect(held([order, bench, swap], { orderedOn: '2026-06-01' })[2]!.allowed).toEqual({
      nights: [],
      why: 'ordered on 2026-06-01, what it waits for is there from 2026-06-04 on',
    });
  });
});

describe('a change-over that is prepared', () => {
  const swap = task('c08', {
    id: 'swap-c08',
    minutes: { low: 80, likely: 100, high: 160 },
    dark: [{ view: 'c08', minutes: 40 }],
    people: 2,
    needs: ['order', 'turn'],
  });
  const split = (prepareMinutes?: number) =>
    prepared(
      {
        ...site,
        taskSetting: { 'swap-c08': { id: 'swap-c08', ...(prepareMinutes ? { prepareMinutes } : {}) } },
      },
      swap,
      ['order'],
    );
  it('is two tasks, of which the first leaves nothing dark and waits for no recorder', () => {
    const [first, second] = split(30);
    expect(first).toMatchObject({ id: 'prepare-c08', dark: [], needs: ['order'], people: 2 });
    expect(first!.minutes.likely).toBe(30);
    expect(second!.minutes).toEqual({ low: 56, likely: 70, high: 112 });
    expect(second).toMatchObject({ dark: swap.dark, needs: ['order', 'turn', 'prepare-c08'] });
  });
  it('never takes away what is dark, and stays one where nothing is left to prepare', () => {
    const [first, second] = split(90);
    expect([first!.minutes.likely, second!.minutes.likely]).toEqual([60, 40]);
    expect(split()).toEqual([swap]);
    const dark = { ...swap, dark: [{ view: 'c08', minutes: 100 }] };
    const setting = { 'swap-c08': { id: 'swap-c08', prepareMinutes: 30 } };
    expect(prepared({ ...site, taskSetting: setting }, dark, [])).toEqual([dark]);
  });
});

describe('the last date to begin', () => {
  const chain = [
    task('order', { days: 10 }),
    task('bench', { days: 1, needs: ['order'] }),
    task('a', { needs: ['bench'] }),
    task('b', { needs: ['order'] }),
  ];
  it('is as many days before the first night that waits for it as everything on the way takes', () => {
    const nights = new Map([
      ['a', '2026-05-14'],
      ['b', '2026-05-20'],
    ]);
    expect(Object.fromEntries(startBy(chain, nights))).toEqual({ bench: '2026-05-13', order: '2026-05-03' });
    expect(Object.fromEntries(startBy(chain, new Map([['b', '2026-05-20']])))).toEqual({
      order: '2026-05-10',
    });
  });
  it('is none where nothing that waits has a night, or where things wait for each other', () => {
    expect(startBy(chain, new Map()).size).toBe(0);
    expect(startBy([task('a', { needs: ['b'] }), task('b', { needs: ['a'] })], new Map()).size).toBe(0);
  });
});

it('what is open before a night is all that its tasks wait for, one through another, and nobody has ticked', () => {
  const all = [
    task('order', { kind: 'order' }),
    task('bench', { kind: 'configure', needs: ['order'] }),
    task('left', { kind: 'permit', excluded: 'no lift after all' }),
    task('turn', { kind: 'recorder-change' }),
    task('c08', { needs: ['bench', 'left', 'turn'] }),
  ];
  expect(openBefore(['c08'], all, new Set())).toEqual(['order', 'bench']);
  expect(openBefore(['c08'], all, new Set(['order']))).toEqual(['bench']);
  // What is on the bench was there to be put on it.
  expect(openBefore(['c08'], all, new Set(['bench']))).toEqual([]);
  expect(openBefore(['turn'], all, new Set())).toEqual([]);
});

it('what follows the nights follows the last of them that it waits for, over whatever lies between', () => {
  const chain = [
    task('a'),
    task('b'),
    task('check-a', { needs: ['a'] }),
    task('check-b', { needs: ['b'] }),
    task('witness', { needs: ['check-a', 'check-b'] }),
    task('x', { needs: ['y'] }),
    task('y', { needs: ['x'] }),
  ];
  const nights = new Map([
    ['a', '2026-05-12'],
    ['b', '2026-05-14'],
  ]);
  expect(Object.fromEntries(followsNight(chain, nights))).toEqual({
    'check-a': '2026-05-12',
    'check-b': '2026-05-14',
    witness: '2026-05-14',
  });
});

describe('tasks that wait in a circle', () => {
  it('are named in their order; where there is none, nothing is', () => {
    const circle = [
      task('x'),
      task('a', { needs: ['x', 'b'] }),
      task('b', { needs: ['c'] }),
      task('c', { needs: ['a'] }),
    ];
    expect(waitingLoop(circle).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect(waitingLoop(circle.slice(0, 3))).toEqual([]);
  });
});

it('what a person adds is a task like any other', () => {
  const own: Site = {
    ...site,
    ownTask: {
      sign: {
        id: 'sign',
        name: 'Hang the sign',
        when: 'night',
        placeId: 'quay',
        minutes: 45,
        people: 2,
        skills: ['height'],
        dark: { cameraIds: ['c08'], minutes: 10 },
        needs: ['swap-c08'],
      },
    },
  };
  expect(ownTasks(own)).toMatchObject([
    {
      id: 'own-sign',
      kind: 'own',
      of: 'Hang the sign',
      people: 2,
      dark: [{ view: 'c08', minutes: 10 }],
      needs: ['swap-c08'],
    },
  ]);
});
