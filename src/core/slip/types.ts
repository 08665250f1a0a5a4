/** How a figure on the slip is printed. */
export type SlipUnit = 'length' | 'area' | 'count' | 'percent' | 'minutes' | 'mass' | 'force' | 'pressure';

/** One value that goes into a number: from the piece, worked out, or a house rule that can be overridden. */
export type Term = {
  symbol: string;
  label: string;
  value: number;
  unit: SlipUnit | 'seconds';
  /** key of the house rule it comes from, when it is one */
  rule?: string;
};

/** One number of the slip with the reason for it. */
export type SlipLine = {
  key: string;
  group: 'Padding' | 'Cover' | 'Buy' | 'Fixing' | 'Work';
  label: string;
  value: number;
  /** a second figure, for sizes */
  by?: number;
  unit: SlipUnit;
  /** words that go with the figure */
  note?: string;
  formula: string;
  terms: Term[];
};
