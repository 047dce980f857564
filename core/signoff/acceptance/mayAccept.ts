import { acceptanceCheckOf, type Acceptance } from '#core/model/site';
import { counted } from '#core/shared/labels';
import type { ThingState } from './thingState';

/** What an acceptance would rest on and be in spite of, or why it cannot be given. */
export type MayAccept =
  | { kind: 'may'; readingIds: string[]; exceptions: Acceptance['exceptions'] }
  | { kind: 'may-not'; why: string[] };

const nameOf = ({ number, name }: ThingState): string => (number === null ? name : `${number} ${name}`);

/** Checks that do not hold, or were not made, and that no item of the punch list speaks of. */
function uncovered({ checks, punch }: ThingState): string[] {
  const open = new Set(punch.filter(({ closed }) => !closed).map(({ check }) => check));
  return checks
    .filter(({ check, holds }) => holds !== true && !open.has(check))
    .map(({ check, holds }) => {
      const { label } = acceptanceCheckOf(check);
      return holds === null ? `${label}: not read` : `${label}: does not hold`;
    });
}

/** Most that is said of one thing. */
const mostSaid = 3;

/**
 * Whether things can be accepted together: every check was made and holds, or is on the punch list, which makes it an exception. What is
 * unsafe is accepted by nobody.
 */
export function mayAccept(things: readonly ThingState[]): MayAccept {
  const why = things.flatMap((thing): string[] => {
    const unsafe = thing.punch.filter(({ closed, severity }) => !closed && severity === 'unsafe');
    if (unsafe.length > 0)
      return [
        `${nameOf(thing)} is unsafe: ${unsafe[0]!.what}. Mend it and close it on the punch list first.`,
      ];
    const left = uncovered(thing);
    if (left.length === 0) return [];
    const more = left.length > mostSaid ? [`and ${counted(left.length - mostSaid, 'more check')}`] : [];
    return [`${nameOf(thing)}: ${[...left.slice(0, mostSaid), ...more].join('; ')}.`];
  });
  if (things.length === 0) return { kind: 'may-not', why: ['Nothing is picked.'] };
  if (why.length > 0) return { kind: 'may-not', why };
  return {
    kind: 'may',
    readingIds: things.flatMap(({ checks }) => checks.flatMap(({ reading }) => reading?.id ?? [])),
    exceptions: things.flatMap(({ punch }) =>
      punch.filter(({ closed }) => !closed).map(({ id, what }) => ({ punchId: id, what })),
    ),
  };
}
