import type { RuleReader } from '../../house';
import type { Point, Polygon } from '../../outline';
import { CornerDrawing, SHOWN, type FoldLine } from './corner-drawing';
import { SHARP, TAIL, type CornerPlan, type CornerWay } from './corners';
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
  way: CornerWay;
  fullness: number;
  eased: number;
  pleats: number;
  /** depth of one fold or tuck, mm */
  depth: number;
  steps: string[];
  cloth: Polygon;
  /** the board's lower edge and the staple line on the cloth */
  lower: Point[];
  staples: Point[];
  folds: FoldLine[];
  cutAway: Polygon | null;
  cut: { from: Point; to: Point } | null;
};

/** Square corners bend by a right angle, give or take this, radians. */
const SQUARE = (12 * Math.PI) / 180;
function kindOfCorner({ turn, inside, part, radius = 0 }: CornerPlan): CornerKind {
  if (inside) return part.kind === 'notch' ? 'notched' : 'inside';
  if (radius >= SHARP) return 'round';
  return Math.abs(Math.abs(turn) - Math.PI / 2) > SQUARE ? 'odd' : 'sharp';
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

function drawnOutside(corner: CornerPlan, station: StationWrap, stop: number): Drawn {
  const { wrap, side } = station;
  const drawing = new CornerDrawing(Math.abs(corner.turn), wrap);
  const short = side + stop;
  return {
    cloth: drawing.cloth(),
    lower: drawing.level(side),
    staples: drawing.level(side + station.return),
    folds: drawing.folds(corner.pleats),
    cutAway: corner.away ? drawing.away(short, TAIL) : null,
    cut: null,
  };
}

/**
 * Plans how a corner is folded and draws it to scale. Source: docs/models.md, "Corners".
 *
 * @param corner what is done with its cloth
 * @param station what was measured there
 * @param rule the house rules
 */
export function foldPlan(corner: CornerPlan, station: StationWrap, rule: RuleReader): FoldPlan {
  const kind = kindOfCorner(corner);
  const stop = rule('cornerCutStop');
  const drawn = corner.inside ? drawnInside(Math.abs(corner.turn), station, stop) : drawnOutside(corner, station, stop);
  const { way, fullness, eased, pleats, depth } = corner;
  return {
    station: corner.station,
    edge: corner.edge,
    kind,
    angle: (corner.turn * 180) / Math.PI,
    way,
    fullness,
    eased,
    pleats,
    depth,
    steps: stepsOf(corner, rule),
    ...drawn,
  };
}

/** What is done at a corner, in the order of work. */
function stepsOf({ way, pleats, depth, fullness, eased }: CornerPlan, rule: RuleReader): string[] {
  const stop = rule('cornerCutStop');
  const mm = (value: number): string => `${Math.round(value)} mm`;
  const sides = `Fasten both sides to ${mm(rule('cornerOpen'))} from the corner.`;
  const middle = 'Pull the middle of the corner straight under and set one staple.';
  switch (way) {
    case 'cut in':
      return [
        `Cut from the cloth’s edge towards the corner; stop ${mm(stop)} short of the board’s edge.`,
        'Pull both sides apart over the board; the cut opens by itself.',
        'Staple either side of the cut before anything else near it; a patch behind it if it opens.',
      ];
    case 'bulk cut away':
      return [
        sides,
        `Cut the bulk away along the lines, ${mm(stop)} short of the board’s edge; leave the tail of ${TAIL} mm.`,
        'Lay the tail flat round the corner and staple it under.',
        'Fold the other side over it, straight down the corner’s edge, and staple.',
      ];
    case 'tucks':
      return [
        sides,
        middle,
        `Ease ${mm(eased)} of the cloth away to either side: it gives on the bias.`,
        `Lay ${pleats} tucks of ${mm(depth)}, ${pleats === 2 ? 'one to either side of that staple' : 'one to either side of that staple and one over it'}, their folds away from the middle.`,
        'Staple each as it is laid; trim the points underneath.',
      ];
    case 'gathered':
      return [
        'No tucks: go on stapling round the corner as along the side.',
        'Ease the cloth over the edge and gather what is left under the board, a little to each staple, away from the last one.',
      ];
    case 'relieved':
      return [
        'The band is sewn round the corner.',
        `Snip the ${mm(fullness)} that are left under the board so that it lies flat, and staple.`,
      ];
    case 'parcel fold':
      return [
        sides,
        middle,
        `Fold the ${mm(fullness - eased)} that are left like the end of a parcel, ${mm(depth)} deep, so that the fold runs down the corner’s edge.`,
        'On a set, fold left corners to the left and right ones to the right.',
        'Staple the fold; trim what stands over underneath.',
      ];
  }
}
