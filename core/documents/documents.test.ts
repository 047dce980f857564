import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { withChanges, type Site } from '#core/model/site';
import { decidedSaltmarrow } from '../evaluate/testDecided';
import {
  makePaper,
  moneyText,
  paperContext,
  paperCsv,
  paperKinds,
  pdfDefinition,
  picturesIn,
  tablesOf,
  type Paper,
  type PaperId,
  type PaperPictures,
} from '.';

const measures = { length: 'm', gauge: 'mm2' } as const;
const moment = {
  on: '2026-05-04',
  measures,
  clock: {
    now: Date.UTC(2026, 4, 4),
    beginOf: (date: string, time: string) => Date.parse(`${date}T${time}:00Z`),
  },
  pageOf: (runId: string) => `https://localhost/site/x/survey/${runId}`,
};

let site: Site;
let made: Map<string, Paper>;
beforeAll(async () => {
  site = decidedSaltmarrow(await loadHighs());
  const context = paperContext(site, evaluateSite(site), moment);
  made = new Map(paperKinds.map(({ id }) => [id, makePaper(id, context)]));
});

const table = (paper: string, name: string) => tablesOf(made.get(paper)!).find((one) => one.name === name)!;

describe('papers', () => {
  it.each(paperKinds.map(({ id }) => id))('%s says what it rests on, and every row has its columns', (id) => {
    const paper = made.get(id)!;
    expect(paper.restsOn).toContain('25 cameras');
    for (const { headings, rows } of tablesOf(paper))
      for (const row of rows) expect(row).toHaveLength(headings.length);
  });

  it('are plain data: written and read again they are the same', () => {
    for (const paper of made.values()) expect(JSON.parse(JSON.stringify(paper))).toEqual(paper);
  });

  it('have every cable: those that were there, and links and leads of the network', () => {
    const of = (what: string) =>
      table('cables', 'Links and leads').rows.find(([name]) => String(name).startsWith(what))!;
    expect(table('cables', 'Cables').rows).toHaveLength(24);
    expect(of('Hall to office fibre').slice(3)).toEqual(['fibre', 310, 'there']);
    expect(of('25 Kiosk queue')).toEqual([
      '25 Kiosk queue',
      'Office injector, Marshalling office',
      'Kiosks',
      'category cable',
      64,
      'there',
    ]);
    expect(of('Fibre from PoE switch, Workshop').slice(1)).toEqual([
      'PoE switch, Workshop',
      'Field switch, Workshop',
      'fibre',
      70,
      'to be laid',
    ]);
  });

  it('add their sums up', () => {
    const { headings, rows } = table('offer', 'Price');
    expect(headings).toContain('Price [EUR]');
    const prices = rows.map((row) => Number(row.at(-1)));
    expect(prices.slice(0, -1).reduce((sum, price) => sum + price, 0)).toBe(prices.at(-1));
    const views = table('offer', 'Views').rows.map((row) => Number(row.at(-1)));
    expect(views.slice(0, -1).reduce((sum, price) => sum + price, 0)).toBe(views.at(-1));
    expect(views.at(-1)).toBe(prices.at(-1));
    const parts = table('parts', 'Parts').rows.map((row) => Number(row[4]));
    expect(parts.slice(0, -1).reduce((sum, cost) => sum + cost, 0)).toBe(parts.at(-1));
  });

  it('hold everything once in the hand-over', () => {
    const names = tablesOf(made.get('hand-over')!).map(({ name }) => name);
    expect(names).toEqual(expect.arrayContaining(['As built', 'Cables', 'Addresses', 'Acceptance']));
    expect(new Set(names).size).toBe(names.length);
    const serials = tablesOf(made.get('hand-over')!).find(({ name }) => name === 'Serials')!;
    expect(serials.rows.map(([what]) => what)).toContain('8 Weighbridge');
    expect(serials.rows.map(([what]) => what)).not.toContain('Hall recorder');
    // A camera that stays was not bought, and nobody has a warranty on it.
    expect(serials.rows.filter(([what]) => String(what).endsWith('Turnstiles'))).toEqual([]);
    // Whoever runs the site has no need of what it cost whoever built it.
    expect(JSON.stringify(made.get('hand-over')!.blocks)).not.toContain('money');
  });

  it('go to other programs with words that no spreadsheet runs', () => {
    const about = { ...site.camera['c08']!, name: '=1+1' };
    const named = withChanges(site, [{ kind: 'camera', id: 'c08', set: about }]);
    const cables = makePaper('cables', paperContext(named, evaluateSite(named), moment));
    expect(paperCsv(cables)).not.toMatch(/[,\n]=1\+1/);
    expect(paperCsv(cables)).toContain('=1+1');
  });

  it('draw every run, hook-up and rack as lines, and hold them all in the hand-over', () => {
    const drawings = (id: string) =>
      made.get(id)!.blocks.flatMap((block) => (block.kind === 'drawing' ? [block.svg] : []));
    // The drawings of the site, one of all runs, one of each.
    const { drawing, run } = site;
    expect(drawings('survey')).toHaveLength(Object.keys(drawing).length + 1 + Object.keys(run).length);
    // One of each run that is decided, and of each camera that hangs on the network without one.
    expect(drawings('hook-ups').length).toBe(
      Object.values(site.choice).filter(({ id }) => site.run[`r${id.slice(1)}`]).length +
        Object.keys(site.networkCamera).length,
    );
    expect(drawings('racks').length).toBeGreaterThan(0);
    for (const svg of ['survey', 'hook-ups', 'racks'].flatMap(drawings)) {
      expect(svg).not.toMatch(/NaN|undefined|Infinity/);
      expect(svg).toMatch(/^<svg .*<\/svg>$/);
    }
    const pack = drawings('hand-over');
    for (const id of ['survey', 'hook-ups', 'racks'])
      expect(drawings(id).every((svg) => pack.includes(svg))).toBe(true);
  });

  it('hold every drawing of the site with its picture, once in the pack', () => {
    const on = (id: PaperId) =>
      made
        .get(id)!
        .blocks.flatMap((block) => (block.kind === 'drawing' && block.on ? [block.on.fileId] : []));
    const files = Object.values(site.drawing).map(({ fileId }) => fileId);
    expect(files.length).toBeGreaterThan(0);
    expect(on('survey')).toEqual(files);
    expect(on('hand-over')).toEqual(files);
    expect(picturesIn(made.get('hand-over')!)).toEqual(expect.arrayContaining(files));
    const svgs = (pictures: PaperPictures) =>
      JSON.stringify(
        pdfDefinition(made.get('survey')!, { pageSize: 'A4', locale: 'en-GB', measures }, pictures),
      ).match(/<image href=/g) ?? [];
    expect(svgs({ [files[0]!]: 'data:image/png;base64,AA==' })).toHaveLength(1);
    // A picture that is not at hand leaves the lines alone.
    expect(svgs({})).toEqual([]);
  });

  it('say lengths in feet where the reader counts in feet', () => {
    const feet = { ...moment, measures: { length: 'ft', gauge: 'awg' } as const };
    const survey = makePaper('survey', paperContext(site, evaluateSite(site), feet));
    const board = survey.blocks.find((block) => block.kind === 'drawing' && !block.on);
    expect(board?.kind === 'drawing' && board.svg).toContain('1345 ft RG-59 + RG-11');
    const { content } = pdfDefinition(survey, {
      locale: 'en-US',
      pageSize: 'LETTER',
      measures: feet.measures,
    });
    expect(JSON.stringify(content)).not.toMatch(/"\d+ m"/);
  });

  it('give labels to both ends of every run that is decided, each leading to its page', () => {
    const [block] = made.get('labels')!.blocks;
    const items = block?.kind === 'labels' ? block.items : [];
    expect(items.filter(({ title }) => title === '8 Weighbridge').map(({ lines }) => lines[0])).toEqual([
      'head end',
      'camera',
    ]);
    expect(items[0]!.code).toMatch(/^https:\/\/localhost\/site\/x\/survey\/r/);
    // A lead of the network has two ends as well, and no run whose page it could lead to.
    expect(items.filter(({ title }) => title === '25 Kiosk queue')).toEqual([
      {
        title: '25 Kiosk queue',
        lines: ['at Office injector, Marshalling office', 'to Kiosks', expect.stringMatching(/^10\./)],
      },
      {
        title: '25 Kiosk queue',
        lines: ['at Kiosks', 'to Office injector, Marshalling office', expect.stringMatching(/^10\./)],
      },
    ]);
    const { content, footer } = pdfDefinition(made.get('labels')!, {
      locale: 'en-GB',
      pageSize: 'A4',
      measures,
      labelSheet: '40',
    });
    expect([content.length, footer]).toEqual([1, undefined]);
  });

  it('say what is open', () => {
    expect(made.get('sign-off')!.open.join(' ')).toMatch(/\d+ checks are not made/);
  });

  it('are laid out on the paper that is asked for, in the reader’s money', () => {
    const { pageSize, content, footer } = pdfDefinition(made.get('offer')!, {
      locale: 'de-DE',
      pageSize: 'LETTER',
      measures,
    });
    expect(pageSize).toBe('LETTER');
    expect(JSON.stringify(footer!(2, 4))).toContain('2 of 4');
    expect(JSON.stringify(content)).toContain(moneyText(1118, 'EUR', { locale: 'de-DE' }).slice(0, 3));
    expect(moneyText(25961, 'EUR', { locale: 'de-DE' })).toBe('25.961\u00a0€');
  });

  it('keep within the paper: no table is wider', () => {
    for (const pageSize of ['A4', 'LETTER'] as const)
      for (const paper of made.values()) {
        // Sheets of labels are as wide as the sheet.
        if (paper.id === 'labels') continue;
        const { content } = pdfDefinition(paper, { locale: 'en-GB', pageSize, measures });
        const tables = content.flatMap(({ table: of }) =>
          of && typeof (of as { widths: unknown[] }).widths[0] === 'number'
            ? [of as { widths: number[] }]
            : [],
        );
        for (const { widths } of tables) {
          expect(widths.reduce((sum, width) => sum + width + 8, -8)).toBeLessThan(
            pageSize === 'A4' ? 505 : 522,
          );
          expect(Math.min(...widths)).toBeGreaterThan(20);
        }
      }
  });

  it('draw what was read beside what was predicted once something is read', () => {
    const read = withChanges(site, [
      {
        kind: 'acceptanceReading',
        id: 'x',
        set: {
          id: 'x',
          of: { kind: 'camera', id: 'c08' },
          check: 'delivered-watts',
          occasion: 'sign-off',
          found: { kind: 'figure', value: 19.2 },
          at: '2026-05-05T07:00:00Z',
          by: 'K. Ridley',
          instrument: 'load tester',
        },
      },
    ]);
    const paper = makePaper(
      'sign-off',
      paperContext(read, evaluateSite(read), { ...moment, on: '2026-05-06' }),
    );
    const [drawing] = paper.blocks.filter((block) => block.kind === 'drawing');
    expect(drawing).toMatchObject({ caption: expect.stringContaining('Watts that arrive') });
    expect(tablesOf(paper).map(({ name }) => name)).toContain('8 Weighbridge');
  });
});
