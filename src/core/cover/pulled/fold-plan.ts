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
    steps: cornerSteps([corner], rule),
    ...drawn,
  };
}

/** What holds a fold: points set one by one, or something that runs along and is only pressed or drawn there. */
const RUNS_ALONG: readonly string[] = ['cord', 'hand’s breadth'];

/** A figure of several corners: once where they are alike, else with where it is. */
function figure(corners: readonly CornerPlan[], of: (corner: CornerPlan) => number): string {
  const where = new Map<string, string[]>();
  for (const corner of corners) {
    const text = `${Math.round(of(corner))} mm`;
    where.set(text, [...(where.get(text) ?? []), corner.edge.replace(/ corner$/, '')]);
  }
  if (where.size === 1) return [...where.keys()][0]!;
  return [...where].map(([text, edges]) => `${text} (${edges.join(', ')})`).join(', ');
}

/**
 * What is done at corners that are made alike, in the order of work.
 *
 * @param corners made in the same way, with as many folds
 * @param rule the house rules
 * @param [by] what holds the cover, one of it in a word
 */
export function cornerSteps(corners: readonly CornerPlan[], rule: RuleReader, by = 'staple'): string[] {
  const [{ way, pleats }] = corners as [CornerPlan];
  const along = RUNS_ALONG.includes(by);
  const stop = `${Math.round(rule('cornerCutStop'))} mm`;
  const sides = `Fasten both sides to ${Math.round(rule('cornerOpen'))} mm from the corner.`;
  const middle = `Pull the middle of the corner straight under and ${along ? 'hold it there' : `set one ${by}`}.`;
  switch (way) {
    case 'cut in':
      if (corners.every(({ cut }) => cut === null)) return ['Work the cloth round it a little at a time: there is no room for a cut.'];
      return [
        `Cut from the cloth’s edge towards the corner; stop ${stop} short of the board’s edge.`,
        'Pull both sides apart over the board; the cut opens by itself.',
        'Fasten either side of the cut before anything else near it; a patch behind it if it opens.',
      ];
    case 'bulk cut away':
      return [
        sides,
        `Cut the bulk away along the lines, ${stop} short of the board’s edge; leave the tail of ${TAIL} mm.`,
        'Lay the tail flat round the corner and fasten it under.',
        'Fold the other side over it, straight down the corner’s edge, and fasten it.',
      ];
    case 'tucks':
      return [
        sides,
        middle,
        `Ease the cloth away to either side, it gives on the bias: ${figure(corners, ({ eased }) => eased)}.`,
        `Lay ${pleats} tucks, ${pleats === 2 ? 'one to either side of the middle' : 'one to either side of the middle and one over it'}, their folds away from it, each ${figure(corners, ({ depth }) => depth)} deep.`,
        `${along ? 'Hold each' : `A ${by} in each`} as it is laid; trim the points underneath.`,
      ];
    case 'gathered':
      return [
        'No tucks: go on round the corner as along the side.',
        `Ease the cloth over the edge and gather what is left under the board, a little ${along ? 'at a time' : `to each ${by}, away from the last one`}.`,
      ];
    case 'relieved':
      return [
        'The band is sewn round the corner.',
        `Snip what is left under the board so that it lies flat, ${figure(corners, ({ fullness }) => fullness)}, and fasten it.`,
      ];
    case 'parcel fold':
      return [
        sides,
        middle,
        `Fold what is left like the end of a parcel, so that the fold runs down the corner’s edge, ${figure(corners, ({ depth }) => depth)} deep.`,
        'Fold left corners to the left and right ones to the right.',
        `${along ? 'Hold the fold' : `A ${by} through the fold`}; trim what stands over underneath.`,
      ];
  }
}

/** Corners that are made alike, each lot in the order of the edge. */
export function alikeCorners(corners: readonly CornerPlan[]): CornerPlan[][] {
  const lots = new Map<string, CornerPlan[]>();
  for (const corner of corners) {
    const key = `${corner.way} ${corner.pleats}`;
    lots.set(key, [...(lots.get(key) ?? []), corner]);
  }
  return [...lots.values()];
}
