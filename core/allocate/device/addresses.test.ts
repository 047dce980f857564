import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { withChanges, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { allGivenAddresses, givenAddresses } from '.';

const demo = saltmarrowSite();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
/** Cameras on IP on both recorders of one network, none with an address yet; two of them want the same by their numbers' rule. */
const ids = {
  c01: 'hall-recorder',
  c02: 'hall-recorder',
  c08: 'marshalling-recorder',
  c09: 'marshalling-recorder',
};
const site: Site = {
  ...demo,
  networkConfig: {},
  choice: Object.fromEntries(
    Object.keys(ids).map((id) => [id, { id, option: 'ip-coax-unit' as const, ...who }]),
  ),
  placement: Object.fromEntries(
    Object.entries(ids).map(([id, recorderId], k) => [id, { id, recorderId, slot: 17 + k }]),
  ),
};
const { recorders } = evaluateSite(site).allocation;

describe('addresses for all recorders together', () => {
  it('are given to everybody, none of them twice, past those of the recorders', () => {
    const given = withChanges(site, allGivenAddresses(site, recorders)).networkConfig;
    const addresses = Object.values(given).map(({ address }) => address);
    expect(Object.keys(given).sort()).toEqual(Object.keys(ids));
    expect(new Set(addresses).size).toBe(4);
    expect(addresses).not.toContain(demo.recorder['hall-recorder']!.network!.address);
  });
  it('are as those that each recorder gives by itself where nobody wants the same', () =>
    expect(allGivenAddresses(site, recorders)).toEqual(
      recorders.flatMap((recorder) => givenAddresses(site, recorder)),
    ));
  it('are nothing once everybody has one', () => {
    const done = withChanges(site, allGivenAddresses(site, recorders));
    expect(allGivenAddresses(done, evaluateSite(done).allocation.recorders)).toEqual([]);
  });
});
