import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import type { Camera, Equipment, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { isIp, totalOf, type FeasibleOption, type Option } from '.';

const demo = saltmarrowSite();
const optionOf = (at: Site, cameraId: string, kind: Option['kind'] = 'encode'): Option =>
  evaluateSite(at)
    .runs.find(({ camera }) => camera.id === cameraId)!
    .options.find((option) => option.kind === kind)!;
const feasible = (at: Site, cameraId: string, kind?: Option['kind']): FeasibleOption => {
  const option = optionOf(at, cameraId, kind);
  if (option.state === 'no') throw new Error(option.why);
  return option;
};
const withCamera = (id: string, fields: Partial<Camera>): Site => ({
  ...demo,
  camera: { ...demo.camera, [id]: { ...demo.camera[id]!, ...fields } },
});

/** Composite cameras of the ticket hall’s recorder that may be kept. */
const composite = evaluateSite(demo)
  .runs.filter(({ camera, run }) => camera.worthKeeping !== 'no' && run.headEndId === 'ticket-hall')
  .filter(({ camera }) => camera.format === 'cvbs')
  .map(({ camera }) => camera.id);

describe('a kept camera on an encoder', () => {
  it('holds where the camera holds on its input, in every respect, and by the same figures', () => {
    expect(composite.length).toBeGreaterThan(4);
    for (const id of composite) {
      const [encode, keep] = [feasible(demo, id), feasible(demo, id, 'keep')];
      expect(encode.state).toBe(keep.state);
      expect(encode.margins.map(({ kind, value, utilisation }) => [kind, value, utilisation])).toEqual(
        keep.margins.map(({ kind, value, utilisation }) => [kind, value, utilisation]),
      );
      expect(encode.draws).toEqual(keep.draws);
    }
  });
  it('asks for an IP slot with what the old camera shows, and is still no IP camera', () => {
    const { signal, megapixels, kind } = feasible(demo, composite[0]!);
    expect(signal).toEqual({ kind: 'ip', mbps: 2, megapixels: 0.4 });
    expect(megapixels).toBe(0.4);
    expect(isIp({ kind, signal })).toBe(false);
    expect(totalOf(demo, [feasible(demo, composite[0]!)]).ipCameras).toBe(0);
  });
  it('streams as somebody has said that streams are set', () => {
    const site: Site = {
      ...demo,
      stream: {
        [composite[0]!]: { id: composite[0]!, framesPerSecond: 25, codec: 'h264', activity: 'busy' },
      },
    };
    // By hand: 0.4 MP × 25 a second × 0.17 bits a pixel.
    expect(feasible(site, composite[0]!).signal).toMatchObject({ mbps: expect.closeTo(1.7, 9) as number });
  });
  it('shares whole encoders, those that are there first', () => {
    const options = composite.slice(0, 5).map((id) => feasible(demo, id));
    const partsOf = (at: Site) =>
      totalOf(at, options).shared.flatMap(({ of, placeId, parts }) => [[of, placeId, parts]]);
    // Five inputs: two of 4 at 260 each are less than one of 16 at 780.
    expect(partsOf(demo)).toEqual([['encoder', 'ticket-hall', [{ item: 'encoder-4', count: 2 }]]]);
    expect(totalOf(demo, options).cost).toBe(
      520 + options.reduce((sum, { ownCost, shareCost }) => sum + ownCost + shareCost, 0),
    );
    const there: Equipment = {
      id: 'old-encoder',
      name: 'Encoder',
      placeId: 'ticket-hall',
      gear: { kind: 'encoder', ports: 4, uplinkMbps: 100 },
    };
    const equipped = { ...demo, equipment: { ...demo.equipment, [there.id]: there } };
    expect(partsOf(equipped)).toEqual([['encoder', 'ticket-hall', [{ item: 'encoder-4', count: 1 }]]]);
  });
  it('says what becomes of steering', () => {
    const steered = withCamera(composite[0]!, {
      telemetry: { kind: 'rs485' },
    });
    expect(feasible(steered, composite[0]!).cautions.join(' ')).toMatch(/Steered from the head end today/);
    expect(feasible(demo, composite[0]!).cautions.join(' ')).not.toMatch(/Steered/);
  });
  it.each([
    ['of a camera that is worn out', withCamera(composite[0]!, { worthKeeping: 'no' }), /not worth keeping/],
    ['of an HD picture', withCamera(composite[0]!, { format: 'hd1080' }), /sends an HD picture/],
    [
      'without mains at the head end',
      {
        ...demo,
        place: { ...demo.place, 'ticket-hall': { ...demo.place['ticket-hall']!, mains: false } },
      } as Site,
      /no mains at .* for a video encoder/,
    ],
  ])('is none %s', (_, site, words) => {
    const option = optionOf(site, composite[0]!);
    expect(option.state === 'no' && option.why).toMatch(words);
  });
});
