import { hookUpOf, hookUpOnNetwork, type HookUp } from '#core/connect/hookUp';
import { chosenOption } from '#core/decide/runEvaluation';
import { optionRow, type NetworkCamera } from '#core/model/site';
import { quantityFor } from '#core/shared/units';
import { hookUpSvg } from './hookUpSvg';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';

/** One hook-up with what is to be read beside it. */
const blocksOf = ({ measures }: PaperContext, hookUp: HookUp, caption: string): Block[] => {
  const { title, polarity, cautions, unknown } = hookUp;
  return [
    { kind: 'heading', level: 2, text: title },
    { kind: 'drawing', svg: hookUpSvg(hookUp, (lengthM) => quantityFor(lengthM, 'm', measures)), caption },
    ...(polarity.length > 0 ? [{ kind: 'list' as const, items: polarity }] : []),
    ...(unknown.length > 0
      ? [{ kind: 'text' as const, tone: 'quiet' as const, text: `To be looked at: ${unknown.join(' ')}` }]
      : []),
    ...(cautions.length > 0 ? [{ kind: 'caution' as const, items: cautions }] : []),
  ];
};

const captionOf = ({ state, replaced }: NetworkCamera): string => {
  if (state === 'planned') return 'A new view';
  return replaced ? 'A new camera on the lead of the old one' : 'On the network already';
};

/** How every camera that is decided is connected, terminal by terminal, and every one that is on the network without a run. */
export function hookUpPaper(context: PaperContext): Paper {
  const { site, evaluation, measures } = context;
  const { topology } = context.network();
  const decided = evaluation.runs.flatMap((run) => {
    const option = chosenOption(run);
    return option ? [{ run, option }] : [];
  });
  const ofRuns = decided.flatMap(({ run, option }): Block[] => {
    const after = hookUpOf(site, run.run.id, option, topology, measures.gauge)?.after;
    return after ? blocksOf(context, after, optionRow(option.kind).label) : [];
  });
  const onNetwork = Object.values(site.networkCamera).flatMap((fact): Block[] => {
    const after = hookUpOnNetwork(site, fact.id, topology, 'after');
    return after ? blocksOf(context, after, captionOf(fact)) : [];
  });
  const open = evaluation.runs.length - decided.length;
  return paperOf(context, {
    id: 'hook-ups',
    title: 'Hook-ups',
    open: open > 0 ? [`${open} cameras are not decided.`] : [],
    blocks: [...ofRuns, ...onNetwork],
  });
}
