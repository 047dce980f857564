import { describe, expect, it } from 'vitest';
import {
  agreeNights,
  answerGate,
  applyChanges,
  beginTask,
  checkGate,
  checkTask,
  endTask,
  lastTries,
  noteTrouble,
  noteViewRule,
  settingTask,
  tickTask,
  withChanges,
  type Change,
  type Site,
} from '.';
import { mergeChanges } from './mergeFacts';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const night = '2026-05-11';
const doing = (clock: string, by = 'B. Quay') => ({ at: `2026-05-11T${clock}:00Z`, by });
const done = (of: Site, ...changes: Change[][]): Site => withChanges(of, changes.flat());
const begun = done(site, beginTask(site, 'swap-c12', night, doing('21:00')));

describe('a task that is tried', () => {
  it('is begun once, and again only after it has ended', () => {
    expect(beginTask(begun, 'swap-c12', night, doing('21:05'))).toEqual([]);
    const back = done(begun, endTask(begun, 'swap-c12', 'put-back', doing('22:00')));
    const again = done(back, beginTask(back, 'swap-c12', '2026-05-12', doing('21:00')));
    expect(Object.keys(again.taskTry)).toEqual(['swap-c12-1', 'swap-c12-2']);
    expect(lastTries(again).get('swap-c12')).toMatchObject({ night: '2026-05-12' });
    expect(endTask(back, 'swap-c12', 'done', doing('22:05'))).toEqual([]);
  });
  it('keeps what was looked at and what is wrong, each until it is taken back', () => {
    const checked = done(begun, checkTask(begun, 'swap-c12', 'records', true));
    const both = done(checked, noteTrouble(checked, 'swap-c12', ' no link '));
    expect(lastTries(both).get('swap-c12')).toMatchObject({ checked: ['records'], trouble: 'no link' });
    const neither = done(both, checkTask(both, 'swap-c12', 'records', false));
    expect(lastTries(done(neither, noteTrouble(neither, 'swap-c12', ''))).get('swap-c12')).toEqual({
      ...lastTries(begun).get('swap-c12'),
      checked: [],
    });
  });
  it('that nobody was timed at is ticked, and the tick taken back', () => {
    const ticked = done(site, tickTask(site, 'pull-c21', night, true, doing('10:00')));
    expect(lastTries(ticked).get('pull-c21')?.ended?.how).toBe('done');
    expect(done(ticked, tickTask(ticked, 'pull-c21', night, false, doing('10:01'))).taskTry).toEqual({});
  });
  it('on two phones: who notes trouble and who ends it do not undo each other', () => {
    const mine = noteTrouble(begun, 'swap-c12', 'lamp flickers');
    const applied = applyChanges(begun, mine);
    if (applied.kind !== 'sound') throw new Error('refused');
    const theirs = done(begun, endTask(begun, 'swap-c12', 'done', doing('22:10', 'R. Tolland')));
    const { changes, clashes } = mergeChanges({ changes: mine, inverse: applied.value.inverse }, theirs);
    expect(clashes).toEqual([]);
    expect(lastTries(done(theirs, changes)).get('swap-c12')).toMatchObject({
      trouble: 'lamp flickers',
      ended: { how: 'done', by: 'R. Tolland' },
    });
  });
});

describe('a gate', () => {
  it('keeps what was found to be so, and who said go on what grounds', () => {
    const checked = done(site, [checkGate(site, night, 'start', 'volts', true)]);
    const said = done(checked, [
      answerGate(checked, night, 'start', { go: true, why: 'wind is under the limit' }, doing('20:55')),
    ]);
    expect(said.gateRecord['2026-05-11-start']).toEqual({
      id: '2026-05-11-start',
      night,
      gate: 'start',
      checked: ['volts'],
      said: { go: true, why: 'wind is under the limit', at: '2026-05-11T20:55:00Z', by: 'B. Quay' },
    });
  });
});

describe('nights, settings and rules', () => {
  const jobs = [{ taskId: 'swap-c12', crewIds: ['tolland', 'quay'] }];
  it('change only the nights that are others', () => {
    const agreed = done(site, agreeNights(site, [{ date: night, jobs }]));
    expect(agreeNights(agreed, [{ date: night, jobs }])).toEqual([]);
    expect(agreeNights(agreed, [{ date: '2026-05-12', jobs }]).map(({ id }) => id)).toEqual([
      night,
      '2026-05-12',
    ]);
  });
  it('are refused with a person whom nobody knows, or under another date', () => {
    const unknown = agreeNights(site, [{ date: night, jobs: [{ taskId: 'swap-c12', crewIds: ['nobody'] }] }]);
    expect(applyChanges(site, unknown)).toMatchObject({ kind: 'refused', problems: [{ value: '"nobody"' }] });
    const elsewhere: Change = {
      kind: 'plannedNight',
      id: night,
      set: { id: night, date: '2026-05-12', jobs },
    };
    expect(applyChanges(site, [elsewhere])).toMatchObject({ kind: 'refused' });
  });
  it('a setting that says nothing any more goes', () => {
    const set = done(site, settingTask(site, 'swap-c12', { date: night }));
    expect(settingTask(set, 'swap-c12', { date: undefined })).toEqual([
      { kind: 'taskSetting', id: 'swap-c12', remove: true },
    ]);
    expect(settingTask(site, 'swap-c12', { date: undefined })).toEqual([]);
  });
  it('a rule has an id of its own', () => {
    const rule = { name: 'Lanes', cameraIds: ['c06', 'c07'], mostDark: 1 };
    const once = done(site, [noteViewRule(site, rule, 'abc')]);
    expect(noteViewRule(once, rule, 'abc').id).not.toBe(noteViewRule(site, rule, 'abc').id);
  });
});
