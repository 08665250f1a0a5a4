/** A word of the trade, as it is explained beside its field. */
export type Word = {
  id: string;
  word: string;
  /** what it is */
  is: string;
  /** where its number comes from */
  from: string;
  /** what goes wrong */
  wrong: string;
  /** the house rule that its number stands on, by its key: the figure is the workshop's own */
  rule?: string;
  /** fields of the document that it explains; `*` stands for a place in a list */
  fields: readonly string[];
  /** a small drawing, lines in a box of 120 × 64 */
  sketch?: string;
};
