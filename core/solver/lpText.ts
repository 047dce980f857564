import type { Programme, Term } from './programme';

/** Names that readers of the format take: letters, digits and underscores, not beginning like a number. */
const lpName = (name: string): string => {
  const plain = name.replace(/[^A-Za-z0-9_]/g, '_');
  return /^[A-DF-Za-df-z_]/.test(plain) ? plain : `v_${plain}`;
};

/** Figures without exponents, which some readers take for names. */
const figure = (value: number): string =>
  Number.isInteger(value) ? String(value) : value.toFixed(9).replace(/0+$/, '').replace(/\.$/, '');

const widest = 12;

/** Terms over several lines, since some readers end a line early. */
function sum(terms: readonly Term[], names: readonly string[]): string {
  const written = terms.map(
    ({ variable, by }) => `${by < 0 ? '-' : '+'} ${figure(Math.abs(by))} ${names[variable]}`,
  );
  const lines: string[] = [];
  for (let at = 0; at < written.length; at += widest) lines.push(written.slice(at, at + widest).join(' '));
  return lines.join('\n   ');
}

/**
 * A programme in the LP format that most solvers read. Every variable stands in the objective, in its order, so that a
 * reader which numbers them as they come numbers them as they are here.
 */
export function lpText({ variables, rows }: Programme, title = 'plan'): string {
  const names = variables.map(({ name }) => lpName(name));
  const objective = sum(
    variables.map(({ cost }, variable) => ({ variable, by: cost })),
    names,
  );
  return [
    `\\ ${title.replace(/[\r\n]/g, ' ')}`,
    'Minimize',
    ` cost:\n   ${objective || '0 nothing'}`,
    'Subject To',
    ...rows
      .filter(({ terms }) => terms.length > 0)
      .map(
        ({ name, terms, sense, bound }, index) =>
          ` r${index}_${lpName(name)}:\n   ${sum(terms, names)} ${sense} ${figure(bound)}`,
      ),
    'Bounds',
    ...variables.map(({ most }, index) => ` 0 <= ${names[index]} <= ${figure(most)}`),
    'Generals',
    ...names.filter((_, index) => !variables[index]!.isAmount).map((name) => ` ${name}`),
    'End',
    '',
  ].join('\n');
}
