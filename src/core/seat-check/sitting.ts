import type { Model } from '../padding';
import { GRAVITY } from '../foam';
import type { RuleReader } from '../house';
import { isInside } from '../outline';
import { kindOf, panelWidth, type Piece, type Sitting } from '../piece';
import { bodySize, loaderOf } from '../loaders';

/** Who usually presses on a piece of its kind, and where: the house's sitter, in the middle. */
export function usualSitting(piece: Piece, mass: number): Sitting {
  const { loader } = kindOf(piece.kind);
  return { loader, mass, share: null, x: 0, y: 0 };
}

/** A sitter who was placed beside the piece comes down on it this far along the way to its middle, in parts. */
const WAY = 40;

/** The sitting of a piece: its own, or the usual one. Nobody sits beside it: a board that was made smaller takes them along. */
export function sittingOf(model: Model): Sitting {
  const sitting = model.piece.sit ?? usualSitting(model.piece, model.rule('sitMass'));
  const [mx, my] = model.middle;
  for (let k = WAY; k > 0; k--) {
    const [x, y] = [(sitting.x * k) / WAY, (sitting.y * k) / WAY];
    if (isInside(model.board, [mx + x, my + y])) return k === WAY ? sitting : { ...sitting, x, y };
  }
  return { ...sitting, x: 0, y: 0 };
}

/** A back that leans is so wide, mm: on narrower panels it leans on several, and each has its part of it. */
const BACK_ACROSS = 400;

/**
 * Percent of a body's mass that usually comes on one piece: what its form brings, and of a wall of panels what one of them has.
 *
 * @param piece the document
 * @param loader the form that presses
 * @param rule reads the house's shares
 */
export function usualShare({ panels }: Pick<Piece, 'panels'>, loader: Sitting['loader'], rule: RuleReader): number {
  const { share } = loaderOf(loader);
  const all = 'percent' in share ? share.percent : rule(share.rule);
  return panels ? all * Math.min(1, (panelWidth(panels) + panels.gap) / BACK_ACROSS) : all;
}

/** Percent of the mass that comes on the piece. */
export function shareOf({ piece, rule }: Model, { share, loader }: Sitting): number {
  return share ?? usualShare(piece, loader, rule);
}

/** Force of a sitting of which a share comes on the piece, percent; N. */
export function loadOf({ mass }: Pick<Sitting, 'mass'>, share: number): number {
  return (mass * share * GRAVITY) / 100;
}

/** The form of a sitting at plan places: its underside over its lowest place, mm; `drop` as for the loader. */
export function formOf(model: Pick<Model, 'middle'>, sitting: Sitting): (x: number, y: number, drop?: number) => number {
  const { underside } = loaderOf(sitting.loader);
  const size = bodySize(sitting.mass);
  const [mx, my] = model.middle;
  return (x, y, drop) => underside(x - mx - sitting.x, y - my - sitting.y, size, drop);
}
