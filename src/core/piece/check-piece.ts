import { BOARDS, findMaterial, FOAMS, WADDINGS } from '../foam';
import { checkRule } from '../house';
import { baseCorners, tangentLength } from '../outline';
import { LIMITS } from './limits';
import type { Problem } from './problem';
import type { BaseShape, Piece } from './types';

/** A reader for a slip of the finger: ten times or a tenth of something that would fit. */
function didYouMean(value: number, [low, high]: readonly [number, number]): string {
  for (const factor of [0.1, 10, 1 / 25.4, 25.4]) {
    const guess = value * factor;
    if (guess >= low * 1.5 && guess <= high * 0.7) return `; did you mean ${Math.round(guess)} mm?`;
  }
  return '';
}

/**
 * Says what is wrong with one measurement, in words for the person who typed it.
 *
 * @param label what is measured
 * @param value mm
 * @param range least and most, mm
 */
export function checkRange(label: string, value: number, range: readonly [number, number]): string | null {
  if (!Number.isFinite(value)) return `${label} is not a figure`;
  if (value < range[0]) {
    if (value < 0 && range[0] >= 0) return `${label} cannot be less than nothing`;
    if (value === 0) return `${label} cannot be zero; ${range[0]} mm is the least`;
    return `${label}: ${round(value)} mm is too little; ${range[0]} mm is the least${didYouMean(value, range)}`;
  }
  if (value > range[1]) return `${label}: ${round(value)} mm is too much; ${range[1]} mm is the most${didYouMean(value, range)}`;
  return null;
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}

function checkShape(shape: BaseShape): Problem[] {
  const problems: Problem[] = [];
  const check = (field: string, label: string, value: number, range: readonly [number, number]): void => {
    const message = checkRange(label, value, range);
    if (message) problems.push({ path: `base.shape.${field}`, message });
  };
  if (shape.type === 'round') {
    check('diameter', 'Diameter', shape.diameter, LIMITS.seat);
    return problems;
  }
  if (shape.type === 'rectangle') check('width', 'Width', shape.width, LIMITS.seat);
  else {
    check('frontWidth', 'Front width', shape.frontWidth, LIMITS.seat);
    check('backWidth', 'Back width', shape.backWidth, LIMITS.seat);
  }
  check('depth', 'Depth', shape.depth, LIMITS.seat);
  check('cornerRadius.front', 'Front corner radius', shape.cornerRadius.front, LIMITS.radius);
  check('cornerRadius.back', 'Back corner radius', shape.cornerRadius.back, LIMITS.radius);
  return problems.length > 0 ? problems : checkRadii(shape);
}

/** Two radii on one edge may not reach past each other. */
function checkRadii(shape: Exclude<BaseShape, { type: 'round' }>): Problem[] {
  const corners = baseCorners(shape);
  for (let i = 0; i < corners.length; i++) {
    const next = corners[(i + 1) % corners.length]!;
    const corner = corners[i]!;
    const length = Math.hypot(next.at[0] - corner.at[0], next.at[1] - corner.at[1]);
    const reach = tangentLength(corners, i) + tangentLength(corners, (i + 1) % corners.length);
    if (reach <= length + 1e-6) continue;
    const share = length / reach;
    const front = corner.edgeAfter !== 'back' && shape.cornerRadius.front > 0;
    const radius = front ? shape.cornerRadius.front : shape.cornerRadius.back;
    return [
      {
        path: `base.shape.cornerRadius.${front ? 'front' : 'back'}`,
        message: `The corner radii need ${Math.ceil(reach)} mm of the ${corner.edgeAfter} edge, which is ${Math.floor(length)} mm long; ${Math.floor(radius * share)} mm would fit`,
      },
    ];
  }
  return [];
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
  const add = (path: string, message: string | null): void => {
    if (message) problems.push({ path, message });
  };
  if (!piece.name.trim()) add('name', 'A piece needs a name');
  if (!Number.isInteger(piece.count)) add('count', 'How many alike must be a whole number');
  else if (piece.count < LIMITS.count[0] || piece.count > LIMITS.count[1])
    add('count', `How many alike must be ${LIMITS.count[0]} to ${LIMITS.count[1]}`);
  if (piece.due && Number.isNaN(Date.parse(piece.due))) add('due', `“${piece.due}” is not a day`);
  add('base.board.thickness', checkRange('Board thickness', piece.base.board.thickness, LIMITS.board));
  if (!findMaterial(BOARDS, piece.base.board.material)) add('base.board.material', `“${piece.base.board.material}” is not a board we know`);
  const narrowest = narrowestWidth(piece.base.shape);
  const seen = new Set<string>();
  piece.pads.forEach((pad, i) => {
    const at = `pads.${i}`;
    if (seen.has(pad.id)) add(`${at}.id`, `Two pads are called “${pad.id}”`);
    seen.add(pad.id);
    if (!findMaterial(FOAMS, pad.material)) add(`${at}.material`, `“${pad.material}” is not a foam we know`);
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
    if (pad.edge.kind === 'feathered') add(`${at}.edge.width`, checkRange('Feather', pad.edge.width, LIMITS.feather));
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
  return problems;
}

/** The narrowest width of a base across its middle, mm: what an inset can eat from both sides. */
export function narrowestWidth(shape: BaseShape): number {
  if (shape.type === 'round') return shape.diameter;
  const width = shape.type === 'rectangle' ? shape.width : Math.min(shape.frontWidth, shape.backWidth);
  return Math.min(width, shape.depth);
}
