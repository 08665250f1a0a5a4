import type { Model } from '../padding';
import { BUTTON_CLEAR, buttonPlaces, choicesOf, wayOf, type CoverPlan } from '../cover';
import { kindOf } from '../piece';
import { BUTTON_HOLE, holesBehind, throughBoard } from './button-holes';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';

/** Drawn in deeper than this a button tears foam that is whole, mm; the well that is cut for it, mm across. */
const DEEP = 20;
const WELL = 25;
/** Setting out, and each hole or well: minutes. */
const MINUTES = { setOut: 4, each: 1 };

/** Twine is cut to the centimetre, mm. */
const TWINE = 10;

/** How a row lies about its middle: where its outermost is. */
function reach(count: number, spacing: number, ways: string): string | null {
  if (count < 2) return null;
  const out = ((count - 1) / 2) * spacing;
  return `the outermost ${Math.round(out)} mm ${ways}`;
}

/** Where the buttons lie, as a rule and a square find it from the centre lines. */
function gridWords(model: Model): string {
  const buttons = choicesOf(model.piece.covering).buttons!;
  const { columns, rows, spacing, down, grid } = buttons;
  const row = down ?? spacing;
  if (columns * rows === 1) return 'on the crossing of the centre lines';
  const upright = kindOf(model.piece.kind).traits.upright;
  const far = [
    reach(columns, spacing, 'left and right of it'),
    reach(rows, row, upright ? 'below and above it' : 'before and behind it'),
  ].filter(Boolean);
  const spacingWords = `${Math.round(columns > 1 ? spacing : row)} mm apart`;
  const inRows =
    Math.abs(row - spacing) < 0.5
      ? `${columns} across and ${rows} deep, ${spacingWords}`
      : `${columns} across ${spacingWords}, in ${rows} rows ${Math.round(row)} mm apart`;
  const between = grid === 'diamond' && columns > 1 ? `, every second row half a step over with ${columns - 1}` : '';
  const all = rows * columns - (grid === 'diamond' && columns > 1 ? Math.floor(rows / 2) : 0);
  const left = all > buttonPlaces(model, buttons).length ? `, none within ${BUTTON_CLEAR} mm of the edge` : '';
  const laid = rows > 1 && columns > 1 ? inRows + between : `${Math.max(columns, rows)} in a row, ${spacingWords}`;
  return `${laid}${left}, about the crossing of the centre lines${far.length > 0 ? ` (${far.join(', ')})` : ''}`;
}

/**
 * Holes for the twine, while the board is bare: through ply nobody pushes a needle.
 *
 * @param model the built piece
 * @param cover with its buttons, or without
 */
export function buttonHoles(model: Model, { buttons }: CoverPlan): StepDraft[] {
  if (!buttons || !throughBoard(model)) return [];
  const { onBattens } = holesBehind(model);
  const battens =
    onBattens.length > 0
      ? ` ${onBattens.length === buttons.count ? 'All' : onBattens.length} of them ${onBattens.length === 1 ? 'comes' : 'come'} on a batten: drill through board and batten together, once the frame is on.`
      : '';
  return [
    step(
      'button-holes',
      'Drill for the buttons',
      `${buttons.count > 1 ? `${buttons.count} holes` : '1 hole'} of ${BUTTON_HOLE} mm right through, ${gridWords(model)}.${battens} Ease their edges behind, where the twine would be cut; mark them behind, so that each is found again.`,
      MINUTES.setOut + buttons.count * MINUTES.each,
      { caution: CAUTIONS.saw, sees: { in: 'board' } },
    ),
  ];
}

/**
 * Covering the buttons, out of what the cover leaves over.
 *
 * @param model for its times
 * @param cover with its buttons, or without
 */
export function coverButtons({ rule }: Pick<Model, 'rule'>, { buttons }: CoverPlan): StepDraft[] {
  if (!buttons) return [];
  return [
    step(
      'button-cover',
      'Cover the buttons',
      `${buttons.count} of ${Math.round(buttons.size)} mm: rounds of ${Math.round(buttons.blank)} mm from what the cover leaves over, the pattern in the middle of each; press them on, and pull at every one before it is used.`,
      buttons.count * rule('timeButtonCover'),
      { uses: ['button', 'cloth'], caution: CAUTIONS.shears },
    ),
  ];
}

/**
 * Wells in the foam, where buttons go deep.
 *
 * @param model the built piece
 * @param cover with its buttons, or without
 */
export function buttonWells(model: Model, { buttons }: CoverPlan): StepDraft[] {
  if (!buttons || buttons.depth < DEEP || wayOf(model.piece.covering.way).loose) return [];
  const down = Math.round(buttons.depth);
  return [
    step(
      'button-wells',
      'Open the foam for the buttons',
      `${throughBoard(model) ? 'A needle up through each hole shows where' : `Set them out: ${gridWords(model)}`}: cut a well of ${WELL} mm across and ${down} mm deep there, and slope its rim; part the wadding over it with the fingers once it lies.`,
      MINUTES.setOut + buttons.count * MINUTES.each,
      { caution: CAUTIONS.knife, sees: { in: 'section' } },
    ),
  ];
}

/**
 * Drawing the buttons in: before the edges are pulled, for they take the cloth that was cut for them.
 *
 * @param model the built piece
 * @param cover with its buttons, or without
 */
export function drawButtons(model: Model, { buttons }: CoverPlan): StepDraft[] {
  if (!buttons) return [];
  const loose = wayOf(model.piece.covering.way).loose;
  const behind = loose
    ? 'tied to a second button or a loop below, since nothing is behind it'
    : 'tied behind over a toggle or a tuft with a slip knot, all looked at from the front before they are knotted fast';
  const twine = Math.ceil(buttons.thread / buttons.count / TWINE) * TWINE;
  const smooth = loose ? '' : ' Smooth the cloth from each to the next before it is drawn down; the edges are pulled afterwards.';
  return [
    step(
      'buttons',
      'Draw in the buttons',
      `${buttons.count} buttons, those nearest the middle first, ${throughBoard(model) ? 'each through its hole' : gridWords(model)}. Needle ${Math.ceil(buttons.needle)} mm or longer, ${twine} mm of waxed twine for each, drawn in ${Math.round(buttons.depth)} mm: ${behind}.${smooth}`,
      buttons.count * model.rule('timeButtonDraw'),
      { uses: ['button', 'cord'], caution: CAUTIONS.nails, sees: { in: throughBoard(model) ? 'back' : 'cloth' } },
    ),
  ];
}
