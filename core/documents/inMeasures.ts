import { lengthsInWords, type Measures } from '#core/shared/units';
import type { Block, Paper, PaperCell } from './paper';

/** The same paper with the lengths in its sentences in somebody’s own unit; columns of figures stay in metres, and whoever lays them out turns them. */
export function inMeasures(paper: Paper, measures: Measures): Paper {
  if (measures.length === 'm') return paper;
  const words = (text: string): string => lengthsInWords(text, measures);
  const cell = (one: PaperCell): PaperCell => (typeof one === 'string' ? words(one) : one);
  const block = (one: Block): Block => {
    switch (one.kind) {
      case 'text':
        return { ...one, text: words(one.text) };
      case 'list':
      case 'caution':
      case 'checks':
        return { ...one, items: one.items.map(words) };
      case 'table':
        return { ...one, rows: one.rows.map((row) => row.map(cell)) };
      default:
        return one;
    }
  };
  return { ...paper, open: paper.open.map(words), blocks: paper.blocks.map(block) };
}
