/** What stands at a path of a value; undefined where the path leads nowhere. */
export const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (at, key) =>
      typeof at === 'object' && at !== null && Object.hasOwn(at, key)
        ? (at as Record<PropertyKey, unknown>)[key]
        : undefined,
    value,
  );
