import type { CoverModel } from '../reads';
import { bounds, type Point, type Polygon } from '../../outline';
import { hasFilm, kindOf, type Covering } from '../../piece';
import type { ChannelPlan } from './channels';
import { growOutline } from '../pulled/grow';
import { wayOf } from '../ways';
import { flatPiece, type CoverPiece, type LiningPiece } from '../laying/cloth-piece';
import type { StationWrap } from '../pulled/wrap';

/** How far in from the board's edge the linings that have a row of their own are stapled, mm. */
export type LiningRows = Readonly<Record<'liner' | 'waterproof', number>>;

/**
 * Layers under or instead of the cover that have rules of their own: a liner cloth as large as the cover without its
 * grip; a slip film so much larger all round, cut square, never pulled nor pierced on top; a waterproof cover that
 * reaches its staples in one piece, so that no seam lies on top. What is stapled reaches its own row, and beyond it for the hand as
 * much as is left at the trim line.
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param covering which of them are wanted
 * @param rows where each is stapled
 */
export function linings(model: CoverModel, stations: readonly StationWrap[], covering: Covering, rows: LiningRows): LiningPiece[] {
  const { piece, rule } = model;
  const blank = (beyond: (station: StationWrap) => number): Polygon =>
    growOutline(model, stations, (s) => s.top - s.planDistance + beyond(s));
  const made: LiningPiece[] = [];
  if (wayOf(piece.covering.way).loose) return wrapped(model, stations, covering);
  const add = (name: string, material: string, row: LiningPiece['row'], outline: Polygon): void =>
    void made.push({ ...flatPiece(name, piece.count, outline), material, row });
  if (covering.liner)
    add(
      'Liner cloth',
      'liner',
      'liner',
      blank((s) => s.side + Math.max(s.return, rows.liner) + rule('stapleToTrim')),
    );
  if (hasFilm(piece)) {
    const box = bounds(blank((s) => s.side));
    const half = rule('slipFilm') / 2;
    const square: Point[] = [
      [box.minX - half, box.minY - half],
      [box.maxX + half, box.minY - half],
      [box.maxX + half, box.maxY + half],
      [box.minX - half, box.maxY + half],
    ];
    add('Slip film', 'film', covering.outdoors && !kindOf(piece.kind).traits.pan ? 'film' : null, square);
  }
  if (covering.waterproof)
    add(
      'Waterproof cover',
      'waterproof',
      'waterproof',
      blank((s) => s.side + Math.max(s.return, rows.waterproof) + rule('stapleToTrim')),
    );
  return made;
}

/** Over the pad’s own girth, so that the edges of a wrapped sheet lap, mm. */
const LAP = 60;

/**
 * Round a pad that is fixed to nothing each layer is one sheet, wrapped like a parcel: right round it from front to back, its ends folded
 * over the sides.
 */
function wrapped(model: CoverModel, stations: readonly StationWrap[], covering: Covering): LiningPiece[] {
  const { piece } = model;
  const top = bounds(growOutline(model, stations, (s) => s.top - s.planDistance));
  const side = Math.max(...stations.map((station) => station.side));
  const [width, height] = [top.width + side + LAP, 2 * (top.height + side) + LAP];
  const sheet: Point[] = [
    [-width / 2, -height / 2],
    [width / 2, -height / 2],
    [width / 2, height / 2],
    [-width / 2, height / 2],
  ];
  const layers = [
    { name: 'Liner cloth', material: 'liner', wanted: covering.liner },
    { name: 'Slip film', material: 'film', wanted: hasFilm(piece) },
    { name: 'Waterproof cover', material: 'waterproof', wanted: covering.waterproof },
  ];
  return layers.flatMap(({ name, material, wanted }) =>
    wanted ? [{ ...flatPiece(name, piece.count, sheet), material, row: null, wraps: true as const }] : [],
  );
}

/** Channels are quilted on backed foam cut like the piece itself. */
export function backedFoam(pieces: readonly CoverPiece[], channels: ChannelPlan | null): LiningPiece[] {
  const quilted = channels && channels.backing > 0 ? pieces.filter((piece) => channels.parts.includes(piece.id)) : [];
  return quilted.map(({ count, outline }) => ({
    ...flatPiece(`Backed foam, ${Math.round(channels!.backing)} mm`, count, outline),
    material: 'backed-foam',
    row: null,
  }));
}
