import type { Run, TestDefinition } from '#core/model/site';
import { lineKind } from './loops';

/** Whether a test says anything on a run, by the line that it needs. */
export function applies({ appliesTo }: Pick<TestDefinition, 'appliesTo'>, run: Run): boolean {
  switch (appliesTo) {
    case 'every-run':
      return true;
    case 'coax-in-it':
      return lineKind(run) !== 'pair';
    case 'coax-throughout':
      return lineKind(run) === 'coax';
    case 'pair-throughout':
      return lineKind(run) === 'pair';
    case 'fed-over-cores':
      return run.feed.kind !== 'local-adapter';
  }
}
