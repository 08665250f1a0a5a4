import { curveOf, type FoamCurve } from '../foam';
import { bounds, deepest, distanceField, type Point, type Polygon } from '../outline';
import { foamSprings, settle, type Columns } from '../press';
import { WADDING_CURVE } from '../pull';
import { readGrid, type CoveredSurface, type HeightGrid } from './covered';
import { edgeHeights } from './edge-heights';
import { inPocket } from './half-cut';
import type { Model } from './model';
import { distanceToLine, halvesOf, passageOf, type Half } from './section';
import { showThroughOf, type ShowThrough } from './show-through';
import { bridgeReach, freeHeight, stackAt } from './stack';

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
  /** whether every section and the surface came to rest */
  converged: boolean;
};

/** A hollow under a bridging pad gives at once, and shuts. */
const HOLLOW: FoamCurve = { plateau: 0.0001, onset: 0.5, densify: 0.02 };

/** The rim itself is left to the sections this deep: this share of the padding's height. */
const ZONE = 0.9;

/** Just inside a rim: there the pad still has its height. */
const RIM = 0.01;

/** Grids whose sides can be halved this often keep a mirrored piece's answer mirrored. */
const HALVED = 8;

/** The outline within which the padding lies: that of the pad that reaches farthest. */
export function padding(model: Model): Polygon {
  const outermost = model.pads.reduce<(typeof model.pads)[number] | null>(
    (best, built) => (best && best.offset >= built.offset && !best.pad.outline ? best : built),
    null,
  );
  return outermost?.polygon ?? model.board;
}

/**
 * Solves the covered height over the whole plan: the sections give the rim, the surface over the foam's columns is
 * pulled between.
 *
 * @param model the built piece
 * @param sections each station's place and half section
 * @param [size=64] cells along the longer side
 */
export function coveredSurface(model: Model, sections: readonly { point: Point; half: Half }[], size = 64): CoveredSurface {
  const polygon = padding(model);
  const box = bounds(polygon);
  const step = Math.max(box.width, box.height) / size;
  const sides = [box.width, box.height].map((side) => Math.ceil(Math.round((side / step) * 1e6) / 1e6 / HALVED) * HALVED + 1);
  const [n, m] = sides as [number, number];
  const x0 = (box.minX + box.maxX) / 2 - ((n - 1) / 2) * step;
  const y0 = (box.minY + box.maxY) / 2 - ((m - 1) / 2) * step;
  const count = n * m;
  const there = new Uint8Array(count);
  const inner = new Uint8Array(count);
  const rest = new Float64Array(count).fill(NaN);
  const base = new Float64Array(count);
  const height = new Float64Array(count);
  const { pads } = model;
  const inserts = pads.map((built) => (built.pad.pocket && built.insert ? new Float64Array(count) : null));
  const thickness = pads.map(() => new Float64Array(count));
  const hollow = new Float64Array(count);
  const wadding = new Float64Array(count).fill(model.wadding);
  const total = pads.reduce((sum, { pad }) => sum + pad.thickness, 0);
  const depth = deepest(polygon).depth;
  const zone = Math.max(Math.min(ZONE * total, 60, 0.45 * depth), Math.min(1.2 * step, 0.6 * depth));
  const places = { x0, y0, step, columns: n, rows: m };
  const rim = distanceField(polygon, places, zone + 2 * step);
  const fields = pads.map((built, k) =>
    built.polygon === polygon && reachOf(model, k) <= zone ? rim : distanceField(built.polygon, places, reachOf(model, k) + step),
  );
  const edge = edgeHeights(model.board, sections, zone);
  for (let j = 0; j < m; j++) {
    for (let i = 0; i < n; i++) {
      const k = j * n + i;
      const at: Point = [x0 + i * step, y0 + j * step];
      if (!rim.inside[k]) continue;
      const away = rim.away[k]!;
      const stack = stackAt(
        model,
        at,
        (which) => fields[which]!.inside[k] === 1,
        (which) => fields[which]!.away[k]!,
      );
      there[k] = 1;
      base[k] = stack.base;
      rest[k] = stack.top + model.wadding;
      let under = stack.base;
      stack.pads.forEach((pad, which) => {
        if (!pad) return;
        hollow[k]! += Math.max(0, pad.lower - under);
        under = pad.upper;
        const { pocket } = pads[which]!.pad;
        const whole = pad.upper - pad.lower;
        const deep = pocket && inPocket(pocket, at) ? Math.min(pocket.deep, whole) : 0;
        thickness[which]![k] = whole - deep;
        if (deep > 0 && inserts[which]) inserts[which]![k] = deep;
      });
      inner[k] = away > zone ? 1 : 0;
      height[k] = inner[k] ? rest[k]! : Math.min(edge(at, away), rest[k]! + 0.5 * total);
    }
  }
  const layers = pads.flatMap((built, which) => [
    { curve: curveOf(built.foam), t: thickness[which]!, foam: true },
    ...(inserts[which] ? [{ curve: curveOf(built.insert!), t: inserts[which]!, foam: true }] : []),
  ]);
  if (hollow.some((gap) => gap > 0)) layers.push({ curve: HOLLOW, t: hollow, foam: false });
  if (model.wadding > 0) layers.push({ curve: WADDING_CURVE, t: wadding, foam: false });
  const columns: Columns = { curves: layers.map((layer) => layer.curve), thickness: layers.map((layer) => layer.t) };
  const settled = settle(
    { columns: n, rows: m, step, free: inner, there, rest, springs: foamSprings(columns), pull: model.pull, steep: true },
    height,
  );
  const heights = Float64Array.from(settled.height, (z, k) => (there[k] ? z : NaN));
  return {
    grid: { x0, y0, step, columns: n, rows: m, heights },
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
function reachOf({ pads }: Model, k: number): number {
  const { pad, depth } = pads[k]!;
  const above = pads[k + 1];
  const bridged = above ? bridgeReach(Math.max(pad.thickness, pad.wedge ?? 0), above.pad.thickness) : 0;
  return Math.max(bridged, 'width' in pad.edge ? pad.edge.width : 0, pad.edge.kind === 'domed' ? depth : 0);
}

/**
 * Height, crown and edge of the covered piece: the middle from the surface, the edge from the cut from front to back.
 *
 * @param model the built piece
 * @param covered its surface
 * @param sections the stations' halves, which must all have come to rest too
 * @param [coarse=false] larger triangles, for a picture while something is dragged
 */
export function surfaceOf(model: Model, covered: CoveredSurface, sections: readonly { half: Half }[], coarse = false): Surface {
  const { middle: origin } = model;
  const passage = passageOf(model, origin, [0, 1])!;
  const [front] = halvesOf(
    model,
    passage,
    Math.abs(passage.run[0] + passage.run[1]) < 1e-6 ? 0 : (passage.run[0] + passage.run[1]) / 2,
    [-1],
    coarse,
  );
  const level = model.baseHeight(...origin);
  const found = readGrid(covered.grid, origin) - level;
  const height = Number.isNaN(found) ? freeHeight(model, origin) + model.wadding : found;
  const converged = covered.converged && sections.every(({ half }) => half.pulled.converged);
  const showThrough = showThroughOf(model, covered);
  const { stack } = front!;
  const rim = stack.layers.reduce((most, layer) => Math.max(most, stack.x[layer.to]!), 0);
  const widest = stack.layers.findLast((layer) => stack.x[layer.to]! === rim);
  if (!widest) return { model: 'foam-and-cover', height, freeCrown: 0, crown: 0, edgeRadius: model.wadding, showThrough, converged };
  // The crown rises over the rim of the padding it lies in, not over its own.
  const own = (crowns: boolean): readonly [number, number] | null =>
    passage.pads.reduce<readonly [number, number] | null>(
      (a, b, k) => (b && (crowns || model.pads[k]!.pad.role !== 'crown') && (!a || b[0] < a[0]) ? b : a),
      null,
    );
  const run = (own(false) ?? own(true))!;
  const rimFree = freeHeight(model, [origin[0], origin[1] + run[0] + RIM]);
  const top = widest.upper[widest.to]!;
  // A wadding lies outside the foam: its own corner is the one the cover would square up to.
  const square: Point = [rim + model.wadding, top + model.wadding];
  return {
    model: 'foam-and-cover',
    height,
    freeCrown: freeHeight(model, origin) - rimFree,
    crown: height - model.wadding - rimFree,
    edgeRadius: distanceToLine(front!.cover, square) / (Math.SQRT2 - 1),
    showThrough,
    converged,
  };
}

/**
 * The board's own top face on a square grid over its whole surrounding rectangle.
 *
 * @param model the built piece
 * @param [size=24] cells along the longer side
 */
export function baseGrid(model: Model, size = 24): HeightGrid {
  const box = bounds(model.board);
  const step = Math.max(box.width, box.height) / size;
  const columns = Math.ceil(box.width / step) + 1;
  const rows = Math.ceil(box.height / step) + 1;
  const heights = Float64Array.from({ length: columns * rows }, (_, i) =>
    model.baseHeight(box.minX + (i % columns) * step, box.minY + Math.floor(i / columns) * step),
  );
  return { x0: box.minX, y0: box.minY, step, columns, rows, heights };
}
