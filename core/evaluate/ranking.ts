import { isIp } from '#core/decide/options';
import type { RunSummary } from './summary';

/** How much trouble a camera is in: a choice that broke first, then how far past its limit it is as it hangs. */
export function troubleOf({ choiceBroken, findings, options }: RunSummary): number {
  const keep = options.find(({ kind }) => kind === 'keep');
  const share = keep && keep.state !== 'no' ? (keep.binding?.utilisation ?? 0) : 1.5;
  return (
    (choiceBroken === null ? 0 : 1000) +
    (findings.state === 'stop' ? 500 : findings.state === 'fails' ? 100 : 0) +
    Math.min(share, 99)
  );
}

/** What the cheapest IP option that holds saves against a new cable, or against what was chosen where that is dearer. */
export function savingOf({ options, chosen }: RunSummary): number {
  const holding = options.flatMap((option) =>
    option.state === 'no' || option.state === 'fails' ? [] : [option],
  );
  const cheapest = Math.min(...holding.filter(isIp).map(({ cost }) => cost));
  const against =
    holding.find(({ kind }) => kind === chosen) ?? holding.find(({ kind }) => kind === 'new-category');
  return against && Number.isFinite(cheapest) ? against.cost - cheapest : -Infinity;
}
