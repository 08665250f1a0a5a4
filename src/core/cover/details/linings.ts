import type { CoverModel } from '../reads';
import { bounds, type Point, type Polygon } from '../../outline';
import type { Covering } from '../../piece';
import type { ChannelPlan } from './channels';
import { growOutline } from '../pulled/grow';
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
  const add = (name: string, material: string, row: LiningPiece['row'], outline: Polygon): void =>
    void made.push({ ...flatPiece(name, piece.count, outline), material, row });
  if (covering.liner)
    add(
      'Liner cloth',
      'liner',
      'liner',
      blank((s) => s.side + Math.max(s.return, rows.liner) + rule('stapleToTrim')),
    );
  if (covering.slipFilm) {
    const box = bounds(blank((s) => s.side));
    const half = rule('slipFilm') / 2;
    const square: Point[] = [
      [box.minX - half, box.minY - half],
      [box.maxX + half, box.minY - half],
      [box.maxX + half, box.maxY + half],
      [box.minX - half, box.maxY + half],
    ];
    add('Slip film', 'film', null, square);
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

/** Channels are quilted on backed foam cut like the piece itself. */
export function backedFoam(pieces: readonly CoverPiece[], channels: ChannelPlan | null): LiningPiece[] {
  const quilted = channels && channels.backing > 0 ? pieces.filter((piece) => channels.parts.includes(piece.id)) : [];
  return quilted.map(({ count, outline }) => ({
    ...flatPiece(`Backed foam, ${Math.round(channels!.backing)} mm`, count, outline),
    material: 'backed-foam',
    row: null,
  }));
}
