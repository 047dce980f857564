import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { metresPerPixel, onPaper, papers, planLists, planSvg, type PaperId } from '.';

const site = saltmarrowSite();
const drawings = Object.values(site.drawing);
const metric = { length: 'm' } as const;

describe('onPaper', () => {
  it('is to a scale that a ruler knows, and fits', () => {
    for (const drawing of drawings)
      for (const paper of Object.keys(papers) as PaperId[]) {
        const { ratio, widthMm, heightMm } = onPaper(drawing, paper);
        expect(widthMm).toBeLessThanOrEqual(papers[paper].widthMm);
        expect(heightMm).toBeLessThanOrEqual(papers[paper].heightMm);
        // A metre of the site is a thousand millimetres over the ratio.
        const metres = metresPerPixel(drawing)! * drawing.widthPx;
        expect(widthMm).toBeCloseTo((metres * 1000) / ratio!, 6);
      }
  });
  it('the next larger scale would not fit', () => {
    const hall = drawings[0]!;
    const { widthMm, heightMm, ratio } = onPaper(hall, 'a4');
    const larger = ratio! / 1.25;
    expect(
      (widthMm * ratio!) / larger > papers.a4.widthMm || (heightMm * ratio!) / larger > papers.a4.heightMm,
    ).toBe(true);
  });
  it('without a scale fills the paper and says no ratio', () => {
    const { scale: _, ...bare } = drawings[0]!;
    const { ratio, widthMm, heightMm } = onPaper(bare, 'a4');
    expect(ratio).toBeNull();
    expect(Math.max(widthMm / papers.a4.widthMm, heightMm / papers.a4.heightMm)).toBeCloseTo(1, 6);
  });
});

describe('planSvg', () => {
  const drawing = drawings[0]!;
  const on = onPaper(drawing, 'a4');
  const svg = planSvg(site, drawing, '/picture?a=1&b=2', on, metric);
  it('shows every mark and route of its drawing, and none of others', () => {
    const pins = Object.values(site.pin).filter(({ drawingId }) => drawingId === drawing.id);
    for (const { of } of pins)
      if (of.kind === 'camera') expect(svg).toContain(`>${site.camera[of.id]!.number}</text>`);
    for (const { name, drawingId } of Object.values(site.route))
      expect(svg.includes(`>${name}, `)).toBe(drawingId === drawing.id);
  });
  it('says its scale, with a bar that is as long as it says', () => {
    expect(svg).toContain(`1 : ${on.ratio}`);
    const [, px] = /v[\d.]+h([\d.]+)v-/.exec(svg)!;
    const [, metres] = />(\d+) m<\/text>/.exec(svg.slice(svg.indexOf('v-')))!;
    expect(Number(px) * metresPerPixel(drawing)!).toBeCloseTo(Number(metres), 0);
  });
  it('lets no name break out of it', () => {
    const evil = { ...drawing, name: '"><script>alert(1)</script>' };
    expect(planSvg(site, evil, 'x', on, metric)).not.toContain('<script>');
    expect(svg).toContain('/picture?a=1&amp;b=2');
  });
});

it('lists the cameras on a drawing with their runs, and who follows each route', () => {
  const [cameras, routes] = planLists(site, drawings[0]!, metric);
  expect(cameras!.rows.every((row) => row.length === cameras!.columns.length)).toBe(true);
  const numbers = cameras!.rows.map(([number]) => Number(number));
  expect(numbers).toEqual([...numbers].sort((a, b) => a - b));
  const followed = Object.values(site.run).filter(({ segments }) =>
    segments.some(({ routeIds }) => routeIds),
  );
  if (followed.length > 0) expect(routes?.rows.some(([, , runs]) => runs !== 'none')).toBe(true);
  const [route] = Object.values(site.route).filter(({ drawingId }) => drawingId === drawings[0]!.id);
  const link = { ...site.link['hall-office-fibre']!, routeIds: [route!.id] };
  const withLink = planLists({ ...site, link: { [link.id]: link } }, drawings[0]!, metric)[1]!;
  expect(withLink.rows.find(([name]) => name === route!.name)![2]).toContain(link.name);
});
