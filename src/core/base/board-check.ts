import { isMoulded } from './moulded';
import { BOARDS, deckOf, findMaterial, GRAVITY, TIGHT_ENOUGH } from '../foam';
import type { RuleReader } from '../house';
import { keepNothing, type Keep } from '../keep';
import { bounds, deepest, flatten, lineCrossings, offsetPolygon, type Outline, type Point, type Polygon } from '../outline';
import { kindOf, type Hole, type Piece, type StretchedDeck, type Support } from '../piece';
import { stretchedIn } from './deck';
import { ribLines } from './frame';
import { meshOf } from './mesh';
import { bendPlate, patchLoad, type Beam, type Hold } from './plate';

/** Poisson's ratio of boards, near enough the same for all of them. */
const POISSON = 0.3;
/** A sitter is spread over a round patch of about this radius, mm; narrower boards get half their own width. */
const PATCH = 100;
/** How far in from its edge a board lies on a rail or post, mm. */
const BEARING = 30;
/** Triangles enough for 2 % (plate.test.ts), few enough to keep up with typing. */
const NODES = 320;
/** Allowed deflection is the span over this. */
const SPAN_SHARE = 100;
/** Board strength is divided by this: knocks, knees and years. */
const SAFETY = 3;

/** Battens to choose a rib from: width × height under the board, mm. */
const RIBS = [
  [18, 30],
  [18, 44],
  [21, 45],
  [27, 70],
  [34, 70],
  [45, 95],
] as const;
const RIB_STIFFNESS = 9000;
const RIB_STRENGTH = 40;

/** What the board does under its load. Lengths mm, forces N, stresses N/mm². */
export type BoardCheck = {
  force: number;
  supports: Support;
  span: number;
  deflection: number;
  /** span/100 */
  allowed: number;
  stress: number;
  strength: number;
  /**
   * `moulded`: a pan that is not flat is stiffer than any flat plate; it is not worked out. `stretched` and `slack`: webbing
   * or springs, judged by the hand.
   */
  verdict: 'good' | 'soft' | 'breaks' | 'moulded' | 'stretched' | 'slack';
  words: string;
  /** the thinnest board sold of this material that is good, or null when none is */
  thickness: number | null;
  /** a batten across the middle that carries the load alone, or null when none is needed or none does */
  rib: { width: number; height: number } | null;
};

type Bent = { deflection: number; moment: number; beamMoment: number; span: number };

/** Legs of a wall piece stand in by this share of its width. */
const LEG_IN = 1 / 5;

/** What two rails or legs hold: the rails of a seat at its ends, the legs of a headboard a good way in. */
export type Rails = { wall: boolean };

/** Where the inner edges of two rails, or of two legs, lie. */
function railLines(box: { minX: number; maxX: number }, { wall }: Rails): [number, number] {
  const width = box.maxX - box.minX;
  const bearing = wall ? width * LEG_IN : Math.min(BEARING, width / 6);
  return [box.minX + bearing, box.maxX - bearing];
}

/** Places along the rails' inner edges that must be nodes. */
function alongRails(board: Polygon, spacing: number, rails: Rails): Point[] {
  const box = bounds(board);
  return railLines(box, rails).flatMap((x) => {
    const crossings = lineCrossings(board, [x, 0], [0, 1]);
    const points: Point[] = [];
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const [from, to] = [crossings[i]! + spacing * 0.3, crossings[i + 1]! - spacing * 0.3];
      const steps = Math.max(1, Math.round((to - from) / spacing));
      for (let k = 0; k <= steps; k++) points.push([x, from + ((to - from) * k) / steps]);
    }
    return points;
  });
}

function holdsOf(nodes: readonly Point[], edge: readonly boolean[], supports: Support, { board, rails }: Held): Hold[] {
  const box = bounds(board);
  if (supports === 'two-rails') {
    // A board lies on its rails and may lift off behind them: it is held along their inner edges alone.
    const lines = railLines(box, rails);
    return nodes.map(([x]) => (lines.some((line) => Math.abs(x - line) < 1e-6) ? 'supported' : 'free'));
  }
  if (supports === 'four-points') {
    const heldNodes = new Set<number>();
    for (const sx of [-1, 1]) {
      for (const sy of [-1, 1]) {
        const [cx, cy] = [sx > 0 ? box.maxX : box.minX, sy > 0 ? box.maxY : box.minY];
        let best = 0;
        nodes.forEach(([x, y], i) => {
          const [bx, by] = nodes[best]!;
          if (Math.hypot(x - cx, y - cy) < Math.hypot(bx - cx, by - cy)) best = i;
        });
        heldNodes.add(best);
      }
    }
    return nodes.map((_, i) => (heldNodes.has(i) ? 'supported' : 'free'));
  }
  return edge.map((on) => (on ? 'supported' : 'free'));
}

/** A board and what its rails or legs hold. */
type Held = { board: Polygon; rails: Rails };

/** Where and over how large a patch the load comes on. */
type Load = { at: Point; radius: number };

/** Battens of a frame as they bend with the board: where they lie, and their E·I, N·mm². */
type Battens = { lines: [Point, Point][]; stiffness: number; carried: boolean };

/**
 * The ribs, where they are glued and screwed: one that only rests there is not counted on. Where the frame is not carried all round its
 * sides too, along their middles.
 */
function battensOf(board: Polygon, { base: { frame } }: Piece, supports: Support): Battens | null {
  const outer = frame && offsetPolygon(board, -frame.inset);
  if (!frame || !outer) return null;
  const carried = supports === 'frame';
  const middle = carried ? null : offsetPolygon(board, -frame.inset - frame.width / 2);
  const sides = middle ? middle.map((a, i): [Point, Point] => [a, middle[(i + 1) % middle.length]!]) : [];
  const ribs = frame.ribsFixed ? ribLines(outer, frame) : [];
  const lines = [...ribs, ...sides.filter(([a, b]) => Math.hypot(b[0] - a[0], b[1] - a[1]) > 1)];
  return lines.length > 0 ? { lines, stiffness: RIB_STIFFNESS * ((frame.width * frame.thickness ** 3) / 12), carried } : null;
}

/** Even places along a line, both ends among them. */
function placesOn([a, b]: [Point, Point], spacing: number): Point[] {
  const steps = Math.max(1, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / spacing));
  return Array.from({ length: steps + 1 }, (_, k): Point => [a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps]);
}

/** Two nodes nearer than this are one, mm. */
const ONE = 0.5;

/** Places that must be nodes, each once. */
function withoutRepeats(points: readonly Point[]): Point[] {
  const retained: Point[] = [];
  for (const p of points) if (!retained.some((point) => Math.hypot(point[0] - p[0], point[1] - p[1]) < ONE)) retained.push(p);
  return retained;
}

/** A board as it is bent: what holds it, what is cut out of it, how it is carried, the load. */
type Bending = Held & { holes: readonly Polygon[]; supports: Support; load: Load };

const nearestNode = (nodes: readonly Point[], [x, y]: Point): number =>
  nodes.reduce((best, p, i) => (Math.hypot(p[0] - x, p[1] - y) < Math.hypot(nodes[best]![0] - x, nodes[best]![1] - y) ? i : best), 0);

/**
 * Deflection and moments under unit force. Without battens of unit rigidity, for all else scales; with them of the board's own.
 */
function bent({ board, rails, holes, supports, load: { at, radius } }: Bending, battens: Battens | null, rigidity = 1): Bent {
  const box = bounds(board);
  const spacing = Math.sqrt((box.width * box.height) / NODES);
  const lines = (battens?.lines ?? []).map((line) => placesOn(line, spacing));
  const stand = withoutRepeats([at, ...(supports === 'two-rails' ? alongRails(board, spacing, rails) : []), ...lines.flat()]);
  const mesh = meshOf(board, holes, spacing, stand);
  const holds = holdsOf(mesh.nodes, mesh.edge, supports, { board, rails });
  const beams: Beam[] = lines.map((points) => {
    const nodes = points.map((p) => nearestNode(mesh.nodes, p));
    return { nodes: nodes.filter((node, k) => k === 0 || node !== nodes[k - 1]), stiffness: battens!.stiffness };
  });
  // Where the frame is carried all round, the ends of its ribs lie on it.
  if (battens?.carried) for (const { nodes } of beams) for (const end of [nodes[0]!, nodes.at(-1)!]) holds[end] = 'supported';
  const { deflection, moment, beamMoment } = bendPlate(mesh, { rigidity, poisson: POISSON }, holds, patchLoad(mesh, at, radius, 1), beams);
  const span =
    supports === 'two-rails'
      ? box.width * (rails.wall ? 1 - 2 * LEG_IN : 1) - (rails.wall ? 0 : 2 * BEARING)
      : supports === 'four-points'
        ? Math.hypot(box.width, box.height)
        : 2 * deepest(board).depth;
  return { deflection: Math.max(...deflection), moment, beamMoment, span };
}

function bentAlone(bending: Bending): Bent {
  return bent(bending, null);
}

function bentWithBattens({ battens, rigidity, ...bending }: Bending & { battens: Battens; rigidity: number }): Bent {
  return bent(bending, battens, rigidity);
}

function holeOutline(hole: Hole): Polygon {
  if (hole.kind === 'slot') {
    const [w, h] = [hole.width / 2, hole.height / 2];
    return [
      [hole.x - w, hole.y - h],
      [hole.x + w, hole.y - h],
      [hole.x + w, hole.y + h],
      [hole.x - w, hole.y + h],
    ];
  }
  return Array.from({ length: 16 }, (_, i): Point => [
    hole.x + (hole.diameter / 2) * Math.cos((i * Math.PI) / 8),
    hole.y + (hole.diameter / 2) * Math.sin((i * Math.PI) / 8),
  ]);
}

/** A simply supported batten under the whole load: w = P·L³/48EI, σ = P·L/4W, W = b·h²/6. */
function ribFor(force: number, span: number): { width: number; height: number } | null {
  const found = RIBS.find(([width, height]) => {
    const inertia = (width * height ** 3) / 12;
    const deflection = (force * span ** 3) / (48 * RIB_STIFFNESS * inertia);
    const stress = (force * span) / 4 / ((width * height ** 2) / 6);
    return deflection <= span / SPAN_SHARE && stress <= RIB_STRENGTH / SAFETY;
  });
  return found ? { width: found[0], height: found[1] } : null;
}

/** What is judged of a board: the piece it is of, its outline, where the load comes on. */
export type BoardUnderLoad = { piece: Piece; outline: Outline; at: Point; rule: RuleReader; keep?: Keep };

function stretchedWords({ kind, give }: StretchedDeck): Pick<BoardCheck, 'verdict' | 'words'> {
  const { name } = deckOf(kind);
  const [least, most] = TIGHT_ENOUGH;
  const usual = `a hand leant on it goes down ${give} mm; ${least} to ${most} mm is tight enough`;
  if (give > most) return { verdict: 'slack', words: `${name}, too slack: ${usual}. Stretch it again, or lay more of it.` };
  return { verdict: 'stretched', words: `${name}${give < least ? ', hard as a board' : ''}: ${usual}.` };
}

/** What there is to say where nothing bends. */
function unbent(piece: Piece, supports: Support): Pick<BoardCheck, 'verdict' | 'words'> | null {
  if (isMoulded(piece.base))
    return {
      verdict: 'moulded',
      words:
        'A moulded pan is far stiffer than a flat board of its thickness; its bending is not worked out. Load it by hand before building on it.',
    };
  const stretched = stretchedIn(piece.base);
  if (stretched) return stretchedWords(stretched);
  return supports === 'solid' ? { verdict: 'good', words: 'Carried all over: the board does not bend.' } : null;
}

/** A board's deflection and stress at a thickness, against what is allowed. */
type Figures = { deflection: number; stress: number; allowed: number; strength: number; force: number; span: number };

function wordsOf(verdict: BoardCheck['verdict'], { deflection, stress, allowed, strength, force, span }: Figures): string {
  const shown = (mm: number): string => `${Math.round(mm * 10) / 10} mm`;
  const figures = `${shown(deflection)} under ${Math.round(force)} N on a span of ${shown(span)}; ${shown(allowed)} is allowed`;
  if (verdict === 'good') return `Stiff enough: bends ${figures}.`;
  if (verdict === 'breaks')
    return `Refused: it would break (${Math.round(stress)} N/mm² where the board bears ${Math.round(strength * SAFETY)}).`;
  return deflection > allowed
    ? `Too soft: bends ${figures}.`
    : `Too weak: ${Math.round(stress)} N/mm² in the board, ${Math.round(strength)} N/mm² is allowed.`;
}

/**
 * Bends the board under the load it is meant for, and proposes what would make a weak one good.
 *
 * @param board under its load; house rules tell the sitter's mass and the share of it that comes on
 */
export function checkBoard({ piece, outline, at, rule, keep = keepNothing }: BoardUnderLoad): BoardCheck {
  const { board, holes = [] } = piece.base;
  const kind = kindOf(piece.kind);
  const supports = piece.base.supports ?? kind.supports;
  const material = findMaterial(BOARDS, board.material)!;
  const force = rule('boardMass') * GRAVITY * (rule(kind.traits.sat ? 'sitShare' : 'leanShare') / 100);
  const strength = material.strength / SAFETY;
  const none = { force, supports, span: 0, allowed: 0, deflection: 0, stress: 0, strength, thickness: null, rib: null };
  const still = unbent(piece, supports);
  if (still) return { ...none, ...still };
  const polygon = flatten(outline, 0.5);
  const radius = Math.min(PATCH, deepest(polygon).depth / 2);
  // Small holes change next to nothing; large ones are cut out of the plate.
  const large = holes.filter((hole) => (hole.kind === 'round' ? hole.diameter : Math.min(hole.width, hole.height)) > 30).map(holeOutline);
  const rails = { wall: kind.traits.wall };
  const bending: Bending = { board: polygon, rails, holes: large, supports, load: { at, radius } };
  const battens = battensOf(polygon, piece, supports);
  const unit = keep('board bent', bending, bentAlone);
  const { span } = unit;
  const allowed = span / SPAN_SHARE;
  const { frame } = piece.base;
  const figures = (thickness: number): Figures => {
    const rigidity = (material.stiffness * thickness ** 3) / (12 * (1 - POISSON ** 2));
    const ribbed = battens ? keep('board bent with battens', { ...bending, battens, rigidity }, bentWithBattens) : null;
    const stress = (6 * (ribbed ?? unit).moment * force) / thickness ** 2;
    // A batten is weaker than a board: its stress counts as the board's would that is as near to breaking.
    const rib =
      ribbed && frame ? ((ribbed.beamMoment * force) / ((frame.width * frame.thickness ** 2) / 6)) * (material.strength / RIB_STRENGTH) : 0;
    return {
      deflection: (ribbed ? ribbed.deflection : unit.deflection / rigidity) * force,
      stress: Math.max(stress, rib),
      allowed,
      strength,
      force,
      span,
    };
  };
  const good = (thickness: number): boolean => {
    const item = figures(thickness);
    return item.deflection <= allowed && item.stress <= strength;
  };
  const item = figures(board.thickness);
  const verdict = item.stress > material.strength ? 'breaks' : good(board.thickness) ? 'good' : 'soft';
  return {
    ...item,
    supports,
    verdict,
    words: wordsOf(verdict, item),
    thickness: verdict === 'good' ? null : (material.sold.find((t) => t > board.thickness && good(t)) ?? null),
    rib: verdict === 'good' ? null : ribFor(force, span),
  };
}
