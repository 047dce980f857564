import { describe, expect, it } from 'vitest';
import { freedBy } from '#core/connect/freed';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { OptionKind, Reading, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { totalOf, type FeasibleOption, type Option } from '.';

const demo = saltmarrowSite();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
/** Cameras 23 and 24 hang at the gatehouse, each at the end of a coax of its own. */
const gate = ['c23', 'c24'];
const optionOf = (at: Site, cameraId: string): Option =>
  evaluateSite(at)
    .runs.find(({ camera }) => camera.id === cameraId)!
    .options.find(({ kind }) => kind === 'field-coax')!;
const feasible = (at: Site, cameraId: string): FeasibleOption => {
  const option = optionOf(at, cameraId);
  if (option.state === 'no') throw new Error(option.why);
  return option;
};
const tested = (runId: string, throughputMbps: number): Reading =>
  ({
    id: `link-${runId}`,
    runId,
    test: 'link',
    throughputMbps,
    deliveredWatts: 12,
    lossPercent: 0,
    ...who,
    instrument: 'link tester',
  }) as unknown as Reading;
const withLinks = (of: Record<string, number>): Site => ({
  ...demo,
  reading: {
    ...demo.reading,
    ...Object.fromEntries(Object.entries(of).map(([runId, mbps]) => [`link-${runId}`, tested(runId, mbps)])),
  },
});
const rate = ({ margins }: FeasibleOption) => margins.find(({ kind }) => kind === 'link-rate')!;

describe('a field switch on one old coax', () => {
  it('takes the coax that carries most for every camera of the place, and holds it against all they stream', () => {
    const site = withLinks({ r23: 40, r24: 60 });
    const options = gate.map((id) => feasible(site, id));
    expect(options.map(({ onCoaxOf }) => onCoaxOf)).toEqual(['c24', 'c24']);
    const together = evaluateSite(site)
      .runs.filter(({ camera }) => gate.includes(camera.id))
      .map(({ options: all }) => all.find(({ kind }) => kind === 'new-category' || kind === 'ip-coax-pair'))
      .reduce(
        (sum, one) => sum + (one?.state !== 'no' && one?.signal.kind === 'ip' ? one.signal.mbps : 0),
        0,
      );
    for (const option of options) {
      expect(rate(option)).toMatchObject({ value: 60, basis: 'measured' });
      expect(rate(option).utilisation).toBeCloseTo(together / 60, 9);
    }
    expect(options[0]!.message).toMatch(/the coax of camera 24/);
    expect(options[1]!.message).toMatch(/its own coax/);
  });
  it('fails where the coax carries one camera and not all of them', () => {
    const poor = withLinks({ r23: 7, r24: 7 });
    expect(feasible(poor, 'c23').state).toBe('fails');
    expect(feasible(poor, 'c23').remedy(rate(feasible(poor, 'c23')))).toMatch(/streams of at most 7/);
  });
  it('has its converters once, whoever shares them, with one port at the head end', () => {
    const options = gate.map((id) => feasible(demo, id));
    const { parts, shared } = totalOf(demo, options);
    expect(parts.find(({ item }) => item === 'coax-converter')).toEqual({ item: 'coax-converter', count: 2 });
    expect(shared.map(({ of, placeId, ports }) => [of, placeId, ports])).toEqual([
      ['poe-switch', 'gatehouse', 2],
      ['poe-switch', 'ticket-hall', 1],
    ]);
  });
  it.each([['mains at the place', { mains: false }, /no mains at Gatehouse for a switch/]])(
    'cannot be without %s',
    (_, fields, words) => {
      const gatehouse = { ...demo.place['gatehouse']!, ...fields };
      const option = optionOf({ ...demo, place: { ...demo.place, gatehouse } }, 'c23');
      expect(option.state === 'no' && option.why).toMatch(words);
    },
  );
  it('has leads of the fire class that its place asks for', () => {
    const gatehouse = { ...demo.place['gatehouse']!, fireClass: 'plenum' as const };
    const { parts } = feasible({ ...demo, place: { ...demo.place, gatehouse } }, 'c23');
    expect(parts).toContainEqual({ item: 'category-cable-plenum-m', count: 10 });
  });
  it('is none where the coax ends at the place itself', () => {
    const option = optionOf(demo, 'c01');
    expect(option.state === 'no' && option.why).toMatch(/ends at Ticket hall itself/);
  });
  it('leaves out a coax that blocks data, and is none where no other is left', () => {
    const blocked = (...ids: string[]): Site => ({
      ...demo,
      run: {
        ...demo.run,
        ...Object.fromEntries(
          ids.map((id) => [
            id,
            { ...demo.run[id]!, inLine: [{ kind: 'amplifier' as const, at: 'camera' as const }] },
          ]),
        ),
      },
    });
    expect(feasible(blocked('r23'), 'c23').onCoaxOf).toBe('c24');
    expect(feasible(blocked('r24'), 'c24').onCoaxOf).toBe('c23');
    const option = optionOf(blocked('r23', 'r24'), 'c23');
    expect(option.state === 'no' && option.why).toMatch(/No old coax between Ticket hall and Gatehouse/);
  });
});

describe('the network of a field switch on an old coax', () => {
  const site = withLinks({ r23: 40, r24: 60 });
  const chosen = (kinds: Record<string, OptionKind>): Site => ({
    ...site,
    choice: Object.fromEntries(Object.entries(kinds).map(([id, option]) => [id, { id, option, ...who }])),
    placement: Object.fromEntries(
      Object.keys(kinds).map((id, at) => [id, { id, recorderId: 'hall-recorder', slot: 17 + at }]),
    ),
  });
  const after = (at: Site) => networkAt(at, evaluateSite(at), { kind: 'after' });
  it('leads over the coax to the switch, and darkens all of them with it', () => {
    const { topology, failures, links, findings } = after(chosen({ c23: 'field-coax', c24: 'field-coax' }));
    const way = topology.links.find(({ medium }) => medium === 'coax-converters')!;
    expect(way.carriesMbps).toBe(60);
    expect(failures.find(({ of }) => of.id === way.id)!.cameraIds.sort()).toEqual(gate);
    expect(links.find(({ linkId }) => linkId === way.id)!.load.used).toBeGreaterThan(0);
    expect(findings.filter(({ kind }) => kind === 'coax-taken')).toEqual([]);
  });
  it('keeps that coax in use and frees the others', () => {
    const both = chosen({ c23: 'field-coax', c24: 'field-coax' });
    const { runs, coaxKeptM } = evaluateSite(both);
    const lengthOf = (id: string) => runs.find(({ camera }) => camera.id === id)!.lengthM;
    expect(coaxKeptM).toBeCloseTo(lengthOf('c24'), 9);
    expect(freedBy(both, runs).coaxM).toBeCloseTo(lengthOf('c23'), 9);
  });
  it('says who still hangs on that coax', () => {
    const { findings } = after(chosen({ c23: 'field-coax', c24: 'keep' }));
    expect(findings.filter(({ kind }) => kind === 'coax-taken')).toMatchObject([
      { message: expect.stringMatching(/^Camera 24 still hangs on its coax.*camera 23/) as string },
    ]);
  });
});
