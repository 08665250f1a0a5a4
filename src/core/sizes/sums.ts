import type { CoverPiece, WeltPlan } from '../cover';
import { bounds } from '../outline';
import type { SumPart, Sums } from './types';

/** A width and a height, mm. */
type Extent = { width: number; height: number };

/** An entry smaller than this is none: it would print as 0.0. */
const NOTHING = 0.05;

/**
 * How a size grows from a first extent through others to the last: each entry is what one step puts on, so that they add
 * up to the last extent whatever the outline's form.
 *
 * @param label of the first extent
 * @param first where it begins: the board, or a part as sewn
 * @param steps each step's label and the extent once it is added
 */
export function growingSums(label: string, first: Extent, steps: readonly (readonly [label: string, to: Extent])[]): Sums {
  const along = (axis: keyof Extent): SumPart[] => [
    { label, value: first[axis] },
    ...steps
      .map(([name, to], i): SumPart => ({ label: name, value: to[axis] - (i === 0 ? first : steps[i - 1]![1])[axis] }))
      .filter(({ value }) => Math.abs(value) >= NOTHING),
  ];
  return { width: along('width'), height: along('height') };
}

const times = ({ width, height }: Extent, factor: number): Extent => ({ width: width * factor, height: height * factor });

/** What a cut that is longer for shrinkage, or for what its seams take up, is called. */
const LONGER = 'Cut longer for shrinking and seams';

/**
 * How the blank of a pulled cover adds up: the board, what lies over the pads and down both sides, what is turned under,
 * what is pulled by. The three lines are drawn on it.
 *
 * @param blank the pulled cover
 * @param board width and depth of the board, mm
 * @param drawnIn what its buttons take of it, mm
 */
export function blankSums(blank: CoverPiece, board: Extent, drawnIn: Extent): Sums {
  const { longer } = blank;
  const [fold] = blank.lines.filter(({ kind, closed }) => kind === 'fold' && closed);
  const stapled = times(bounds(blank.stapleLine), 1 / longer);
  const folded = fold ? times(bounds(fold.points), 1 / longer) : stapled;
  return growingSums('Board', board, [
    [
      'Over the pads and down both sides',
      { width: folded.width - drawnIn.width / longer, height: folded.height - drawnIn.height / longer },
    ],
    ['Drawn in by the buttons', folded],
    ['Turned under, both edges', stapled],
    ['Pull allowance, both edges', times(blank, 1 / longer)],
    [LONGER, blank],
  ]);
}

/**
 * How a sewn part adds up: as it is once sewn, laid flat, and its allowances.
 *
 * @param part a flat part of the cover
 */
export function partSums(part: CoverPiece): Sums {
  const sewn = bounds(part.sewn);
  const stapled = part.edges.some(({ kind }) => kind === 'staple');
  return growingSums('Finished, laid flat', times(sewn, 1 / part.longer), [
    [LONGER, sewn],
    [stapled ? 'Seam allowance, turn-under and pull allowance' : 'Allowance, both edges', part],
  ]);
}

/**
 * How wadding adds up: the board, what lies over the pads and down the sides, what goes on under the board.
 *
 * @param blank its cut size
 * @param board width and depth of the board, mm
 * @param laid how far it goes on under the board at either edge, mm, and how many go round one piece
 */
export function liningSums(blank: Extent, board: Extent, { under, faces }: { under: number; faces: number }): Sums {
  return growingSums('Board', board, [
    [
      faces > 1 ? 'Over the pads and half-way down both sides' : 'Over the pads and down both sides',
      { width: blank.width - 2 * under, height: blank.height - 2 * under },
    ],
    ['Under the board, both edges', blank],
  ]);
}

/**
 * How a welt strip adds up, in length and in width.
 *
 * @param welt the strip
 * @param allowance seam allowance, mm
 * @param overlap by which its ends lie over each other, mm
 */
export function weltSums(welt: WeltPlan, allowance: number, overlap: number): Sums {
  const round = Math.PI * welt.cord * (welt.double ? 2 : 1);
  const width = round + 2 * allowance;
  const joined = (welt.strips - 1) * welt.stripWidth;
  return {
    width: growingSums('The seam', { width: welt.seamLength, height: 0 }, [
      ['Overlap where its ends meet', { width: welt.seamLength + overlap, height: 0 }],
      [LONGER, { width: welt.stripLength - joined, height: 0 }],
      [`Joins, ${welt.strips - 1} × the strip’s width`, { width: welt.stripLength, height: 0 }],
    ]).width,
    height: growingSums(welt.double ? 'Round both cords' : 'Round the cord', { width: 0, height: round }, [
      ['Seam allowance, both edges', { width: 0, height: width }],
      [LONGER, { width: 0, height: welt.stripWidth }],
    ]).height,
  };
}
