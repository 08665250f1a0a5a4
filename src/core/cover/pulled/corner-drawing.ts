import type { Point, Polygon } from '../../outline';

/** How far along either edge the drawing shows, in wraps. */
export const SHOWN = 1.5;

/** A fold's line, and whether its back or its valley lies there. */
export type FoldLine = { from: Point; to: Point; mountain: boolean };

/**
 * The cloth's corner as a drawing: away from the corner along either edge, and out from it. The origin is where the two
 * edges of the covered top meet, the cloth reaches downwards.
 */
export class CornerDrawing {
  private readonly half: number;
  private readonly na: Point;
  private readonly nb: Point;

  constructor(
    private readonly angle: number,
    private readonly wrap: number,
  ) {
    this.half = angle / 2;
    this.na = [-Math.sin(this.half), -Math.cos(this.half)];
    this.nb = [Math.sin(this.half), -Math.cos(this.half)];
  }

  /** The place a beyond the one edge and b beyond the other. */
  at(a: number, b: number): Point {
    const { na, nb } = this;
    const c = na[0] * nb[0] + na[1] * nb[1];
    const span = 1 - c * c;
    if (span < 0.02) return [0, -(a + b) / 2];
    const [p, q] = [(a - b * c) / span, (b - a * c) / span];
    return [p * na[0] + q * nb[0], p * na[1] + q * nb[1]];
  }

  tip(distance: number): Point {
    return this.at(distance, distance);
  }

  private along(sign: 1 | -1, out: number): Point {
    const [n, reach] = [sign < 0 ? this.na : this.nb, this.wrap * SHOWN];
    return [sign * Math.cos(this.half) * reach + n[0] * out, Math.sin(this.half) * reach + n[1] * out];
  }

  /** The line at a distance from the covered top's edge. */
  level(distance: number): Point[] {
    return [this.along(-1, distance), this.tip(distance), this.along(1, distance)];
  }

  cloth(): Polygon {
    const { wrap } = this;
    return [this.along(-1, 0), this.along(-1, wrap), this.tip(wrap), this.along(1, wrap), this.along(1, 0), [0, 0]];
  }

  /**
   * What is cut away of the bulk: beyond `short` of the one edge, but for a tail that is left of the other.
   *
   * @param short where the cuts stop
   * @param tail what is left standing on the one side, mm
   */
  away(short: number, tail: number): Polygon {
    const { wrap } = this;
    const left = Math.min(wrap, short + tail);
    return [this.at(short, left), this.at(wrap, left), this.tip(wrap), this.at(short, wrap)];
  }

  /** Each fold takes its share of the bend: its back lies in the middle of it, its folds on either side. */
  folds(count: number): FoldLine[] {
    const { na, nb, wrap, half, angle } = this;
    const fold = (turn: number, mountain: boolean): FoldLine => {
      const bearing = -half + angle * turn;
      const dir: Point = [Math.sin(bearing), -Math.cos(bearing)];
      const out = Math.max(0.3, Math.max(dir[0] * na[0] + dir[1] * na[1], dir[0] * nb[0] + dir[1] * nb[1]));
      return { from: [0, 0], to: [(dir[0] * wrap) / out, (dir[1] * wrap) / out], mountain };
    };
    return Array.from({ length: count }, (_, k) => [
      fold((k + 0.5) / count, true),
      fold((k + 0.02) / count, false),
      fold((k + 0.98) / count, false),
    ]).flat();
  }
}
