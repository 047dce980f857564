import { z } from 'zod';
import { factSchemas, type Kind } from './site';

/** What a figure of a fact may be, as its schema says it. */
export interface Limits {
  least: number;
  most: number;
  /** Whether the least itself is allowed: `false` for figures that must be more than nothing. */
  takesLeast: boolean;
  isWhole: boolean;
}

/** The schema behind optional, nullable and refined ones. */
function bare(schema: z.ZodType): z.ZodType {
  return schema instanceof z.ZodOptional || schema instanceof z.ZodNullable
    ? bare(schema.unwrap() as z.ZodType)
    : schema;
}

/** The member of a union that is of this kind; without one the first that has the field. */
function memberOf(union: z.ZodUnion, variant: string | undefined, field: string): z.ZodType | undefined {
  const members = union.options.map((option) => bare(option as z.ZodType));
  return members.find((member) => {
    if (!(member instanceof z.ZodObject)) return false;
    if (variant === undefined) return field in member.shape;
    return ['kind', 'test'].some((key) => {
      const literal: unknown = member.shape[key];
      return literal instanceof z.ZodLiteral && literal.values.has(variant);
    });
  });
}

const segment = /^(\w+)(?:\[([\w-]+)\])?$/;

/** Walks from a schema to the one of a field. A list is entered without an index. */
function schemaAt(schema: z.ZodType, path: readonly string[], variant?: string): z.ZodType | undefined {
  const here = bare(schema);
  if (here instanceof z.ZodArray) return schemaAt(here.element as z.ZodType, path, variant);
  const [first, ...rest] = path;
  if (first === undefined) return here;
  const [, field = '', nextVariant] = segment.exec(first) ?? [];
  const object = here instanceof z.ZodUnion ? memberOf(here, variant, field) : here;
  const next: unknown = object instanceof z.ZodObject ? object.shape[field] : undefined;
  return next === undefined ? undefined : schemaAt(next as z.ZodType, rest, nextVariant);
}

/**
 * What a figure of a fact may be, by the schema that the server and site files hold it against.
 * @param path the field, such as `watts.day`; the member of a union in brackets: `rules[network-only].ipSlots`
 * @throws where there is no such figure, which is a slip in the code that asks
 */
export function limitsOf(kind: Kind, path: string): Limits {
  const found = schemaAt(factSchemas[kind], path.split('.'));
  if (!(found instanceof z.ZodNumber)) throw new Error(`${kind} has no figure ${path}`);
  const { minValue, maxValue, isInt } = found;
  if (minValue === null || maxValue === null) throw new Error(`${kind}.${path} has no bounds`);
  return { least: minValue, most: maxValue, takesLeast: found.safeParse(minValue).success, isWhole: isInt };
}
