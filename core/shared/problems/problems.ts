import type { z } from 'zod';

/** One thing wrong with what was handed in: where, what stood there, and what may stand there. */
export interface Problem {
  path: string;
  value: string;
  allowed: string;
}

/** `segments[2].lengthM`, as a person would point at it. The whole input is `(input)`. */
export function pathText(path: readonly PropertyKey[]): string {
  const text = path
    .map((part) => (typeof part === 'number' ? `[${part}]` : `.${String(part)}`))
    .join('')
    .replace(/^\./, '');
  return text || '(input)';
}

/** A value short enough for one line. */
export function valueText(value: unknown): string {
  if (value === undefined) return 'missing';
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}

/** `run.cable is "string", allowed: one of …`, the one-line form that logs and the command line print. */
export function problemLine({ path, value, allowed }: Problem): string {
  return value === 'missing'
    ? `${path} is missing, allowed: ${allowed}`
    : `${path} is ${value}, allowed: ${allowed}`;
}

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (at, part) =>
      at !== null && typeof at === 'object' ? (at as Record<PropertyKey, unknown>)[part] : undefined,
    input,
  );
}

const typeNames: Record<string, string> = {
  number: 'a number',
  int: 'a whole number',
  string: 'text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
  null: 'null',
};

const sizeWords = (origin: string, count: number): string => {
  if (origin === 'string') return `${count} character${count === 1 ? '' : 's'}`;
  return origin === 'array' ? `${count} item${count === 1 ? '' : 's'}` : String(count);
};

type Issue = z.core.$ZodIssue;

function allowedBy(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return typeNames[issue.expected] ?? issue.expected;
    case 'too_small':
      return `${issue.inclusive === false ? 'more than' : 'at least'} ${sizeWords(issue.origin, Number(issue.minimum))}`;
    case 'too_big':
      return `${issue.inclusive === false ? 'less than' : 'at most'} ${sizeWords(issue.origin, Number(issue.maximum))}`;
    case 'invalid_value':
      return issue.values.length === 1
        ? valueText(issue.values[0])
        : `one of ${issue.values.map(String).join(', ')}`;
    case 'invalid_format':
      return issue.format === 'datetime' ? 'a date and time such as 2026-03-04T21:30:00Z' : issue.message;
    case 'not_multiple_of':
      return `a multiple of ${issue.divisor}`;
    default:
      return issue.message;
  }
}

/** Of a union, the branch that came nearest: the one that objects deepest inside, then least often. */
function nearestBranch(branches: readonly (readonly Issue[])[]): readonly Issue[] {
  const depth = (issues: readonly Issue[]) => Math.max(...issues.map((issue) => issue.path.length));
  const unknownKeys = (issues: readonly Issue[]) =>
    issues.filter((issue) => issue.code === 'unrecognized_keys').length;
  return (
    [...branches].sort(
      (a, b) => unknownKeys(a) - unknownKeys(b) || depth(b) - depth(a) || a.length - b.length,
    )[0] ?? []
  );
}

function problemsOf(issue: Issue, input: unknown, base: readonly PropertyKey[]): Problem[] {
  const path = [...base, ...issue.path];
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.map((key) => ({
      path: pathText([...path, key]),
      value: valueText(valueAt(input, [...path, key])),
      allowed: 'no field of this name here',
    }));
  }
  if (issue.code === 'invalid_union' && issue.errors.length > 0) {
    return nearestBranch(issue.errors).flatMap((inner) => problemsOf(inner, input, path));
  }
  if (issue.code === 'invalid_union' && 'options' in issue && Array.isArray(issue.options)) {
    return [
      {
        path: pathText(path),
        value: valueText(valueAt(input, path)),
        allowed: `one of ${issue.options.join(', ')}`,
      },
    ];
  }
  if (issue.code === 'invalid_key')
    return issue.issues.flatMap((inner) => problemsOf({ ...inner, path: [] }, input, path));
  return [{ path: pathText(path), value: valueText(valueAt(input, path)), allowed: allowedBy(issue) }];
}

/** Nobody reads more: the first hundred are put into words. */
const mostProblems = 100;

/** What a schema refused about `input`, in words, up to the hundredth. */
export function problemsFrom(error: z.ZodError, input: unknown): Problem[] {
  return error.issues
    .slice(0, mostProblems)
    .flatMap((issue) => problemsOf(issue, input, []))
    .slice(0, mostProblems);
}

export type Checked<T> = { kind: 'sound'; value: T } | { kind: 'refused'; problems: Problem[] };

/** Parses `input` by `schema`, with its problems in words when it does not fit. */
export function check<T>(schema: z.ZodType<T>, input: unknown): Checked<T> {
  const parsed = schema.safeParse(input);
  return parsed.success
    ? { kind: 'sound', value: parsed.data }
    : { kind: 'refused', problems: problemsFrom(parsed.error, input) };
}
