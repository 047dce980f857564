import { proposalFrom, readJacketPrint } from '#core/physics/cable';
import { choices } from '#core/model/labels';
import { longestSegmentM, type Joint, type LinePart } from '#core/model/site';
import { parseQuantity, type Measures } from '#core/shared/units';

export type ReadLine = { kind: 'read'; parts: LinePart[] } | { kind: 'refused'; why: string };

/** A comma between digits parts nothing: `1,250 ft` and `12,5` are one length. */
const between = /;|,(?!\d)|(?<!\d),/;
const lastFigure = /^(.*?)\s+(\d\S*(?:\s*(?:m|ft|feet|['"′″]|metres|meters))?)$/i;

const jointOf = (text: string): Joint | 'unsaid' | null => {
  const word = text.toLowerCase().replace(/[\s-]+/g, ' ');
  if (word === 'joint' || word === 'joined') return 'unsaid';
  const found = choices.joint.find(
    ({ value, label }) =>
      value !== 'none' && [value.replace(/-/g, ' '), label.toLowerCase().replace(/-/g, ' ')].includes(word),
  );
  return found && found.value !== 'none' ? found.value : null;
};

function partOf(text: string, measures: Pick<Measures, 'length'>): LinePart | string {
  const [, what, figure] = lastFigure.exec(text) ?? [];
  if (what === undefined || figure === undefined)
    return `“${text}”: a cable and its length, such as “RG-6 copper 25”, or a joint`;
  const isBare = /^[\d.,]+$/.test(figure);
  const length = parseQuantity(isBare ? `${figure} ${measures.length}` : figure, 'm');
  if (length.kind === 'refused') return `“${figure}”: ${length.why}`;
  if (length.value <= 0 || length.value > longestSegmentM)
    return `“${figure}”: more than 0, at most ${longestSegmentM} m`;
  const { cable, doubts } = proposalFrom(readJacketPrint(what));
  // What the words leave open is asked for, not made up: copper and copper-clad steel lose very different volts.
  return cable === null
    ? `“${what}”: ${doubts[0] ?? 'no cable of the tables is called that'}`
    : { cable, lengthM: length.value };
}

/**
 * How a run goes on after its first cable, as somebody on a ladder writes it: “soldered, RG-6 copper 25, coupler, Cat 6 copper 10 m”. A joint
 * stands before the cable that it leads to; where none is said there is one of a kind that nobody has looked at. A bare figure is in the
 * person’s own unit.
 */
export function readLine(text: string, measures: Pick<Measures, 'length'>): ReadLine {
  const parts: LinePart[] = [];
  let joint: Joint | undefined;
  for (const piece of text.split(between).filter((one) => one.trim() !== '')) {
    const found = jointOf(piece.trim());
    if (found !== null) {
      joint = found === 'unsaid' ? undefined : found;
      continue;
    }
    const part = partOf(piece.trim(), measures);
    if (typeof part === 'string') return { kind: 'refused', why: part };
    parts.push(joint ? { ...part, joint } : part);
    joint = undefined;
  }
  return joint === undefined
    ? { kind: 'read', parts }
    : { kind: 'refused', why: 'a joint leads to a further cable: which one, and how long?' };
}
