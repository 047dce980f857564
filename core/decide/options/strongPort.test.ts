import { describe, expect, it } from 'vitest';
import { evaluateRuns } from '#core/decide/runEvaluation';
import { genericProducts } from '#core/model/catalogue';
import type { Equipment, Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import type { Option } from '.';

const demo = saltmarrowUnshared();
/** Camera 20 hangs on category cable; a turning one with a heater asks more of its port than class 4 gives. */
const twenty = demo.camera['c20']!;
const turning: Site = {
  ...demo,
  camera: {
    ...demo.camera,
    c20: { ...twenty, target: 'turning-4mp', needs: { ...twenty.needs, heater: true } },
  },
};
const categoryOption = (site: Site): Option =>
  evaluateRuns(site)
    .find(({ run }) => run.id === 'r20')!
    .options.find(({ kind }) => kind === 'ip-category')!;
const strong = genericProducts.find(({ id }) => id === 'poe-switch-8-strong')!;
const weakOnly: Site = {
  ...turning,
  product: {
    ...turning.product,
    [strong.id]: { ...strong, portWatts: 30 } as (typeof turning.product)[string],
  },
};
const there: Equipment = {
  id: 'yard-switch',
  name: 'Yard switch',
  placeId: demo.run['r20']!.headEndId,
  gear: { kind: 'switch', ports: 8, poePorts: 8, poeWatts: 240, portWatts: 90, uplinkMbps: 1000 },
};

describe('a camera that asks more than 30 W of its port', () => {
  it('can be where a strong switch can be bought', () => {
    const option = categoryOption(turning);
    expect(option.state).not.toBe('no');
    expect(option.state !== 'no' && option.shared!.sourceWatts).toBeGreaterThan(30);
  });
  it('cannot where none gives as much, and the option says so with both figures', () => {
    expect(categoryOption(weakOnly)).toMatchObject({
      state: 'no',
      short: 'no such port',
      why: expect.stringMatching(
        /would have to give .* W; that of the strongest PoE switch gives 30\.0 W/,
      ) as string,
      remedy: expect.stringContaining('a camera of fewer watts') as string,
    });
  });
  it('can again where a strong one stands there already, and not where it stands elsewhere', () => {
    const beside = (equipment: Equipment): Site => ({
      ...weakOnly,
      equipment: { ...weakOnly.equipment, [equipment.id]: equipment },
    });
    expect(categoryOption(beside(there)).state).not.toBe('no');
    expect(categoryOption(beside({ ...there, placeId: 'marshalling' })).state).toBe('no');
  });
});
