/** A fact with some fields set. A field set to `undefined` is taken away. */
export function withFields<T extends object>(fact: T, fields: { [K in keyof T]?: T[K] | undefined }): T {
  return Object.fromEntries(
    Object.entries({ ...fact, ...fields }).filter(([, value]) => value !== undefined),
  ) as T;
}
