import type { Model } from '../build';
import { bounds, offsetPolygon, type Point } from '../outline';
import type { Buttons, Nails } from '../piece';
import type { CoverPiece } from './cloth-piece';
import { distanceAlong } from './blank';

/** Nails along one edge: how many, how far apart they come out. */
export type NailRun = { edge: string; length: number; count: number; pitch: number };
/** The nails of a piece: places in the plan, big and small heads in turn where they alternate. */
export type NailPlan = {
  runs: NailRun[];
  count: number;
  small: number;
  gap: number;
  places: { x: number; y: number; head: number }[];
  /** the bare margin they stand in, and what it must be at least */
  margin: number;
  least: number;
};

/** The buttons of a piece. Lengths mm; `run` is the cloth from button to button over the valley between them. */
export type ButtonPlan = {
  count: number;
  spacing: number;
  depth: number;
  run: number;
  takeUp: number;
  needle: number;
  thread: number;
  /** cloth circles to cover them */
  blank: number;
  places: { x: number; y: number }[];
};

/**
 * Nails along the edge: the corners first, then each edge at an even pitch nearest the wanted one. Source:
 * docs/models.md, "Nails": n = round(L/p); where sizes alternate n is even, so that the corners carry the large heads
 * and every gap is alike.
 *
 * @param model the built piece
 * @param nails wanted pitch and heads
 */
export function nailPlan(model: Model, { pitch, head, small }: Nails): NailPlan {
  const bare = model.pads.length > 0 ? Math.max(0, -Math.max(...model.pads.map((pad) => pad.offset))) : model.rule('nailMargin');
  const line = offsetPolygon(model.board, -Math.max(head, (bare || model.rule('nailMargin')) / 2)) ?? model.board;
  const total = line.reduce(
    (sum, a, i) => sum + Math.hypot(line[(i + 1) % line.length]![0] - a[0], line[(i + 1) % line.length]![1] - a[1]),
    0,
  );
  const corners = model.places.filter((place) => Math.abs(place.turn) > 0.3);
  const marks = (corners.length > 0 ? corners : [model.places[0]!]).map((place) => distanceAlong(line, place.point)).sort((a, b) => a - b);
  const at = (s: number): Point => {
    let left = ((s % total) + total) % total;
    for (let i = 0; i < line.length; i++) {
      const [a, b] = [line[i]!, line[(i + 1) % line.length]!];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
      if (left <= length) return [a[0] + ((b[0] - a[0]) * left) / length, a[1] + ((b[1] - a[1]) * left) / length];
      left -= length;
    }
    return line[0]!;
  };
  const places: NailPlan['places'] = [];
  const runs = marks.map((from, k): NailRun => {
    const to = k + 1 < marks.length ? marks[k + 1]! : marks[0]! + total;
    const length = to - from;
    const wanted = small > 0 ? 2 * Math.round(length / pitch / 2) : Math.round(length / pitch);
    const count = Math.max(small > 0 ? 2 : 1, wanted);
    for (let i = 0; i < count; i++) {
      const [x, y] = at(from + (length * i) / count);
      places.push({ x, y, head: small > 0 && i % 2 === 1 ? small : head });
    }
    const [mx, my] = at(from + length / 2);
    const edges = model.places.filter((place) => place.turn === 0);
    const edge = edges.reduce((best, place) =>
      Math.hypot(place.point[0] - mx, place.point[1] - my) < Math.hypot(best.point[0] - mx, best.point[1] - my) ? place : best,
    );
    return { edge: edge.edge, length, count, pitch: length / count };
  });
  const smalls = places.filter((nail) => nail.head !== head).length;
  const tightest = runs.reduce((least, run) => Math.min(least, run.pitch), Infinity);
  return {
    runs,
    count: places.length,
    small: smalls,
    gap: tightest - (small > 0 ? (head + small) / 2 : head),
    places,
    margin: bare,
    least: head * 2,
  };
}

/**
 * Buttons on a grid about the middle. Source: docs/models.md, "Buttons": over a spacing s drawn in by t the cloth runs
 * 2·√((s/2)² + t²).
 *
 * @param model the built piece
 * @param buttons the grid
 * @param padding thickness of the padding at the middle, mm
 */
export function buttonPlan(model: Model, { columns, rows, spacing, depth, size }: Buttons, padding: number): ButtonPlan {
  const run = 2 * Math.hypot(spacing / 2, depth);
  const [mx, my] = model.middle;
  const places = Array.from({ length: rows * columns }, (_, i) => ({
    x: mx + ((i % columns) - (columns - 1) / 2) * spacing,
    y: my + (Math.floor(i / columns) - (rows - 1) / 2) * spacing,
  }));
  const through = padding + model.boardThickness;
  return {
    count: places.length,
    spacing,
    depth,
    run,
    takeUp: run - spacing,
    needle: through + model.rule('needleExtra'),
    thread: places.length * (2 * through + 200),
    blank: size * 2,
    places,
  };
}

/**
 * Opens a cover by what its buttons draw in: each run from button to button takes its own, and half a run to the edge on
 * either side.
 *
 * @param piece the cover without buttons
 * @param plan the buttons
 * @param grid how many, across and along
 */
export function buttoned(piece: CoverPiece, plan: ButtonPlan, { columns, rows, spacing }: Buttons): CoverPiece {
  const middle = bounds(piece.sewn);
  const [mx, my] = [(middle.minX + middle.maxX) / 2, (middle.minY + middle.maxY) / 2];
  const open = (value: number, count: number): number => {
    const reach = (count * spacing) / 2;
    const inside = Math.max(-reach, Math.min(reach, value));
    return value + (inside / spacing) * plan.takeUp;
  };
  const at = ([x, y]: Point): Point => [mx + open(x - mx, columns), my + open(y - my, rows)];
  const outline = piece.outline.map(at);
  const box = bounds(outline);
  return {
    ...piece,
    outline,
    width: box.width,
    height: box.height,
    sewn: piece.sewn.map(at),
    stapleLine: piece.stapleLine.map(at),
    trimLine: piece.trimLine.map(at),
    centreMarks: piece.centreMarks.map(at),
    marks: [
      ...piece.marks,
      ...plan.places.map(({ x, y }, k) => {
        const [px, py] = at([x, y]);
        return { kind: 'button' as const, x: px, y: py, label: String(k + 1) };
      }),
    ],
    motif: piece.motif && { x: at([piece.motif.x, piece.motif.y])[0], y: at([piece.motif.x, piece.motif.y])[1] },
  };
}
