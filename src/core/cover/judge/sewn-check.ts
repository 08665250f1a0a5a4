import { lineCrossings, polygonArea, type Point, type Polygon } from '../../outline';
import type { SeamPlan } from '../details/seam-plans';
import type { CoverPiece, PieceEdge } from '../laying/cloth-piece';
import { discMesh } from '../laying/disc-mesh';
import { surfaceArea, type MadePanel } from '../laying/make-panel';
import { stripMesh } from '../laying/strip-mesh';
import type { StationWrap } from '../pulled/wrap';
import { levelSteps, lowerEdge, stretchLength, type Level } from '../surface/levels';
import type { Ring } from '../surface/ring';
import type { Way, Working } from '../ways';

/**
 * How the flat pieces agree with the surface that they cover, measured on the pieces as they will be cut and on the
 * surface, not on what lay between. Lengths mm, areas mm², shares of a length.
 */
export type SewnCheck = {
  /** the covered surface, where it is sewn of panels, and the pieces inside their sewn lines */
  surface: number | null;
  net: number;
  areaError: number | null;
  /** the most by which the two sides of a seam differ as cut */
  seamError: number;
  /** the most by which a sewn edge differs from its seam on the surface, beyond what the cloth is asked to give */
  edgeError: number;
  /** how much longer (+) the mesh's sides are flat than on the surface, on the whole */
  meshError: number;
  /** the most by which an allowance differs from what it says */
  allowanceError: number;
  /** pieces whose notches run the wrong way round */
  mirrored: string[];
  settled: boolean;
  /** all of it within what is let pass */
  closes: boolean;
};

/** What is let pass: share of a sewn edge, mm of a blank and of an allowance, share of the area beyond what the cloth gives. */
const LET_PASS = { edge: 0.004, blank: 1.5, allowance: 0.6, area: 0.06 };

/** Where no cut line is found outside the sewn one it counts as so far off, mm: such a piece is not cut to. */
const NOT_DRAWN = 1000;

/** A seam shorter than this is none, mm. */
const LEAST_SEAM = 1e-3;

/** What a check looks at. */
export type SewnTogether = {
  way: Way;
  working: Working;
  made: readonly MadePanel[];
  seams: readonly SeamPlan[];
  stations: readonly StationWrap[];
  pieces: readonly CoverPiece[];
};

/** Points of a piece's edge, from its beginning to its end. */
function edgePoints({ sewn }: CoverPiece, { from, sides }: PieceEdge): Point[] {
  return Array.from({ length: sides + 1 }, (_, k) => sewn[(from + k) % sewn.length]!);
}

function lineLength(points: readonly Point[]): number {
  return points.slice(1).reduce((sum, [x, y], k) => sum + Math.hypot(x - points[k]![0], y - points[k]![1]), 0);
}

/** A panel's edge along a seam of the surface: over which stretch it goes. */
function stretchOf({ spec: { region, rim } }: MadePanel, edge: PieceEdge, n: number): { level: Level; from: number; to: number } | null {
  if (region.kind === 'disc') {
    const { level } = region;
    if (!rim) return { level, from: 0, to: n };
    return edge.id === rim.use.id ? { level, from: rim.from, to: rim.to } : { level, from: rim.to, to: rim.from + n };
  }
  const { inner, outer, from, to } = region;
  return { level: edge.from === 0 ? outer : inner, from, to };
}

/** How far a panel's sewn edges are from their seams on the surface, beyond what the cloth is asked to give. */
function edgeErrorOf(panel: MadePanel, ring: Ring, give: number): number {
  const longer = panel.pieces.length > 1 ? null : panel.pieces[0]!;
  if (!longer) return 0;
  const n = ring.places.length;
  return longer.edges
    .filter((edge) => edge.kind === 'seam')
    .reduce((worst, edge) => {
      const stretch = stretchOf(panel, edge, n);
      if (!stretch) return worst;
      const { level, from, to } = stretch;
      const onSurface = stretchLength(levelSteps(ring, level), from, to);
      // A seam that has shrunk to a point has no length to differ from.
      if (onSurface < LEAST_SEAM) return worst;
      const flat = lineLength(edgePoints(longer, edge)) / longer.longer;
      // A strip that was cut straight is as long as its inner seam; its outer one the cloth makes up for.
      const asked = panel.spec.straight && edge.from === 0 ? give : 0;
      return Math.max(worst, Math.max(0, Math.abs(flat / onSurface - 1) - asked));
    }, 0);
}

/** Mean of how much longer a mesh's sides are flat than on the surface, by their length. */
function meshErrorOf({ mesh: { points, triangles }, flat }: MadePanel): number {
  let [flatSum, sewnSum] = [0, 0];
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!];
      flatSum += Math.hypot(flat[2 * b]! - flat[2 * a]!, flat[2 * b + 1]! - flat[2 * a + 1]!);
      sewnSum += Math.hypot(
        points[3 * b]! - points[3 * a]!,
        points[3 * b + 1]! - points[3 * a + 1]!,
        points[3 * b + 2]! - points[3 * a + 2]!,
      );
    }
  return sewnSum > 0 ? flatSum / sewnSum - 1 : 0;
}

/** Along the middle of every edge the cut line lies its allowance outside the sewn one. */
function allowanceErrorOf(piece: CoverPiece): number {
  return piece.edges.reduce((worst, edge) => {
    if (edge.kind === 'dart' || edge.sides < 1) return worst;
    const points = edgePoints(piece, edge);
    const k = Math.floor((points.length - 1) / 2);
    const [a, b] = [points[k]!, points[k + 1] ?? points[k]!];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length < 1e-9) return worst;
    const out: Point = [(b[1] - a[1]) / length, -(b[0] - a[0]) / length];
    const drawn = crossings(piece.outline, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], out).find((t) => t > -1e-6) ?? NOT_DRAWN;
    return Math.max(worst, Math.abs(drawn - edge.allowance));
  }, 0);
}

/** Where a straight line crosses an outline: how far along, nearest first, mm. */
function crossings(outline: Polygon, [x, y]: Point, [dx, dy]: Point): number[] {
  return lineCrossings(outline, [x, y], [dx, dy]).sort((a, b) => a - b);
}

/** Whether the notches of a piece run the way its outline does: with the places round the edge outside, against them inside. */
function runsWrong(piece: CoverPiece, order: ReadonlyMap<string, number>, n: number): boolean {
  return piece.edges.some((edge) => {
    const labels = piece.notches.filter((notch) => notch.edge === edge.id).map((notch) => order.get(notch.label));
    const known = labels.filter((place) => place !== undefined);
    if (edge.kind !== 'seam' || known.length < 3) return false;
    // A panel’s rim is all outside it, however many seams it meets.
    const outer = edge.from === 0 || piece.role === 'top';
    let ways = 0;
    for (let k = 1; k < known.length; k++) {
      const step = (known[k]! - known[k - 1]! + n) % n;
      ways += step < n / 2 ? 1 : -1;
    }
    return outer ? ways < 0 : ways > 0;
  });
}

/** Counter-clockwise, or the piece was turned over. */
function turnedOver({ sewn }: CoverPiece): boolean {
  return polygonArea(sewn) < 0;
}

/** A pulled blank against the tape: from the middle of each cut to the staples it must be as long as the cover there. */
function blankErrorOf(
  blank: CoverPiece,
  stations: readonly StationWrap[],
  staple: (station: StationWrap) => number,
  scale: number,
): number {
  return stations.reduce((worst, station) => {
    if (station.turn !== 0) return worst;
    const wanted = station.top + station.side + staple(station);
    const flat = reachAt(blank.stapleLine, station, scale);
    return Math.max(worst, sharesCloth(stations, station) ? wanted - flat : Math.abs(flat - wanted));
  }, 0);
}

/** Beside an inside corner the other edge's cloth lies on this one's way out: there is more of it, and the corner is cut. */
function sharesCloth(stations: readonly StationWrap[], { x, y, wrap }: StationWrap): boolean {
  return stations.some((other) => other.turn < 0 && Math.hypot(other.x - x, other.y - y) < wrap);
}

/** How far an outline of the blank lies from the middle of a station's cut, along the cut, before shrinkage, mm. */
function reachAt(outline: Polygon, { x, y, normalX, normalY, planDistance }: StationWrap, scale: number): number {
  const inside: Point = [(x - normalX * planDistance) * scale, (y - normalY * planDistance) * scale];
  return (crossings(outline, inside, [normalX, normalY]).at(-1) ?? 0) / scale;
}

/** How far the strip of cloth beyond the staple line is from what the hand needs, at the station where it is farthest off, mm. */
function allowanceErrorAlong(blank: CoverPiece, stations: readonly StationWrap[], grip: number, scale: number): number {
  return stations.reduce((worst, station) => {
    if (station.turn !== 0) return worst;
    const drawn = reachAt(blank.outline, station, scale) - reachAt(blank.stapleLine, station, scale);
    return Math.max(worst, sharesCloth(stations, station) ? grip - drawn : Math.abs(drawn - grip));
  }, 0);
}

/** The surface is summed over triangles of its own: so many across. */
const ACROSS = 26;

/** Area of the whole covered surface, down to the board's lower edge. */
function wholeSurface({ model, ring }: Working): number {
  const zero = new Float64Array(ring.places.length);
  const spacing = Math.sqrt(Math.abs(polygonArea(model.board))) / ACROSS;
  return (
    surfaceArea(discMesh(ring, zero, spacing)) +
    surfaceArea(stripMesh(ring, { inner: zero, outer: lowerEdge(ring), from: 0, to: ring.places.length }))
  );
}

function checkPulled({ way, working, stations, pieces }: SewnTogether): SewnCheck {
  const { rule, covering, channels, buttons } = working;
  const blank = pieces[0]!;
  const beyond = way.beyond?.(rule, covering);
  const scale = blank.longer;
  // A blank that is opened for channels or buttons, or was corrected, is no longer as long as the tape says.
  const plain = !channels && !buttons && !(covering.corrections ?? []).some((correction) => correction.piece === blank.id);
  const error = plain
    ? blankErrorOf(blank, stations, (station) => (station.ends ? station.return : (beyond?.staple ?? station.return)), scale)
    : 0;
  // Where it ends in sight, or is cut short, its allowance is another one: the strip between both lines is not of one breadth.
  const even = stations.every(({ ends, grip }) => !ends && grip > rule('grip') - 1e-9);
  const allowanceError = plain && even ? allowanceErrorAlong(blank, stations, beyond?.grip ?? rule('grip'), scale) : 0;
  return {
    surface: null,
    net: blank.net,
    areaError: null,
    seamError: 0,
    edgeError: error,
    meshError: 0,
    allowanceError,
    mirrored: turnedOver(blank) ? [blank.name] : [],
    settled: true,
    closes: error <= LET_PASS.blank && allowanceError <= 3 * LET_PASS.allowance,
  };
}

/**
 * Sews the pieces back together by their figures: lengths of every edge as cut against the surface, allowances as drawn
 * against what they say, and whether a piece came out turned over.
 *
 * @param together the pieces, the panels they were made of, and the surface
 */
export function sewnCheck(together: SewnTogether): SewnCheck {
  const { way, working, made, seams, pieces } = together;
  if (way.pulled) return checkPulled(together);
  const { ring, give } = working;
  // A panel that was corrected after the first piece is no longer as the surface says.
  const corrected = new Set((working.covering.corrections ?? []).map((correction) => correction.piece));
  const plain = made.filter((panel) => !corrected.has(panel.spec.id));
  const coverPieces = made.flatMap((panel) => panel.pieces);
  const order = new Map<string, number>();
  ring.places.forEach(({ station }, i) => station !== null && order.set(station, i));
  const net = coverPieces.reduce((sum, piece) => sum + piece.net, 0);
  // A panel that ends inside the edge covers only its own part.
  const surface = way.endsInside ? made.reduce((sum, panel) => sum + surfaceArea(panel.mesh), 0) : wholeSurface(working);
  const most = Math.max(give.warp, give.weft);
  const edgeError = plain.reduce((worst, panel) => Math.max(worst, edgeErrorOf(panel, ring, most)), 0);
  const meshError = plain.reduce((worst, panel) => {
    const error = meshErrorOf(panel);
    return Math.abs(error) > Math.abs(worst) ? error : worst;
  }, 0);
  const allowanceError = coverPieces.reduce((worst, piece) => Math.max(worst, allowanceErrorOf(piece)), 0);
  const mirrored = pieces.filter((piece) => turnedOver(piece) || runsWrong(piece, order, ring.places.length)).map(({ name }) => name);
  const areaError = (net - surface) / surface;
  return {
    surface,
    net,
    areaError,
    seamError: seams.reduce((worst, seam) => Math.max(worst, seam.ease), 0),
    edgeError,
    meshError,
    allowanceError,
    mirrored,
    settled: made.every((panel) => panel.settled),
    closes:
      edgeError <= LET_PASS.edge &&
      allowanceError <= LET_PASS.allowance &&
      mirrored.length === 0 &&
      (corrected.size > 0 || Math.abs(areaError) <= LET_PASS.area + most),
  };
}
