import { preShrink } from '../../cloth';
import type { CoverModel } from '../reads';
import type { Point, Polygon } from '../../outline';
import { defaultsOf, WELT, type Loose } from '../../piece';
import { clothFor, secondParts } from '../cloths-on';
import { withAllowances, type CoverPiece } from '../laying/cloth-piece';
import { plainPiece, stripPiece } from './strip-piece';
import { weltPlan, type WeltPlan } from './welts';

/** A filled roll or a loose cushion: what is cut, filled and hung. Lengths mm. */
export type LoosePlan = {
  id: string;
  name: string;
  kind: Loose['kind'];
  /** on one piece */
  count: number;
  finished: { length: number; height: number; thick: number };
  /** filling of one, kg */
  fill: number;
  /** one zip, or null where it is sewn shut by hand */
  zip: number | null;
  /** where the loops sit along its upper edge, from its left end */
  loops: number[];
  loopLong: number;
  /** seams of one, and thread for them, mm */
  sewn: number;
  thread: number;
  /** how far a cushion's panel is cut in at its corners, so that they do not stand out as ears; 0 of a roll */
  taper: number;
  pieces: CoverPiece[];
  welts: WeltPlan[];
};

/**
 * Length of the arc over a chord: what a cushion's panel must be across its middle to lie over its filling.
 *
 * @param chord as wide as it is finished, mm
 * @param rise half of its thickness, mm
 */
export function arcOver(chord: number, rise: number): number {
  if (rise < 1e-9) return chord;
  // Radius by the crossed chords; beyond a half circle the angle goes on.
  const radius = (chord * chord) / (8 * rise) + rise / 2;
  const half = 2 * Math.atan2(2 * rise, chord);
  return 2 * radius * half;
}

/** A cushion bulges as a parabola either way: 4/9 of its box. A roll is a cylinder. mm³ */
export function looseVolume({ kind, length, height, thick }: Pick<Loose, 'kind' | 'length' | 'height' | 'thick'>): number {
  return kind === 'roll' ? (Math.PI / 4) * thick * thick * length : (4 / 9) * length * height * thick;
}

/** A zip ends so far from either corner, mm: nearer, the corner is not turned out. */
const ZIP_SHORT = 40;
/** A loop's finished width and where the outer ones sit, from either end, mm. */
const LOOP = { width: 12, end: 75 };
/** Sides that a roll's round end is drawn with. */
const ROUND = 96;

type Panel = Pick<CoverPiece, 'id' | 'name' | 'count' | 'note'> & { sewn: Polygon; cloth: CoverPiece['cloth'] };

const panelOf = ({ sewn, ...item }: Panel, seam: number): CoverPiece =>
  plainPiece({
    ...item,
    role: 'loose',
    sewn,
    outline: withAllowances(
      sewn,
      sewn.map(() => seam),
    ),
  });

const box = (width: number, height: number): Polygon => [
  [-width / 2, -height / 2],
  [width / 2, -height / 2],
  [width / 2, height / 2],
  [-width / 2, height / 2],
];

/** A cushion's panel: as long as the arc over its filling across the middle, tapered to its finished size at the corners. */
function cushionLine({ length, height, thick }: Pick<Loose, 'length' | 'height' | 'thick'>): Polygon {
  const [w, h] = [arcOver(length, thick / 2), arcOver(height, thick / 2)];
  const quarter = (sx: number, sy: number): Point[] => [
    [(sx * w) / 2, (sy * h) / 4],
    [(sx * length) / 2, (sy * height) / 2],
    [(sx * w) / 4, (sy * h) / 2],
  ];
  return [...quarter(1, 1), ...quarter(-1, 1).reverse(), ...quarter(-1, -1), ...quarter(1, -1).reverse()];
}

function roundLine(diameter: number): Polygon {
  return Array.from({ length: ROUND }, (_, i): Point => {
    const angle = (2 * Math.PI * i) / ROUND;
    return [(diameter / 2) * Math.cos(angle), (diameter / 2) * Math.sin(angle)];
  });
}

/** The sewn outlines of one: what its cover is made of, and its case, larger by what the case is made too large. */
function shells({ kind, length, height, thick }: Loose, grown: number): { key: string; name: string; each: number; sewn: Polygon }[] {
  if (kind === 'roll')
    return [
      { key: 'body', name: 'body', each: 1, sewn: box(length * grown, Math.PI * thick * grown) },
      { key: 'end', name: 'round end', each: 2, sewn: roundLine(thick * grown) },
    ];
  return [
    { key: 'panel', name: 'panel', each: 2, sewn: cushionLine({ length, height, thick }).map(([x, y]): Point => [x * grown, y * grown]) },
  ];
}

/** Where loops sit: the outer ones in from the ends, the others evenly between; a single one in the middle. */
export function loopPlaces(count: number, length: number): number[] {
  if (count === 1) return [length / 2];
  const end = Math.min(LOOP.end, length / 4);
  return Array.from({ length: count }, (_, i) => end + ((length - 2 * end) * i) / (count - 1));
}

/** Around a closed line, mm. */
const around = (line: Polygon): number =>
  line.reduce((sum, [x, y], i) => sum + Math.hypot(line[(i + 1) % line.length]![0] - x, line[(i + 1) % line.length]![1] - y), 0);

/**
 * A filled roll or loose cushion worked out: cover and case, filling, zip, welts and loops.
 *
 * @param model the built piece
 * @param loose as it is asked for
 * @param count pieces in the set
 */
export function loosePlan({ piece, rule }: CoverModel, loose: Loose, count: number): LoosePlan {
  const { name } = loose;
  const seam = rule('seamAllowance');
  const on = secondParts(piece);
  const cloth = on.has('loose') ? ('second' as const) : ('cover' as const);
  const cutCloth = clothFor(piece, cloth);
  const grow = preShrink(cutCloth);
  const all = count * loose.count;
  const sized = (sewn: Polygon, by: number): Polygon => sewn.map(([x, y]): Point => [x * by, y * by]);
  const covers = shells(loose, 1);
  const places = loopPlaces(loose.loops, loose.length);
  const loopLong = loose.loopLong ?? LOOSE_LOOP;
  const seams = loose.kind === 'roll' ? [loose.length, ...[1, 2].map(() => Math.PI * loose.thick)] : [around(covers[0]!.sewn)];
  const sewn = seams.reduce((sum, length) => sum + length, 0);
  const welted = loose.welted ? (loose.kind === 'roll' ? seams.slice(1) : seams) : [];
  const welt = { ...defaultsOf<NonNullable<typeof piece.covering.welt>>(WELT), ...piece.covering.welt, double: false };
  return {
    id: loose.id,
    name,
    kind: loose.kind,
    count: loose.count,
    finished: { length: loose.length, height: loose.kind === 'roll' ? loose.thick : loose.height, thick: loose.thick },
    fill: (looseVolume(loose) * rule('fillPer100')) / 1e8,
    zip: loose.zip ? Math.max(60, loose.length - 2 * ZIP_SHORT) : null,
    loops: places,
    loopLong,
    sewn,
    thread: (sewn * (1 + (welted.length > 0 ? 1 : 0)) * rule('threadFactor')) / 100,
    taper: loose.kind === 'roll' ? 0 : (arcOver(loose.length, loose.thick / 2) - loose.length) / 2,
    pieces: [
      ...covers.map(({ key, name: part, each, sewn: line }) =>
        panelOf({ id: `${loose.id}-${key}`, name: `${name}, ${part}`, count: all * each, note: '', sewn: sized(line, grow), cloth }, seam),
      ),
      ...shells(loose, 1 + rule('caseMore') / 100).map(({ key, name: part, each, sewn: line }) =>
        panelOf(
          {
            id: `${loose.id}-case-${key}`,
            name: `${name}, case ${part}`,
            count: all * each,
            note: 'Holds the filling',
            sewn: line,
            cloth: 'lining',
          },
          seam,
        ),
      ),
      ...(places.length > 0
        ? [
            stripPiece({
              id: `${loose.id}-loop`,
              name: `${name}, loop`,
              role: 'loose',
              cloth,
              count: all * places.length,
              width: 4 * LOOP.width,
              height: (2 * loopLong + 2 * seam) * grow,
              note: 'Edges to the middle, folded once more, sewn down',
              seam: null,
            }),
          ]
        : []),
    ],
    welts: welted.flatMap((length, k) =>
      Array.from({ length: loose.count }, (_, n) =>
        weltPlan(
          {
            id: `${loose.id}-${k + 1}-${n + 1}`,
            name: `${name}${loose.count > 1 ? ` ${n + 1}` : ''}${welted.length > 1 ? `, end ${k + 1}` : ', all round'}`,
            length,
            join: 'below',
          },
          welt,
          loose.kind === 'roll' ? loose.thick / 2 : Infinity,
          rule,
          { rollWidth: cutCloth.rollWidth, longer: grow, cloth },
        ),
      ),
    ),
  };
}

/** A loop's length where a document says none, mm. */
const LOOSE_LOOP = 40;

/** Everything loose on a piece. */
export function loosePlans(model: CoverModel): LoosePlan[] {
  const called = new Map<string, number>();
  return (model.piece.loose ?? []).map((loose) => {
    const name = loose.name.trim() || (loose.kind === 'roll' ? 'Roll' : 'Cushion');
    const nth = (called.get(name.toLowerCase()) ?? 0) + 1;
    called.set(name.toLowerCase(), nth);
    // Pieces are known by their names where they are laid: two that are called alike are numbered.
    return loosePlan(model, { ...loose, name: nth > 1 ? `${name} (${nth})` : name }, model.piece.count);
  });
}
