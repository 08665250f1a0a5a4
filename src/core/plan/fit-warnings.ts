import { smaller } from '../base';
import { distanceTo } from '../outline';
import type { Fineness, Model } from '../padding';
import { HARDWARE_KINDS, kindOf, panelBoard, panelWidth } from '../piece';
import { holesBehind } from '../run-sheet';
import { sittingOf } from '../seat-check';
import { sayLength as shown, type Warn } from '../warning';
import { roomStep } from './steps';

/**
 * Hardware in the way of the edge, the staples, the pad or a button.
 *
 * @param model the built piece
 * @param warn puts a warning down
 */
export function hardwareWarnings(model: Model, warn: Warn): void {
  const { piece, board, rule } = model;
  const { onHardware } = holesBehind(model);
  const clear = rule('hardwareClear');
  (piece.base.hardware ?? []).forEach((item, i) => {
    const toEdge = distanceTo(board, [item.x, item.y]) - item.diameter / 2;
    const toStaples = Math.abs(toEdge + item.diameter / 2 - rule('return')) - item.diameter / 2;
    const where = `base.hardware.${i}`;
    const kind = HARDWARE_KINDS.find(({ id }) => id === item.kind)!;
    const name = `The ${kind.name.toLowerCase()} ${i + 1}`;
    if (toEdge < clear)
      warn('hardware-near-edge', where, `${name} lies ${shown(toEdge)} from the board’s edge; under ${shown(clear)} it splits out.`);
    else if (toStaples < clear)
      warn('hardware-on-staples', where, `${name} stands in the staple line: staples near it were moved or left out.`);
    if (!kind.flush && item.length > piece.base.board.thickness)
      warn(
        'hardware-through',
        where,
        `${name} is ${shown(item.length - piece.base.board.thickness)} longer than the board: keep its end out of the pad, or take a shorter one.`,
      );
    const button = onHardware.find(({ hardware }) => hardware === i);
    if (button) warn('hardware-on-button', where, `${name} is in the way of the hole for button ${button.button}: move one of them.`);
  });
}

/** A seat is at most so much wider behind than in front before it is asked whether the two were changed over. */
const WIDER_BEHIND = 1.1;
/** Nearer than this beside the piece a sitter is simply taken along with its edge, mm. */
const BESIDE = 40;

/**
 * Measurements that are asked about: each is possible, and hardly ever meant.
 *
 * @param model the built piece
 * @param warn puts a warning down
 */
export function unlikelyWarnings(model: Model, warn: Warn): void {
  const { kind, base, sit } = model.piece;
  const { shape } = base;
  if (!kindOf(kind).traits.upright && 'backWidth' in shape && 'frontWidth' in shape && shape.backWidth > shape.frontWidth * WIDER_BEHIND) {
    const { frontWidth, backWidth } = shape;
    warn(
      'back-wider',
      'base.shape.backWidth',
      `The back, ${shown(backWidth)}, is wider than the front, ${shown(frontWidth)}. If the two changed places, swap them.`,
      { says: 'Swap them', path: 'base.shape', value: { ...shape, frontWidth: backWidth, backWidth: frontWidth } },
    );
  }
  const sat = sit ? sittingOf(model) : null;
  if (!sit || !sat || Math.hypot(sat.x - sit.x, sat.y - sit.y) < BESIDE) return;
  const far = Math.round(Math.hypot(sit.x, sit.y));
  warn(
    'sat-beside',
    'sit',
    `The sitter is ${shown(far)} from the middle, beside the piece; it is checked with the sitter ${shown(Math.round(Math.hypot(sat.x, sat.y)))} from it.`,
    { says: 'Move the sitter there', path: 'sit', value: sat },
  );
}

/** A covered panel that is so much wider or narrower than its place on the wall shows in its gaps, mm. */
const PANEL_OFF = 0.5;

/**
 * Covered, a panel is wider or narrower than its place on the wall.
 *
 * @param model the built piece
 * @param fineness of its sections
 * @param warn puts a warning down
 */
export function panelWarning(model: Model, fineness: Fineness, warn: Warn): void {
  const { panels, base } = model.piece;
  if (!panels || !('width' in base.shape)) return;
  const { width } = roomStep(model, fineness).covered;
  const room = panelWidth(panels);
  if (Math.abs(width - room) <= PANEL_OFF) return;
  const value = panelBoard(panels, width - base.shape.width);
  warn(
    'panels-off',
    'panels.across',
    `Covered, each panel is ${shown(width)} wide, and its place on the wall ${shown(room)}: gaps of ${shown(panels.gap + room - width)}, not ${shown(panels.gap)}. Saw the boards ${shown(value)} wide.`,
    { says: `Boards of ${shown(value)}`, path: 'base.shape.width', value },
  );
}

/**
 * Covered, a piece is larger than what it goes between.
 *
 * @param model the built piece
 * @param fineness of its sections
 * @param warn puts a warning down
 */
export function roomWarning(model: Model, fineness: Fineness, warn: Warn): void {
  const { covered, opening } = roomStep(model, fineness);
  if (!opening || opening.fits) return;
  const { lessWidth, lessDepth, clear } = opening;
  const by = [lessWidth > 0 ? `${lessWidth} mm narrower` : '', lessDepth > 0 ? `${lessDepth} mm shallower` : '']
    .filter(Boolean)
    .join(' and ');
  const value = smaller(model.piece.base.shape, lessWidth, lessDepth);
  warn(
    'too-large-between',
    'base.opening',
    `Covered it measures ${shown(covered.width)} × ${shown(covered.depth)}: too wide for its opening with ${shown(clear)} clearance each side. Make the board ${by}, or pad less beyond its edge.`,
    value ? { says: `Make the board ${by}`, path: 'base.shape', value } : undefined,
  );
}
