import { SaxesParser, type SaxesTagPlain } from 'saxes';

/** A drawing that can do nothing but be looked at, with what was left out of it; or why it is none. */
export type CleanSvg =
  | { kind: 'clean'; svg: string; widthPx: number; heightPx: number; leftOut: string[] }
  | { kind: 'refused'; why: string };

const mostElements = 200_000;
/** Nobody draws groups in groups so deep; whoever walks them step by step is safe. */
const mostDepth = 200;

const elements = new Set([
  'svg',
  'g',
  'defs',
  'title',
  'desc',
  'path',
  'rect',
  'circle',
  'ellipse',
  'line',
  'polyline',
  'polygon',
  'text',
  'tspan',
  'symbol',
  'use',
  'clipPath',
  'mask',
  'linearGradient',
  'radialGradient',
  'stop',
  'pattern',
  'marker',
  'image',
  'style',
]);
/** Kept for what is in them. */
const unwrapped = new Set(['a', 'switch']);

const attributes = new Set(
  `
  id class style x y x1 y1 x2 y2 cx cy r rx ry d points transform width height viewBox preserveAspectRatio dx dy rotate href xlink:href xml:space version
  fill fill-opacity fill-rule stroke stroke-width stroke-opacity stroke-linecap stroke-linejoin
  stroke-miterlimit stroke-dasharray stroke-dashoffset opacity color display visibility overflow
  vector-effect paint-order
  font-family font-size font-weight font-style font-variant font-stretch text-anchor letter-spacing
  word-spacing dominant-baseline baseline-shift text-decoration textLength lengthAdjust
  clip-path clip-rule clipPathUnits mask maskUnits maskContentUnits marker marker-start marker-mid
  marker-end markerWidth markerHeight markerUnits refX refY orient
  offset stop-color stop-opacity gradientUnits gradientTransform spreadMethod fx fy patternUnits
  patternContentUnits patternTransform shape-rendering text-rendering image-rendering
`
    .trim()
    .split(/\s+/),
);

interface Element {
  name: string;
  attributes: Record<string, string>;
  children: (Element | string)[];
}

/** Styles may point at things in the drawing itself and nowhere else. */
const isHarmlessStyle = (text: string): boolean =>
  !/[@\\]|expression|javascript:|image-set|cross-fade|(image|src|element|paint)\s*\(/i.test(text) &&
  [...text.matchAll(/url\s*\(([^)]*)/gi)].every(([, target]) => /^\s*["']?#/.test(target ?? ''));

const isHarmlessLink = (element: string, value: string): boolean =>
  /^#/.test(value) || (element === 'image' && /^data:image\/(png|jpeg);base64,[a-z0-9+/=\s]+$/i.test(value));

function cleanAttributes(
  { name, attributes: given }: SaxesTagPlain,
  leaveOut: (what: string) => void,
): Record<string, string> {
  const kept: Record<string, string> = {};
  for (const [key, value] of Object.entries(given)) {
    if (/^on/i.test(key)) leaveOut(key);
    else if (!attributes.has(key)) continue;
    else if (key === 'href' || key === 'xlink:href') {
      if (isHarmlessLink(name, value)) kept['href'] = value;
      else leaveOut('a link out of the drawing');
    } else if (isHarmlessStyle(value)) kept[key] = value;
    else leaveOut('a style that points out of the drawing');
  }
  return kept;
}

/** Reads the text as a tree of what may stay. Throws where it is not well-formed XML. */
function treeOf(text: string, leaveOut: (what: string) => void): Element | null {
  const parser = new SaxesParser();
  const root: Element = { name: '', attributes: {}, children: [] };
  const open: (Element | null)[] = [root];
  let dropped = 0;
  let count = 0;
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', (tag) => {
    count += 1;
    if (count > mostElements) throw new Error(`more than ${mostElements} elements`);
    if (open.length > mostDepth) throw new Error(`groups in groups more than ${mostDepth} deep`);
    const name = tag.name.replace(/^svg:/, '');
    const parent = open.findLast((one) => one !== null)!;
    if (dropped > 0 || (!elements.has(name) && !unwrapped.has(name))) {
      if (dropped === 0 && !name.includes(':') && name !== 'metadata') leaveOut(name);
      dropped += 1;
      open.push(null);
      return;
    }
    const element: Element = {
      name: unwrapped.has(name) ? 'g' : name,
      attributes: cleanAttributes({ ...tag, name } as SaxesTagPlain, leaveOut),
      children: [],
    };
    if (unwrapped.has(name)) delete element.attributes['href'];
    parent.children.push(element);
    open.push(element);
  });
  parser.on('closetag', () => {
    if (open.pop() === null) dropped -= 1;
  });
  const addText = (words: string) => {
    const here = open.at(-1);
    if (here && here !== root) here.children.push(words);
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.write(text).close();
  const [top] = root.children;
  return typeof top === 'object' && top.name === 'svg' ? top : null;
}

/** What a drawing may come to once everything that it draws by reference is drawn: a browser that draws millions stands still. */
const mostDrawn = 400_000;

/** Ids that an element draws by reference: copies, and what masks, cuts, fills or marks it. */
function drawnBy({ name, attributes: kept }: Element): string[] {
  const ids = name === 'use' ? [(kept['href'] ?? '').slice(1)] : [];
  for (const [key, value] of Object.entries(kept))
    if (key !== 'href' && value.includes('#'))
      for (const [, id] of value.matchAll(/url\s*\(\s*["']?#([^"')\s]+)/gi)) ids.push(id!);
  return ids;
}

/**
 * How many elements are drawn in all, copies of copies and patterns of patterns counted as often as they are drawn; infinite where something
 * draws itself. Style sheets may point at anything by class, so what they point at counts for every element.
 */
function drawnInAll(top: Element): number {
  const byId = new Map<string, Element>();
  const styled = new Set<string>();
  let elementCount = 0;
  const index = (element: Element): void => {
    elementCount += 1;
    if (element.attributes['id']) byId.set(element.attributes['id'], element);
    for (const child of element.children) {
      if (typeof child === 'object') index(child);
      else if (element.name === 'style')
        for (const [, id] of child.matchAll(/url\s*\(\s*["']?#([^"')\s]+)/gi)) styled.add(id!);
    }
  };
  index(top);
  const known = new Map<string, number>();
  const open = new Set<string>();
  const ofId = (id: string): number => {
    const seen = known.get(id);
    if (seen !== undefined) return seen;
    const target = byId.get(id);
    if (!target) return 0;
    if (open.has(id)) return Infinity;
    open.add(id);
    const drawn = of(target);
    open.delete(id);
    known.set(id, drawn);
    return drawn;
  };
  const of = (element: Element): number => {
    let sum = 1;
    for (const id of drawnBy(element)) sum += ofId(id);
    for (const child of element.children) if (typeof child === 'object') sum += of(child);
    return sum;
  };
  const perElement = [...styled].reduce((sum, id) => sum + ofId(id), 0);
  return of(top) + (perElement > 0 ? perElement * elementCount : 0);
}

function withoutBadStyles(element: Element, leaveOut: (what: string) => void): void {
  element.children = element.children.filter((child) => {
    if (typeof child !== 'object') return true;
    if (child.name === 'style' && !isHarmlessStyle(child.children.join('')))
      return (leaveOut('a style sheet that loads something'), false);
    withoutBadStyles(child, leaveOut);
    return true;
  });
}

const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

function written({ name, attributes: kept, children }: Element): string {
  const said = Object.entries(kept)
    .map(([key, value]) => ` ${key}="${escaped(value)}"`)
    .join('');
  const inside = children
    .map((child) => (typeof child === 'string' ? escaped(child) : written(child)))
    .join('');
  return inside === '' ? `<${name}${said}/>` : `<${name}${said}>${inside}</${name}>`;
}

/** Width and height in the drawing's own units: its view box, else what it says it measures. */
function sizeOf({
  attributes: { viewBox, width, height },
}: Element): { widthPx: number; heightPx: number } | null {
  const box = viewBox
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  const [widthPx, heightPx] =
    box?.length === 4
      ? [box[2]!, box[3]!]
      : [Number.parseFloat(width ?? ''), Number.parseFloat(height ?? '')];
  return widthPx > 0 && heightPx > 0 && widthPx <= 100_000 && heightPx <= 100_000
    ? { widthPx, heightPx }
    : null;
}

/**
 * A drawing from outside without anything that could run or load: only elements and attributes that draw, links and
 * styles only within the drawing. What is clean comes out the same again.
 */
export function cleanSvg(text: string): CleanSvg {
  const leftOut = new Set<string>();
  const leaveOut = (what: string) => void leftOut.add(what);
  let top: Element | null;
  try {
    top = treeOf(text.replace(/^\ufeff/, ''), leaveOut);
  } catch (error) {
    return {
      kind: 'refused',
      why: `The SVG file is not well-formed (${(error as Error).message.split('\n')[0]}). Was it cut short?`,
    };
  }
  if (!top) return { kind: 'refused', why: 'This is XML, but not an SVG drawing.' };
  const size = sizeOf(top);
  if (!size)
    return {
      kind: 'refused',
      why: 'The SVG drawing does not say how large it is (no viewBox, and no width and height).',
    };
  withoutBadStyles(top, leaveOut);
  if (drawnInAll(top) > mostDrawn)
    return {
      kind: 'refused',
      why: 'The SVG drawing draws the same again and again, or itself, until it comes to more than a browser can show. Save it with copies and patterns resolved, or as PNG.',
    };
  const { xmlns: _, ...rest } = top.attributes;
  const viewBox = rest['viewBox'] ?? `0 0 ${size.widthPx} ${size.heightPx}`;
  top.attributes = {
    xmlns: 'http://www.w3.org/2000/svg',
    ...rest,
    viewBox,
    width: String(size.widthPx),
    height: String(size.heightPx),
  };
  return { kind: 'clean', svg: `${written(top)}\n`, ...size, leftOut: [...leftOut] };
}
