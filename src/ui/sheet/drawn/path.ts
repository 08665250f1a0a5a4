/**
 * What stands at a place of a document.
 *
 * @param document plain data
 * @param path names and numbers with dots between
 */
export function at(document: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown> | null | undefined)?.[key], document);
}

/**
 * A document with another value at a place; what is not on the way there stays the very same.
 *
 * @param document plain data
 * @param path names and numbers with dots between
 * @param value undefined takes the field out, and a number out of a list
 */
export function withAt<T>(document: T, path: string, value: unknown): T {
  const [key, ...rest] = path.split('.') as [string, ...string[]];
  const inner = rest.length === 0 ? value : withAt((document as Record<string, unknown>)[key] ?? {}, rest.join('.'), value);
  if (Array.isArray(document)) {
    const list = [...(document as unknown[])];
    if (inner === undefined) list.splice(Number(key), 1);
    else list[Number(key)] = inner;
    return list as T;
  }
  if (inner === undefined) {
    const { [key]: _taken, ...left } = document as Record<string, unknown>;
    void _taken;
    return left as T;
  }
  return { ...document, [key]: inner };
}
