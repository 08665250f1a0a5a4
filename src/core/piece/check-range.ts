/** A reader for a slip of the finger: ten times or a tenth of something that would fit. */
function didYouMean(value: number, [low, high]: readonly [number, number]): string {
  for (const factor of [0.1, 10, 1 / 25.4, 25.4]) {
    const guess = value * factor;
    if (guess >= low * 1.5 && guess <= high * 0.7) return `; did you mean ${Math.round(guess)} mm?`;
  }
  return '';
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}

/**
 * Says what is wrong with one measurement, in words for the person who typed it.
 *
 * @param label what is measured
 * @param value mm
 * @param range least and most, mm
 */
export function checkRange(label: string, value: number, range: readonly [number, number]): string | null {
  if (!Number.isFinite(value)) return `${label} is not a figure`;
  if (value < range[0]) {
    if (value < 0 && range[0] >= 0) return `${label} cannot be less than nothing`;
    if (value === 0) return `${label} cannot be zero; ${range[0]} mm is the least`;
    return `${label}: ${round(value)} mm is too little; ${range[0]} mm is the least${didYouMean(value, range)}`;
  }
  if (value > range[1]) return `${label}: ${round(value)} mm is too much; ${range[1]} mm is the most${didYouMean(value, range)}`;
  return null;
}
