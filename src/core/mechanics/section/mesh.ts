import { AIR, type Law } from './law';

type Point = readonly [x: number, z: number];

/** One layer in a cut: which columns it covers, its lower and upper line at each column of the cut, mm. */
export type Layer = {
  from: number;
  to: number;
  lower: Float64Array;
  upper: Float64Array;
  law: Law;
  /** what is let in from above: how deep right of each column, and what fills it */
  letIn?: { deep: Float64Array; law: Law }[];
};

/**
 * The board's edge in a cut: its x, its top and its lower face. With a `seam` the cover is not pulled over the edge: it is
 * sewn there to a band that stands straight, so that the top is pulled to the seam and the band keeps the foam in; `down` is where
 * the band goes below it.
 */
export type Edge = { x: number; top: number; bottom: number; seam?: { x: number; z: number; down: Point[] } };

/**
 * A stack from the middle of a cut (x = 0) to its rim (x grows), ready to be pulled over.
 * Columns hold x; layers from the base up, a layer's lower line is where it lies before covering.
 */
export type StackCut = {
  x: Float64Array;
  layers: Layer[];
  /** height of the board's top face at each column */
  base: Float64Array;
  edge: Edge;
};

/** Triangles over a stack. Coordinates are pairs x, z. */
export type Mesh = {
  nodes: number;
  at: Float64Array;
  /** first unknown of a node's x and z, −1 where it is held */
  freeX: Int32Array;
  freeZ: Int32Array;
  triangles: Int32Array;
  /** per triangle: inverse of the edge matrix (4), area */
  shape: Float64Array;
  laws: Law[];
  lawOf: Int32Array;
  /** nodes the cover may touch, from the middle over the top and down the rim */
  face: Int32Array;
  /** places of the bare board beyond the padding, pairs x, z, out to its edge */
  beyond: Float64Array;
  /** nodes of each layer, column by column from its underside up; empty where it is not */
  grid: Int32Array[][];
  /** nodes beyond the seam, which a band keeps in */
  banded: Int32Array;
  /** nodes of the underside beyond the board, which the board's edge keeps out */
  under: Int32Array;
  unknowns: number;
  width: number;
  /** the first unknown that each unknown is coupled to */
  first: Int32Array;
};

/** Places nearer to the seam than this lie in it, mm. */
const BESIDE_SEAM = 1;

/** Two heights nearer than this are one place, mm. */
const SAME = 1e-6;

/**
 * Lays triangles over a stack: rows of about `element` through each layer, glued to the board where they lie on it,
 * to each other where they touch; between layers that do not touch there is air.
 *
 * @param stack the cut
 * @param element wanted height of a row, mm
 */
export function meshOf(stack: StackCut, element: number): Mesh {
  const { x, layers, base, edge } = stack;
  const at: number[] = [];
  const heldX: boolean[] = [];
  const heldZ: boolean[] = [];
  const node = (column: number, z: number, isHeld: boolean): number => {
    at.push(x[column]!, z);
    // At the middle the foam may only rise and fall: what lies beyond pulls as hard.
    heldX.push(isHeld || column === 0);
    heldZ.push(isHeld);
    return heldX.length - 1;
  };
  const onBoard = (column: number): boolean => x[column]! <= edge.x + SAME;
  const rows = layers.map((layer) => {
    let thickest = 0;
    for (let i = layer.from; i <= layer.to; i++) thickest = Math.max(thickest, layer.upper[i]! - layer.lower[i]!);
    return Math.max(1, Math.round(thickest / element));
  });
  // grid[layer][column] lists the layer's nodes from its underside up; below it, the node of what it lies over.
  const grid: Int32Array[][] = layers.map(() => []);
  const below: Int32Array[] = layers.map(() => new Int32Array(x.length).fill(-1));
  const tops = new Int32Array(x.length).fill(-1);
  for (let column = 0; column < x.length; column++) {
    let top = -1;
    let topZ = base[column]!;
    layers.forEach((layer, l) => {
      if (column < layer.from || column > layer.to) return;
      const [low, high] = [layer.lower[column]!, layer.upper[column]!];
      const line = new Int32Array(rows[l]! + 1);
      const touches = Math.abs(low - topZ) <= SAME;
      if (top >= 0 && touches) line[0] = top;
      else if (top < 0 && touches && onBoard(column)) line[0] = node(column, low, true);
      else {
        if (top < 0 && onBoard(column)) top = node(column, topZ, true);
        below[l]![column] = top;
        line[0] = node(column, low, false);
      }
      for (let r = 1; r <= rows[l]!; r++) line[r] = node(column, low + ((high - low) * r) / rows[l]!, false);
      grid[l]![column] = line;
      top = line[rows[l]!]!;
      topZ = high;
    });
    tops[column] = top;
  }
  const triangles: number[] = [];
  const lawOf: number[] = [];
  const laws = [...layers.map((layer) => layer.law), AIR, ...layers.flatMap((layer) => (layer.letIn ?? []).map(({ law }) => law))];
  const lawIn = (l: number, column: number, share: number): number => {
    const { letIn, lower, upper } = layers[l]!;
    if (!letIn) return l;
    const thickness = (upper[column]! - lower[column]! + upper[column + 1]! - lower[column + 1]!) / 2;
    const findIndex = letIn.findIndex(({ deep }) => (1 - share) * thickness < deep[column]!);
    return findIndex < 0
      ? l
      : layers.length + 1 + layers.slice(0, l).reduce((sum, other) => sum + (other.letIn?.length ?? 0), 0) + findIndex;
  };
  const quad = (a: number, b: number, c: number, d: number, law: number): void => {
    // a b below left to right, d c above: the diagonal rises towards the rim, so that both halves of a cut are alike.
    if (a !== b && b !== c && a !== c) push(a, b, c, law);
    if (a !== c && c !== d && a !== d) push(a, c, d, law);
  };
  const push = (a: number, b: number, c: number, law: number): void => {
    const twice =
      (at[2 * b]! - at[2 * a]!) * (at[2 * c + 1]! - at[2 * a + 1]!) - (at[2 * c]! - at[2 * a]!) * (at[2 * b + 1]! - at[2 * a + 1]!);
    if (twice <= 1e-9) return;
    triangles.push(a, b, c);
    lawOf.push(law);
  };
  layers.forEach((layer, l) => {
    for (let i = layer.from; i < layer.to; i++) {
      const [here, next] = [grid[l]![i]!, grid[l]![i + 1]!];
      const [under, underNext] = [below[l]![i]!, below[l]![i + 1]!];
      if (under >= 0 || underNext >= 0) {
        const a = under >= 0 ? under : here[0]!;
        const b = underNext >= 0 ? underNext : next[0]!;
        if ((under >= 0 || onBoard(i)) && (underNext >= 0 || onBoard(i + 1))) quad(a, b, next[0]!, here[0]!, layers.length);
      }
      for (let r = 0; r < rows[l]!; r++) quad(here[r]!, next[r]!, next[r + 1]!, here[r + 1]!, lawIn(l, i, (r + 0.5) / rows[l]!));
    }
  });
  const nodes = heldX.length;
  const used = new Uint8Array(nodes);
  for (const k of triangles) used[k] = 1;
  const freeX = new Int32Array(nodes).fill(-1);
  const freeZ = new Int32Array(nodes).fill(-1);
  let unknowns = 0;
  for (let k = 0; k < nodes; k++) {
    if (!used[k]) continue;
    if (!heldX[k]) freeX[k] = unknowns++;
    if (!heldZ[k]) freeZ[k] = unknowns++;
  }
  const last = layers.reduce((most, layer) => Math.max(most, layer.to), -1);
  const beyond: number[] = [];
  for (let i = last + 1; i < x.length; i++) if (onBoard(i)) beyond.push(x[i]!, base[i]!);
  if (last < 0 || x[last]! < edge.x - SAME || beyond.length === 0) beyond.push(edge.x, edge.top);
  const rim = last < 0 ? [] : sideOf(layers, grid, last);
  const face = last < 0 ? [] : [...tops.subarray(0, last), ...rim].filter((k) => k >= 0 && used[k]);
  const under: number[] = [];
  for (let i = 0; i <= last; i++) {
    if (onBoard(i)) continue;
    const lowest = layers.findIndex((layer) => i >= layer.from && i <= layer.to);
    if (lowest >= 0) under.push(...grid[lowest]![i]!);
  }
  const { seam } = edge;
  const inside = (k: number): boolean => at[2 * k]! < seam!.x - BESIDE_SEAM;
  const banded = seam ? Array.from({ length: nodes }, (_, k) => k).filter((k) => used[k] && !inside(k)) : [];
  return finish({
    beyond: seam ? [] : beyond,
    grid,
    at,
    triangles,
    lawOf,
    laws,
    freeX,
    freeZ,
    unknowns,
    nodes,
    // What lies beyond the seam the top does not touch: the band holds it.
    face: seam ? face.filter((k) => tops.includes(k) && inside(k)) : face,
    under: under.filter((k) => used[k]),
    banded,
  });
}

/** The rim column's nodes from the top down. */
function sideOf(layers: readonly Layer[], grid: readonly Int32Array[][], column: number): number[] {
  const side: number[] = [];
  for (let l = layers.length - 1; l >= 0; l--) {
    const line = grid[l]![column];
    if (!line) continue;
    for (let r = line.length - 1; r >= 0; r--) if (side.at(-1) !== line[r]!) side.push(line[r]!);
  }
  return side;
}

/** The first unknown of a node: of two, the one that there is. */
function lowest(x: number, z: number): number {
  return x < 0 ? (z < 0 ? Infinity : z) : z < 0 ? x : Math.min(x, z);
}

function finish(raw: {
  beyond: number[];
  grid: Int32Array[][];
  at: number[];
  triangles: number[];
  lawOf: number[];
  laws: Law[];
  freeX: Int32Array;
  freeZ: Int32Array;
  unknowns: number;
  nodes: number;
  face: number[];
  under: number[];
  banded: number[];
}): Mesh {
  const { at, freeX, freeZ } = raw;
  const triangles = Int32Array.from(raw.triangles);
  const count = triangles.length / 3;
  const shape = new Float64Array(5 * count);
  const first = Int32Array.from({ length: raw.unknowns }, (_, u) => u);
  let width = 0;
  /** Unknowns of these nodes are coupled: each knows the first of them. */
  const couple = (a: number, b: number, c: number): void => {
    const least = Math.min(lowest(freeX[a]!, freeZ[a]!), lowest(freeX[b]!, freeZ[b]!), lowest(freeX[c]!, freeZ[c]!));
    for (let k = 0; k < 3; k++) {
      const value = k === 0 ? a : k === 1 ? b : c;
      for (let axis = 0; axis < 2; axis++) {
        const u = axis === 0 ? freeX[value]! : freeZ[value]!;
        if (u < 0) continue;
        if (least < first[u]!) first[u] = least;
        if (u - least > width) width = u - least;
      }
    }
  };
  for (let t = 0; t < count; t++) {
    const a = triangles[3 * t]!;
    const b = triangles[3 * t + 1]!;
    const c = triangles[3 * t + 2]!;
    const m00 = at[2 * b]! - at[2 * a]!;
    const m10 = at[2 * b + 1]! - at[2 * a + 1]!;
    const m01 = at[2 * c]! - at[2 * a]!;
    const m11 = at[2 * c + 1]! - at[2 * a + 1]!;
    const det = m00 * m11 - m01 * m10;
    const s = 5 * t;
    shape[s] = m11 / det;
    shape[s + 1] = -m01 / det;
    shape[s + 2] = -m10 / det;
    shape[s + 3] = m00 / det;
    shape[s + 4] = det / 2;
    couple(a, b, c);
  }
  // Neighbours along the cover are coupled too, and the next ones when it passes over a place between.
  for (let i = 1; i < raw.face.length; i++) couple(raw.face[i - 1]!, raw.face[i]!, raw.face[i]!);
  for (const k of raw.face) for (const u of [freeX[k]!, freeZ[k]!]) if (u >= 0) first[u] = Math.max(0, u - width);
  return {
    nodes: raw.nodes,
    at: Float64Array.from(at),
    freeX,
    freeZ,
    triangles,
    shape,
    laws: raw.laws,
    lawOf: Int32Array.from(raw.lawOf),
    face: Int32Array.from(raw.face),
    beyond: Float64Array.from(raw.beyond),
    grid: raw.grid,
    banded: Int32Array.from(raw.banded),
    under: Int32Array.from(raw.under),
    unknowns: raw.unknowns,
    width,
    first,
  };
}
