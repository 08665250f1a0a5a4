import { BOARDS, curveOf, findMaterial, WADDINGS } from '../foam';
import { checkRule } from '../house';
import { baseOutline, cutNotch, deepest, distanceTo, flatten, isInside, measuredOutline, outlineArea, type Point } from '../outline';
import { checkCovering } from './check-covering';
import { checkRange } from './check-range';
import { checkPad } from './check-pad';
import { checkShape } from './check-shape';
import { kindOf } from './kinds';
import { LIMITS } from './limits';
import type { Problem } from './problem';
import type { Base, Piece } from './types';

function round(value: number): number {
  return Math.round(value * 10) / 10;
}

/** Notches that cannot be cut, holes and hardware that are not on the board, moulds out of order. */
function checkFeatures(base: Base): Problem[] {
  const problems: Problem[] = [];
  let { outline } = measuredOutline(base.shape);
  base.notches?.forEach((notch, i) => {
    const cut = cutNotch(outline, notch);
    if (typeof cut === 'string') problems.push({ path: `base.notches.${i}`, message: `${cut} (notch ${i + 1})` });
    else outline = cut;
  });
  if (problems.length > 0) return problems;
  const board = flatten(outline);
  if (outlineArea(outline) < LIMITS.seat[0] ** 2)
    return [{ path: 'base.notches', message: 'The notches leave next to nothing of the board' }];
  const reaches = (x: number, y: number, half: number): string | null => {
    const at: Point = [x, y];
    if (!isInside(board, at)) return 'lies beside the board';
    return distanceTo(board, at) < half ? 'reaches over the edge of the board; make it a notch, or move it in' : null;
  };
  base.holes?.forEach((hole, i) => {
    const half = hole.kind === 'round' ? hole.diameter / 2 : Math.min(hole.width, hole.height) / 2;
    const wrong = reaches(hole.x, hole.y, half);
    if (wrong) problems.push({ path: `base.holes.${i}`, message: `Hole ${i + 1} ${wrong}` });
  });
  base.hardware?.forEach((item, i) => {
    const wrong = reaches(item.x, item.y, item.diameter / 2);
    if (wrong)
      problems.push({
        path: `base.hardware.${i}`,
        message: `The ${item.kind}, number ${i + 1}, ${wrong.replace('; make it a notch, or move it in', '; move it in')}`,
      });
    if (item.kind === 'insert' && item.length > base.board.thickness)
      problems.push({
        path: `base.hardware.${i}.length`,
        message: `A threaded insert ${round(item.length)} mm long comes out of a ${round(base.board.thickness)} mm board; ${Math.floor(base.board.thickness)} mm is the most`,
      });
  });
  if (base.mould?.kind === 'rows') {
    const { rows } = base.mould;
    const late = rows.findIndex((row, i) => i > 0 && row.at <= rows[i - 1]!.at);
    if (late >= 0)
      problems.push({
        path: `base.mould.rows.${late}.at`,
        message: `Cross-section ${late + 1} lies before or on the one above it; they go from the front backwards`,
      });
  }
  if (base.mould?.kind === 'map' && base.mould.heights.length !== base.mould.columns * base.mould.rows)
    problems.push({
      path: 'base.mould.heights',
      message: `A map of ${base.mould.columns} × ${base.mould.rows} places needs as many heights; there are ${base.mould.heights.length}`,
    });
  return problems;
}

/** Boards that cannot do what this kind of piece asks. */
function checkBoard(piece: Piece): string | null {
  const board = findMaterial(BOARDS, piece.base.board.material);
  if (!board) return `“${piece.base.board.material}” is not a board we know`;
  if (kindOf(piece.kind).sat && !board.bears)
    return `${board.name} cannot bear a person and holds no staple; take plywood or solid wood under a seat`;
  return null;
}

/** The narrowest way across a base through its deepest place, mm: what an inset can eat from both sides. */
export function narrowestWidth(base: Base): number {
  const { shape } = base;
  if (!base.notches?.length) {
    if (shape.type === 'round') return shape.diameter;
    if (shape.type === 'rectangle') return Math.min(shape.width, shape.depth);
    if (shape.type === 'trapezoid') return Math.min(shape.frontWidth, shape.backWidth, shape.depth);
  }
  return 2 * deepest(flatten(baseOutline(shape, base.notches), 0.2)).depth;
}

/**
 * Says what keeps a piece from being planned, beyond what the JSON Schema can say: sizes against each other and
 * names against the shipped tables.
 *
 * @param piece a document of the right form
 * @returns nothing when it can be planned
 */
export function checkPiece(piece: Piece): Problem[] {
  const problems = checkShape(piece.base.shape);
  if (problems.length > 0) return problems;
  problems.push(...checkFeatures(piece.base));
  if (problems.length > 0) return problems;
  const add = (path: string, message: string | null): void => {
    if (message) problems.push({ path, message });
  };
  if (!piece.name.trim()) add('name', 'A piece needs a name');
  if (!Number.isInteger(piece.count)) add('count', 'How many alike must be a whole number');
  else if (piece.count < LIMITS.count[0] || piece.count > LIMITS.count[1])
    add('count', `How many alike must be ${LIMITS.count[0]} to ${LIMITS.count[1]}`);
  if (piece.due && Number.isNaN(Date.parse(piece.due))) add('due', `“${piece.due}” is not a day`);
  add('base.board.thickness', checkRange('Board thickness', piece.base.board.thickness, LIMITS.board));
  add('base.board.material', checkBoard(piece));
  const narrowest = narrowestWidth(piece.base);
  const seen = new Set<string>();
  piece.pads.forEach((pad, i) => {
    const at = `pads.${i}`;
    if (seen.has(pad.id)) add(`${at}.id`, `Two pads are called “${pad.id}”`);
    seen.add(pad.id);
    add(`${at}.thickness`, checkRange('Pad thickness', pad.thickness, LIMITS.pad));
    if (pad.role === 'crown' && pad.thickness > narrowest / 2) {
      add(
        `${at}.thickness`,
        `A crown of ${round(pad.thickness)} mm is steeper than a half ball on this seat; ${Math.floor(narrowest / 2)} mm is the most`,
      );
    }
    if (pad.offset !== null) {
      add(
        `${at}.offset`,
        checkRange(pad.offset > 0 ? 'Overhang' : 'Inset', Math.abs(pad.offset), [0, pad.offset > 0 ? LIMITS.offset[1] : -LIMITS.offset[0]]),
      );
      if (-pad.offset > narrowest / 2 - 10)
        add(
          `${at}.offset`,
          `An inset of ${round(-pad.offset)} mm leaves nothing of this pad; ${Math.floor(narrowest / 2 - 10)} mm is the most`,
        );
    }
    problems.push(...checkPad(piece, pad, i));
  });
  if (piece.wadding !== null && !findMaterial(WADDINGS, piece.wadding)) add('wadding', `“${piece.wadding}” is not a wadding we know`);
  add('cloth.rollWidth', checkRange('Roll width', piece.cloth.rollWidth, LIMITS.rollWidth));
  add('cloth.thickness', checkRange('Cloth thickness', piece.cloth.thickness, LIMITS.clothThickness));
  add('cloth.repeatAcross', checkRange('Repeat across', piece.cloth.repeatAcross, LIMITS.repeat));
  add('cloth.repeatAlong', checkRange('Repeat along', piece.cloth.repeatAlong, LIMITS.repeat));
  const shrinkage = piece.cloth.shrinkage;
  if (!(shrinkage >= LIMITS.shrinkage[0] && shrinkage <= LIMITS.shrinkage[1])) {
    add('cloth.shrinkage', `Shrinkage must be ${LIMITS.shrinkage[0]} to ${LIMITS.shrinkage[1]} %`);
  }
  for (const [key, value] of Object.entries(piece.overrides)) add(`overrides.${key}`, checkRule(key, value));
  if (typeof piece.cloth.force === 'number') add('cloth.force', checkNumber('Pull', piece.cloth.force, LIMITS.force, 'N per 10 cm'));
  if (piece.sit) {
    add('sit.mass', checkNumber('Body mass', piece.sit.mass, LIMITS.mass, 'kg'));
    if (piece.sit.share !== null) add('sit.share', checkNumber('Share on the piece', piece.sit.share, LIMITS.share, '%'));
  }
  (piece.foams ?? []).forEach((foam, i) => {
    try {
      curveOf(foam);
    } catch (error) {
      add(`foams.${i}.supportFactor`, error instanceof RangeError ? error.message : String(error));
    }
  });
  problems.push(...checkSet(piece));
  problems.push(...checkCovering(piece, narrowest));
  return problems;
}

/** A figure that is not a length, against its limits. */
function checkNumber(label: string, value: number, [least, most]: readonly [number, number], unit: string): string | null {
  return value >= least && value <= most ? null : `${label} must be ${least} to ${most} ${unit}`;
}

/** Pieces of the set that differ, and panels on a wall. */
function checkSet(piece: Piece): Problem[] {
  const problems: Problem[] = [];
  const variants = piece.variants ?? [];
  variants.forEach((variant, i) => problems.push(...checkShape(variant.shape, `variants.${i}.shape`)));
  const differing = variants.reduce((sum, variant) => sum + variant.count, 0);
  if (differing >= piece.count && variants.length > 0)
    problems.push({
      path: 'variants',
      message: `${differing} of a set of ${piece.count} differ; at least one must be as drawn, or the set must be larger`,
    });
  if (piece.panels) {
    const width = panelWidth(piece.panels);
    if (width < LIMITS.seat[0])
      problems.push({
        path: 'panels.count',
        message: `${piece.panels.count} panels with these gaps would be ${Math.round(width)} mm wide; ${LIMITS.seat[0]} mm is the least`,
      });
  }
  return problems;
}

/** Width of one of N equal panels with gaps between them, mm. */
export function panelWidth({ across, gap, count }: { across: number; gap: number; count: number }): number {
  return (across - (count - 1) * gap) / count;
}
