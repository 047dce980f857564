import { describe, expect, it } from 'vitest';
import { evaluateSite, hookUpOfCamera, hookUpOfRun } from '#core/evaluate';
import {
  hasOwnCamera,
  optionKinds,
  type NetworkCamera,
  type OptionKind,
  type Run,
  type Site,
} from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import type { HookUp, HookUpPair } from '.';

const demo = saltmarrowSite();
const evaluated = evaluateSite(demo);
const choosing = (runId: string, option: OptionKind, over: Partial<Site> = {}): HookUpPair => {
  const { cameraId } = demo.run[runId]!;
  const site: Site = {
    ...demo,
    ...over,
    choice: { [cameraId]: { id: cameraId, option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' } },
  };
  return hookUpOfRun(site, evaluateSite(site), runId, 'awg')!;
};
const withRun = (runId: string, fields: Partial<Run>): HookUp => {
  const site = { ...demo, run: { ...demo.run, [runId]: { ...demo.run[runId]!, ...fields } } };
  return hookUpOfRun(site, evaluateSite(site), runId, 'awg')!.today;
};
const textOf = (hookUp: HookUp): string => JSON.stringify(hookUp);
const namesOf = ({ lines }: HookUp): string[][] =>
  lines.map(({ stations }) => stations.map(({ name }) => name));

describe('a hook-up of today', () => {
  it('runs from the input over every segment and joint to the camera, and from the fused output to its plug', () => {
    for (const { run, camera } of evaluated.runs) {
      const { today } = hookUpOfRun(demo, evaluated, run.id, 'awg')!;
      const [picture, power] = today.lines;
      expect(picture!.carries).toBe('picture');
      expect(picture!.stations[0]).toMatchObject({
        name: demo.recorder[run.patchedTo!.recorderId]!.name,
        where: `input ${run.patchedTo!.input}`,
      });
      expect(picture!.stations.at(-1)!.where).toBe(camera.name);
      const metres = picture!.spans.reduce((sum, { lengthM }) => sum + lengthM, 0);
      expect(metres).toBeCloseTo(
        run.segments.reduce((sum, { lengthM }) => sum + lengthM, 0),
        6,
      );
      expect(power!.carries).toBe('power');
      for (const { stations, spans } of today.lines) expect(stations).toHaveLength(spans.length + 1);
    }
  });
  it('says of DC which conductor is plus and to prove it, and of AC that there is none', () => {
    for (const { run } of evaluated.runs) {
      const { feed } = run;
      const current = feed.kind === 'local-adapter' ? feed.current : demo.supply[feed.supplyId]!.current;
      const words = hookUpOfRun(demo, evaluated, run.id, 'awg')!.today.polarity.join(' ');
      if (current === 'dc')
        expect(words).toMatch(/go out carry plus \(\+\).*common \(−\).*Prove plus with a meter/);
      else expect(words).toMatch(/AC: no plus and no common/);
      expect(/carry plus/.test(words) && /no plus/.test(words)).toBe(false);
    }
  });
  it('says how many cores are joined for out and back, as they are noted', () => {
    const { segments } = demo.run['r08']!;
    const joined = withRun('r08', {
      segments: [
        { ...segments[0]!, leg: { kind: 'cores', cable: 'power-2x18-cu', outCores: 2, backCores: 1 } },
      ],
      feed: { kind: 'along-run', supplyId: 'marshalling-box', output: 3 },
    });
    expect(joined.lines[1]!.spans[0]!.cores).toBe('2 cores joined out, one core back');
  });
  it('says where a lead splits that cameras share, how long and of what it is', () => {
    const { feed } = demo.run['r01']!;
    if (feed.kind === 'local-adapter') throw new Error('an adapter has no output');
    const box = demo.supply[feed.supplyId]!;
    const lead = {
      cable: 'power-2x18-cu' as const,
      lengthM: 60,
      outCores: 1,
      backCores: 1,
      temperatureC: 20,
    };
    const outputs = box.outputs.map((one) => (one.number === feed.output ? { ...one, lead } : one));
    const site = { ...demo, supply: { ...demo.supply, [box.id]: { ...box, outputs } } };
    const { today } = hookUpOfRun(site, evaluateSite(site), 'r01', 'awg')!;
    expect(textOf(today)).toMatch(/splits behind its lead, 60 m of [^"]*18 AWG/);
    expect(today.polarity.join()).toMatch(/every plug of the splitter/);
  });
  it('names no colour that nobody noted', () => {
    for (const { run } of evaluated.runs)
      expect(textOf(hookUpOfRun(demo, evaluated, run.id, 'awg')!.today)).not.toMatch(
        /\b(red|black|blue|brown)\b/i,
      );
  });
  it('has gear that stands in the line at its end', () => {
    const { stations } = withRun('r01', {
      inLine: [
        { kind: 'isolator', at: 'head-end' },
        { kind: 'surge-arrester', at: 'camera' },
      ],
    }).lines[0]!;
    expect([stations[1]!.name, stations.at(-2)!.name]).toEqual(['Isolator', 'Surge arrester']);
  });
  it('says what is not noted', () => {
    const { patchedTo: _, ...without } = demo.run['r01']!;
    const site = { ...demo, run: { ...demo.run, r01: without } };
    const { today } = hookUpOfRun(site, evaluateSite(site), 'r01', 'awg')!;
    expect(today.unknown.join()).toMatch(/Which input of which recorder/);
  });
});

describe('a hook-up when it is done', () => {
  it('there is one of every kind of option that can be on the demo, each with its cautions', () => {
    const seen = new Set<OptionKind>();
    for (const { run, options } of evaluated.runs)
      for (const option of options) {
        if (option.state === 'no' || seen.has(option.kind)) continue;
        seen.add(option.kind);
        const { after } = choosing(run.id, option.kind);
        expect(after!.cautions.length).toBeGreaterThan(0);
        for (const { stations, spans } of after!.lines) expect(stations).toHaveLength(spans.length + 1);
      }
    // A view goes only once somebody has agreed to it, or noted who sees it.
    expect([...seen].sort()).toEqual(optionKinds.filter(hasOwnCamera).sort());
  });
  it('over coax goes from the unit’s port through one converter, and in-line gear that blocks it is gone', () => {
    const site = {
      run: {
        ...demo.run,
        r01: { ...demo.run['r01']!, inLine: [{ kind: 'surge-arrester' as const, at: 'camera' as const }] },
      },
    };
    const plain = choosing('r01', 'ip-coax-unit').after!;
    expect(namesOf(plain)).toEqual([['Coax unit, Ticket hall', 'Coax converter', 'New camera 1']]);
    expect(plain.polarity.join()).toMatch(/centre to centre and shield to shield/);
    // Through an arrester the option cannot be, so there is nothing to connect.
    expect(choosing('r01', 'ip-coax-unit', site).after).toBeNull();
  });
  it('over a pair of converters begins at a PoE port of a switch', () => {
    expect(namesOf(choosing('r01', 'ip-coax-pair').after!)[0]).toEqual([
      'PoE switch, Ticket hall',
      'Coax converter',
      'Coax converter',
      'New camera 1',
    ]);
  });
  it('on an encoder keeps the old line and its power, and adds the stream to a switch', () => {
    const [{ today }, { after }] = [choosing('r01', 'keep'), choosing('r01', 'encode')];
    expect(namesOf(after!)).toEqual([
      ['Encoder, Ticket hall', ...namesOf(today)[0]!.slice(1)],
      ...namesOf(today).slice(1),
      ['Encoder, Ticket hall', 'Switch of the camera network'],
    ]);
    expect(after!.polarity).toEqual(expect.arrayContaining(today.polarity));
  });
  it('over the radio ends in an injector at the camera, never in a port that would feed it', () => {
    const { after } = choosing('r23', 'wireless');
    expect(namesOf(after!)[0]).toEqual(expect.arrayContaining(['Radio', 'PoE injector', 'New camera 23']));
    expect(after!.lines.every(({ carries }) => carries === 'data')).toBe(true);
  });
  it('of a retired camera is only what becomes of its line', () => {
    const camera = { ...demo.camera, c03: { ...demo.camera['c03']!, mayGo: true } };
    const { after } = choosing('r03', 'retire', { camera });
    expect([after!.lines, after!.cautions.join()]).toEqual([[], expect.stringContaining('taken off power')]);
  });
});

describe('a turning camera', () => {
  const today = hookUpOfRun(demo, evaluated, 'r12', 'awg')!.today;
  it('has the pair that steers it, with its settings and conductors in words', () => {
    const bus = today.lines.find(({ carries }) => carries === 'steering')!;
    expect(bus.stations[1]!.terminals).toEqual([
      'protocol 2 of the keyboard, address 3, 2400 baud',
      'ends the bus: resistor on',
    ]);
    expect(bus.spans[0]!.cores).toBe('white A, green B');
    expect(today.polarity.join(' ')).toMatch(/A to A and B to B \(white A, green B\)/);
  });
  it('says what of it nobody has noted, and over coax has no pair', () => {
    const steered = (telemetry: Site['camera'][string]['telemetry']): HookUp => {
      const camera = { ...demo.camera['c12']!, telemetry };
      const site = { ...demo, camera: { ...demo.camera, c12: camera } } as Site;
      return hookUpOfRun(site, evaluateSite(site), 'r12', 'awg')!.today;
    };
    expect(steered({ kind: 'rs485' }).unknown.join(' ')).toMatch(
      /its address, its rate, which conductor is A/,
    );
    const overCoax = steered({ kind: 'coax' });
    expect(overCoax.lines.some(({ carries }) => carries === 'steering')).toBe(false);
    expect(overCoax.polarity.join(' ')).toMatch(/steered over its own coax/);
  });
  it('that becomes another one is steered in another way, and its options say so', () => {
    const { options } = evaluated.runs.find(({ run }) => run.id === 'r12')!;
    const cautions = (kind: OptionKind): string => {
      const option = options.find((one) => one.kind === kind)!;
      return option.state === 'no' ? '' : option.cautions.join(' ');
    };
    expect(cautions('ip-coax-unit')).toMatch(/presets and tours are set anew, over the network/);
    expect(cautions('keep')).not.toMatch(/presets/);
  });
});

describe('a cable that others share', () => {
  it('says whom opening it would darken', () => {
    const { today } = hookUpOfRun(demo, evaluateSite(demo), 'r20', 'awg')!;
    expect(today.cautions.join(' ')).toMatch(
      /Shed cable of the slip and the paint store carries camera 21 on other pairs/,
    );
  });
});

describe('a camera on the network', () => {
  const of = (site: Site, cameraId = 'c25') => hookUpOfCamera(site, evaluateSite(site), cameraId, 'mm2');
  const withCamera = (fields: Partial<NetworkCamera>): Site => ({
    ...demo,
    networkCamera: { c25: { ...demo.networkCamera['c25']!, ...fields } },
  });

  it('hangs on the port that was noted, fed over its lead', () => {
    const { today, after } = of(demo)!;
    expect(namesOf(today!)).toEqual([['Office injector', 'Camera 25']]);
    expect(today!.lines[0]).toMatchObject({
      carries: 'data and power',
      spans: [{ label: 'category cable', lengthM: demo.networkCamera['c25']!.lead.lengthM }],
    });
    expect(today!.lines[0]!.stations[0]!.where).toMatch(/^its port that gives \d+ W$/);
    expect(today!.polarity.join(' ')).toMatch(/same order.*settles its own polarity/);
    expect(today!.cautions.join(' ')).toMatch(/surge protectors at both ends/);
    expect(after!.title).toBe('Camera 25 Kiosk queue, when it is done');
  });
  it('that is a new view has no hook-up of today', () => {
    const { today, after } = of(withCamera({ state: 'planned' }))!;
    expect(today).toBeNull();
    expect(namesOf(after!)[0]!.at(-1)).toBe('New camera 25');
    expect(after!.lines[0]!.stations[0]!.where).toMatch(/^a free port/);
  });
  it('by radio is fed by nothing that is noted, and what is said of masts stands beside it', () => {
    const { today } = of(withCamera({ lead: { medium: 'radio', lengthM: 80 } }))!;
    expect(namesOf(today!)).toEqual([['Office injector', 'Access point', 'Camera 25']]);
    expect(today!.lines[0]!.carries).toBe('data');
    expect(textOf(today!)).not.toMatch(/PoE|mains/);
    expect(today!.unknown.join(' ')).toMatch(/Where its power comes from is not noted/);
    expect(today!.cautions.join(' ')).toMatch(/bonded to earth/);
  });
  it('of which nobody said what it hangs on says so, and one that is none has none', () => {
    const { deviceId: _, ...loose } = demo.networkCamera['c25']!;
    expect(of({ ...demo, networkCamera: { c25: loose } })!.today!.unknown.join(' ')).toMatch(/not noted/);
    expect(of(demo, 'c99')).toBeNull();
  });
  it('of the old site is drawn by its run', () =>
    expect(of(demo, 'c08')).toEqual(hookUpOfRun(demo, evaluated, 'r08', 'mm2')));
});
