import type { FormSize, FormedPad, Report } from './form';
import { short, whole } from './shared';

/**
 * What is wrong with points that must be told from the near edge to the far one, none thicker than the pad.
 *
 * @param key of the list in the form
 * @param rows each its place and its heights by name
 * @param thickness of the pad, mm
 * @param report takes what is wrong
 */
export function checkPoints(
  key: string,
  rows: readonly { at: number; heights: Readonly<Record<string, number>> }[],
  thickness: number,
  report: Report,
): void {
  rows.forEach(({ at, heights }, i) => {
    const before = rows[i - 1]?.at;
    if (before !== undefined && at <= before)
      report(`${key}.${i}.at`, `Point ${i + 1} must lie farther from the near edge than the one before it, more than ${short(before)} mm`);
    for (const [name, height] of Object.entries(heights))
      if (height > thickness)
        report(
          `${key}.${i}.${name}`,
          `${short(height)} mm is more than the pad is thick; ${short(thickness)} mm maximum. Make the pad thicker first`,
        );
  });
}

/** What a form given by its points is marked out by. */
export function pointsSize({ most, least }: FormedPad & { most: number; least: number }, what: string): FormSize {
  return {
    value: most,
    note: `${whole(least)} mm where it is thinnest; ${what}`,
    formula: 'thickness from point to point as it was given',
    terms: [{ key: 'least', name: 'Thinnest', value: least }],
  };
}
