import { bounds, flatten, measuredOutline } from '../outline';
import type { Problem } from './problem';
import type { Piece } from './types';

/** What keeps a covering from being made: sizes against the board, and figures of a swatch. */
export function checkCovering(piece: Piece, narrowest: number): Problem[] {
  const { covering } = piece;
  if (!covering) return [];
  const problems: Problem[] = [];
  const add = (path: string, message: string): void => void problems.push({ path: `covering.${path}`, message });
  const { border, lip, channels, buttons, motif } = covering;
  if (covering.way === 'bordered' && border !== undefined && border > narrowest / 2 - 20)
    add('border', `A border of ${Math.round(border)} mm leaves no panel inside it; ${Math.floor(narrowest / 2 - 20)} mm is the most`);
  if (covering.way === 'lipped' && lip !== undefined && lip > narrowest / 2 - 20)
    add('lip', `A lip ${Math.round(lip)} mm in leaves no panel; ${Math.floor(narrowest / 2 - 20)} mm is the most`);
  if (channels?.swatch && channels.swatch.after >= channels.swatch.before)
    add('channels.swatch', 'A swatch is narrower once it is stitched: measure before and after again');
  if (channels?.swatch && (channels.swatch.before - channels.swatch.after) / channels.swatch.lines > channels.width)
    add('channels.swatch', 'The swatch takes up more per line than a channel is wide: measure it again');
  const box = bounds(flatten(measuredOutline(piece.base.shape).outline, 0.5));
  if (buttons && (covering.way === 'buttoned' || covering.way === 'block')) {
    const most = (side: number): number => Math.max(1, Math.floor((side - 1) / buttons.spacing) + 1);
    if ((buttons.columns - 1) * buttons.spacing >= box.width)
      add(
        'buttons.columns',
        `${buttons.columns} buttons ${Math.round(buttons.spacing)} mm apart reach beyond the board; ${most(box.width)} is the most across`,
      );
    if ((buttons.rows - 1) * buttons.spacing >= box.height)
      add(
        'buttons.rows',
        `${buttons.rows} rows ${Math.round(buttons.spacing)} mm apart reach beyond the board; ${most(box.height)} is the most`,
      );
    if (buttons.depth > buttons.spacing) add('buttons.depth', 'Buttons drawn in deeper than they stand apart tear the cloth');
  }
  if (motif && (Math.abs(motif.x) > box.width || Math.abs(motif.y) > box.height)) add('motif', 'The motif’s point lies beside the piece');
  return problems;
}
