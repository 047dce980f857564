import { describe, expect, it } from 'vitest';
import { freedBy } from '#core/connect/freed';
import { offerOf } from '#core/decide/offer';
import { optionKinds, type OptionKind, type Site } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite, migrationOfSite, networkAt, roomAt, signOffOf, tasksNow } from '.';

const demo = saltmarrowSite();
const undecided: Site = { ...demo, choice: {}, placement: {} };

/** What is bought, done, freed, hung and asked on a site, whatever was chosen for a camera that stays undecided in effect. */
function carriedOut(site: Site) {
  const evaluation = evaluateSite(site);
  const { runs, allocation, total } = evaluation;
  const network = networkAt(site, evaluation, { kind: 'after' });
  return {
    total,
    freed: freedBy(site, runs),
    cameras: network.topology.cameras,
    findings: network.findings,
    power: roomAt(site, evaluation, { kind: 'after' }).power,
    slots: allocation.occupied,
    waiting: allocation.waiting,
    steps: migrationOfSite(site, allocation).nights.flatMap(({ steps }) => steps),
    tasks: tasksNow(site, evaluation, null).tasks.map(({ id }) => id),
    price: offerOf(site, runs).gross,
    asked: signOffOf(site, evaluation).things.map(({ of, checks }) => [
      of.id,
      checks.map(({ check }) => check),
    ]),
  };
}

describe('a choice that cannot be carried out', () => {
  const nothing = carriedOut(undecided);
  const { runs } = evaluateSite(undecided);
  /** Of each kind the first camera that cannot have it. */
  const cases = optionKinds.flatMap((kind): [OptionKind, string][] => {
    const run = runs.find(({ optionOf }) => optionOf(kind).state === 'no');
    return run ? [[kind, run.camera.id]] : [];
  });
  it('is there of nearly every kind', () => expect(cases.length).toBeGreaterThan(12));
  it.each(cases)('%s of %s buys, frees, moves and asks nothing, and is named', (option, id) => {
    const choice = { [id]: { id, option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' } };
    const site = { ...undecided, choice };
    expect(carriedOut(site)).toEqual(nothing);
    const { runs: after, left } = evaluateSite(site);
    expect(after.find(({ camera }) => camera.id === id)!.choiceBroken).not.toBeNull();
    expect(left.broken).toBeGreaterThan(0);
  });
});
