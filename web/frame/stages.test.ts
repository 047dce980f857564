import { describe, expect, it } from 'vitest';
import { evaluateSite, summaryOf } from '#core/evaluate';
import type { Site } from '#core/model/site';
import { saltmarrowSite } from '../../core/model/site/testSite';
import { progressOf } from './stages';

const demo = saltmarrowSite();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
const progress = (site: Site) => progressOf(summaryOf(evaluateSite(site)), site);
const chosen = (...kept: string[]): Site['choice'] =>
  Object.fromEntries(kept.map((id) => [id, { id, option: 'keep' as const, ...who }]));

describe('what the stages say is left', () => {
  it('of the sign-off counts a view that is to be retired until that was agreed', () => {
    const choice = { ...chosen('c01', 'c02'), c17: { id: 'c17', option: 'retire' as const, ...who } };
    const site = { ...demo, choice, networkCamera: {} };
    const agreed = {
      ...site,
      camera: { ...demo.camera, c17: { ...demo.camera['c17']!, mayGo: true as const } },
    };
    expect(progress(site).signoff).toEqual({ left: '3 to sign', share: 0 });
    expect(progress(agreed).signoff).toEqual({ left: '2 to sign', share: 0 });
    expect(progress({ ...site, choice: {} }).signoff.left).toBe('nothing decided');
  });
  it('of slots counts cameras of the network too: with all of them to place nothing is done, and no less', () => {
    const every = Object.values(demo.camera).map(({ id }) => id);
    const choice = Object.fromEntries(
      every.map((id) => [id, { id, option: 'ip-coax-pair' as const, ...who }]),
    );
    const { allocate, connect } = progress({ ...demo, choice, placement: {} });
    expect(allocate.share).toBeGreaterThanOrEqual(0);
    expect(allocate.share).toBeLessThan(0.2);
    expect(connect.share).toBe(allocate.share);
  });
  it('of a site without runs is nothing yet', () => {
    const bare = { ...demo, run: {}, choice: {}, placement: {}, networkCamera: {}, sheath: {}, mending: {} };
    const { survey, test, connect, cutover } = progress(bare);
    expect([survey, test, connect].map(({ left }) => left)).toEqual(Array(3).fill('nothing noted yet'));
    expect(cutover.left).toBe('to plan');
  });
});
