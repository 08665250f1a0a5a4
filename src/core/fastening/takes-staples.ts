import { clothsOn } from '../cover';
import { BOARDS, findMaterial } from '../foam';
import type { RuleReader } from '../house';
import { polygonPerimeter, type Polygon } from '../outline';
import { fasteningDepth } from './depth';
import { stapleLeg, type GunLegs, type LegChoice } from './fasteners/staple-leg';
import type { FixModel } from './reads';

/** The legs that the gun there is takes, mm. */
export const gunLegs = (rule: RuleReader): GunLegs => [rule('gunShortest'), rule('gunLongest')];

/** The leg for a piece's cloth and board. */
export function legOf({ model }: { model: Pick<FixModel, 'piece' | 'rule'> }): LegChoice {
  const { piece, rule } = model;
  return stapleLeg(
    Math.max(...clothsOn(piece).map(({ thickness }) => thickness)),
    fasteningDepth(piece),
    {
      bite: rule('stapleBite'),
      clear: rule('stapleClear'),
    },
    gunLegs(rule),
  );
}

/**
 * Staples in the row of a lining or of wadding: it is only kept from creeping, so they stand twice as far apart as the cover's.
 *
 * @param board its outline
 * @param pitch of the cover's staples, mm
 */
export function liningRow(board: Polygon, pitch: number): number {
  return Math.ceil(polygonPerimeter(board) / (2 * pitch));
}

/** Whether a board holds a staple by what it is made of. */
export function bites(material: string): boolean {
  return findMaterial(BOARDS, material)?.bears ?? true;
}

/**
 * Whether anything can be stapled to a base at all: its board, or a strip along its edge, holds a staple, and there is a leg that neither
 * pulls out nor comes through, though it may take another gun.
 *
 * @param model the built piece
 */
export function takesStaples(model: Pick<FixModel, 'piece' | 'rule'>): boolean {
  const { board, edges = [] } = model.piece.base;
  const leg = legOf({ model });
  return (bites(board.material) || edges.some(({ strip }) => strip !== null)) && (leg.fits || leg.withoutGun !== null);
}
