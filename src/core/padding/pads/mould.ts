import { bounds, measuredOutline, type Polygon } from '../../outline';
import type { Base, Mould, PanRow } from '../../piece';
import { monotoneThrough, readGrid } from '../../heights';

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
