import type { Model } from '../build';
import type { CoverPiece, LiningPiece } from '../cover';
import type { FoamPiece } from './foam-pieces';
import { packRoll, packSheets, type Blank, type Laid } from './pack';

/** Sheets of one foam in one thickness. */
export type FoamSheets = { material: string; materialName: string; thickness: number; sheets: Laid[][]; tooLarge: string[] };

/** A roll laid out: length to buy, mm; utilisation is the pieces' own area over the area bought. */
export type RollLayout = { width: number; length: number; utilisation: number; laid: Laid[]; tooLarge: string[] };

export type CutPlan = {
  foam: { sheetWidth: number; sheetLength: number; sheets: number; utilisation: number; layouts: FoamSheets[] };
  cloth: RollLayout;
  wadding: RollLayout | null;
  dustCover: RollLayout;
};

/** The flat pieces of a piece, or of the part of a set that is made to one outline. */
export type CutSet = { count: number; foam: readonly FoamPiece[]; cover: CoverPiece; wadding: LiningPiece | null; dust: LiningPiece };

function layFoam(model: Model, sets: readonly CutSet[]): CutPlan['foam'] {
  const sheet = { width: model.rule('foamSheetWidth'), height: model.rule('foamSheetLength') };
  const groups = new Map<string, { piece: FoamPiece; thickness: number; blanks: Blank[] }>();
  for (const { foam, count } of sets) {
    for (const piece of foam) {
      // Nothing is bought for what comes out of the scraps.
      if (piece.scrap) continue;
      for (const thickness of piece.layers) {
        const key = `${piece.material} ${thickness}`;
        const group = groups.get(key) ?? { piece, thickness, blanks: [] };
        for (let i = 0; i < count; i++)
          for (const block of piece.blocks) group.blanks.push({ label: piece.pad, width: block.width, height: block.height });
        groups.set(key, group);
      }
    }
  }
  const layouts = [...groups.values()].map(({ piece, thickness, blanks }): FoamSheets => {
    const { sheets, tooLarge } = packSheets(blanks, sheet, { gap: model.rule('foamKerf'), turn: true });
    return {
      material: piece.material,
      materialName: piece.materialName,
      thickness,
      sheets,
      tooLarge: [...new Set(tooLarge.map((b) => b.label))],
    };
  });
  const sheets = layouts.reduce((sum, layout) => sum + layout.sheets.length, 0);
  const areas = new Map(sets.flatMap(({ foam }) => foam.map((piece) => [piece.pad, piece.area / piece.blocks.length] as const)));
  const used = layouts.flatMap((l) => l.sheets.flat()).reduce((sum, laid) => sum + areas.get(laid.label)!, 0);
  return {
    sheetWidth: sheet.width,
    sheetLength: sheet.height,
    sheets,
    utilisation: sheets > 0 ? used / (sheets * sheet.width * sheet.height) : 0,
    layouts,
  };
}

function layRoll(pieces: readonly { blank: Blank; area: number; count: number }[], width: number, gap: number, turn: boolean): RollLayout {
  const blanks = pieces.flatMap(({ blank, count }) => Array.from({ length: count }, () => blank));
  const { length, laid, tooLarge } = packRoll(blanks, width, { gap, turn });
  const areas = new Map(pieces.map(({ blank, area }) => [blank.label, area]));
  const used = laid.reduce((sum, piece) => sum + areas.get(piece.label)!, 0);
  return {
    width,
    length,
    utilisation: length > 0 ? used / (width * length) : 0,
    laid,
    tooLarge: [...new Set(tooLarge.map((b) => b.label))],
  };
}

/** The next whole repeat: pieces that all start on one carry the motif in the same place. */
function toRepeat(size: number, repeat: number, gap: number): number {
  return repeat > 0 ? Math.ceil((size + gap) / repeat - 1e-9) * repeat - gap : size;
}

function layCloth(model: Model, covers: readonly CoverPiece[]): RollLayout {
  const { cloth } = model.piece;
  const gap = model.rule('clothGap');
  const along = cloth.direction !== 'across';
  // A pattern that must match has only one way up.
  const turn = cloth.direction === 'any' && cloth.repeatAcross === 0 && cloth.repeatAlong === 0;
  const pieces = covers.map((cover) => {
    const [across, down] = along ? [cover.width, cover.height] : [cover.height, cover.width];
    const width = toRepeat(across, cloth.repeatAcross, gap);
    const blank = { label: cover.name, width: width <= cloth.rollWidth ? width : across, height: toRepeat(down, cloth.repeatAlong, gap) };
    return { blank, area: cover.area, count: cover.count };
  });
  return layRoll(pieces, cloth.rollWidth, gap, turn);
}

/**
 * Lays the whole set on foam sheets, cloth, wadding and dust cloth.
 *
 * @param model the built piece
 * @param sets the flat pieces of each outline in the set, the piece's own first
 */
export function cutPlan(model: Model, sets: readonly CutSet[]): CutPlan {
  const gap = model.rule('clothGap');
  const lining = (pieces: readonly LiningPiece[], width: number): RollLayout =>
    layRoll(
      pieces.map((piece) => ({
        blank: { label: piece.name, width: piece.width, height: piece.height },
        area: piece.area,
        count: piece.count,
      })),
      width,
      gap,
      true,
    );
  const waddings = sets.flatMap(({ wadding }) => wadding ?? []);
  return {
    foam: layFoam(model, sets),
    cloth: layCloth(
      model,
      sets.map(({ cover }) => cover),
    ),
    wadding: waddings.length > 0 ? lining(waddings, model.rule('waddingRoll')) : null,
    dustCover: lining(
      sets.map(({ dust }) => dust),
      model.rule('dustRoll'),
    ),
  };
}
