import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { OptionKind, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { partSheet } from './partSheet';

const demo = saltmarrowSite();
const choosing = (options: Record<string, OptionKind>): Site => ({
  ...demo,
  choice: Object.fromEntries(
    Object.entries(options).map(([id, option]) => [
      id,
      { id, option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' },
    ]),
  ),
});
const at = (site: Site, kind: 'today' | 'after') => networkAt(site, evaluateSite(site), { kind }).topology;

describe('the sheet of a part of the network', () => {
  it('of an injector that is there says what feeds it and what hangs on it', () =>
    expect(partSheet(demo, at(demo, 'today'), { kind: 'device', id: 'office-injector' })).toMatchObject({
      about: 'PoE injector at Marshalling office, there',
      facts: [
        { label: 'Ports', value: '1' },
        { label: 'Gives', value: '15.4 W' },
        { label: 'Fed by', value: 'Office circuit, 8.0 W' },
      ],
      cameras: [{ number: 25, how: 'category cable, 64 m', mbps: 4, watts: 6 }],
    }));
  it('of a recorder counts what comes through others, without the watts of their ports', () => {
    const site = choosing({ c01: 'ip-coax-unit', c02: 'ip-coax-unit' });
    const topology = at(site, 'after');
    const { cameras, links } = partSheet(site, topology, { kind: 'device', id: 'hall-recorder' })!;
    expect(cameras.slice(0, 3)).toMatchObject([
      { number: 1, how: 'on Coax unit, Ticket hall', mbps: 6, watts: 0 },
      { number: 2, how: 'on Coax unit, Ticket hall', mbps: 6, watts: 0 },
      { number: 3, how: expect.stringMatching(/^coax, picture, 58 m/) as string, mbps: 0, watts: 0 },
    ]);
    expect(links.length).toBeGreaterThan(0);
    const over = partSheet(site, topology, { kind: 'link', id: links[0]!.id })!;
    expect(over.cameras.map(({ number }) => number)).toEqual([1, 2]);
    expect(over.facts.map(({ label }) => label)).toEqual(expect.arrayContaining(['From', 'To', 'Carries']));
  });
  it('is none of what is not there at that moment', () =>
    expect(partSheet(demo, at(demo, 'today'), { kind: 'device', id: 'poe-switch-workshop' })).toBeNull());
});
