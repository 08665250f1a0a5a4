import { clothFor, isMatched, type CoverPiece, type CoverPlan, type LiningPiece } from '../cover';
import type { RuleReader } from '../house';
import type { Covering, CutCloths, Piece } from '../piece';
import { layBoards, type BoardSheets } from './board-sheets';
import type { FoamPiece } from './foam-pieces';
import { bounds, type Point, type Polygon } from '../outline';
import type { Blank, Laid } from './blank';
import { inParts, packRoll, packSheets } from './pack';

/** What of the piece its lay hangs on. */
export type CutFields = Pick<Piece, 'count'> &
  CutCloths & { covering: Pick<Covering, 'matched'>; /** what the boards are sawn from, where they are */ board: Board | null };
type Board = { material: string; thickness: number };
type CutModel = { piece: CutFields; rule: RuleReader };

/** Sheets of one foam in one thickness. */
export type FoamSheets = {
  material: string;
  materialName: string;
  thickness: number;
  /** how large one is, and where it comes in packets how many of them are bought */
  width: number;
  length: number;
  packets: number | null;
  sheets: Laid[][];
  tooLarge: string[];
};

/**
 * The sheets of a layout as they are shown: one by one; of packets, whose pieces are mostly cut alike, each way of cutting
 * one once, with how many are cut so.
 *
 * @param layout of one foam in one thickness
 */
export function sheetsAlike({ sheets, packets }: FoamSheets): { laid: Laid[]; says: string }[] {
  if (packets === null) return sheets.map((laid, i) => ({ laid, says: `sheet ${i + 1} of ${sheets.length}` }));
  const ways = new Map<string, { laid: Laid[]; times: number }>();
  for (const laid of sheets) {
    // Which way round a block was laid makes no other cut of it.
    const key = JSON.stringify(laid.map(({ width, height }) => [width, height].map(Math.round).sort((a, b) => a - b)).sort());
    const way = ways.get(key) ?? { laid, times: 0 };
    way.times++;
    ways.set(key, way);
  }
  const bought = `${packets} ${packets === 1 ? 'packet' : 'packets'} to buy`;
  return [...ways.values()].map(({ laid, times }) => ({ laid, says: `${times} of ${sheets.length} pieces cut so, ${bought}` }));
}

/** A roll laid out: length to buy, mm; utilisation is the pieces' own area over the area bought. */
export type RollLayout = { width: number; length: number; utilisation: number; laid: Laid[]; tooLarge: string[] };

export type CutPlan = {
  foam: { sheetWidth: number; sheetLength: number; sheets: number; utilisation: number; layouts: FoamSheets[] };
  /** boards that are sawn new; null where they are there */
  board: BoardSheets | null;
  cloth: RollLayout;
  /** what is cut from the second cloth: its roll, and the outlines on it */
  second: (RollLayout & { shapes: { label: string; points: Polygon }[] }) | null;
  /** plain lining cloth: flies, pulls and liners */
  lining: RollLayout | null;
  /** where each piece's motif lies on the roll, mm across and along it */
  motifs: { label: string; x: number; y: number }[];
  /** each cloth piece's outline inside its rectangle, mm across and along the roll */
  shapes: { label: string; points: Polygon }[];
  wadding: RollLayout | null;
  dustCover: RollLayout | null;
  /** slip film, and cloth that keeps water out */
  film: RollLayout | null;
  waterproof: RollLayout | null;
  /** foam with a cloth back that channels are quilted on */
  backedFoam: RollLayout | null;
  /** names of parts that are not cut: the old ones go back on */
  goesBack: string[];
};

/** The flat pieces of a piece, or of the part of a set that is made to one outline. */
export type CutSet = {
  count: number;
  foam: readonly FoamPiece[];
  covers: readonly CoverPiece[];
  wadding: LiningPiece | null;
  dust: LiningPiece | null;
  /** the board that is sawn for each */
  board: { label: string; outline: Polygon } | null;
};

/** What of a pad is laid on sheets in one thickness: every block of every piece, or every block that two wedges are cut from. */
function blanksOf({ pad: label, blocks, pair }: FoamPiece, count: number): Blank[] {
  if (!pair) return Array.from({ length: count }, () => blocks.map(({ width, height }): Blank => ({ label, width, height }))).flat();
  const [width, height] = [Math.max(...blocks.map((block) => block.width)), Math.max(...blocks.map((block) => block.height))];
  return Array.from({ length: Math.ceil((count * blocks.length) / 2) }, () => ({ label, width, height }));
}

function layFoam(model: CutModel, sets: readonly CutSet[]): CutPlan['foam'] {
  const sheet = { width: model.rule('foamSheetWidth'), height: model.rule('foamSheetLength') };
  const groups = new Map<string, { piece: FoamPiece; thickness: number; blanks: Blank[] }>();
  for (const { foam, count } of sets) {
    for (const piece of foam) {
      // Nothing is bought for what comes out of the scraps, or goes back in.
      if (piece.scrap || piece.kept) continue;
      for (const thickness of piece.layers) {
        const { packet } = piece;
        const key = [piece.material, thickness, ...(packet ? [packet.width, packet.length, packet.each] : [])].join(' ');
        const group = groups.get(key) ?? { piece, thickness, blanks: [] };
        group.blanks.push(...blanksOf(piece, count));
        groups.set(key, group);
      }
    }
  }
  const layouts = [...groups.values()].map(({ piece, thickness, blanks }): FoamSheets => {
    const { packet } = piece;
    const item = packet ? { width: packet.width, height: packet.length } : sheet;
    const gap = { gap: model.rule('foamKerf'), turn: true };
    const whole = packSheets(blanks, item, gap);
    const { tooLarge } = whole;
    // What fits on no sheet is said loudly, and is still in the sum: in the parts that it would be joined from.
    const parts = tooLarge.flatMap((blank) => inParts(blank, item, { turn: true, seam: 0 }));
    const { sheets } = parts.length > 0 ? packSheets([...blanks.filter((blank) => !tooLarge.includes(blank)), ...parts], item, gap) : whole;
    return {
      material: piece.material,
      materialName: piece.materialName,
      thickness,
      width: item.width,
      length: item.height,
      packets: packet && Math.ceil(sheets.length / packet.each),
      sheets,
      tooLarge: [...new Set(tooLarge.map((b) => b.label))],
    };
  });
  // What comes in packets is told by itself: its pieces are no sheets.
  const whole = layouts.filter(({ packets }) => packets === null);
  const sheets = whole.reduce((sum, layout) => sum + layout.sheets.length, 0);
  const areas = new Map(sets.flatMap(({ foam }) => foam.map((piece) => [piece.pad, piece.area / piece.blocks.length] as const)));
  const used = whole.flatMap((l) => l.sheets.flat()).reduce((sum, laid) => sum + (areas.get(laid.label) ?? laid.width * laid.height), 0);
  return {
    sheetWidth: sheet.width,
    sheetLength: sheet.height,
    sheets,
    utilisation: sheets > 0 ? used / (sheets * sheet.width * sheet.height) : 0,
    layouts,
  };
}

type OnRoll = { width: number; gap: number; turn: boolean; seam: number };

function layRoll(pieces: readonly { blank: Blank; area: number; count: number }[], { width, gap, turn, seam }: OnRoll): RollLayout {
  const blanks = pieces.flatMap(({ blank, count }) => Array.from({ length: count }, () => blank));
  const whole = packRoll(blanks, width, { gap, turn });
  const { tooLarge } = whole;
  const parts = tooLarge.flatMap((blank) => inParts(blank, { width, height: Infinity }, { turn, seam }));
  const { length, laid } =
    parts.length > 0 ? packRoll([...blanks.filter((blank) => !tooLarge.includes(blank)), ...parts], width, { gap, turn }) : whole;
  const areas = new Map(pieces.map(({ blank, area }) => [blank.label, area]));
  const used = laid.reduce((sum, piece) => sum + (areas.get(piece.label) ?? piece.width * piece.height), 0);
  return {
    width,
    length,
    utilisation: length > 0 ? used / (width * length) : 0,
    laid,
    tooLarge: [...new Set(tooLarge.map((b) => b.label))],
  };
}

/** A laid rectangle as an outline. */
function laidBox({ x, y, width, height }: RollLayout['laid'][number]): Point[] {
  return [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
}

/** The next whole repeat: pieces that all start on one carry the motif in the same place. */
function toRepeat(size: number, repeat: number, gap: number): number {
  return repeat > 0 ? Math.ceil((size + gap) / repeat - 1e-9) * repeat - gap : size;
}

/** How far a piece is shifted in its blank so that its motif falls on the stripe, or between two, as on every other piece. */
function shift(motif: number, low: number, repeat: number, between: boolean): number {
  return repeat > 0 ? (((low - motif + (between ? repeat / 2 : 0)) % repeat) + repeat) % repeat : 0;
}

/** A block of cloth and how many strips are cut from it at 45°, mm. */
export type BiasBlock = { strips: number; width: number; height: number };

/**
 * The blocks that so many bias strips are cut from. A strip runs at 45° from the block's lower edge to its upper one: its
 * ends take as much of the width as the block is high, and each strip √2 of its own width more.
 *
 * @param count strips in all
 * @param length of one, mm
 * @param width of one, mm
 * @param roll usable width, mm
 */
export function biasBlocks(count: number, length: number, width: number, roll: number): BiasBlock[] {
  const height = (length + width) / Math.SQRT2;
  const each = width * Math.SQRT2;
  const most = Math.max(1, Math.floor((roll - height + 1e-9) / each));
  return Array.from({ length: Math.ceil(count / most) }, (_, k) => {
    const strips = Math.min(most, count - k * most);
    return { strips, width: height + strips * each, height };
  });
}

/** Strips for welts: straight ones side by side across the roll, bias ones in a slanting block. */
function weltBlanks(welts: CoverPlan['welts'], count: number, roll: number): { blank: Blank; area: number; count: number }[] {
  return welts.flatMap((welt) => {
    const strip = welt.stripLength / welt.strips;
    const area = strip * welt.stripWidth;
    const label = `Piping, ${welt.name.toLowerCase()}`;
    if (welt.cut === 'straight')
      return [{ blank: { label, width: Math.min(roll, strip), height: welt.stripWidth }, area, count: count * welt.strips }];
    // Strips at 45° through a block: each is √2 times the block's height long, and takes √2 times its width across.
    return biasBlocks(count * welt.strips, strip, welt.stripWidth, roll).map(({ strips, width, height }, k, { length }) => ({
      blank: { label: `${label}, bias block${length > 1 ? ` ${k + 1}` : ''}`, width, height },
      area: area * strips,
      count: 1,
    }));
  });
}

function layCloth(
  model: CutModel,
  sets: readonly CutSet[],
  cover: CoverPlan,
  which: 'cover' | 'second',
): Pick<CutPlan, 'motifs' | 'shapes'> & { roll: RollLayout } {
  const cloth = clothFor(model.piece, which);
  // The motif's place is one on the piece's own cloth; a second one that has a pattern starts on its repeat.
  const placed = which === 'cover' ? cover.motif : null;
  const gap = model.rule('clothGap');
  const along = cloth.direction !== 'across';
  const patterned = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  const matched = patterned && isMatched(model.piece.covering);
  const repeat = (size: number, every: number): number => (matched ? toRepeat(size, every, gap) : size);
  // A pattern that must match has only one way up, and so has a nap.
  const turn = cloth.direction === 'any' && !patterned && (cloth.nap ?? 'none') === 'none';
  const shifts = new Map<string, readonly [number, number]>();
  const pieces = sets.flatMap(({ covers }) =>
    covers
      .filter((piece) => piece.cloth === which)
      .map((piece) => {
        const box = bounds(piece.outline);
        const [across, down] = along ? [piece.width, piece.height] : [piece.height, piece.width];
        const motif = piece.motif ?? { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
        const isPlaced = matched && placed !== null;
        const between = placed?.on === 'between';
        // Across the roll lies the piece's width, or its depth where it is laid across.
        const x = isPlaced ? shift(along ? motif.x : motif.y, along ? box.minX : box.minY, cloth.repeatAcross, between) : 0;
        const y = isPlaced ? shift(along ? motif.y : motif.x, along ? box.minY : box.minX, cloth.repeatAlong, between) : 0;
        shifts.set(piece.name, [x, y]);
        const width = repeat(across + x, cloth.repeatAcross);
        const blank = {
          label: piece.name,
          width: width <= cloth.rollWidth ? width : across + x,
          height: repeat(down + y, cloth.repeatAlong),
        };
        // As many as are cut: of a cushion's panels more than there are pieces in the set.
        return { blank, area: piece.area, count: piece.count };
      }),
  );
  const seam = model.rule('seamAllowance');
  const main = layRoll(pieces, { width: cloth.rollWidth, gap, turn, seam });
  const strips = weltBlanks(
    cover.welts.filter((welt) => welt.cloth === which),
    model.piece.count,
    cloth.rollWidth,
  );
  const motifs = main.laid.flatMap((laid) => {
    const piece = sets.flatMap(({ covers }) => covers).find((coverPiece) => coverPiece.name === laid.label);
    if (!piece) return [];
    const box = bounds(piece.outline);
    const [x, y] = shifts.get(laid.label)!;
    const motif = piece.motif ?? { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
    const at = along ? [motif.x - box.minX, motif.y - box.minY] : [motif.y - box.minY, motif.x - box.minX];
    return matched && placed ? [{ label: laid.label, x: laid.x + x + at[0]!, y: laid.y + y + at[1]! }] : [];
  });
  const shapes = main.laid.map((laid) => {
    const piece = sets.flatMap(({ covers }) => covers).find((coverPiece) => coverPiece.name === laid.label);
    if (!piece) return { label: laid.label, points: laidBox(laid) };
    const box = bounds(piece.outline);
    const [sx, sy] = shifts.get(laid.label)!;
    const points = piece.outline.map(([x, y]): Point => {
      const [across, down] = along ? [x - box.minX + sx, y - box.minY + sy] : [y - box.minY + sx, x - box.minX + sy];
      return laid.turned ? [laid.x + down, laid.y + across] : [laid.x + across, laid.y + down];
    });
    return { label: laid.label, points };
  });
  if (strips.length === 0) return { roll: main, motifs, shapes };
  // Strips carry no motif: they come after the pieces that do, and do not push those off the repeat.
  const after = layRoll(strips, { width: cloth.rollWidth, gap: Math.min(gap, 2), turn: false, seam });
  const start = main.length > 0 ? main.length + gap : 0;
  const length = start + after.length;
  const used = main.utilisation * main.width * main.length + after.utilisation * after.width * after.length;
  return {
    roll: {
      ...main,
      length,
      utilisation: length > 0 ? used / (main.width * length) : 0,
      laid: [...main.laid, ...after.laid.map((laid) => ({ ...laid, y: laid.y + start }))],
      tooLarge: [...main.tooLarge, ...after.tooLarge],
    },
    motifs,
    shapes,
  };
}

/**
 * Lays the whole set on foam sheets, cloth, wadding and dust cloth.
 *
 * @param model the built piece
 * @param sets the flat pieces of each outline in the set, the piece's own first
 * @param cover the cover, for its welts, liners and motif
 */
export function cutPlan(model: CutModel, sets: readonly CutSet[], cover: CoverPlan): Omit<CutPlan, 'goesBack'> {
  const gap = model.rule('clothGap');
  const lining = (pieces: readonly Omit<LiningPiece, 'row'>[], width: number): RollLayout =>
    layRoll(
      pieces.map((piece) => ({
        blank: { label: piece.name, width: piece.width, height: piece.height },
        area: piece.area,
        count: piece.count,
      })),
      { width, gap, turn: true, seam: model.rule('seamAllowance') },
    );
  const { roll, motifs, shapes } = layCloth(model, sets, cover, 'cover');
  const other = layCloth(model, sets, cover, 'second');
  // A way that has none of the chosen parts takes nothing of the second cloth.
  const second = other.roll.laid.length > 0 || other.roll.tooLarge.length > 0 ? other : null;
  const plain: Omit<LiningPiece, 'row'>[] = [
    ...sets.flatMap(({ covers }) => covers.filter((piece) => piece.cloth === 'lining').map((piece) => ({ ...piece, material: 'liner' }))),
    ...cover.linings.filter((piece) => piece.material === 'liner'),
  ];
  const of = (material: string, roll: string): RollLayout | null => {
    const matching = cover.linings.filter((piece) => piece.material === material);
    return matching.length > 0 ? lining(matching, model.rule(roll)) : null;
  };
  const waddings = sets.flatMap(({ wadding }) => wadding ?? []);
  const dusts = sets.flatMap(({ dust }) => (dust ? [dust] : []));
  return {
    foam: layFoam(model, sets),
    board:
      model.piece.board &&
      layBoards(
        model.piece.board,
        sets.flatMap(({ board, count }) => (board ? [{ ...board, count }] : [])),
        model.rule,
      ),
    cloth: roll,
    motifs,
    shapes,
    second: second && { ...second.roll, shapes: second.shapes },
    lining: plain.length > 0 ? lining(plain, model.rule('waddingRoll')) : null,
    wadding: waddings.length > 0 ? lining(waddings, model.rule('waddingRoll')) : null,
    dustCover: dusts.length > 0 ? lining(dusts, model.rule('dustRoll')) : null,
    film: of('film', 'filmRoll'),
    waterproof: of('waterproof', 'filmRoll'),
    backedFoam: of('backed-foam', 'waddingRoll'),
  };
}
