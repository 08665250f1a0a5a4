/** Something the plan is not happy with: a code, where it is (a path in the piece or a station), and in words. */
export type Warning = {
  code: string;
  where: string;
  message: string;
  /** what mends it where only what found it knows: what the button says, what it sets */
  mend?: { says: string; path: string; value: unknown };
};

/** A length in a message. */
export function sayLength(mm: number): string {
  return `${Math.round(mm * 10) / 10} mm`;
}

/** Puts a warning down. */
export type Warn = (code: string, where: string, message: string, mend?: Warning['mend']) => void;
