/** What is wrong with a file that was brought in, in words for the person who chose it. */
export class FileProblem extends Error {
  /** whether naming the unit of the drawing would help */
  readonly needsUnit: boolean;
  /**
   * @param message what is wrong and what would be right
   * @param options.needsUnit whether the file only lacks its unit
   */
  constructor(message: string, options: { needsUnit?: boolean } = {}) {
    super(message);
    this.name = 'FileProblem';
    this.needsUnit = options.needsUnit ?? false;
  }
}

/** Units a drawing can be in, and their millimetres. A pixel is 1/96 inch. */
export const DRAWING_UNITS = { mm: 1, cm: 10, m: 1000, in: 25.4, px: 25.4 / 96 } as const;
export type DrawingUnit = keyof typeof DRAWING_UNITS;

/** Larger text files are not an outline, characters. */
export const LARGEST_TEXT = 4_000_000;
/** More pieces of line than this are not one outline. */
export const MOST_SEGMENTS = 20_000;
