import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { applyChanges } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { networkGearRows, newNetworkGear } from '.';

const site = saltmarrowSite();

describe('network gear that is noted', () => {
  it('to buy is as its row of the catalogue says, and every row that is offered can be taken', () => {
    for (const { id } of networkGearRows(catalogueOf(site))) {
      const changes = newNetworkGear(site, {
        name: 'Pole gear',
        placeName: 'Lane pole',
        what: { kind: 'to-buy', productId: id },
      });
      expect(applyChanges(site, changes).kind).not.toBe('refused');
      expect(changes.at(-1)).toMatchObject({ kind: 'equipment', set: { toBuy: id } });
    }
    const what = { kind: 'to-buy', productId: 'poe-switch-8-strong' } as const;
    expect(newNetworkGear(site, { name: 'S', placeName: 'quay', what })).toMatchObject([
      { set: { placeId: 'quay', gear: { kind: 'switch', ports: 8, poeWatts: 240, portWatts: 90 } } },
    ]);
  });
  it('is nothing for a row that is none', () => {
    const what = { kind: 'to-buy', productId: 'balun' } as const;
    expect(newNetworkGear(site, { name: 'S', placeName: 'quay', what })).toEqual([]);
  });
  it('brings a place that is new, and takes the one of that name that is there', () => {
    const what = { kind: 'there', gear: 'link-end' } as const;
    expect(newNetworkGear(site, { name: 'R', placeName: ' QUAY ', what })).toHaveLength(1);
    expect(newNetworkGear(site, { name: 'R', placeName: 'Lane pole', what })[0]).toMatchObject({
      kind: 'place',
      set: { name: 'Lane pole', assumed: true },
    });
  });
});
