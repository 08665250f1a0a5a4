import type { RuleReader } from '../house';
import type { Point, Polygon } from '../outline';
import type { CornerPlan } from './corners';
import type { StationWrap } from './wrap';

/** What a corner is, for how its cloth is folded. */
export type CornerKind = 'sharp' | 'round' | 'odd' | 'inside' | 'notched';

/**
 * How one corner is folded: the school, the steps in words, and the cloth's corner to scale. In the drawing the origin
 * is the corner of the covered top, the cloth reaches downwards; lengths mm.
 */
export type FoldPlan = {
  station: string;
  edge: string;
  kind: CornerKind;
  /** degrees of bend */
  angle: number;
  school: 'one parcel fold' | 'small pleats' | 'bulk cut away' | 'cut to spread';
  fullness: number;
  pleats: number;
  /** depth of one pleat, mm */
  depth: number;
  steps: string[];
  cloth: Polygon;
  /** the board's lower edge and the staple line on the cloth */
  lower: Point[];
  staples: Point[];
  folds: { from: Point; to: Point; mountain: boolean }[];
  cutAway: Polygon | null;
  cut: { from: Point; to: Point } | null;
};

/** Square corners bend by a right angle, give or take this, radians. */
const SQUARE = (12 * Math.PI) / 180;
/** Folds of thicker cloth, or of coated cloth, are cut away rather than stacked, mm. */
const THICK = 1.3;
/** What is left standing on one side of a cut-away corner, to be stapled under, mm. */
const TAIL = 25;
/** How far along either edge the drawing shows, in wraps. */
const SHOWN = 1.5;

/**
 * Plans how a corner is folded and draws it to scale. Source: docs/models.md, "Corners".
 *
 * @param corner its fullness and pleats
 * @param station what was measured there
 * @param cloth thickness and coating
 * @param rule the house rules
 */
export function foldPlan(
  corner: CornerPlan,
  station: StationWrap,
  cloth: { thickness: number; coated: boolean },
  rule: RuleReader,
): FoldPlan {
  const angle = Math.abs(corner.turn);
  const notched = corner.edge.startsWith('notch');
  const radius = corner.radius ?? 0;
  const kind: CornerKind = corner.inside
    ? notched
      ? 'notched'
      : 'inside'
    : radius > 15
      ? 'round'
      : Math.abs(angle - Math.PI / 2) > SQUARE
        ? 'odd'
        : 'sharp';
  const bulky = cloth.thickness > THICK || cloth.coated;
  const school = corner.inside
    ? 'cut to spread'
    : corner.pleats > 1 && !bulky
      ? 'small pleats'
      : bulky && radius <= 15
        ? 'bulk cut away'
        : corner.pleats > 1
          ? 'small pleats'
          : 'one parcel fold';
  const wrap = station.wrap;
  const stop = station.side + rule('cornerCutStop');
  const half = angle / 2;
  const [na, nb]: [Point, Point] = [
    [-Math.sin(half), -Math.cos(half)],
    [Math.sin(half), -Math.cos(half)],
  ];
  // Away from the corner along either edge.
  const [ta, tb]: [Point, Point] = [
    [-Math.cos(half), Math.sin(half)],
    [Math.cos(half), Math.sin(half)],
  ];
  const c = na[0] * nb[0] + na[1] * nb[1];
  const span = 1 - c * c;
  /** The place a beyond the one edge and b beyond the other. */
  const at = (a: number, b: number): Point => {
    if (span < 0.02) return [0, -(a + b) / 2];
    const [p, q] = [(a - b * c) / span, (b - a * c) / span];
    return [p * na[0] + q * nb[0], p * na[1] + q * nb[1]];
  };
  const along = (t: Point, n: Point, out: number): Point => [t[0] * wrap * SHOWN + n[0] * out, t[1] * wrap * SHOWN + n[1] * out];
  const tip = (distance: number): Point => at(distance, distance);
  const level = (distance: number): Point[] => [along(ta, na, distance), tip(distance), along(tb, nb, distance)];
  const cloths: Polygon = [along(ta, na, 0), along(ta, na, wrap), tip(wrap), along(tb, nb, wrap), along(tb, nb, 0), [0, 0]];
  const folds: FoldPlan['folds'] = [];
  if (!corner.inside) {
    const n = school === 'bulk cut away' ? 1 : corner.pleats;
    for (let k = 0; k < n; k++) {
      // Each pleat takes its share of the bend: its back lies in the middle of it, its folds on either side.
      const share = (turn: number): Point => {
        const bearing = -half + angle * turn;
        return [Math.sin(bearing), -Math.cos(bearing)];
      };
      const reach = (dir: Point): number =>
        wrap / Math.max(0.3, Math.max(dir[0] * na[0] + dir[1] * na[1], dir[0] * nb[0] + dir[1] * nb[1]));
      for (const [turn, mountain] of [
        [(k + 0.5) / n, true],
        [(k + 0.02) / n, false],
        [(k + 0.98) / n, false],
      ] as const) {
        const dir = share(turn);
        const far = reach(dir);
        folds.push({ from: [0, 0], to: [dir[0] * far, dir[1] * far], mountain });
      }
    }
  }
  // At an inside corner the edges fall away to either side and the cloth lies over the hollow between them.
  const fall = (distance: number): Point[] => {
    const low = distance / Math.cos(half);
    const reach = wrap * SHOWN;
    return [
      [-reach * Math.cos(half), -reach * Math.sin(half) - low],
      [0, -low],
      [reach * Math.cos(half), -reach * Math.sin(half) - low],
    ];
  };
  const hollow = wrap / Math.cos(half);
  const wide = wrap * SHOWN * Math.cos(half);
  const depth = corner.pleats > 0 ? corner.fullness / (2 * corner.pleats) : 0;
  return {
    station: corner.station,
    edge: corner.edge,
    kind,
    angle: (corner.turn * 180) / Math.PI,
    school,
    fullness: corner.fullness,
    pleats: corner.pleats,
    depth,
    steps: stepsOf(kind, school, corner, depth, stop - station.side, rule),
    cloth: corner.inside
      ? [
          [-wide, wrap * 0.2],
          [-wide, -hollow],
          [wide, -hollow],
          [wide, wrap * 0.2],
        ]
      : cloths,
    lower: corner.inside ? fall(0) : level(station.side),
    staples: corner.inside ? fall(station.return) : level(station.side + station.return),
    folds,
    cutAway: school === 'bulk cut away' ? [at(stop, stop + TAIL), at(wrap, Math.min(wrap, stop + TAIL)), tip(wrap), at(stop, wrap)] : null,
    cut: corner.inside
      ? { from: [0, -hollow], to: [0, -rule('cornerCutStop') / Math.cos(half)] }
      : school === 'bulk cut away'
        ? null
        : { from: tip(wrap), to: tip(stop) },
  };
}

function stepsOf(
  kind: CornerKind,
  school: FoldPlan['school'],
  corner: CornerPlan,
  depth: number,
  stop: number,
  rule: RuleReader,
): string[] {
  const mm = (value: number): string => `${Math.round(value)} mm`;
  if (corner.inside)
    return [
      `Cut from the cloth’s edge towards the corner; stop ${mm(stop)} short of the board’s edge.`,
      'Pull both sides apart over the board; the cut opens by itself.',
      'Staple either side of the cut before anything else near it.',
    ];
  const start = [
    `Fasten both sides to ${mm(rule('cornerOpen'))} from the corner.`,
    `Pull the middle of the corner straight under and set one staple.`,
  ];
  if (school === 'bulk cut away')
    return [
      ...start.slice(0, 1),
      `Cut the bulk away along the lines, ${mm(stop)} short of the board’s edge; leave the tail of ${TAIL} mm.`,
      'Lay the tail flat round the corner and staple it under.',
      'Fold the other side over it, straight down the corner’s edge, and staple.',
    ];
  if (school === 'small pleats')
    return [
      ...start,
      `Lay ${corner.pleats} pleats of ${mm(depth)}, half to either side, all facing away from the middle.`,
      kind === 'round'
        ? 'Spread them evenly round the curve; none may show over the edge.'
        : 'Tuck each under the next; the last fold runs down the corner’s edge.',
      'Staple each as it is laid; trim the points underneath.',
    ];
  return [
    ...start,
    `Fold the fullness of ${mm(corner.fullness)} flat under, ${mm(depth)} deep, so that the fold runs down the corner’s edge.`,
    'On a set, fold left corners to the left and right ones to the right.',
    'Staple the fold; trim what stands over underneath.',
  ];
}
