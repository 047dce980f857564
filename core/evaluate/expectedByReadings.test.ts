import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { offerOf } from '#core/decide/offer';
import { catalogueOf } from '#core/model/catalogue';
import {
  readForAcceptance,
  withChanges,
  type AcceptanceCheckId,
  type Change,
  type ProductOf,
  type Site,
} from '#core/model/site';
import { evaluateSite } from './evaluateSite';
import { doubtfulChoices, expectedByReadings } from './expectedByReadings';
import { signOffOf } from './signOffOf';
import { decidedSaltmarrow } from './testDecided';

/** The demo with its best plan, where four runs come off one reel. */
let site: Site;
beforeAll(async () => {
  const decided = decidedSaltmarrow(await loadHighs());
  const ofReel = ['r08', 'r14', 'r23', 'r24'].map((id): Change => {
    const run = decided.run[id]!;
    return {
      kind: 'run',
      id,
      set: { ...run, segments: run.segments.map((segment) => ({ ...segment, reel: 'R-7' })) },
    };
  });
  site = withChanges(decided, ofReel);
});

/** The same once somebody has read a figure of some cameras. */
function read(of: Site, check: AcceptanceCheckId, value: number, ...cameraIds: string[]): Site {
  const { things } = signOffOf(of, evaluateSite(of));
  const readings = cameraIds.map((id) => {
    const thing = things.find((one) => one.of.id === id)!;
    return readForAcceptance(
      { of: thing.of, check, found: { kind: 'figure', value }, instrument: 'meter' },
      { at: '2026-05-05T07:30:00Z', by: 'K. Ridley' },
      'first',
    );
  });
  return withChanges(of, readings);
}
const slowLinks = (): Site => read(site, 'throughput', 30, 'c23', 'c24');
const learned = (of: Site, runId: string) => {
  const evaluation = evaluateSite(of);
  const chosen = evaluation.runs.find(({ run }) => run.id === runId)!.chosen!;
  return expectedByReadings(of, evaluation, signOffOf(of, evaluation).agreement, runId, chosen);
};

describe('what readings of other runs say of an option', () => {
  it('is nothing while nobody has read any', () => expect(learned(site, 'r08')).toEqual([]));
  it('moves figures that rest on what those are off by together, with an interval that holds them', () => {
    const [rate, ...more] = learned(slowLinks(), 'r08');
    expect(more).toEqual([]);
    expect(rate!.unit).toBe('Mb/s');
    expect(rate!.now.value).toBeLessThan(0.97 * rate!.before.value);
    expect(rate!.now.low).toBeLessThanOrEqual(rate!.now.value);
    expect(rate!.now.high).toBeGreaterThanOrEqual(rate!.now.value);
    expect(rate!.difference.kin).toEqual({ by: 'reel', name: 'R-7' });
  });
  it('is the figure that the sign-off expects of the same camera', () => {
    const poor = slowLinks();
    const toCome = signOffOf(poor, evaluateSite(poor)).agreement.differences.flatMap((one) => one.toCome);
    const ofSignOff = toCome.find(({ cameraId }) => cameraId === 'c08')!;
    expect(learned(poor, 'r08')[0]!.now.value).toBeCloseTo(ofSignOff.now.value, 9);
  });
  it('leaves alone what was read itself, and what has nothing in common with it', () => {
    expect(learned(slowLinks(), 'r23')).toEqual([]);
    expect(learned(slowLinks(), 'r01')).toEqual([]);
  });
  it('stands on the offer where it leaves a choice in doubt, and only there', () => {
    const doubts = (of: Site) => {
      const evaluation = evaluateSite(of);
      return doubtfulChoices(of, evaluation, signOffOf(of, evaluation).agreement);
    };
    expect(doubts(site)).toEqual([]);
    // Cameras that need most of what arrives; two links that give half of what was thought leave the third in doubt.
    const camera = catalogueOf(site).products.get('ip-fixed-4mp') as ProductOf<'camera'>;
    const hungry = withChanges(site, [{ kind: 'product', id: camera.id, set: { ...camera, watts: 14 } }]);
    expect(doubts(hungry)).toEqual([]);
    const poor = read(read(hungry, 'delivered-watts', 14, 'c23'), 'delivered-watts', 9, 'c14');
    const said = doubts(poor);
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(
      /^Camera 24: .*: now expected at .* W .*, before 21\.4 W, because cameras 14 and 23 from the reel R-7 read \d+ % below what was predicted\. It (holds by the middle of it|does not hold by it)\.$/,
    );
    const { premises } = offerOf(poor, evaluateSite(poor).runs, said);
    expect(premises.at(-1)).toEqual({ kind: 'margin', message: said[0] });
  });
});
