import { z } from 'zod';
import { check, nestsDeeper, problemLine } from '#core/shared/problems';
import { calculations } from './calculations';

/** What a run of `calc` prints and its exit status. Nothing goes to standard output unless the status is 0. */
export interface CalcResult {
  status: 0 | 2;
  out: string;
  errors: string[];
}

const fail = (...errors: string[]): CalcResult => ({ status: 2, out: '', errors });
const print = (value: unknown): CalcResult => ({
  status: 0,
  out: typeof value === 'string' ? value : JSON.stringify(value),
  errors: [],
});

export const calcUsage = 'calc NAME [--schema], or calc --list';
const names = Object.keys(calculations);

function list(): string {
  const width = Math.max(...names.map((name) => name.length));
  return names.map((name) => `${name.padEnd(width)}  ${calculations[name]!.about}`).join('\n');
}

/** `calc` itself, without its streams: arguments and the text of standard input to what is printed. */
export function calc(args: readonly string[], readInput: () => string): CalcResult {
  const [first, second, ...rest] = args;
  if (rest.length > 0 || (second !== undefined && second !== '--schema')) return fail(`usage: ${calcUsage}`);
  if (first === '--list') return print(list());
  const calculation =
    first === undefined ? undefined : Object.hasOwn(calculations, first) ? calculations[first] : undefined;
  if (!calculation)
    return fail(
      `calculation is ${first === undefined ? 'missing' : JSON.stringify(first)}, allowed: one of ${names.join(', ')}`,
    );
  if (second === '--schema') return print(z.toJSONSchema(calculation.input));
  let input: unknown;
  try {
    const text = readInput();
    if (nestsDeeper(text)) return fail('(input) nests without end, allowed: one JSON object');
    input = JSON.parse(text);
  } catch (error) {
    return fail(
      `(input) is not JSON (${error instanceof Error ? error.message : String(error)}), allowed: one JSON object`,
    );
  }
  const checked = check(calculation.input, input);
  return checked.kind === 'sound'
    ? print(calculation.run(checked.value))
    : fail(...checked.problems.map(problemLine));
}
