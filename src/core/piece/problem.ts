/** One thing wrong with a piece: where it is in the document, and what would be right. */
export type Problem = { path: string; message: string };

/** Thrown where a piece cannot be planned. */
export class PieceProblems extends Error {
  readonly problems: Problem[];
  /** @param problems at least one */
  constructor(problems: Problem[]) {
    super(problems.map(({ path, message }) => (path ? `${path}: ${message}` : message)).join('\n'));
    this.name = 'PieceProblems';
    this.problems = problems;
  }
}
