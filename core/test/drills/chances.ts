import type { Cause } from '#core/test/diagnosis';

type Chances = Readonly<Partial<Record<Cause, number>>>;

/** The same chance for each. */
export const evenChances = (of: readonly Cause[]): Partial<Record<Cause, number>> =>
  Object.fromEntries(of.map((cause) => [cause, 1 / of.length]));

/** Chances with one of them set; the others keep their shares of what is left, so that all come to one. */
export function withChance(chances: Chances, cause: Cause, chance: number): Partial<Record<Cause, number>> {
  const others = (Object.entries(chances) as [Cause, number][]).filter(([other]) => other !== cause);
  const sum = others.reduce((all, [, one]) => all + one, 0);
  const left = 1 - chance;
  return {
    ...Object.fromEntries(
      others.map(([other, one]) => [other, sum > 0 ? (one / sum) * left : left / others.length]),
    ),
    [cause]: others.length === 0 ? 1 : chance,
  };
}
