import simplify from 'simplify-js';
import { coursesOf, deckPlan, frameCuts, type Batten } from '../../core/base';
import type { Model } from '../../core/padding';
import { foldPlan, wayOf, type FoldPlan } from '../../core/cover';
import { cornerLots, type FastenerPlace, type Fixing, type Wave } from '../../core/fastening';
import { lineCrossings, type Point, type Polygon } from '../../core/outline';
import { PAD_ROLES, type Hardware, type Hole } from '../../core/piece';
import { cornersStep, coverStep, fixStep, foamStep, wrapsStep } from '../../core/plan';

/** The order in which a cover is fastened, as it is drawn at the bench. */
export type FasteningPicture = {
  board: Point[];
  waves: Wave[];
  places: Pick<FastenerPlace, 'n' | 'x' | 'y' | 'kind'>[];
  temporary: Pick<FastenerPlace, 'n' | 'x' | 'y' | 'kind'>[];
};

/** A thing that lies flat on the table: what it is called, and how large it is cut. */
export type FlatPicture = { name: string; outline: Point[]; size?: [width: number, height: number] };

/** The bare board or frame, with all that is in it, under it and on it. Places from above, mm. */
export type BoardPicture = {
  outline: Point[];
  holes: Hole[];
  hardware: Hardware[];
  /** what it is put together from, the layer of its face */
  courses: Point[][];
  /** battens under it, their ribs as they run, and how wide they are */
  frame: { lines: Point[][]; ribs: [Point, Point][]; width: number; battens: Pick<Batten, 'name' | 'rib' | 'line'>[] } | null;
  /** webbing or springs from end to end, and how wide they are */
  straps: { ends: [Point, Point]; width: number }[];
  /** what is screwed or stuck on behind, besides its hardware */
  behind: { name: string; x: number; y: number; width: number; height: number }[];
  /** rows of fasteners behind */
  rows: { id: string; line: Point[] }[];
  /** where twine of its buttons goes through */
  buttons: { x: number; y: number }[];
  /** nails in sight along its edge */
  nails: { x: number; y: number; head: number }[];
};

/** Corners that are made alike: which, what holds them, and the cloth's corner as it is folded. */
export type CornerPicture = {
  says: string;
  held: string;
  fold: Pick<FoldPlan, 'cloth' | 'lower' | 'staples' | 'folds' | 'cutAway' | 'cut'>;
};

/** The little drawings that belong to steps. */
export type BenchPictures = {
  /** in which waves its cover is fastened; null where nothing is */
  fastening: FasteningPicture | null;
  /** the pieces of its cover, flat */
  cloth: FlatPicture[];
  /** what of foam is cut, flat */
  foam: FlatPicture[];
  /** its corners, each sort once */
  corners: CornerPicture[];
  board: BoardPicture;
};

/** What a line may be off in a small picture, mm. */
const OFF = 0.4;

/** Tenths of a millimetre are enough for a picture. */
const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** A line with no more points than can be seen. */
export const thinned = (line: readonly Point[]): Point[] =>
  simplify(
    line.map(([x, y]) => ({ x, y })),
    OFF,
    true,
  ).map(({ x, y }): Point => [tenth(x), tenth(y)]);

function fasteningPicture(board: readonly Point[], { order, waves, fasteners, fastener }: Fixing): FasteningPicture | null {
  if (order.length === 0) return null;
  const place = ({ n, x, y, kind }: Fixing['order'][number]) => ({ n, x: tenth(x), y: tenth(y), kind });
  return {
    board: thinned(board),
    waves,
    places: order.map(place),
    temporary: (fasteners.find(({ id }) => id === fastener.id)?.temporary ?? []).map(place),
  };
}

/** Webbing or springs from rail to rail. */
function strapsOf(board: Polygon, base: Model['piece']['base']): BoardPicture['straps'] {
  const deck = deckPlan(board, base);
  if (!deck) return [];
  return deck.straps.flatMap(({ way, at, span }) => {
    const crossings = way === 'along' ? lineCrossings(board, [at, 0], [0, 1]) : lineCrossings(board, [0, at], [1, 0]);
    const middle = (crossings[0]! + crossings.at(-1)!) / 2;
    const end = (side: 1 | -1): Point => {
      const along = tenth(middle + (side * span) / 2);
      return way === 'along' ? [tenth(at), along] : [along, tenth(at)];
    };
    return [{ ends: [end(-1), end(1)], width: deck.width }];
  });
}

function boardPicture(
  { board, outline, piece }: Model,
  { behind, rows, fasteners }: Fixing,
  buttons: BoardPicture['buttons'],
): BoardPicture {
  const courses = coursesOf(board, piece.base);
  const face = Math.max(0, ...courses.map(({ layer }) => layer));
  const { frame } = behind;
  const battens = piece.base.frame ? frameCuts(outline, piece.base.frame).battens.map(({ name, rib, line }) => ({ name, rib, line })) : [];
  return {
    outline: thinned(board),
    holes: piece.base.holes ?? [],
    hardware: piece.base.hardware ?? [],
    courses: courses.filter(({ layer }) => layer === face).map(({ outline }) => thinned(outline)),
    frame: frame && {
      lines: [frame.line, ...(frame.inner ? [frame.inner] : [])].map(thinned),
      ribs: frame.ribs,
      width: frame.width,
      battens,
    },
    straps: strapsOf(board, piece.base),
    behind: behind.things.filter(({ kind }) => kind !== 'hardware').map(({ name, x, y, width, height }) => ({ name, x, y, width, height })),
    rows: rows.map(({ id, line }) => ({ id, line: thinned(line) })),
    buttons: buttons.map(({ x, y }) => ({ x: tenth(x), y: tenth(y) })),
    nails: (fasteners.find(({ id }) => id === 'nails')?.places ?? []).map(({ x, y, head = 0 }) => ({ x: tenth(x), y: tenth(y), head })),
  };
}

/** Foam as it is cut: joined pads block by block. */
function foamPicture(model: Model): FlatPicture[] {
  return foamStep(model)
    .filter(({ kept }) => !kept)
    .flatMap(({ role, insertOf, thickness, made, pair, blocks, outline, width, height }) => {
      const name = `${insertOf ? 'Insert' : PAD_ROLES.find(({ id }) => id === role)!.name} ${Math.round(pair ? made : thickness)}`;
      const flat = (points: Polygon, size: [number, number]): FlatPicture => ({ name, outline: thinned(points), size });
      return blocks.length < 2 ? [flat(outline, [width, height])] : blocks.map((block) => flat(block.outline, [block.width, block.height]));
    });
}

function cornerPictures(model: Model, { fastener, fasteners }: Fixing): CornerPicture[] {
  const holdId = (fasteners.find(({ id }) => id === fastener.id)?.name ?? 'Staples').toLowerCase();
  const stations = wrapsStep(model);
  return cornerLots(cornersStep(model), model.piece.kind).map(({ says, lot: [corner] }) => {
    const { cloth, lower, staples, folds, cutAway, cut } = foldPlan(
      corner!,
      stations.find(({ id }) => id === corner!.station)!,
      model.rule,
    );
    return { says, held: holdId, fold: { cloth, lower, staples, folds, cutAway, cut } };
  });
}

/**
 * The little drawings of a run sheet's steps, with the figures that are cut by.
 *
 * @param model the built piece
 */
export function benchPictures(model: Model): BenchPictures {
  const fixing = fixStep(model);
  const { cover } = coverStep(model);
  return {
    fastening: fasteningPicture(model.board, fixing),
    cloth: cover.pieces.map(({ name, outline }) => ({ name, outline: thinned(outline) })),
    foam: foamPicture(model),
    corners: cornerPictures(model, fixing),
    board: boardPicture(model, fixing, wayOf(cover.method).loose ? [] : (cover.buttons?.places ?? [])),
  };
}
