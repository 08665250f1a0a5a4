import { bounds, flatten, measuredOutline } from '../../outline';
import { narrowestWidth, type Channels, type Piece, type Problem } from '../../piece';
import { choicesOf } from '../choices';
import { WAYS } from '../ways';

/** Sizes of a swatch that cannot be. */
function checkSwatch({ swatch, width }: Channels): Problem[] {
  if (!swatch) return [];
  const path = 'covering.channels.swatch';
  if (swatch.after >= swatch.before) return [{ path, message: 'A stitched swatch is narrower: measure it again before and after' }];
  if ((swatch.before - swatch.after) / swatch.lines > width)
    return [{ path, message: 'The swatch takes up more per line than a channel is wide: measure it again' }];
  return [];
}

/** More than this no machine takes up: it was measured wrong. */
const MOST_TAKEN = 0.05;

/** A sewn strip that cannot be. */
function checkSeamSwatch({ seamSwatch }: Piece['covering']): Problem[] {
  if (!seamSwatch || Math.abs(seamSwatch.before / seamSwatch.after - 1) <= MOST_TAKEN) return [];
  const [least, most] = [seamSwatch.before / (1 + MOST_TAKEN), seamSwatch.before / (1 - MOST_TAKEN)].map(Math.round);
  return [
    {
      path: 'covering.seamSwatch.after',
      message: `A seam takes up a hundredth or two: a strip of ${seamSwatch.before} mm comes out between ${least} and ${most} mm. Measure it again`,
    },
  ];
}

/** Buttons that reach beyond the board, or are drawn in too deep. */
function checkButtons(piece: Piece, { width, height }: { width: number; height: number }): Problem[] {
  const { buttons } = choicesOf(piece.covering);
  if (!buttons || !piece.covering.buttons) return [];
  const problems: Problem[] = [];
  const { columns, rows, spacing, depth, down } = buttons;
  const row = down ?? spacing;
  const add = (key: string, message: string): void => void problems.push({ path: `covering.buttons.${key}`, message });
  const most = (side: number, step: number): number => Math.max(1, Math.floor((side - 1) / step) + 1);
  if ((columns - 1) * spacing >= width)
    add('columns', `${columns} buttons ${Math.round(spacing)} mm apart reach beyond the board; ${most(width, spacing)} is the most across`);
  if ((rows - 1) * row >= height)
    add('rows', `${rows} rows ${Math.round(row)} mm apart reach beyond the board; ${most(height, row)} maximum`);
  if (depth > Math.min(spacing, row)) add('depth', 'Buttons drawn in deeper than they stand apart tear the cloth');
  return problems;
}

/** What keeps a covering from being made: a way there is not, sizes against the board, figures of a swatch. */
export function checkCovering(piece: Piece): Problem[] {
  const { covering } = piece;
  const way = WAYS.find(({ id }) => id === covering.way);
  if (!way)
    return [
      { path: 'covering.way', message: `“${covering.way}” is not a way of covering; there are ${WAYS.map(({ id }) => id).join(', ')}` },
    ];
  const box = bounds(flatten(measuredOutline(piece.base.shape).outline, 0.5));
  const problems: Problem[] = [...(way.problems?.(piece, narrowestWidth(piece.base)) ?? [])];
  if (covering.channels) problems.push(...checkSwatch(covering.channels));
  problems.push(...checkSeamSwatch(covering), ...checkButtons(piece, box));
  const { motif } = covering;
  if (motif && (Math.abs(motif.x) > box.width || Math.abs(motif.y) > box.height))
    problems.push({ path: 'covering.motif', message: 'The motif’s point lies beside the piece' });
  return problems;
}
