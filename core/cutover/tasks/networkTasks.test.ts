import { describe, expect, it } from 'vitest';
import { addNetworkCamera, withChanges, type Change, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { gearBuildId } from './buildId';
import { builtBefore, networkTasks } from './networkTasks';

const site = saltmarrowSite();
const placeId = (name: string): string => Object.values(site.place).find((one) => one.name === name)!.id;
const quay = placeId('Quay');
const hall = site.recorder['hall-recorder']!.placeId;

const aSwitch = (id: string, at: string): Change => ({
  kind: 'equipment',
  id,
  set: {
    id,
    name: `Switch ${id}`,
    placeId: at,
    gear: { kind: 'switch', ports: 8, poePorts: 8, portWatts: 30, poeWatts: 120, uplinkMbps: 1000 },
    toBuy: 'poe-switch-8',
  },
});
const aLink = (state: 'there' | 'planned'): Change => ({
  kind: 'link',
  id: 'to-quay',
  set: {
    id: 'to-quay',
    name: 'Hall to quay',
    medium: 'fibre',
    state,
    fromPlaceId: hall,
    toPlaceId: quay,
    lengthM: 300,
    carriesMbps: 1000,
  },
});
const tasksIn = (of: Site, builds: string[] = []) => networkTasks(of, [], new Set(builds));
const withThese = (...changes: Change[]): Site => withChanges(site, changes);

describe('what is planned of the network', () => {
  it('is nothing where all of it is there', () => {
    expect(tasksIn(site)).toEqual([]);
    expect(tasksIn(withThese(aLink('there')))).toEqual([]);
  });
  it('is built once for gear of a kind at a place, and not beside the unit of a choice', () => {
    const both = withThese(aSwitch('a', quay), aSwitch('b', quay));
    expect(tasksIn(both)).toMatchObject([{ kind: 'build', of: 'Switch a, Switch b', place: quay }]);
    expect(tasksIn(both, [gearBuildId(both.equipment['a']!)])).toEqual([]);
    expect(tasksIn(withThese(aSwitch('a', quay), aSwitch('b', hall)))).toHaveLength(2);
  });
  it('comes in the order in which it can be done: the link, then what it leads to', () => {
    const all = withThese(aSwitch('a', quay), aLink('planned'));
    const [link, built] = tasksIn(all);
    expect(link).toMatchObject({ kind: 'lay-link', people: 2, needs: [] });
    expect(built!.needs).toEqual([link!.id]);
    expect(builtBefore(all, quay)).toEqual([built!.id, link!.id]);
  });
  it('keeps nobody waiting at the recorders for links that only begin there', () =>
    expect(builtBefore(withThese(aLink('planned')), hall)).toEqual([]));
  it('hangs a camera by two from a lift, permitted first, and proves it after', () => {
    const view = {
      state: 'planned',
      lead: { medium: 'category', lengthM: 30 },
      target: 'fixed-2mp',
    } as const;
    const at = (placeName: string) =>
      tasksIn(withChanges(site, addNetworkCamera(site, { ...view, name: 'New', placeName })));
    const [high, proved] = at('Quay');
    expect(high).toMatchObject({ people: 2, skills: ['cable', 'height'], lift: quay, dark: [] });
    expect(high!.needs).toContain(`permit-${quay}`);
    expect(proved).toMatchObject({ kind: 'dusk-check', needs: [high!.id] });
    const [low] = at('Kiosks');
    expect(low!.minutes.likely).toBeGreaterThan(0);
  });
});
