import { BOARDS, findMaterial } from '../foam';
import type { RuleReader } from '../house';
import { bounds, type Polygon } from '../outline';
import type { Laid } from './blank';
import { inParts, packSheets } from './pack';

/** Sheets that the boards of a set are sawn from. */
export type BoardSheets = {
  material: string;
  materialName: string;
  thickness: number;
  /** of one sheet */
  width: number;
  length: number;
  sheets: Laid[][];
  tooLarge: string[];
};

/**
 * Lays the boards of a set on sheets, a saw’s cut apart; the grain may run either way.
 *
 * @param board what they are sawn from
 * @param boards outlines with how many of each
 * @param rule sheet and kerf
 */
export function layBoards(
  board: { material: string; thickness: number },
  boards: readonly { label: string; outline: Polygon; count: number }[],
  rule: RuleReader,
): BoardSheets {
  const sheet = { width: rule('boardSheetWidth'), height: rule('boardSheetLength') };
  const blanks = boards.flatMap(({ label, outline, count }) => {
    const { width, height } = bounds(outline);
    return Array.from({ length: count }, () => ({ label, width, height }));
  });
  const apart = { gap: rule('boardKerf'), turn: true };
  const whole = packSheets(blanks, sheet, apart);
  const { tooLarge } = whole;
  // What is larger than a sheet is warned of, and is still bought: in the parts that it would be joined from.
  const parts = tooLarge.flatMap((blank) => inParts(blank, sheet, { turn: true, seam: 0 }));
  const { sheets } =
    parts.length > 0 ? packSheets([...blanks.filter((blank) => !tooLarge.includes(blank)), ...parts], sheet, apart) : whole;
  return {
    ...board,
    materialName: findMaterial(BOARDS, board.material)!.name,
    width: sheet.width,
    length: sheet.height,
    sheets,
    tooLarge: [...new Set(tooLarge.map(({ label }) => label))],
  };
}
