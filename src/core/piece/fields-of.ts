/**
 * Of an object only the named fields, those that it has.
 *
 * @param value the object
 * @param names of its fields
 */
export function fieldsOf<T extends object, K extends keyof T>(value: T, ...names: readonly K[]): Pick<T, K> {
  return Object.fromEntries(names.filter((name) => name in value).map((name) => [name, value[name]])) as Pick<T, K>;
}
