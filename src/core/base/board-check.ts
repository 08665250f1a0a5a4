import { BOARDS, deckOf, findMaterial, GRAVITY, TIGHT_ENOUGH } from '../foam';
import type { RuleReader } from '../house';
import { keepNothing, type Keep } from '../keep';
import { bounds, deepest, flatten, lineCrossings, type Outline, type Point, type Polygon } from '../outline';
import { kindOf, type Hole, type Piece, type StretchedDeck, type Support } from '../piece';
import { stretchedIn } from './deck';
import { meshOf } from './mesh';
import { bendPlate, patchLoad, type Hold } from './plate';

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

type Bent = { deflection: number; moment: number; span: number };

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
    const held = new Set<number>();
    for (const sx of [-1, 1]) {
      for (const sy of [-1, 1]) {
        const [cx, cy] = [sx > 0 ? box.maxX : box.minX, sy > 0 ? box.maxY : box.minY];
        let best = 0;
        nodes.forEach(([x, y], i) => {
          const [bx, by] = nodes[best]!;
          if (Math.hypot(x - cx, y - cy) < Math.hypot(bx - cx, by - cy)) best = i;
        });
        held.add(best);
      }
    }
    return nodes.map((_, i) => (held.has(i) ? 'supported' : 'free'));
  }
  return edge.map((on) => (on ? 'supported' : 'free'));
}

/** A board and what its rails or legs hold. */
type Held = { board: Polygon; rails: Rails };

/** Where and over how large a patch the load comes on. */
type Load = { at: Point; radius: number };

/** Deflection and moment of a plate of unit rigidity under unit force: all else scales. */
function bentUnit({ board, rails }: Held, holes: readonly Polygon[], supports: Support, { at, radius }: Load): Bent {
  const box = bounds(board);
  const spacing = Math.sqrt((box.width * box.height) / NODES);
  const stand = supports === 'two-rails' ? [at, ...alongRails(board, spacing, rails)] : [at];
  const mesh = meshOf(board, holes, spacing, stand);
  const holds = holdsOf(mesh.nodes, mesh.edge, supports, { board, rails });
  const { deflection, moment } = bendPlate(mesh, { rigidity: 1, poisson: POISSON }, holds, patchLoad(mesh, at, radius, 1));
  const span =
    supports === 'two-rails'
      ? box.width * (rails.wall ? 1 - 2 * LEG_IN : 1) - (rails.wall ? 0 : 2 * BEARING)
      : supports === 'four-points'
        ? Math.hypot(box.width, box.height)
        : 2 * deepest(board).depth;
  return { deflection: Math.max(...deflection), moment, span };
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

/**
 * Stiffness that the ribs of a frame add under the load, as force per deflection, N/mm: each a batten across, 48·E·I/L³,
 * the load on the one under it. A frame without ribs only stiffens the edge, which stands anyway.
 */
function ribStiffness({ base: { frame } }: Piece, span: number): number {
  if (!frame || frame.ribs === 0 || span <= 0) return 0;
  return (48 * RIB_STIFFNESS * ((frame.width * frame.thickness ** 3) / 12)) / span ** 3;
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
  if (piece.base.mould || piece.base.shape.type === 'saddle')
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
  const force = rule('sitMass') * GRAVITY * (rule(kind.traits.sat ? 'sitShare' : 'leanShare') / 100);
  const strength = material.strength / SAFETY;
  const none = { force, supports, span: 0, allowed: 0, deflection: 0, stress: 0, strength, thickness: null, rib: null };
  const still = unbent(piece, supports);
  if (still) return { ...none, ...still };
  const polygon = flatten(outline, 0.5);
  const radius = Math.min(PATCH, deepest(polygon).depth / 2);
  // Small holes change next to nothing; large ones are cut out of the plate.
  const large = holes.filter((hole) => (hole.kind === 'round' ? hole.diameter : Math.min(hole.width, hole.height)) > 30).map(holeOutline);
  const rails = { wall: kind.traits.wall };
  const unit = keep('board bent', [polygon, large, supports, at, radius, rails], () =>
    bentUnit({ board: polygon, rails }, large, supports, { at, radius }),
  );
  const { span } = unit;
  const allowed = span / SPAN_SHARE;
  const battens = ribStiffness(piece, span);
  const figures = (thickness: number): Figures => {
    const rigidity = (material.stiffness * thickness ** 3) / (12 * (1 - POISSON ** 2));
    // Battens under the board carry a share of the load, each as much as it is stiffer than the board.
    const share = battens ? 1 / (1 + (unit.deflection * battens) / rigidity) : 1;
    return {
      deflection: (unit.deflection * force * share) / rigidity,
      stress: (6 * unit.moment * force * share) / thickness ** 2,
      allowed,
      strength,
      force,
      span,
    };
  };
  const good = (thickness: number): boolean => {
    const own = figures(thickness);
    return own.deflection <= allowed && own.stress <= strength;
  };
  const own = figures(board.thickness);
  const verdict = own.stress > material.strength ? 'breaks' : good(board.thickness) ? 'good' : 'soft';
  return {
    ...own,
    supports,
    verdict,
    words: wordsOf(verdict, own),
    thickness: verdict === 'good' ? null : (material.sold.find((t) => t > board.thickness && good(t)) ?? null),
    rib: verdict === 'good' ? null : ribFor(force, span),
  };
}
