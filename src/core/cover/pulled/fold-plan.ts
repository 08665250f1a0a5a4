import type { RuleReader } from '../../house';
import type { Point, Polygon } from '../../outline';
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
/** A corner rounder than this is a curve, mm. */
const ROUND = 15;
/** How far along either edge the drawing shows, in wraps. */
const SHOWN = 1.5;

/** What of a cloth matters at a corner. */
type CornerCloth = { thickness: number; coated: boolean };

function kindOfCorner({ turn, inside, part, radius = 0 }: CornerPlan): CornerKind {
  if (inside) return part.kind === 'notch' ? 'notched' : 'inside';
  if (radius > ROUND) return 'round';
  return Math.abs(Math.abs(turn) - Math.PI / 2) > SQUARE ? 'odd' : 'sharp';
}

function schoolOf({ inside, pleats, radius = 0 }: CornerPlan, cloth: CornerCloth): FoldPlan['school'] {
  if (inside) return 'cut to spread';
  const bulky = cloth.thickness > THICK || cloth.coated;
  if (bulky && radius <= ROUND) return 'bulk cut away';
  return pleats > 1 ? 'small pleats' : 'one parcel fold';
}

/** The cloth's corner as a drawing: away from the corner along either edge, and out from it. */
class CornerDrawing {
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

  /** Each pleat takes its share of the bend: its back lies in the middle of it, its folds on either side. */
  folds(count: number): FoldPlan['folds'] {
    const { na, nb, wrap, half, angle } = this;
    const fold = (turn: number, mountain: boolean): FoldPlan['folds'][number] => {
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

type Drawn = Pick<FoldPlan, 'cloth' | 'lower' | 'staples' | 'folds' | 'cutAway' | 'cut'>;

/** At an inside corner the edges fall away to either side and the cloth lies over the hollow between them. */
function drawnInside(angle: number, station: StationWrap, stop: number): Drawn {
  const half = angle / 2;
  const { wrap } = station;
  const wide = wrap * SHOWN * Math.cos(half);
  const hollow = wrap / Math.cos(half);
  const fall = (distance: number): Point[] => {
    const low = distance / Math.cos(half);
    const drop = wrap * SHOWN * Math.sin(half) + low;
    return [
      [-wide, -drop],
      [0, -low],
      [wide, -drop],
    ];
  };
  return {
    cloth: [
      [-wide, wrap * 0.2],
      [-wide, -hollow],
      [wide, -hollow],
      [wide, wrap * 0.2],
    ],
    lower: fall(0),
    staples: fall(station.return),
    folds: [],
    cutAway: null,
    cut: { from: [0, -hollow], to: [0, -stop / Math.cos(half)] },
  };
}

function drawnOutside(corner: CornerPlan, station: StationWrap, school: FoldPlan['school'], stop: number): Drawn {
  const { wrap, side } = station;
  const drawing = new CornerDrawing(Math.abs(corner.turn), wrap);
  const short = side + stop;
  const away = school === 'bulk cut away';
  return {
    cloth: drawing.cloth(),
    lower: drawing.level(side),
    staples: drawing.level(side + station.return),
    folds: drawing.folds(away ? 1 : corner.pleats),
    cutAway: away
      ? [drawing.at(short, short + TAIL), drawing.at(wrap, Math.min(wrap, short + TAIL)), drawing.tip(wrap), drawing.at(short, wrap)]
      : null,
    cut: away ? null : { from: drawing.tip(wrap), to: drawing.tip(short) },
  };
}

/**
 * Plans how a corner is folded and draws it to scale. Source: docs/models.md, "Corners".
 *
 * @param corner its fullness and pleats
 * @param station what was measured there
 * @param cloth thickness and coating
 * @param rule the house rules
 */
export function foldPlan(corner: CornerPlan, station: StationWrap, cloth: CornerCloth, rule: RuleReader): FoldPlan {
  const kind = kindOfCorner(corner);
  const school = schoolOf(corner, cloth);
  const stop = rule('cornerCutStop');
  const depth = corner.pleats > 0 ? corner.fullness / (2 * corner.pleats) : 0;
  const drawn = corner.inside ? drawnInside(Math.abs(corner.turn), station, stop) : drawnOutside(corner, station, school, stop);
  return {
    station: corner.station,
    edge: corner.edge,
    kind,
    angle: (corner.turn * 180) / Math.PI,
    school,
    fullness: corner.fullness,
    pleats: corner.pleats,
    depth,
    steps: stepsOf({ kind, school, corner, depth }, rule),
    ...drawn,
  };
}

type Folded = { kind: CornerKind; school: FoldPlan['school']; corner: CornerPlan; depth: number };

function stepsOf({ kind, school, corner, depth }: Folded, rule: RuleReader): string[] {
  const stop = rule('cornerCutStop');
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
