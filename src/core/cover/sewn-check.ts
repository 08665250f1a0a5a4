import type { Model } from '../build';
import { polygonArea, polygonPerimeter, withoutLoops, type Polygon } from '../outline';
import type { Covering } from '../piece';
import { growOutline } from './blank';
import { pulledOver } from './covering';
import { levelSteps, lowerEdge } from './levels';
import { surfaceArea, type MadePanel } from './make-panel';
import { discMesh, stripMesh, type Level } from './panel-mesh';
import type { Ring } from './ring';
import type { SeamPlan } from './seam-plans';
import type { StationWrap } from './wrap';

/** How the pieces agree with the surface that they cover, and whether every flat shape came to rest. Areas mm². */
export type SewnCheck = { surface: number; net: number; eased: number; areaError: number; seamError: number; settled: boolean };

/** How far inside the shoulder the cloth's fullness is looked for, mm. */
const INSIDE = 20;
/** The surface is summed over triangles of its own: so many across. */
const ACROSS = 36;

/** A pulled blank at a share of its side, or so far inside its shoulder. */
function blankAt(model: Model, stations: readonly StationWrap[], share: number, inside: number): Polygon {
  return withoutLoops(growOutline(model, stations, (s) => s.top - s.planDistance - inside + s.side * share));
}

/**
 * What a pulled blank has more than the surface, mm²: at every length down from the crown its ring is longer than the
 * cover's own line there; what is over is folded at corners and worked in on curves. Summed by Simpson's rule.
 */
function fullness(model: Model, ring: Ring, stations: readonly StationWrap[]): number {
  const side = lowerEdge(ring);
  const over = (level: Level, blank: Polygon): number =>
    polygonPerimeter(blank) - levelSteps(ring, level).reduce((sum, step) => sum + step, 0);
  const at = (share: number, inside: number): number =>
    over(
      side.map((length) => length * share - inside),
      blankAt(model, stations, share, inside),
    );
  const simpson = (values: readonly number[], length: number): number =>
    values.reduce((sum, value, k) => sum + value * (k === 0 || k === values.length - 1 ? 1 : k % 2 === 1 ? 4 : 2), 0) *
    (length / (values.length - 1) / 3);
  const mean = side.reduce((sum, length) => sum + length, 0) / side.length;
  const core = at(0, INSIDE);
  const radius = Math.sqrt(Math.abs(polygonArea(blankAt(model, stations, 0, INSIDE))) / Math.PI);
  return (
    simpson(
      [0, 0.25, 0.5, 0.75, 1].map((share) => at(share, 0)),
      mean,
    ) +
    simpson(
      [INSIDE, INSIDE / 2, 0].map((inside) => at(0, inside)),
      INSIDE,
    ) +
    // Farther in the crown is a low dome: its surplus grows with the cube of the radius.
    (core * radius) / 4
  );
}

/**
 * Sews the pieces back together by their figures: do their areas give the surface, less what is eased in or folded, and
 * do the partners in every seam have one length?
 *
 * @param model the built piece
 * @param ring its covered surface
 * @param covering how it is covered
 * @param made the panels
 * @param seams its seams
 * @param stations the measured stations
 */
export function sewnCheck(
  model: Model,
  ring: Ring,
  covering: Covering,
  made: readonly MadePanel[],
  seams: readonly SeamPlan[],
  stations: readonly StationWrap[],
): SewnCheck {
  const zero = new Float64Array(ring.places.length);
  const spacing = Math.sqrt(Math.abs(polygonArea(model.board))) / ACROSS;
  const whole = (): number =>
    surfaceArea(discMesh(ring, zero, spacing)) + surfaceArea(stripMesh(ring, zero, lowerEdge(ring), 0, ring.places.length, 1));
  if (pulledOver(covering.way)) {
    const surface = whole();
    const net = Math.abs(polygonArea(blankAt(model, stations, 1, 0)));
    const eased = fullness(model, ring, stations);
    return { surface, net, eased, areaError: (net - eased - surface) / surface, seamError: 0, settled: true };
  }
  const pieces = made.flatMap((panel) => panel.pieces);
  const net = pieces.reduce((sum, piece) => sum + piece.net, 0);
  // A lipped panel ends at its lip: the surface beyond is not covered.
  const surface = covering.way === 'lipped' ? pieces.reduce((sum, piece) => sum + piece.surface, 0) : whole();
  const eased = made.reduce((sum, panel) => sum + easedIn(panel), 0);
  return {
    surface,
    net,
    eased,
    areaError: (net - eased - surface) / surface,
    seamError: seams.reduce((most, seam) => Math.max(most, seam.ease), 0),
    settled: made.every((panel) => panel.settled),
  };
}

/** What the cloth of a panel stretches or is eased in by, mm²: its triangles flat against the same ones sewn. */
function easedIn({ mesh, strain }: MadePanel): number {
  return strain.area.reduce((sum, own) => sum + own, 0) - surfaceArea(mesh);
}
