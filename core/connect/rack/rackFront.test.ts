import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import type { HookUp, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { heatDerivation, rackFront } from '.';

const demo = saltmarrowSite();
const { total } = evaluateSite(demo);
const nothing = { shared: [], recorders: [] };
const mounting = (hookUp: HookUp): Site => ({
  ...demo,
  recorder: { ...demo.recorder, 'hall-recorder': { ...demo.recorder['hall-recorder']!, hookUp } },
});
const front = (site: Site, coming: Parameters<typeof rackFront>[2] = nothing) =>
  rackFront(site, 'hall-rack', coming)!;

describe('the front of a rack', () => {
  it('has what is noted at its unit, and the rest from the top where there is room', () => {
    const { rows, freeUnits, heatWatts, problems } = front(
      mounting({ rackId: 'hall-rack', rackUnits: 2, rackFrom: 11, mainsWatts: 40 }),
    );
    expect(rows.map(({ name, from, to, standing }) => [name, from, to, standing])).toEqual([
      ['Hall recorder', 11, 12, 'noted'],
      ['Hall UPS', 9, 10, 'anywhere'],
    ]);
    expect([freeUnits, heatWatts, problems]).toEqual([8, 40, []]);
  });
  it('says of its heat what it is the sum of, and what is not in it', () => {
    const rack = front(mounting({ rackId: 'hall-rack', rackUnits: 2, rackFrom: 11, mainsWatts: 40 }));
    const { steps, conclusion } = heatDerivation(rack);
    expect(steps[0]!.inputs).toMatchObject([{ name: 'Hall recorder', value: 40 }]);
    expect(steps[0]!.result.value).toBe(40);
    expect(conclusion).toContain('Hall UPS');
  });
  it('shows what is to come where it would fit, and says what does not', () => {
    const { rows } = front(demo, total);
    expect(rows.filter(({ standing }) => standing === 'planned').length).toBeGreaterThan(0);
    const rack = { ...demo.equipment['hall-rack']!, gear: { kind: 'rack' as const, units: 2 } };
    const small = { ...demo, equipment: { ...demo.equipment, 'hall-rack': rack } };
    expect(front(small, total).problems.join()).toMatch(/which is to come, finds 1 free units nowhere/);
  });
  it('names a unit that is noted twice, and gear that stands out of the rack', () => {
    const ups = demo.equipment['hall-ups']!;
    const at = (rackFrom: number): Site => ({
      ...mounting({ rackId: 'hall-rack', rackUnits: 1, rackFrom: 12 }),
      equipment: { ...demo.equipment, 'hall-ups': { ...ups, hookUp: { ...ups.hookUp, rackFrom } } },
    });
    expect(front(at(11)).problems).toEqual(['Unit 12 is noted for Hall recorder and for Hall UPS.']);
    expect(front(at(12)).problems.join()).toMatch(/Hall UPS reaches unit 13; the rack has 12/);
  });
  it('is nothing where there is no rack', () => expect(rackFront(demo, 'hall-ups', nothing)).toBeNull());
});
