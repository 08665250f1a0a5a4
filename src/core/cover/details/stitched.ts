import type { CoverPiece } from '../laying/cloth-piece';
import type { Point } from '../../outline';
import type { Working } from '../ways';
import { buttoned, buttonOpening, buttonPlan, type ButtonPlan } from './buttons';
import { channelled, channelOpening, type ChannelPlan } from './channels';
import { withTopStitch } from './finish';

/** Where a place of a piece comes to when the piece is opened or taken in. */
export type Opening = (at: Point) => Point;

/** A cover's pieces with what is stitched into them. */
export type Stitched = { pieces: CoverPiece[]; channels: ChannelPlan | null; buttons: ButtonPlan | null; open: Opening };

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
  const quilted = channels && channelled(first, channels, rule);
  if (quilted) {
    openings.push(channelOpening(first, channels, rule));
    first = quilted.piece;
  }
  const pieces = [first, ...rest].map((piece) => withTopStitch(piece, covering.topStitch ?? 0));
  return {
    pieces,
    channels: quilted ? quilted.plan : null,
    buttons: plan,
    open: (at) => openings.reduce((place, opening) => opening(place), at),
  };
}
