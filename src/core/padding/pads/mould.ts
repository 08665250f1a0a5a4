import { bounds, measuredOutline, type Polygon } from '../../outline';
import type { Base, Mould, PanRow } from '../../piece';
import { readGrid } from '../surface/grid';

/**
 * A smooth curve through readings that never swings past them (Fritsch and Carlson's monotone cubic).
 *
 * @param xs where the readings were taken, rising
 * @param ys the readings
 */
export function monotoneThrough(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length;
  const slope = xs.slice(1).map((x, i) => (ys[i + 1]! - ys[i]!) / (x - xs[i]!));
  const tangent = ys.map((_, i) => {
    if (i === 0) return slope[0]!;
    if (i === n - 1) return slope[n - 2]!;
    const [a, b] = [slope[i - 1]!, slope[i]!];
    if (a * b <= 0) return 0;
    const [h, k] = [xs[i]! - xs[i - 1]!, xs[i + 1]! - xs[i]!];
    return (3 * (h + k)) / ((2 * k + h) / a + (k + 2 * h) / b);
  });
  return (x) => {
    if (x <= xs[0]!) return ys[0]!;
    if (x >= xs[n - 1]!) return ys[n - 1]!;
    let i = 0;
    while (x > xs[i + 1]!) i += 1;
    const h = xs[i + 1]! - xs[i]!;
    const t = (x - xs[i]!) / h;
    const [t2, t3] = [t * t, t * t * t];
    return (
      (2 * t3 - 3 * t2 + 1) * ys[i]! +
      (t3 - 2 * t2 + t) * h * tangent[i]! +
      (3 * t2 - 2 * t3) * ys[i + 1]! +
      (t3 - t2) * h * tangent[i + 1]!
    );
  };
}

/**
 * Height of a pan given by cross-sections: at a share u = 2|x|/width of the way out,
 * z = height − drop·u + 4·crown·u·(1 − u), the four figures running smoothly from section to section.
 */
function fromRows(rows: readonly PanRow[], front: number): (x: number, y: number) => number {
  const at = rows.map((row) => row.at + front);
  const along = (key: 'width' | 'height' | 'drop' | 'crown') =>
    monotoneThrough(
      at,
      rows.map((row) => row[key]),
    );
  const [width, height, drop, crown] = [along('width'), along('height'), along('drop'), along('crown')];
  return (x, y) => {
    const u = Math.min(1, (2 * Math.abs(x)) / width(y));
    return height(y) - drop(y) * u + 4 * crown(y) * u * (1 - u);
  };
}

/** Height read off a map. */
function fromMap({ x0, y0, step, columns, rows, heights }: Extract<Mould, { kind: 'map' }>): (x: number, y: number) => number {
  const grid = { x0, y0, step, columns, rows, heights: Float64Array.from(heights) };
  return (x, y) => readGrid(grid, [x, y]);
}

/**
 * Height of a base's top face over its reference plane anywhere in the plan, mm. Cross-sections are counted from the
 * front edge.
 *
 * @param base the measured base
 * @param board its outline
 */
export function mouldHeight(base: Pick<Base, 'shape' | 'mould'>, board: Polygon): (x: number, y: number) => number {
  const { mould, shape } = base;
  if (mould?.kind === 'map') return fromMap(mould);
  if (mould?.kind === 'rows') return fromRows(mould.rows, bounds(board).minY);
  // A saddle's own rows are counted from where they were measured; drawing it centred moved them.
  if (shape.type === 'saddle') return fromRows(shape.rows, measuredOutline(shape).moved[1]);
  return () => 0;
}
