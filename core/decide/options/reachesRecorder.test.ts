import { describe, expect, it } from 'vitest';
import { evaluateRuns } from '#core/decide/runEvaluation';
import type { Link, OptionKind, Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';

const demo = saltmarrowUnshared();
const link = (id: string, fromPlaceId: string, toPlaceId: string): Link => ({
  id,
  name: id,
  fromPlaceId,
  toPlaceId,
  medium: 'fibre',
  lengthM: 150,
  carriesMbps: 1000,
  state: 'planned',
});
const linked = (...links: Link[]): Site => ({
  ...demo,
  link: { ...demo.link, ...Object.fromEntries(links.map((one) => [one.id, one])) },
});
/** What an option of a run says of a link that nobody noted. */
function saidOfLink(site: Site, runId: string, kind: OptionKind): string[] {
  const option = evaluateRuns(site)
    .find(({ run }) => run.id === runId)!
    .options.find((one) => one.kind === kind)!;
  if (option.state === 'no') throw new Error(option.why);
  return option.cautions.filter((caution) => caution.startsWith('No link is noted'));
}

describe('an option whose picture enters the network where nothing leads on', () => {
  it('says so: new cable from a closet that no link leaves, whatever it is made of', () => {
    for (const kind of ['fibre', 'new-category'] as const)
      expect(saidOfLink(demo, 'r18', kind)).toEqual([
        'No link is noted from Workshop to a recorder: note the one that is there in Connect, or plan one. What it costs is not in this price.',
      ]);
  });
  it('is content where its own head end has the recorder, or where it puts nothing on the network', () => {
    expect(saidOfLink(demo, 'r18', 'ip-coax-unit')).toEqual([]);
    expect(saidOfLink(demo, 'r18', 'keep')).toEqual([]);
  });
  it('is content with links that lead to a recorder over several places, and not with one that leads elsewhere', () => {
    const toHut = link('to-hut', 'workshop', 'quay-hut');
    expect(saidOfLink(linked(toHut), 'r18', 'fibre')).toHaveLength(1);
    expect(saidOfLink(linked(toHut, link('on', 'marshalling', 'quay-hut')), 'r18', 'fibre')).toEqual([]);
  });
  it('asks for no link while no recorder is noted', () => {
    expect(saidOfLink({ ...demo, recorder: {} }, 'r18', 'fibre')).toEqual([]);
  });
});
