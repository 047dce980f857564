import { describe, expect, it } from 'vitest';
import { evaluateSite, type SiteEvaluation } from '#core/evaluate';
import { applyChanges, removeRunAndCamera, type Camera, type OptionKind, type Site } from '#core/model/site';
import { changesOf, saltmarrowSite } from '../../model/site/testSite';
import { pessimistic } from '#core/test/scenarios';
import type { FeasibleOption, Option } from '.';

const demo = saltmarrowSite();
type Fields = { [K in keyof Camera]?: Camera[K] };
const noting = (of: Record<string, Fields>, site = demo): Site => ({
  ...site,
  camera: Object.fromEntries(
    Object.values(site.camera).map((camera) => [camera.id, { ...camera, ...of[camera.id] }]),
  ),
});
/** The ticket hall's desks: camera 2 could see both, 80° edge to edge, the desk of camera 1 at 6 m. */
const seenFrom = { cameraId: 'c02', acrossDegrees: 80, targetM: 6 };
const needs = { detail: 'observe' as const, lamps: false };
const desks = noting({
  c01: { needs, seenFrom, lamps: 'none' },
  c02: { needs, targetM: 5, lamps: 'none', target: 'fixed-4mp' },
});
const runOf = (site: Site, cameraId: string) =>
  evaluateSite(site).runs.find(({ camera }) => camera.id === cameraId)!;
const optionOf = (site: Site, cameraId = 'c01'): Option =>
  runOf(site, cameraId).options.find(({ kind }) => kind === 'shared-view')!;
const possible = (site: Site): FeasibleOption => {
  const option = optionOf(site);
  if (option.state === 'no') throw new Error(option.why);
  return option;
};
const pixels = ({ margins }: FeasibleOption): number[] =>
  margins.filter(({ kind }) => kind === 'pixels').map(({ value }) => value);
const chosen = (site: Site, options: Record<string, OptionKind>): Site => ({
  ...site,
  choice: Object.fromEntries(
    Object.entries(options).map(([id, option]) => [
      id,
      { id, option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' },
    ]),
  ),
});

describe('one wide camera for two views', () => {
  it('gives each target the pixels that the whole angle leaves a metre there', () => {
    const option = possible(desks);
    // 2560 pixels over 2 · 6 m · tan 40° and 2 · 5 m · tan 40°, by hand: tan 40° = 0.8391.
    const [own, theirs] = pixels(option);
    expect(own).toBeCloseTo(2560 / (12 * 0.8391), 1);
    expect(theirs).toBeCloseTo(2560 / (10 * 0.8391), 1);
    expect(option).toMatchObject({ state: 'holds', seenBy: { cameraId: 'c02', megapixels: 2 } });
    expect(option.signal).toEqual({ kind: 'none' });
    expect(option.darkHours).toBe(0);
    expect(option.parts).toEqual([{ item: 'disposal', count: 1 }]);
  });
  it('fails where the camera is too coarse for one of them, and says of which class it has to be', () => {
    const fine = noting(
      { c01: { needs: { ...needs, detail: 'identify' } }, c02: { target: 'fixed-2mp' } },
      desks,
    );
    const option = possible(fine);
    expect(option.state).toBe('fails');
    expect(option.remedy(option.binding!)).toBe('a class of 4 MP for camera 2');
    const near = { ...seenFrom, targetM: 12 };
    const far = possible(noting({ c01: { needs: { ...needs, detail: 'identify' }, seenFrom: near } }, desks));
    expect(far.remedy(far.binding!)).toMatch(/a narrower angle, or a camera of its own/);
  });
  it('may not hold where it only just does: angle and metres were noted by eye', () => {
    const [, own] = possible(desks).margins;
    expect(own!.under(pessimistic)).toBeCloseTo(1.12 * own!.utilisation, 9);
  });
  it('never simply holds where light is needed by night, nor where no lens is so wide', () => {
    expect(possible(noting({ c02: { needs: { ...needs, lamps: true } } }, desks)).state).toBe('close');
    const wide = possible(noting({ c01: { seenFrom: { ...seenFrom, acrossDegrees: 120 } } }, desks));
    expect(wide).toMatchObject({ state: 'fails', binding: { kind: 'view-angle' } });
  });
  it.each<[string, Site, string]>([
    ['of which nothing is noted', demo, 'not noted'],
    ['whose detail nobody has said', noting({ c01: { needs: {} } }, desks), 'need open'],
    [
      'beside one of which the target is not noted',
      noting({ c02: { targetM: undefined as never } }, desks),
      'target open',
    ],
    ['that turns', noting({ c02: { target: 'turning-4mp' } }, desks), 'turns'],
    [
      'seen by a camera that is on the network',
      noting({ c01: { seenFrom: { ...seenFrom, cameraId: 'c25' } } }, desks),
      'on network',
    ],
  ])('is nothing for a view %s', (_, site, short) =>
    expect(optionOf(site)).toMatchObject({ state: 'no', short }),
  );
  it('is broken while the other camera is not decided, stays as it is, or sees a third view', () => {
    const broken = (of: Record<string, OptionKind>, site = desks): string | null =>
      runOf(chosen(site, { c01: 'shared-view', ...of }), 'c01').choiceBroken;
    expect(broken({})).toMatch(/Camera 2, .* is not decided yet: this view would be lost/);
    expect(broken({ c02: 'keep' })).toMatch(/gets no new IP camera/);
    expect(broken({ c02: 'ip-coax-unit' })).toBeNull();
    const third = noting({ c03: { needs, seenFrom: { ...seenFrom, targetM: 8 } } }, desks);
    expect(broken({ c02: 'ip-coax-unit', c03: 'shared-view' }, third)).toMatch(/the view of camera 3 too/);
  });
  it('is broken where its own coax is to carry a switch: that is wanted before the other picture was proved', () => {
    const gate = noting({
      c23: { needs, lamps: 'none', seenFrom: { cameraId: 'c24', acrossDegrees: 80, targetM: 6 } },
      c24: { needs, lamps: 'none', targetM: 5 },
    });
    const broken = (other: OptionKind): string | null =>
      runOf(chosen(gate, { c23: 'shared-view', c24: other }), 'c23').choiceBroken;
    expect(broken('field-coax')).toMatch(/Camera 24 goes over this camera’s coax/);
    expect(broken('wireless')).toBeNull();
  });
  it('is worked out anew when the camera that could see it changes, wherever that hangs', () => {
    const away = noting(
      { c01: { seenFrom: { ...seenFrom, cameraId: 'c11' } }, c11: { needs, targetM: 5 } },
      desks,
    );
    const before = { site: away, evaluation: evaluateSite(away) };
    const after = noting({ c11: { target: 'fixed-8mp' } }, away);
    const told = ({ runs }: SiteEvaluation): string => {
      const { options, choiceBroken } = runs.find(({ camera }) => camera.id === 'c01')!;
      return JSON.stringify([options, choiceBroken]);
    };
    expect(told(evaluateSite(after, before))).toBe(told(evaluateSite(after)));
    expect(told(evaluateSite(after))).not.toBe(told(before.evaluation));
    const left = chosen(after, { c01: 'shared-view' });
    const now = chosen(after, { c01: 'shared-view', c11: 'ip-coax-unit' });
    expect(told(evaluateSite(now, { site: left, evaluation: evaluateSite(left) }))).toBe(
      told(evaluateSite(now)),
    );
  });
  it('is refused of itself, and forgotten with the camera that goes', () => {
    const own = { ...desks.camera['c01']!, seenFrom: { ...seenFrom, cameraId: 'c01' } };
    expect(applyChanges(desks, [{ kind: 'camera', id: 'c01', set: own }]).kind).toBe('refused');
    const other = { ...desks.camera['c01']!, seenFrom: { ...seenFrom, cameraId: 'c15' } };
    const seen: Site = { ...desks, camera: { ...desks.camera, c01: other } };
    const gone = applyChanges(seen, changesOf(removeRunAndCamera(seen, 'r15')));
    expect(gone.kind === 'sound' && gone.value.site.camera['c01']!.seenFrom).toBeUndefined();
  });
});
