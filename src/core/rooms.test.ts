import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const CORE = dirname(fileURLToPath(import.meta.url));
/** The room of a file: its folder in the core. */
const roomOf = (path: string): string => relative(CORE, path).split('/')[0]!;

const sources = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('.ts') && !path.endsWith('.test.ts'))
  .map((path) => join(CORE, path));

/** Which rooms each room imports, types too, and one file that does. */
function arrows(): Map<string, Map<string, string>> {
  const rooms = new Map<string, Map<string, string>>();
  for (const path of sources) {
    const room = roomOf(path);
    const into = rooms.get(room) ?? new Map<string, string>();
    rooms.set(room, into);
    for (const { fileName } of ts.preProcessFile(readFileSync(path, 'utf8')).importedFiles) {
      if (!fileName.startsWith('.')) continue;
      const other = roomOf(normalize(join(dirname(path), fileName)));
      if (other !== room && !into.has(other)) into.set(other, relative(CORE, path));
    }
  }
  return rooms;
}

/** A way round from a room back to itself, with a file for each arrow, or null. */
function circle(rooms: ReadonlyMap<string, ReadonlyMap<string, string>>): string[] | null {
  const done = new Set<string>();
  const walk = (room: string, way: readonly { room: string; arrow: string }[]): string[] | null => {
    const back = way.findIndex((step) => step.room === room);
    if (back >= 0) return way.slice(back).map(({ arrow }) => arrow);
    if (done.has(room)) return null;
    for (const [next, file] of rooms.get(room) ?? []) {
      const found = walk(next, [...way, { room, arrow: `${room} → ${next} (${file})` }]);
      if (found) return found;
    }
    done.add(room);
    return null;
  };
  for (const room of rooms.keys()) {
    const found = walk(room, []);
    if (found) return found;
  }
  return null;
}

describe('the rooms of the core', () => {
  it('stand one on another, and none on one that stands on it', () => {
    const rooms = arrows();
    expect(rooms.size).toBeGreaterThan(30);
    expect(rooms.get('fastening')!.has('cover')).toBe(true);
    expect(circle(rooms)).toBeNull();
  });

  it('a way round would be found, of two rooms or of three', () => {
    const of = (...pairs: [string, string][]) =>
      new Map(
        [...new Set(pairs.map(([from]) => from))].map((from) => [
          from,
          new Map(pairs.filter(([a]) => a === from).map(([, to]) => [to, 'x.ts'])),
        ]),
      );
    expect(circle(of(['a', 'b'], ['b', 'c']))).toBeNull();
    expect(circle(of(['a', 'b'], ['b', 'a']))).toEqual(['a → b (x.ts)', 'b → a (x.ts)']);
    expect(circle(of(['d', 'a'], ['a', 'b'], ['b', 'c'], ['c', 'a']))).toHaveLength(3);
  });
});
