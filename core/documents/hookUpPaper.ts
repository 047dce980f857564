import { hookUpOf } from '#core/connect/hookUp';
import { chosenOption } from '#core/decide/runEvaluation';
import { optionRow } from '#core/model/site';
import { quantityFor } from '#core/shared/units';
import { hookUpSvg } from './hookUpSvg';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';

/** How every camera that is decided is connected, terminal by terminal. */
export function hookUpPaper(context: PaperContext): Paper {
  const { site, evaluation, measures } = context;
  const decided = evaluation.runs.flatMap((run) => {
    const option = chosenOption(run);
    return option ? [{ run, option }] : [];
  });
  const blocks = decided.flatMap(({ run, option }): Block[] => {
    const after = hookUpOf(site, run.run.id, option, context.network().topology, measures.gauge)?.after;
    if (!after) return [];
    const { title, polarity, cautions, unknown } = after;
    return [
      { kind: 'heading', level: 2, text: title },
      {
        kind: 'drawing',
        svg: hookUpSvg(after, (lengthM) => quantityFor(lengthM, 'm', measures)),
        caption: optionRow(option.kind).label,
      },
      ...(polarity.length > 0 ? [{ kind: 'list' as const, items: polarity }] : []),
      ...(unknown.length > 0
        ? [{ kind: 'text' as const, tone: 'quiet' as const, text: `To be looked at: ${unknown.join(' ')}` }]
        : []),
      ...(cautions.length > 0 ? [{ kind: 'caution' as const, items: cautions }] : []),
    ];
  });
  const open = evaluation.runs.length - decided.length;
  return paperOf(context, {
    id: 'hook-ups',
    title: 'Hook-ups',
    open: open > 0 ? [`${open} cameras are not decided.`] : [],
    blocks,
  });
}
