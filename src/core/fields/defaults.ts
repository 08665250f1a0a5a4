type Described = { properties?: Record<string, { default?: unknown; type?: string | readonly string[] }>; required?: readonly string[] };

/**
 * What a record starts from: the default of each of its fields; those that may be empty are, where nothing is said.
 *
 * @param schema of the record
 */
export function defaultsOf<T>(schema: { static: T }): T {
  const { properties = {}, required = [] } = schema as unknown as Described;
  return Object.fromEntries(
    Object.entries(properties).flatMap(([key, field]): [string, unknown][] => {
      if (field.default !== undefined) return [[key, field.default]];
      return required.includes(key) && [field.type].flat().includes('null') ? [[key, null]] : [];
    }),
  ) as T;
}
