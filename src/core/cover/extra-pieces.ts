import type { Model } from '../build';
import { bounds, type Point, type Polygon } from '../outline';
import type { Covering } from '../piece';
import { flatPiece, withAllowances, type CoverPiece } from './cloth-piece';
import { cornerPlaces, levelSteps, lowerEdge } from './levels';
import type { Making } from './make-panel';
import { seamLine } from './reach';
import { onRing, type Ring } from './ring';
import type { Sewn } from './ways';

/** A pull is sewn on this far below the deck's own edge, out of sight, mm. */
export const HIDDEN = 35;

function strip(
  model: Model,
  id: string,
  name: string,
  role: CoverPiece['role'],
  cloth: CoverPiece['cloth'],
  width: number,
  height: number,
  note: string,
  seam: string | null,
): CoverPiece {
  const outline: Polygon = [
    [-width / 2, -height / 2],
    [width / 2, -height / 2],
    [width / 2, height / 2],
    [-width / 2, height / 2],
  ];
  const allowance = model.rule('seamAllowance');
  const sewn = outline.map(([x, y]): Point => [x, y > 0 ? y - (seam ? allowance : 0) : y]);
  return {
    ...flatPiece(name, model.piece.count, outline),
    id,
    role,
    cloth,
    grain: 'depth',
    hand: null,
    centreMarks: [
      [0, -height / 2],
      [width / 2, 0],
      [0, height / 2],
      [-width / 2, 0],
    ],
    trimLine: outline,
    stapleLine: [],
    sewn,
    edges: seam ? [{ id: 'upper', kind: 'seam', seam, from: 2, sides: 1, allowance, flat: width, sewn: width }] : [],
    notches: [],
    lines: [],
    marks: [],
    strain: null,
    net: 0,
    surface: 0,
    motif: null,
    note,
  };
}

/** Strips and panels that belong to a way and are not part of the visible surface. */
export function extraPieces(model: Model, ring: Ring, covering: Covering, sewn: Sewn, making: Making): CoverPiece[] {
  const { rule } = model;
  const lower = sewn.seams.find((seam) => seam.id === 'lower');
  if (covering.way === 'boxed' && lower) {
    // As long as the bands are along that seam, as they are cut.
    const length =
      making.seams.get('lower')?.reduce((sum, step) => sum + (Number.isNaN(step) ? 0 : step), 0) ?? seamLine(ring, lower).length;
    return [
      strip(
        model,
        'fly',
        'Fly, below the lower welt',
        'fly',
        'lining',
        length,
        rule('return') + rule('grip') + rule('seamAllowance'),
        'Sewn in with the lower welt and stapled under; relieve it on curves.',
        'lower',
      ),
    ];
  }
  if (covering.way === 'block' && lower) {
    const sewnLine = ring.places.map((place, i): Point => {
      const [x, y] = onRing(place, lower.level[i]!);
      return [x * making.preShrink, y * making.preShrink];
    });
    const bottom = bottomPiece(model, sewnLine, making);
    return [bottom];
  }
  if (covering.way === 'tight-deck' && covering.pulls) {
    const corners = cornerPlaces(ring);
    const steps = levelSteps(ring, lowerEdge(ring));
    const n = ring.places.length;
    return corners.map((from, k) => {
      const to = k + 1 < corners.length ? corners[k + 1]! : corners[0]! + n;
      let length = 0;
      for (let i = from; i < to; i++) length += steps[i % n]!;
      const name = ring.places[Math.round((from + to) / 2) % n]!.edge;
      return strip(
        model,
        `pull-${k + 1}`,
        `Pull, ${name}`,
        'pull',
        'lining',
        length - 2 * rule('yCutStop'),
        rule('pullThrough') - HIDDEN + rule('seamAllowance'),
        'Plain cloth sewn to the deck out of sight; it passes through the frame.',
        'pull',
      );
    });
  }
  return [];
}

function bottomPiece(model: Model, sewn: Polygon, making: Making): CoverPiece {
  const allowance = model.rule('seamAllowance');
  const base = strip(model, 'bottom', 'Bottom panel', 'bottom', 'cover', 10, 10, '', null);
  const steps = sewn.map(
    (a, i) => Math.hypot(sewn[(i + 1) % sewn.length]![0] - a[0], sewn[(i + 1) % sewn.length]![1] - a[1]) / making.preShrink,
  );
  const flat = steps.reduce((sum, step) => sum + step, 0);
  const outline = withAllowances(
    sewn,
    sewn.map(() => allowance),
  );
  const box = bounds(sewn);
  const net = flatPiece('', 1, sewn).area / making.preShrink ** 2;
  return {
    ...base,
    ...flatPiece('Bottom panel', model.piece.count, outline),
    trimLine: outline,
    sewn,
    centreMarks: [
      [0, box.minY],
      [box.maxX, 0],
      [0, box.maxY],
      [box.minX, 0],
    ],
    edges: [{ id: 'lower', kind: 'seam', seam: 'lower', from: 0, sides: sewn.length, allowance, flat, sewn: flat }],
    notches: [...making.notches].map(([place, label]) => ({ x: sewn[place]![0], y: sewn[place]![1], label, edge: 'lower' })),
    net,
    surface: net,
  };
}
