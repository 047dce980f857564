import fc from 'fast-check';
import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { orderList, pickList } from '#core/cutover/lists';
import { nightTasks, openBefore, taskKind, type Task } from '#core/cutover/tasks';
import { sharedThingsOf } from '#core/decide/options';
import { boughtRecorders } from '#core/decide/plan';
import { chosenOption } from '#core/decide/runEvaluation';
import { catalogueOf, productOf } from '#core/model/catalogue';
import { withChanges, type OptionKind, type Site } from '#core/model/site';
import { evaluateSite, type SiteEvaluation } from './evaluateSite';
import { tasksNow } from './nightsNow';
import { decidedSaltmarrow } from './testDecided';

const given = { at: '2026-03-12T09:00:00Z', by: 'R. Tolland' };
const chosenAs = (site: Site, option: OptionKind, ...ids: string[]): Site =>
  withChanges(
    site,
    ids.map((id) => ({ kind: 'choice', id, set: { id, option, ...given } })),
  );

interface Planned {
  site: Site;
  evaluation: SiteEvaluation;
  tasks: readonly Task[];
  task: (id: string) => Task;
}

function planned(site: Site): Planned {
  const evaluation = evaluateSite(site);
  const { tasks } = tasksNow(site, evaluation, null);
  return { site, evaluation, tasks, task: (id) => tasks.find((one) => one.id === id)! };
}

let site: Site;
let decided: Planned;
beforeAll(async () => {
  site = decidedSaltmarrow(await loadHighs());
  decided = planned(site);
}, 120_000);

describe('what cameras share beside ports', () => {
  it('is made in one task before the nights, that every one of them waits for', () => {
    const { evaluation, tasks, task } = decided;
    const catalogue = catalogueOf(site);
    const chosen = evaluation.runs.flatMap((run) => {
      const option = chosenOption(run);
      return option ? [{ id: run.camera.id, option }] : [];
    });
    const made = sharedThingsOf(
      catalogue,
      chosen.map(({ option }) => option),
    ).filter(({ thing }) => thing.kind !== 'lift');
    expect(made.map(({ thing }) => thing.kind)).toEqual(expect.arrayContaining(['route', 'way', 'switch']));
    for (const { thing, units } of made) {
      const of = tasks.filter((one) => one.of.endsWith(thing.label));
      expect(of).toHaveLength(1);
      const hours = thing.tasks.reduce(
        (sum, { item, count }) => sum + productOf(catalogue, item, 'task').hours * count * units,
        0,
      );
      if (hours > 0) expect((of[0]!.minutes.likely * of[0]!.people) / 60).toBeCloseTo(hours, 9);
      for (const { id, option } of chosen)
        if (option.sharing.some(({ key }) => key === thing.key))
          expect(task(`swap-${id}`).needs).toContain(of[0]!.id);
    }
  });
  it('is made in its order: a way in its route, a switch at its end, each once its parts are there', () => {
    const { task } = decided;
    expect(task('lay-link-fibre-workshop-workshop').needs).toEqual([
      'order-fibre-end',
      'route-route-workshop-workshop',
    ]);
    expect(task('build-field-switch-on-fibre-workshop-workshop').needs).toContain(
      'lay-link-fibre-workshop-workshop',
    );
  });
  it('is asked for at the gate of the first night that needs it', () => {
    const { tasks, task } = decided;
    const open = openBefore([task('swap-c17').id], tasks, new Set());
    expect(open).toEqual(
      expect.arrayContaining([
        'route-route-workshop-workshop',
        'lay-link-fibre-workshop-workshop',
        'build-field-switch-on-fibre-workshop-workshop',
      ]),
    );
    expect(nightTasks(tasks).map(({ id }) => id)).not.toContain('route-route-workshop-workshop');
  });
  it('is there before a cable is pulled along it', () => {
    const { task } = planned(chosenAs(site, 'new-category', 'c21'));
    expect(task('pull-c21').needs).toContain('route-route-workshop-boat-shed');
  });
});

describe('whatever is chosen', () => {
  it('everything that is ordered, built, laid or permitted is waited for, and stands there once', () => {
    const runs = decided.evaluation.runs;
    fc.assert(
      fc.property(fc.array(fc.nat(30), { minLength: runs.length, maxLength: runs.length }), (picks) => {
        const at = runs.reduce((all, { camera, options }, index) => {
          const can = options.filter(({ state }) => state !== 'no');
          return chosenAs(all, can[picks[index]! % can.length]!.kind, camera.id);
        }, site);
        const { tasks } = planned(at);
        const waitedFor = new Set(tasks.flatMap(({ needs }) => needs));
        const before = tasks.filter(({ kind }) => taskKind(kind).when === 'before');
        expect(before.filter(({ id }) => !waitedFor.has(id)).map(({ id }) => id)).toEqual([]);
        const ids = tasks.map(({ id }) => id);
        expect(ids.filter((id, index) => ids.indexOf(id) !== index)).toEqual([]);
      }),
      { numRuns: 25 },
    );
  }, 120_000);
});

describe('an old coax that several go over', () => {
  let both: Planned;
  beforeAll(() => {
    both = planned(chosenAs(site, 'field-coax', 'c23', 'c24'));
  });
  it('has its converters put on in the night of its own camera, which is dark for them, before the others', () => {
    const { task, tasks } = both;
    const alone = planned(chosenAs(site, 'field-coax', 'c24')).task('swap-c24');
    const [own, other] = [task('swap-c23'), task('swap-c24')];
    expect(tasks.some(({ id }) => id.startsWith('lay-link-coax'))).toBe(false);
    const difference = own.minutes.likely - other.minutes.likely;
    expect(difference).toBeGreaterThan(20);
    expect(own.dark[0]!.minutes).toBeGreaterThan(other.dark[0]!.minutes + 20);
    expect(other.needs).toContain('swap-c23');
    // Where the coax's own camera goes another way, the first that goes over it has them fitted.
    expect(alone.minutes.likely).toBeCloseTo(own.minutes.likely, 6);
    expect(alone.needs).toContain('swap-c23');
  });
  it('is carried along once, in that night', () => {
    const converters = (id: string): number =>
      pickList(both.site, both.evaluation.runs, new Set([id])).find(({ label }) =>
        label.includes('over-coax converter'),
      )?.count ?? 0;
    expect([converters('c23'), converters('c24')]).toEqual([3, 0]);
  });
});

describe('a recorder that is bought', () => {
  it('is built once it has come, before a camera is changed that comes to it', () => {
    const [recorder] = boughtRecorders(site, {
      buys: [{ productId: 'recorder-network-16', placeId: 'ticket-hall', count: 1 }],
    });
    const { id, name } = recorder!;
    const slot = { id: 'c01', recorderId: id, slot: 1 };
    const at = planned(
      withChanges(site, [
        { kind: 'recorder', id, set: recorder! },
        { kind: 'placement', id: 'c01', set: slot },
      ]),
    );
    const build = at.task(`build-recorder-${id}`);
    expect(build).toMatchObject({ of: name, place: 'ticket-hall', needs: ['order-recorder-network-16'] });
    expect(at.task('swap-c01').needs).toContain(build.id);
    expect(at.task('swap-c02').needs).not.toContain(build.id);
  });
});

describe('what is taken along', () => {
  const labelsOf = ({ site: at, evaluation }: Planned, id: string): string[] =>
    pickList(at, evaluation.runs, new Set([id])).map(({ label }) => label);
  it('has no cable that was pulled before the night', () => {
    const at = planned(chosenAs(site, 'new-category', 'c21'));
    expect(labelsOf(at, 'c21').join()).not.toMatch(/Category|Cat 6|containment/i);
    expect(labelsOf(at, 'c21').join()).toMatch(/IP camera/);
  });
  it('has the new camera of the network in the night in which it takes the place of another', () => {
    const replaced = { ...site.networkCamera['c25']!, replaced: true as const };
    const at = planned(withChanges(site, [{ kind: 'networkCamera', id: 'c25', set: replaced }]));
    expect(labelsOf(at, 'c25').join()).toMatch(/IP camera/);
    const rows = orderList(
      at.site,
      at.evaluation.runs,
      at.evaluation.total,
      new Map([['c25', '2026-05-20']]),
    );
    expect(rows.find(({ label }) => /IP camera/.test(label))?.neededBy).toBe('2026-05-20');
  });
});
