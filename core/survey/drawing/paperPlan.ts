import { viewFigures } from '#core/model/views';
import type { Drawing, Pin, Site, Spot } from '#core/model/site';
import { quantityFor, type Measures } from '#core/shared/units';
import { routeLengthM } from './routeLength';
import { metresPerPixel } from './scale';
import { viewWedge } from './viewWedge';

/** Papers a plan is put on, lying on their side, with a margin of 12 mm all round. */
export const papers = {
  a4: { label: 'A4', widthMm: 273, heightMm: 186 },
  a3: { label: 'A3', widthMm: 396, heightMm: 273 },
} as const;
export type PaperId = keyof typeof papers;

/** Scales that a ruler or a draughtsman knows. */
const ratios = [
  10, 20, 25, 50, 75, 100, 125, 150, 200, 250, 300, 400, 500, 750, 1000, 1250, 1500, 2000, 2500, 5000,
];
/** The band under the plan for its name, its bar and its legend, as a part of the plan's width. */
const bandShare = 0.085;

export interface PaperPlan {
  /** Drawn at 1 to so much; `null` where the drawing has no scale or fits none, and it fills the paper. */
  ratio: number | null;
  widthMm: number;
  heightMm: number;
}

/** How large a drawing stands on a paper: at the largest scale that a ruler knows and that fits. */
export function onPaper(drawing: Drawing, paper: PaperId): PaperPlan {
  const { widthMm: most, heightMm: highest } = papers[paper];
  const aspect = (drawing.heightPx + bandShare * drawing.widthPx) / drawing.widthPx;
  const fits = (widthMm: number): boolean => widthMm <= most && widthMm * aspect <= highest;
  const metres = metresPerPixel(drawing);
  const realMm = metres === null ? null : metres * drawing.widthPx * 1000;
  const ratio = realMm === null ? undefined : ratios.find((one) => fits(realMm / one));
  const widthMm = realMm !== null && ratio !== undefined ? realMm / ratio : Math.min(most, highest / aspect);
  return { ratio: ratio ?? null, widthMm, heightMm: widthMm * aspect };
}

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);
const at = ({ x, y }: Spot): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

const [ink, copper, sheet] = ['#1f2d38', '#a8501f', '#ffffff'];

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
const nameOf = (site: Site, { of }: Pin): string =>
  of.kind === 'camera' ? String(site.camera[of.id]?.number ?? '') : (site[of.kind][of.id]?.name ?? '');

/** What each mark means; only those that stand on the plan are told. */
const legendOf = (site: Site, pins: readonly Pin[]): { pin: Pin; words: string }[] => {
  const words: Record<string, string> = {
    camera: 'camera',
    'head-end': 'head end',
    closet: 'closet',
    'junction-box': 'junction box',
    area: 'place',
    recorder: 'recorder',
    supply: 'supply box',
    equipment: 'gear',
  };
  const seen = new Map<string, Pin>();
  for (const pin of pins)
    seen.set(pin.of.kind === 'place' ? (site.place[pin.of.id]?.role ?? 'area') : pin.of.kind, pin);
  return [...seen].map(([key, pin]) => ({ pin, words: words[key] ?? key }));
};

/** A length for the bar under a plan: a round one, about a fifth of the plan’s width. */
function barOf(
  metres: number,
  widthPx: number,
  { length }: Pick<Measures, 'length'>,
): { px: number; words: string } {
  const unitM = length === 'ft' ? 0.3048 : 1;
  const about = (metres * widthPx) / 5 / unitM;
  const ten = 10 ** Math.floor(Math.log10(about));
  const round = [5, 2, 1].find((step) => step * ten <= about)! * ten;
  return { px: (round * unitM) / metres, words: `${Number(round.toPrecision(3))} ${length}` };
}

/**
 * A drawing as it goes on paper, whole and by itself: its picture, the routes with their lengths, what stands on it, and a band with its name,
 * a bar and a legend.
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
  // Marks are as large on paper whatever the picture's pixels: a radius of 2.1 mm.
  const u = (2.1 * width) / paper.widthMm;
  const pins = Object.values(site.pin).filter(({ drawingId }) => drawingId === drawing.id);
  const routes = Object.values(site.route).filter(({ drawingId }) => drawingId === drawing.id);
  const metres = metresPerPixel(drawing);
  const text = (x: number, y: number, words: string, size: number, more = ''): string =>
    `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" font-size="${size.toFixed(1)}" ${more}>${escaped(words)}</text>`;

  const wedges = pins.flatMap((pin) => {
    const camera = pin.of.kind === 'camera' ? site.camera[pin.of.id] : undefined;
    const seen = camera && viewFigures(camera);
    if (!seen || pin.facesDegrees === undefined) return [];
    const reachPx = metres === null || camera.targetM === undefined ? 6 * u : camera.targetM / metres;
    const points = viewWedge(pin.at, pin.facesDegrees, seen.degrees, reachPx);
    return [
      `<polygon points="${points.map(at).join(' ')}" fill="${copper}" fill-opacity="0.1" stroke="${copper}" stroke-width="${(u * 0.12).toFixed(1)}"/>`,
    ];
  });
  const lines = routes.map((route) => {
    const lengthM = routeLengthM(route, drawing);
    const middle = route.points[Math.floor(route.points.length / 2)]!;
    const words = lengthM === null ? route.name : `${route.name}, ${quantityFor(lengthM, 'm', measures)}`;
    return `<polyline points="${route.points.map(at).join(' ')}" fill="none" stroke="${copper}" stroke-width="${(u * 0.35).toFixed(1)}"/>${text(middle.x + u * 0.5, middle.y - u * 0.5, words, u * 1.4)}`;
  });
  const marks = pins.map((pin) => {
    const inside = pin.of.kind === 'camera';
    const name = inside
      ? text(pin.at.x, pin.at.y + u * 0.4, nameOf(site, pin), u * 1.15, 'text-anchor="middle"')
      : text(pin.at.x + u * 1.5, pin.at.y + u * 0.4, nameOf(site, pin), u * 1.4);
    return `<g transform="translate(${at(pin.at)}) scale(${u.toFixed(2)})" fill="${sheet}" stroke="${ink}" stroke-width="0.16">${shapeOf(site, pin)}</g>${name}`;
  });

  const line = height + band * 0.32;
  const bar = metres === null ? null : barOf(metres, width, measures);
  const scaleWords =
    paper.ratio === null ? (metres === null ? 'no scale' : 'not to a round scale') : `1 : ${paper.ratio}`;
  const under = [
    text(0, line, drawing.name, u * 2.3, 'font-weight="600"'),
    text(width, line, scaleWords, u * 1.9, 'text-anchor="end"'),
    ...(bar
      ? [
          `<path d="M${at({ x: width * 0.55, y: line - u })}v${u.toFixed(1)}h${bar.px.toFixed(1)}v${(-u).toFixed(1)}" fill="none" stroke="${ink}" stroke-width="${(u * 0.16).toFixed(1)}"/>`,
          text(width * 0.55 + bar.px + u * 0.6, line, bar.words, u * 1.5),
        ]
      : []),
    ...legendOf(site, pins).map(({ pin, words }, index) => {
      const x = (index * width) / 8 + u * 1.2;
      const y = height + band * 0.75;
      return `<g transform="translate(${at({ x, y })}) scale(${(u * 0.85).toFixed(2)})" fill="${sheet}" stroke="${ink}" stroke-width="0.18">${shapeOf(site, pin)}</g>${text(x + u * 1.5, y + u * 0.4, words, u * 1.4)}`;
    }),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${paper.widthMm.toFixed(2)}mm" height="${paper.heightMm.toFixed(2)}mm" viewBox="0 0 ${width} ${(height + band).toFixed(1)}" font-family="sans-serif" fill="${ink}"><image href="${escaped(picture)}" width="${width}" height="${height}"/>${[...wedges, ...lines, ...marks, ...under].join('')}</svg>`;
}
