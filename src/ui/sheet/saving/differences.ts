/** One place where two versions of a document differ. */
export type Difference = { path: string; theirs: string; mine: string };

function leaves(data: unknown, path: string, into: Map<string, string>): void {
  if (data !== null && typeof data === 'object') {
    for (const [key, value] of Object.entries(data)) leaves(value, path ? `${path} ${key}` : key, into);
  } else into.set(path, data === null ? 'house rule' : String(data));
}

/**
 * Where two versions of a piece differ, place by place.
 *
 * @param theirs what is on the floor
 * @param mine what this page wanted to save
 */
export function differences(theirs: unknown, mine: unknown): Difference[] {
  const a = new Map<string, string>();
  const b = new Map<string, string>();
  leaves(theirs, '', a);
  leaves(mine, '', b);
  return [...new Set([...a.keys(), ...b.keys()])]
    .filter((path) => a.get(path) !== b.get(path))
    .map((path) => ({ path, theirs: a.get(path) ?? 'nothing', mine: b.get(path) ?? 'nothing' }));
}
