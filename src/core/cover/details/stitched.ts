import type { CoverPiece } from '../laying/cloth-piece';
import type { Point } from '../../outline';
import type { Working } from '../ways';
import { buttoned, buttonOpening, buttonPlan, type ButtonPlan } from './buttons';
import { channelled, channelOpening, channelsTogether, type ChannelPlan } from './channels';
import { withTopStitch } from './finish';

/** Where a place of a piece comes to when the piece is opened or taken in. */
export type Opening = (at: Point) => Point;

/** A cover's pieces with what is stitched into them, and those that are quilted as they come out of it. */
export type Stitched = {
  pieces: CoverPiece[];
  finished: CoverPiece[];
  channels: ChannelPlan | null;
  buttons: ButtonPlan | null;
  open: Opening;
};

/** Buttons drawn in, channels stitched, a second row beside the seams. */
export function stitched(working: Working, plain: readonly CoverPiece[]): Stitched {
  const { model, covering, channels, buttons, rule } = working;
  const padding = model.pads.reduce((sum, { pad }) => sum + pad.thickness, 0) + model.wadding;
  const plan = buttons && buttonPlan(model, buttons, padding);
  const [, ...rest] = plain;
  let first = plain[0]!;
  const openings: Opening[] = [];
  if (buttons && plan) {
    openings.push(buttonOpening(first, plan, buttons));
    first = buttoned(first, plan, buttons);
  }
  if (channels) openings.push(channelOpening(first, channels, rule));
  // A panel that is split is quilted in each of its parts.
  const halves = rest.filter(({ role }) => role === first.role && first.role === 'top');
  const quilted = channels ? [first, ...halves].map((piece) => channelled(piece, channels, rule)) : [];
  const pieces = [first, ...rest].map((piece) => {
    const found = quilted.find(({ piece: { id } }) => id === piece.id);
    return withTopStitch(found?.piece ?? piece, covering.topStitch ?? 0);
  });
  return {
    pieces,
    finished: quilted.map(({ finished }) => withTopStitch(finished, covering.topStitch ?? 0)),
    channels: quilted.length > 0 ? channelsTogether(quilted.map(({ plan: each }) => each)) : null,
    buttons: plan,
    open: (at) => openings.reduce((place, opening) => opening(place), at),
  };
}
