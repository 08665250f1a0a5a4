import { rimLoops } from './rims';
import type { EdgeUse, PanelSpec, Run } from './panel-spec';

/** The pairs of neighbouring nodes along the edges that are sewn. */
export function sewnEdges(runs: readonly Run[]): Uint32Array {
  return Uint32Array.from(
    runs
      .filter(({ use }) => use.kind !== 'staple' && use.kind !== 'turn')
      .flatMap(({ nodes }) => nodes.slice(1).flatMap((node, k) => [nodes[k]!, node])),
  );
}

/** The rim of a panel in runs, counter-clockwise; a split panel has more than one rim. */
export function runsOf(
  spec: PanelSpec,
  triangles: Uint32Array,
  place: Int32Array | null,
  slits: readonly number[][],
  size: number,
): Run[][] {
  const { region } = spec;
  if (region.kind === 'strip') {
    const columns = region.to - region.from + 1;
    const rows = size / columns - 1;
    const at = (k: number, r: number): number => k * (rows + 1) + r;
    const along = Array.from({ length: columns }, (_, k) => k);
    const down = Array.from({ length: rows + 1 }, (_, r) => r);
    const end: EdgeUse = { id: 'end', kind: 'join', seam: null, allowance: 0 };
    const n = region.inner.length;
    const places = along.map((k) => (region.from + k) % n);
    const none = down.map(() => -1);
    return [
      [
        { use: spec.outer, nodes: along.map((k) => at(k, rows)), places },
        { use: spec.last ?? end, nodes: [...down].reverse().map((r) => at(columns - 1, r)), places: none },
        { use: spec.inner ?? end, nodes: [...along].reverse().map((k) => at(k, 0)), places: [...places].reverse() },
        { use: spec.first ?? end, nodes: down.map((r) => at(0, r)), places: none },
      ],
    ];
  }
  const tips = new Set(slits.flatMap((path, k) => (k % 2 === 0 && slits[k + 1]!.at(-1) === path.at(-1) ? [path.at(-1)!] : [])));
  const owner = (node: number): number => slits.findIndex((path) => path.includes(node));
  const { rim } = spec;
  const n = region.level.length;
  /** What is done with the rim from one place to the next. */
  const seamAt = (a: number, b: number): EdgeUse => {
    if (!rim) return spec.outer;
    const from = (a + 1) % n === b ? a : b;
    return (from - rim.from + n) % n < rim.to - rim.from ? rim.use : spec.outer;
  };
  return rimLoops(triangles).map((loop) => {
    const outer = (k: number): boolean => {
      const [a, b] = [place![loop[k % loop.length]!]!, place![loop[(k + 1) % loop.length]!]!];
      return a >= 0 && b >= 0 && a !== b;
    };
    const steps = loop.length;
    let first = 0;
    // Begin where the seam begins again after a slit; a whole rim begins at the front middle.
    while (first < steps && !(outer(first) && !outer(first + steps - 1))) first++;
    if (first === steps) first = loop.findIndex((node) => place![node] === (rim ? rim.from % n : 0));
    const runs: Run[] = [];
    for (let k = first; k < first + steps; k++) {
      const [a, b] = [loop[k % steps]!, loop[(k + 1) % steps]!];
      const sewn = outer(k);
      const last = runs.at(-1);
      const seam = sewn ? seamAt(place![a]!, place![b]!) : null;
      const wasSewn = last !== undefined && (last.use === spec.outer || last.use === rim?.use);
      const fresh = !last || (seam ? last.use !== seam : wasSewn) || (!sewn && tips.has(a));
      if (fresh) {
        const slit = sewn ? -1 : owner(place![a]! < 0 ? a : b) >> 1;
        const through = !sewn && slit >= 0 && slits[2 * slit]!.at(-1) !== slits[2 * slit + 1]!.at(-1);
        const dart: EdgeUse = {
          id: through ? 'split' : `dart ${slit + 1}`,
          kind: through ? 'join' : 'dart',
          seam: through ? 'split' : `dart ${slit + 1}`,
          allowance: spec.outer.allowance,
        };
        runs.push({ use: seam ?? dart, nodes: [a], places: [place![a]!] });
      }
      runs.at(-1)!.nodes.push(b);
      runs.at(-1)!.places.push(place![b]!);
    }
    return runs;
  });
}
