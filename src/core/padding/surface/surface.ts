import { answerOf } from '../../foam';
import { keepNothing, type Keep } from '../../keep';
import { bounds, deepest, distanceField, type Point, type Polygon } from '../../outline';
import { rimOf } from '../../pad-rims';
import { letInDepth, thickest } from '../../piece';
import { foamSprings, settle, type Columns } from '../../mechanics/load';
import type { CoveredSurface } from './covered';
import { readGrid, type HeightGrid } from '../../heights';
import { edgeHeights } from './edge-heights';
import type { BuiltPad, Stack } from '../model';
import { formsLeft, type FormLeft } from '../pads/forms-left';
import { distanceToLine, halvesOf, passageOf, type Half } from '../section/section';
import { showThroughOf, type ShowThrough } from './show-through';
import { bridgeReach, freeHeight, stackAt } from '../pads/stack';

/** What is said of the whole covered surface. Heights are over the board's top face, mm. */
export type Surface = {
  model: 'foam-and-cover';
  /** the middle of the finished cover */
  height: number;
  /** rise of the middle over the pad's rim before covering */
  freeCrown: number;
  /** what the cover leaves of it: the covered middle, less its wadding, over the pad's rim as it was cut */
  crown: number;
  /** (shortest distance from the covered line to the pad's square corner) ÷ (√2 − 1) */
  edgeRadius: number;
  showThrough: ShowThrough;
  /** all pads at the middle before covering, mm: wedges and worked tops as they are there */
  free: number;
  /** what is left of hollows, dips and rises under the pulled cover */
  forms: FormLeft[];
  /** whether every section and the surface came to rest */
  converged: boolean;
};

/** A hollow under a bridging pad gives at once, and shuts. */
const HOLLOW = answerOf({ plateau: 0.0001, onset: 0.5, densify: 0.02 });

/** The rim itself is left to the sections this deep: this share of the padding's height. */
const ZONE = 0.9;

/** Just inside a rim: there the pad still has its height. */
const RIM = 0.01;

/** Grids whose sides can be halved this often keep a mirrored piece's answer mirrored. */
const HALVED = 8;

/** The outline within which the padding lies: that of the pad that reaches farthest. */
export function padding(stack: Stack): Polygon {
  const outermost = stack.pads.reduce<BuiltPad | null>(
    (best, built) => (best && best.offset >= built.offset && !best.pad.outline ? best : built),
    null,
  );
  return outermost?.polygon ?? stack.board;
}

/** A station's place with the half section through it. */
export type Cut = { point: Point; half: Half };

type Places = { x0: number; y0: number; step: number; columns: number; rows: number };

/** Square cells over an outline, as many each way as can be halved often. */
function placesOver(polygon: Polygon, size: number): Places {
  const box = bounds(polygon);
  const step = Math.max(box.width, box.height) / size;
  const sides = [box.width, box.height].map((side) => Math.ceil(Math.round((side / step) * 1e6) / 1e6 / HALVED) * HALVED + 1);
  const [columns, rows] = sides as [number, number];
  return {
    x0: (box.minX + box.maxX) / 2 - ((columns - 1) / 2) * step,
    y0: (box.minY + box.maxY) / 2 - ((rows - 1) / 2) * step,
    step,
    columns,
    rows,
  };
}

/** What stands at every node of the grid: where there is padding, how high, of what. */
type Standing = {
  there: Uint8Array;
  inner: Uint8Array;
  rest: Float64Array;
  base: Float64Array;
  /** first guess of the covered height; held where it is not found over the plan */
  height: Float64Array;
  thickness: Float64Array[];
  /** of each pad, the depth of each thing let into it */
  letIn: Float64Array[][];
  hollow: Float64Array;
};

function standing(stack: Stack, polygon: Polygon, places: Places, sections: readonly Cut[]): Standing {
  const { pads } = stack;
  const { columns: n, rows: m, step, x0, y0 } = places;
  const count = n * m;
  const zeros = (): Float64Array => new Float64Array(count);
  const found: Standing = {
    there: new Uint8Array(count),
    inner: new Uint8Array(count),
    rest: zeros().fill(NaN),
    base: zeros(),
    height: zeros(),
    thickness: pads.map(zeros),
    letIn: pads.map((built) => built.letIn.map(zeros)),
    hollow: zeros(),
  };
  const total = pads.reduce((sum, { pad }) => sum + pad.thickness, 0);
  const depth = deepest(polygon).depth;
  const zone = Math.max(Math.min(ZONE * total, 60, 0.45 * depth), Math.min(1.2 * step, 0.6 * depth));
  const rim = distanceField(polygon, places, zone + 2 * step);
  const fields = pads.map((built, k) =>
    built.polygon === polygon && reachOf(stack, k) <= zone ? rim : distanceField(built.polygon, places, reachOf(stack, k) + step),
  );
  const edge = edgeHeights(stack.board, sections, zone);
  for (let k = 0; k < count; k++) {
    if (!rim.inside[k]) continue;
    const at: Point = [x0 + (k % n) * step, y0 + Math.floor(k / n) * step];
    const item = stackAt(
      stack,
      at,
      (which) => fields[which]!.inside[k] === 1,
      (which) => fields[which]!.away[k]!,
    );
    found.there[k] = 1;
    found.base[k] = item.base;
    found.rest[k] = item.top + stack.wadding;
    fill(found, stack, item, k, at);
    const away = rim.away[k]!;
    found.inner[k] = away > zone ? 1 : 0;
    found.height[k] = found.inner[k] ? found.rest[k]! : Math.min(edge(at, away), found.rest[k]! + 0.5 * total);
  }
  return found;
}

/** The pads' thicknesses at one node, what is let in and hollows taken apart. */
function fill(found: Standing, { pads }: Stack, item: ReturnType<typeof stackAt>, k: number, at: Point): void {
  let under = item.base;
  item.pads.forEach((pad, which) => {
    if (!pad) return;
    found.hollow[k]! += Math.max(0, pad.lower - under);
    under = pad.upper;
    let left = pad.upper - pad.lower;
    pads[which]!.letIn.forEach(({ pocket }, value) => {
      const deep = Math.min(letInDepth(pocket, at), left);
      found.letIn[which]![value]![k] = deep;
      left -= deep;
    });
    found.thickness[which]![k] = left;
  });
}

/**
 * Solves the covered height over the whole plan: the sections give the rim, the surface over the foam's columns is
 * pulled between.
 *
 * @param stack the built stack
 * @param sections each station's place and half section
 * @param [size=64] cells along the longer side
 */
export function coveredSurface(stack: Stack, sections: readonly Cut[], size = 64): CoveredSurface {
  const polygon = padding(stack);
  const places = placesOver(polygon, size);
  const found = standing(stack, polygon, places, sections);
  const { there, inner, rest, base } = found;
  const layers = stack.pads.flatMap((built, which) => [
    { answer: built.answer, t: found.thickness[which]!, foam: true },
    ...built.letIn.map(({ answer }, value) => ({ answer, t: found.letIn[which]![value]!, foam: true })),
  ]);
  if (found.hollow.some((gap) => gap > 0)) layers.push({ answer: HOLLOW, t: found.hollow, foam: false });
  if (stack.wadding > 0) layers.push({ answer: stack.waddingAnswer, t: new Float64Array(there.length).fill(stack.wadding), foam: false });
  const columns: Columns = { foams: layers.map((layer) => layer.answer), thickness: layers.map((layer) => layer.t) };
  const settled = settle(
    {
      columns: places.columns,
      rows: places.rows,
      step: places.step,
      free: inner,
      there,
      rest,
      springs: foamSprings(columns),
      pull: stack.pull,
      steep: true,
    },
    found.height,
  );
  return {
    grid: { ...places, heights: Float64Array.from(settled.height, (z, k) => (there[k] ? z : NaN)) },
    polygon,
    there,
    inner,
    rest,
    base,
    columns,
    foams: layers.flatMap((layer, k) => (layer.foam ? [k] : [])),
    converged: settled.converged,
  };
}

/** How far from a pad's outline its shape still depends on it, mm. */
function reachOf({ pads }: Stack, k: number): number {
  const { pad, depth } = pads[k]!;
  const above = pads[k + 1];
  const bridged = above ? bridgeReach(thickest(pad), above.pad.thickness) : 0;
  return Math.max(bridged, rimOf(pad.edge).reach(pad.edge, depth));
}

/**
 * Height, crown and edge of the covered piece: the middle from the surface, the edge from the cut from front to back.
 *
 * @param stack the built stack
 * @param covered its surface
 * @param sections the stations' halves, which must all have come to rest too
 * @param [options] how finely, and what is kept
 */
export function surfaceOf(
  stack: Stack,
  covered: CoveredSurface,
  sections: readonly { half: Half }[],
  { coarse = false, keep = keepNothing }: { coarse?: boolean; keep?: Keep } = {},
): Surface {
  const { middle: origin } = stack;
  const passage = passageOf(stack, origin, [0, 1])!;
  const sum = passage.run[0] + passage.run[1];
  const [front] = halvesOf(stack, passage, { middle: Math.abs(sum) < 1e-6 ? 0 : sum / 2, sides: [-1], coarse, keep });
  const level = stack.baseHeight(...origin);
  const found = readGrid(covered.grid, origin) - level;
  const height = Number.isNaN(found) ? freeHeight(stack, origin) + stack.wadding : found;
  const converged = covered.converged && sections.every(({ half }) => half.pulled.converged);
  const showThrough = showThroughOf(stack, covered);
  const forms = formsLeft(stack, covered);
  const free = freeHeight(stack, origin);
  const { stack: cut } = front!;
  const rim = cut.layers.reduce((most, layer) => Math.max(most, cut.x[layer.to]!), 0);
  const widest = cut.layers.findLast((layer) => cut.x[layer.to]! === rim);
  if (!widest)
    return { model: 'foam-and-cover', height, freeCrown: 0, crown: 0, edgeRadius: stack.wadding, showThrough, free, forms, converged };
  // The crown rises over the rim of the padding it lies in, not over its own.
  const local = (crowns: boolean): readonly [number, number] | null =>
    passage.pads.reduce<readonly [number, number] | null>(
      (a, b, k) => (b && (crowns || stack.pads[k]!.pad.role !== 'crown') && (!a || b[0] < a[0]) ? b : a),
      null,
    );
  const run = (local(false) ?? local(true))!;
  const rimFree = freeHeight(stack, [origin[0], origin[1] + run[0] + RIM]);
  const top = widest.upper[widest.to]!;
  // A wadding lies outside the foam: its own corner is the one the cover would square up to.
  const square: Point = [rim + stack.wadding, top + stack.wadding];
  return {
    model: 'foam-and-cover',
    height,
    freeCrown: free - rimFree,
    crown: height - stack.wadding - rimFree,
    edgeRadius: distanceToLine(front!.cover, square) / (Math.SQRT2 - 1),
    showThrough,
    free,
    forms,
    converged,
  };
}

/**
 * The board's own top face on a square grid over its whole surrounding rectangle.
 *
 * @param stack the built stack
 * @param [size=24] cells along the longer side
 */
export function baseGrid(stack: Stack, size = 24): HeightGrid {
  const box = bounds(stack.board);
  const step = Math.max(box.width, box.height) / size;
  const columns = Math.ceil(box.width / step) + 1;
  const rows = Math.ceil(box.height / step) + 1;
  const heights = Float64Array.from({ length: columns * rows }, (_, i) =>
    stack.baseHeight(box.minX + (i % columns) * step, box.minY + Math.floor(i / columns) * step),
  );
  return { x0: box.minX, y0: box.minY, step, columns, rows, heights };
}
