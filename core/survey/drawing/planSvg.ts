import { viewFigures } from '#core/model/views';
import type { Drawing, Pin, Route, Site, Spot } from '#core/model/site';
import { escaped } from '#core/shared/markup';
import { quantityFor, type Measures } from '#core/shared/units';
import { bandShare, type PaperPlan } from './paperPlan';
import { routeLengthM } from './routeLength';
import { metresPerPixel } from './scale';
import { viewWedge } from './viewWedge';

const [ink, copper, sheet] = ['#1f2d38', '#a8501f', '#ffffff'];
/** A mark's radius on paper, whatever the picture's pixels. */
const radiusMm = 2.1;

/** What everything on one sheet is drawn by: lengths are in pixels of the picture. */
interface Sheet {
  site: Site;
  drawing: Drawing;
  paper: PaperPlan;
  measures: Pick<Measures, 'length'>;
  /** The radius of a mark. */
  u: number;
  metresPerPx: number | null;
}

const px = (value: number): string => value.toFixed(1);
const at = ({ x, y }: Spot): string => `${px(x)} ${px(y)}`;
const textAt = ({ x, y }: Spot, words: string, size: number, more = ''): string =>
  `<text x="${px(x)}" y="${px(y)}" font-size="${px(size)}" ${more}>${escaped(words)}</text>`;

/** About how wide a letter is beside its height. */
const letterShare = 0.52;

/** Words beside a spot, on its right, or on its left where the paper ends before they do. */
function beside({ drawing }: Sheet, { x, y }: Spot, gap: number, words: string, size: number): string {
  const isOver = x + gap + words.length * size * letterShare > drawing.widthPx;
  return isOver
    ? textAt({ x: x - gap, y }, words, size, 'text-anchor="end"')
    : textAt({ x: x + gap, y }, words, size);
}

/** The mark of a thing in units of its radius, by its own shape, so that a plan is read without colours. */
function shapeOf(site: Site, { of }: Pin): string {
  if (of.kind === 'camera') return `<circle r="1" stroke="${copper}"/>`;
  const role = of.kind === 'place' ? site.place[of.id]?.role : undefined;
  if (role === 'head-end') return `<path d="M-1 -1H1V1H-1Z"/><path d="M-.5 -.5H.5V.5H-.5Z" fill="${ink}"/>`;
  if (role === 'closet') return '<path d="M-.9 -.9H.9V.9H-.9Z"/>';
  if (role === 'junction-box') return '<path d="M0 -1L1 0L0 1L-1 0Z"/>';
  if (role === 'area') return '<path d="M-.9 0H.9M0 -.9V.9" fill="none"/>';
  if (of.kind === 'recorder') return '<path d="M-1.1 -.7H1.1V.7H-1.1ZM-.7 0H.2"/>';
  if (of.kind === 'supply') return '<path d="M-1.1 -.7H1.1V.7H-1.1ZM.2 -.4L-.3 .1H.3L-.2 .5"/>';
  return '<path d="M-1.1 -.7H1.1V.7H-1.1Z"/>';
}
const shapeAt = (site: Site, pin: Pin, spot: Spot, radius: number): string =>
  [
    `<g transform="translate(${at(spot)}) scale(${radius.toFixed(2)})"`,
    ` fill="${sheet}" stroke="${ink}" stroke-width="0.16">${shapeOf(site, pin)}</g>`,
  ].join('');

const nameOf = (site: Site, { of }: Pin): string =>
  of.kind === 'camera' ? String(site.camera[of.id]?.number ?? '') : (site[of.kind][of.id]?.name ?? '');

/** A thing's mark and its name: a camera's number stands in it, all else beside. */
function markOf(on: Sheet, pin: Pin): string {
  const { site, u } = on;
  const { x, y } = pin.at;
  const name =
    pin.of.kind === 'camera'
      ? textAt({ x, y: y + u * 0.4 }, nameOf(site, pin), u * 1.15, 'text-anchor="middle"')
      : beside(on, { x, y: y + u * 0.4 }, u * 1.5, nameOf(site, pin), u * 1.4);
  return shapeAt(site, pin, pin.at, u) + name;
}

/** What a camera sees as far as its target; without a scale or a target only which way. */
function wedgeOf({ site, u, metresPerPx }: Sheet, pin: Pin): string {
  const camera = pin.of.kind === 'camera' ? site.camera[pin.of.id] : undefined;
  const seen = camera && viewFigures(camera);
  if (!seen || pin.facesDegrees === undefined) return '';
  const isKnown = metresPerPx !== null && camera.targetM !== undefined;
  const reachPx = isKnown ? camera.targetM! / metresPerPx : 6 * u;
  const points = viewWedge(pin.at, pin.facesDegrees, seen.degrees, reachPx).map(at).join(' ');
  const look = `fill="${copper}" fill-opacity="0.1" stroke="${copper}" stroke-width="${px(u * 0.12)}"`;
  return `<polygon points="${points}" ${look}/>`;
}

/** A route with its name and length at its middle bend. */
function lineOf(on: Sheet, route: Route): string {
  const { drawing, measures, u } = on;
  const lengthM = routeLengthM(route, drawing);
  const middle = route.points[Math.floor(route.points.length / 2)]!;
  const words = lengthM === null ? route.name : `${route.name}, ${quantityFor(lengthM, 'm', measures)}`;
  const points = route.points.map(at).join(' ');
  const line = `<polyline points="${points}" fill="none" stroke="${copper}" stroke-width="${px(u * 0.35)}"/>`;
  return line + beside(on, { x: middle.x, y: middle.y - u * 0.5 }, u * 0.5, words, u * 1.4);
}

const legendWords: Record<string, string> = {
  camera: 'camera',
  'head-end': 'head end',
  closet: 'closet',
  'junction-box': 'junction box',
  area: 'place',
  recorder: 'recorder',
  supply: 'supply box',
  equipment: 'gear',
};

/** What each mark means; only those that stand on the plan are told. */
function legendOf({ site, drawing, u }: Sheet, pins: readonly Pin[], y: number): string[] {
  const byShape = new Map(
    pins.map((pin) => [pin.of.kind === 'place' ? (site.place[pin.of.id]?.role ?? 'area') : pin.of.kind, pin]),
  );
  return [...byShape].map(([shape, pin], index) => {
    const x = (index * drawing.widthPx) / 8 + u * 1.2;
    const words = textAt({ x: x + u * 1.5, y: y + u * 0.4 }, legendWords[shape] ?? shape, u * 1.4);
    return shapeAt(site, pin, { x, y }, u * 0.85) + words;
  });
}

/** A length for the bar under a plan: a round one, about a fifth of the plan’s width. */
function barOf(
  metresPerPx: number,
  widthPx: number,
  length: Measures['length'],
): { px: number; words: string } {
  const unitM = length === 'ft' ? 0.3048 : 1;
  const about = (metresPerPx * widthPx) / 5 / unitM;
  const ten = 10 ** Math.floor(Math.log10(about));
  const round = [5, 2, 1].find((step) => step * ten <= about)! * ten;
  return { px: (round * unitM) / metresPerPx, words: `${Number(round.toPrecision(3))} ${length}` };
}
function barAt({ drawing, measures, u, metresPerPx }: Sheet, y: number): string {
  if (metresPerPx === null) return '';
  const bar = barOf(metresPerPx, drawing.widthPx, measures.length);
  const x = drawing.widthPx * 0.55;
  const way = `M${at({ x, y: y - u })}v${px(u)}h${px(bar.px)}v${px(-u)}`;
  return [
    `<path d="${way}" fill="none" stroke="${ink}" stroke-width="${px(u * 0.16)}"/>`,
    textAt({ x: x + bar.px + u * 0.6, y }, bar.words, u * 1.5),
  ].join('');
}

const scaleWords = ({ paper, metresPerPx }: Sheet): string => {
  if (paper.ratio !== null) return `1 : ${paper.ratio}`;
  // Its bar says it where no ruler does.
  return metresPerPx === null ? 'no scale' : '';
};

/**
 * A drawing as it goes on paper, whole and by itself: its picture, the routes with their lengths, what stands on it, and a band with its
 * name, a bar and a legend.
 * @param picture address of the picture that the drawing shows; a data address where the file is to stand alone
 */
export function planSvg(
  site: Site,
  drawing: Drawing,
  picture: string,
  paper: PaperPlan,
  measures: Pick<Measures, 'length'>,
): string {
  const { widthPx: width, heightPx: height } = drawing;
  const band = width * bandShare;
  const on: Sheet = {
    site,
    drawing,
    paper,
    measures,
    u: (radiusMm * width) / paper.widthMm,
    metresPerPx: metresPerPixel(drawing),
  };
  const pins = Object.values(site.pin).filter(({ drawingId }) => drawingId === drawing.id);
  const routes = Object.values(site.route).filter(({ drawingId }) => drawingId === drawing.id);
  const y = height + band * 0.32;
  const parts = [
    `<image href="${escaped(picture)}" width="${width}" height="${height}"/>`,
    ...pins.map((pin) => wedgeOf(on, pin)),
    ...routes.map((route) => lineOf(on, route)),
    ...pins.map((pin) => markOf(on, pin)),
    textAt({ x: 0, y }, drawing.name, on.u * 2.3, 'font-weight="600"'),
    textAt({ x: width, y }, scaleWords(on), on.u * 1.9, 'text-anchor="end"'),
    barAt(on, y),
    ...legendOf(on, pins, height + band * 0.75),
  ];
  const size = `width="${paper.widthMm.toFixed(2)}mm" height="${paper.heightMm.toFixed(2)}mm"`;
  const box = `viewBox="0 0 ${width} ${px(height + band)}"`;
  const look = `font-family="sans-serif" fill="${ink}"`;
  return `<svg xmlns="http://www.w3.org/2000/svg" ${size} ${box} ${look}>${parts.join('')}</svg>`;
}
