import type { Recorder } from '#core/site';

/** The numbers from `first` to `last`, none where that is past. */
export const inputsFrom = (first: number, last: number): number[] => Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index);

/** What it costs that inputs turn to IP on a recorder that has to restart for it. */
export function restartFor({ name, restartMinutes }: Recorder, turned: ReadonlySet<number>): string {
  const one = turned.size === 1;
  return `${turned.size} input${one ? '' : 's'} of ${name} turn${one ? 's' : ''} to IP: a restart of about ${restartMinutes} minutes, nothing recorded meanwhile.`;
}
