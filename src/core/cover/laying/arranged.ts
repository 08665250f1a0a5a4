import { FillRule, intersectD } from 'clipper2-ts';
import { bounds, offsetPolygon, polygonCentroid, type Point, type Polygon } from '../../outline';
import type { CoverPiece } from './cloth-piece';

/** How a piece lies on the page: turned by so much about its own origin, then moved. Radians and mm. */
export type Arranged = { angle: number; dx: number; dy: number };

/** Two notches that meet. */
type Pair = { here: Point; there: Point };

/** A piece that is almost square to the page is laid square to it, radians. */
const SQUARE = 0.06;
/** Notches that meet so badly, as a share of how far they reach, belong to a seam that goes all round: the front decides. */
const BADLY = 0.12;
/** So many notches at the front then decide. */
const FRONT = 3;
/** A piece that cannot be laid within so many gaps of its neighbour is laid by itself. */
const FARTHEST = 160;

/** A point of a piece on the page. */
export function onPage({ angle, dx, dy }: Arranged, [x, y]: Point): Point {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return [x * cos - y * sin + dx, x * sin + y * cos + dy];
}

/** The notches of a piece by the seam and number that they share with their partner. */
function notchesOf({ notches, edges }: CoverPiece): Map<string, Point> {
  return new Map(
    notches.flatMap(({ x, y, label, edge }): [string, Point][] => {
      const seam = edges.find(({ id }) => id === edge)?.seam;
      return seam ? [[`${seam} ${label}`, [x, y]]] : [];
    }),
  );
}

const mean = (points: readonly Point[]): Point => [
  points.reduce((sum, [x]) => sum + x, 0) / points.length,
  points.reduce((sum, [, y]) => sum + y, 0) / points.length,
];

/** The turn and the way that bring one row of points onto another as nearly as they go, and how far off they stay (Procrustes). */
function brought(pairs: readonly Pair[]): Arranged & { off: number } {
  const [a, b] = [mean(pairs.map(({ there }) => there)), mean(pairs.map(({ here }) => here))];
  let [along, across] = [0, 0];
  for (const { here, there } of pairs) {
    const [px, py] = [there[0] - a[0], there[1] - a[1]];
    const [qx, qy] = [here[0] - b[0], here[1] - b[1]];
    along += px * qx + py * qy;
    across += px * qy - py * qx;
  }
  const raw = Math.atan2(across, along);
  const square = (Math.round(raw / (Math.PI / 2)) * Math.PI) / 2;
  const angle = Math.abs(raw - square) < SQUARE ? square : raw;
  const [x, y] = onPage({ angle, dx: 0, dy: 0 }, a);
  const item = { angle, dx: b[0] - x, dy: b[1] - y };
  const far = pairs.map(({ here, there }) => {
    const [px, py] = onPage(item, there);
    return Math.hypot(px - here[0], py - here[1]);
  });
  const reach = Math.max(1, ...pairs.map(({ here }) => Math.hypot(here[0] - b[0], here[1] - b[1])));
  return { ...item, off: Math.max(...far) / reach };
}

/** The way out of a piece at its notches: square to the line through them, away from the middle. */
function outOf(outline: Polygon, at: readonly Point[]): Point {
  const [mx, my] = mean(at);
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y] of at) {
    xx += (x - mx) ** 2;
    xy += (x - mx) * (y - my);
    yy += (y - my) ** 2;
  }
  // The longer axis of the notches' spread lies along the seam.
  const turn = 0.5 * Math.atan2(2 * xy, xx - yy);
  const out: Point = [-Math.sin(turn), Math.cos(turn)];
  const [cx, cy] = polygonCentroid(outline);
  return (mx - cx) * out[0] + (my - cy) * out[1] < 0 ? [-out[0], -out[1]] : out;
}

const paths = (polygon: Polygon) => [polygon.map(([x, y]) => ({ x, y }))];

/** Whether two outlines lie on each other. */
function meet(a: Polygon, b: Polygon): boolean {
  const [p, q] = [bounds(a), bounds(b)];
  if (p.minX > q.maxX || q.minX > p.maxX || p.minY > q.maxY || q.minY > p.maxY) return false;
  return intersectD(paths(a), paths(b), FillRule.NonZero).length > 0;
}

const move = (outline: Polygon, arranged: Arranged): Polygon => outline.map((at) => onPage(arranged, at));

type Placed = { piece: CoverPiece; arranged: Arranged; outline: Polygon; grown: Polygon };

function placed(piece: CoverPiece, arranged: Arranged, gap: number): Placed {
  const outline = move(piece.outline, arranged);
  return { piece, arranged, outline, grown: offsetPolygon(outline, gap) ?? outline };
}

/** Where a piece lies beside one that is placed already, its notches before theirs, or null where there is no room. */
function beside(piece: CoverPiece, neighbour: Placed, all: readonly Placed[], gap: number): Arranged | null {
  const known = notchesOf(neighbour.piece);
  const pairs = [...notchesOf(piece)].flatMap(([key, there]): Pair[] => {
    const at = known.get(key);
    return at ? [{ here: onPage(neighbour.arranged, at), there }] : [];
  });
  if (pairs.length < 2) return null;
  let item = brought(pairs);
  let decisive = pairs;
  if (item.off > BADLY) {
    const front = [...pairs].sort((a, b) => a.here[1] - b.here[1])[0]!.here;
    const from = ({ here }: Pair): number => Math.hypot(here[0] - front[0], here[1] - front[1]);
    decisive = [...pairs].sort((a, b) => from(a) - from(b)).slice(0, FRONT);
    item = brought(decisive);
  }
  const [ox, oy] = outOf(
    neighbour.outline,
    decisive.map(({ here }) => here),
  );
  for (let k = 0; k < FARTHEST; k++) {
    const tried = { angle: item.angle, dx: item.dx + ox * gap * k * 0.5, dy: item.dy + oy * gap * k * 0.5 };
    const outline = move(piece.outline, tried);
    if (!all.some(({ grown }) => meet(grown, outline))) return tried;
  }
  return null;
}

/** What joins no other lies in a row below the rest, the tallest deciding how far down the next row is. */
function below(pieces: readonly CoverPiece[], all: readonly Placed[], gap: number): Map<CoverPiece, Arranged> {
  const box = bounds(all.flatMap(({ outline }) => outline));
  const found = new Map<CoverPiece, Arranged>();
  let [x, y, tall] = [box.minX, box.minY - gap, 0];
  for (const piece of pieces) {
    const item = bounds(piece.outline);
    if (x > box.minX && x + item.width > box.maxX) [x, y, tall] = [box.minX, y - tall - gap, 0];
    found.set(piece, { angle: 0, dx: x - item.minX, dy: y - item.maxY });
    x += item.width + gap;
    tall = Math.max(tall, item.height);
  }
  return found;
}

/**
 * Lays the flat pieces of a cover out on one page as they join: each with its notches before those of the piece that it is
 * sewn to, none on another; what is sewn to none below. Nothing is stretched or turned over.
 *
 * @param pieces the cover's flat pieces
 * @param gap between two, mm
 * @returns where each lies, in the order of the pieces
 */
export function arrangePieces(pieces: readonly CoverPiece[], gap: number): Arranged[] {
  const main = [...pieces].sort((a, b) => b.net - a.net)[0];
  if (!main) return [];
  const all: Placed[] = [placed(main, { angle: 0, dx: 0, dy: 0 }, gap)];
  const left = new Set(pieces.filter((piece) => piece !== main));
  for (let grew = true; grew;) {
    grew = false;
    for (const piece of left)
      for (const neighbour of all) {
        const arranged = beside(piece, neighbour, all, gap);
        if (!arranged) continue;
        all.push(placed(piece, arranged, gap));
        left.delete(piece);
        grew = true;
        break;
      }
  }
  const alone = below([...left], all, gap);
  return pieces.map((piece) => alone.get(piece) ?? all.find((candidate) => candidate.piece === piece)!.arranged);
}
