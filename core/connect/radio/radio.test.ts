import { describe, expect, it } from 'vitest';
import type { RadioPath, Site } from '#core/model/site';
import type { Derivation } from '#core/shared/derivation';
import type { ForeignTable } from '#core/survey/lists';
import { saltmarrowSite } from '../../model/site/testSite';
import { radioDerivation, radioPicture, scanFromTable } from '.';

const demo = saltmarrowSite();
const path = Object.values(demo.radioPath)[0]!;
const picture = (over: Partial<RadioPath> = {}, site: Site = demo) =>
  radioPicture(site, { ...path, ...over });

describe('the picture of a radio path', () => {
  it('has loss, level and room for the beam by the published formulas', () => {
    const { lossDb, receivedDbm, clearance, channels } = picture();
    const { frequencyMHz } = channels[0]!;
    // 480 m: 92.45 + 20 log10(0.48 km) + 20 log10(GHz), and 27 dBm EIRP with 14 dB of gain.
    expect(lossDb).toBeCloseTo(92.45 + 20 * Math.log10(0.48) + 20 * Math.log10(frequencyMHz / 1000), 1);
    expect(receivedDbm).toBeCloseTo(27 + 14 - lossDb, 6);
    // The first Fresnel zone half way is 8.66 × √(km ÷ GHz) metres.
    expect(clearance.needM).toBeCloseTo(0.6 * 8.66 * Math.sqrt(0.48 / (frequencyMHz / 1000)), 2);
    expect(clearance.haveM).toBe(3.5);
  });
  it('ranks a quiet channel at 5 GHz before the crowded ones at 2.4', () => {
    const { channels } = picture();
    const fast = channels.filter(({ band }) => band === '5');
    const crowded = channels.filter(({ band }) => band === '2.4');
    expect(fast[0]!.overDb - crowded[0]!.overDb).toBeGreaterThan(20);
    fast.slice(1).forEach(({ overDb, radarWaitS }, before) => {
      const higher = fast[before]!;
      // Of channels alike the one that waits less comes first; some tenths are the way’s loss at a higher frequency.
      expect(overDb).toBeLessThan(higher.overDb + 0.5);
      if (Math.abs(overDb - higher.overDb) < 0.5)
        expect(radarWaitS).toBeGreaterThanOrEqual(higher.radarWaitS);
    });
    expect(crowded.map(({ mbps }) => mbps)).toEqual([0, 0, 0]);
  });
  it('gives each radio at a mast a channel of its own, apart from the others, and says where there is none left', () => {
    const among = (count: number): ReturnType<typeof picture>[] => {
      const paths = Array.from({ length: count }, (_, k): RadioPath => ({ ...path, id: `path-${10 + k}` }));
      const site = { ...demo, radioPath: Object.fromEntries(paths.map((one) => [one.id, one])) };
      return paths.map((one) => radioPicture(site, one));
    };
    const own = (of: ReturnType<typeof picture>): number =>
      of.channels.find(({ band, isOwn }) => band === '5' && isOwn)!.frequencyMHz;
    const [first, second] = among(2).map(own);
    expect(first).toBe(picture().channels[0]!.frequencyMHz);
    expect(Math.abs(first! - second!)).toBeGreaterThanOrEqual(40);
    expect(
      among(2)
        .flatMap(({ open }) => open)
        .join(),
    ).not.toMatch(/same channel/);
    const all = picture().channels.filter(({ band }) => band === '5').length;
    const crowd = among(all + 1);
    expect(new Set(crowd.map(own)).size).toBe(all);
    expect(crowd.at(-1)!.open.join()).toMatch(/Another radio of this site at .* the same channel/);
    // Far from each other they may have the same one.
    const apart = { ...path, id: 'other', fromPlaceId: 'quay-hut', toPlaceId: 'workshop' };
    const site = { ...demo, radioPath: { [path.id]: path, other: apart } };
    expect(own(radioPicture(site, apart))).toBe(own(picture()));
  });
  it('a wide neighbour at the far end reaches into the channels beside its own', () => {
    const wide = picture({ heardFar: [{ channel: 106, levelDbm: -40, widthMHz: 80 }] });
    const over = (of: ReturnType<typeof picture>, channel: number): number =>
      of.channels.find((one) => one.channel === channel)!.overDb;
    expect(over(picture({ heardFar: [] }), 104) - over(wide, 104)).toBeGreaterThan(20);
    expect(over(wide, 132)).toBeCloseTo(over(picture({ heardFar: [] }), 132), 6);
  });
  it('shares its air among all cameras of the place', () => {
    const { airtime, cameras, channels } = picture();
    expect(cameras).toBe(2);
    expect(airtime.most).toBe(channels[0]!.mbps);
    expect(airtime.used).toBe(12);
  });
  it('says what nobody has noted', () => {
    const { region: _, heardFar: _far, clearanceM: _room, ...bare } = path;
    const { open, heard } = radioPicture(demo, { ...bare, heard: [], sight: 'partly' });
    expect(open).toHaveLength(5);
    expect(heard).toEqual({ near: null, far: null });
    expect(picture().open).toEqual([]);
  });
});

describe('why a radio path carries so much', () => {
  const valueOf = (derivation: Derivation, step: number, name: string): number =>
    derivation.steps[step]!.inputs.find((one) => one.name === name)!.value!;
  it('adds up from what is sent to what is left over noise, and to the rate that the picture shows', () => {
    const why = radioDerivation(demo, path.id, 'rate')!;
    const over = valueOf(why, 0, 'sent') - valueOf(why, 0, 'free space') + valueOf(why, 0, 'gain');
    expect(why.steps[0]!.result.value).toBeCloseTo(over - valueOf(why, 0, 'noise and neighbours'), 6);
    expect(valueOf(why, 2, 'link carries')).toBe(picture().airtime.most);
    expect(why.steps[2]!.result.value).toBe(picture().airtime.used);
    expect(why.conclusion).toBe('Carries the cameras of this place together.');
  });
  it('says so where an end was not listened at, and where it does not carry them', () => {
    const { heardFar: _, ...unheard } = path;
    const at = (set: RadioPath): Site => ({ ...demo, radioPath: { [path.id]: set } });
    expect(radioDerivation(at(unheard), path.id, 'rate')!.conclusion).toMatch(/if Ticket hall hears no more/);
    const hidden = radioDerivation(at({ ...path, sight: 'partly' }), path.id, 'rate')!;
    expect(hidden.steps[0]!.inputs.map(({ name }) => name)).toContain('in the way');
    const far = radioDerivation(at({ ...path, distanceM: 9000 }), path.id, 'rate')!;
    expect(far.conclusion).toBe('Does not carry the cameras of this place together.');
  });
  it('has the room for the beam only where it was measured', () => {
    const { clearance } = picture();
    expect(radioDerivation(demo, path.id, 'beam')!.steps[0]!.result.value).toBe(clearance.needM);
    const { clearanceM: _, ...unmeasured } = path;
    expect(radioDerivation({ ...demo, radioPath: { [path.id]: unmeasured } }, path.id, 'beam')).toBeNull();
    expect(radioDerivation(demo, 'nowhere', 'rate')).toBeNull();
  });
});

const table = (headings: string[], ...rows: (string | number)[][]): ForeignTable => ({
  headings,
  rows: rows.map((cells, index) => ({ line: index + 2, cells })),
});

describe('a scan file', () => {
  it('is read by what its columns are called, with units and typographic minus', () =>
    expect(
      scanFromTable(
        table(['Name', 'Ch', 'Signal (dBm)', 'Width'], ['a', 6, '−61 dBm', ''], ['b', '36', -70, '80 MHz']),
      ),
    ).toEqual({
      kind: 'heard',
      heard: [
        { channel: 6, levelDbm: -61 },
        { channel: 36, levelDbm: -70, widthMHz: 80 },
      ],
      unread: ['Name'],
    }));
  it.each([
    [
      'without a level',
      table(['channel', 'name'], [6, 'a']),
      /No column tells the level in dBm.*“channel”, “name”/,
    ],
    ['with a channel that is none', table(['channel', 'level'], [300, -60]), /Line 2: “300” is no channel/],
    ['with a level above zero', table(['channel', 'level'], [6, -60], [6, 61]), /Line 3: “61” is no level/],
    ['with a width that is none', table(['channel', 'level', 'width'], [6, -60, 25]), /25 MHz is no width/],
  ])('%s is refused whole, in words', (_, foreign, words) => {
    const scan = scanFromTable(foreign);
    expect(scan.kind === 'refused' && scan.why.join(' ')).toMatch(words);
  });
});
