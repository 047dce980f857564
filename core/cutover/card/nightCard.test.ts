import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { taskKind, type Task } from '#core/cutover/tasks';
import { chosenOption } from '#core/decide/runEvaluation';
import { cutoverOf, evaluateSite, migrationOfSite } from '#core/evaluate';
import { cutoverSettingsOf, type Site } from '#core/model/site';
import { decidedSaltmarrow } from '../../evaluate/testDecided';
import { nightCard, type NightCard } from '.';

const highs = await loadHighs();
const site = decidedSaltmarrow(highs);
const evaluation = evaluateSite(site);
const { runs, allocation } = evaluation;
const migration = migrationOfSite(site, allocation);
const { tasks } = cutoverOf(highs, site, cutoverSettingsOf(site, '2026-05-04'), { secondsLeft: () => 0 });

const taskOfKind = (kind: Task['kind'], of: (task: Task) => boolean = () => true): Task => {
  const found = tasks.find((task) => task.kind === kind && of(task));
  if (!found) throw new Error(`no task of kind ${kind}`);
  return found;
};
const cardOf = (task: Task, at: Site = site): NightCard => nightCard(at, runs, migration, task);
const wordsOf = ({ lines }: NightCard) =>
  Object.fromEntries(lines.flatMap((line) => (line.kind === 'words' ? [[line.label, line.words]] : [])));

describe('the card of a task', () => {
  it('says of a swap where the camera leaves, where it joins, and where it is found then', () => {
    const swap = taskOfKind('swap', ({ cameraId }) => cameraId === 'c08');
    const card = cardOf(swap);
    const { recorderId, slot } = site.placement['c08']!;
    const { name } = site.recorder[recorderId]!;
    expect(card.runId).toBe('r08');
    expect(card.steps.join(' ')).toMatch(new RegExp(`Camera 8 .*joins ${name} ${slot}\\.$`));
    expect(wordsOf(card)).toEqual({ address: 'not given yet', recorder: `${name} ${slot}` });
  });
  it('gives the address once there is one, and no slot where the camera has none', () => {
    const swap = taskOfKind('swap', ({ cameraId }) => cameraId === 'c08');
    const networkConfig = { ...site.networkConfig, c08: { id: 'c08', address: '10.20.0.108' } };
    const { c08: _, ...placement } = site.placement;
    expect(wordsOf(cardOf(swap, { ...site, networkConfig, placement }))).toEqual({
      address: '10.20.0.108',
      recorder: 'no slot yet',
    });
  });
  it('expects what the chosen option promises, and says what of it nobody has read', () => {
    const swap = taskOfKind('swap', ({ cameraId }) => cameraId === 'c08');
    const { margins } = chosenOption(runs.find(({ camera }) => camera.id === 'c08')!)!;
    const expected = cardOf(swap).lines.filter((line) => line.kind === 'expect');
    expect(expected).toEqual(
      margins.map(({ label, value, unit, unread }) => ({
        kind: 'expect',
        label,
        value,
        unit,
        isUnread: unread,
      })),
    );
    expect(expected.length).toBeGreaterThan(0);
  });
  it('holds every step of the order of moves once, over all cards', () => {
    const { nights } = migration;
    const inOrder = nights.reduce((sum, { steps }) => sum + steps.length, 0);
    const swaps = nights.flatMap(({ steps }) => steps.filter(({ kind }) => kind === 'join'));
    const steps = tasks.flatMap((task) => cardOf(task).steps);
    expect(steps.filter((words) => / joins /.test(words))).toHaveLength(swaps.length);
    // A turn is told in several sentences, every other step in one.
    expect(steps.length).toBeGreaterThanOrEqual(inOrder);
  });
  it('warns where the input turns under the camera in the same night, and nowhere else', () => {
    const turning = tasks.filter(({ kind, sameNight }) => kind === 'swap' && sameNight !== null);
    const staying = tasks.filter(({ kind, sameNight }) => kind === 'swap' && sameNight === null);
    expect([turning.length, staying.length].every((count) => count > 0)).toBe(true);
    for (const task of turning) expect(cardOf(task).cautions[0]).toMatch(/Its input turns to IP under it/);
    for (const task of staying) expect(cardOf(task).cautions.join(' ')).not.toMatch(/turns to IP under it/);
  });
  it('says what is looked at, how things are left, and each caution once', () => {
    for (const task of tasks) {
      const { proofs, leaves, cautions, otherwise } = cardOf(task);
      const kind = taskKind(task.kind);
      expect(Object.fromEntries(proofs.map(({ id, says }) => [id, says]))).toEqual(kind.proofs);
      expect([leaves, otherwise]).toEqual([kind.leaves, kind.otherwise ?? []]);
      expect(new Set(cautions).size).toBe(cautions.length);
      for (const caution of kind.cautions) expect(cautions).toContain(caution);
    }
  });
  it('of what is done to no camera looks for no picture', () => {
    const change = taskOfKind('recorder-change');
    const { runId, lines, otherwise } = cardOf(change);
    expect([runId, lines]).toEqual([null, []]);
    expect(otherwise.length).toBeGreaterThan(0);
  });
});
