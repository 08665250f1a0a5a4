import { describe, expect, it } from 'vitest';
import { figures, type DocumentField } from '../piece/schema/field-at';
import { createPlanner, planPiece, type Planner } from '../plan';
import { LONGEST, patience } from '../../testing/patience';
import { CARRIERS, everyFigure, spotsOf, withFigure } from './carriers';
import { checkDocument, parseDocument, readDocument } from '.';
import { runs, thisWeek, thorough } from '../../testing/runs';
import { sharedPlanner } from '../../testing/quick';

/** What is tried of a figure: about each limit; in the thorough run also nothing, less than nothing and something huge. */
function triedOf({ type, range }: DocumentField): number[] {
  const [low, high] = range!;
  const step = type === 'integer' ? 1 : Math.max(Math.abs(low), Math.abs(high), 1) * 1e-6;
  return [...new Set([low - step, low, high, high + step, ...(thorough ? [0, -1, low + step, high - step, 1e12] : [])])];
}

/** A millionth inside a limit is planned as the limit is: those are asked for their verdict alone. */
const isLimit = (value: number, [low, high]: readonly [number, number]): boolean => value === 0 || value === low || value === high;

/** A base is measured in the same ways wherever it stands, and a second cloth is told as the first is. */
const plain = (pattern: string): string => pattern.replace('variants.*.shape', 'base.shape').replace(/^second\./, 'cloth.');

/** Every pattern once, at the first place where a carrier has it. */
const TRIED = (() => {
  const seen = new Set<string>();
  return CARRIERS.map(([name, document]) => ({
    name,
    document,
    spots: spotsOf(document).filter(({ pattern }) => !seen.has(plain(pattern)) && seen.add(plain(pattern))),
  }));
})();

describe('every figure of a document', () => {
  it('is in one of the documents that are tried', () => {
    const had = new Set(TRIED.flatMap(({ spots }) => spots.map(({ pattern }) => plain(pattern))));
    expect(
      figures()
        .map(({ path }) => plain(path))
        .filter((path) => !had.has(path)),
    ).toEqual([]);
    for (const [name, document] of CARRIERS) expect(checkDocument(document), name).toHaveProperty('piece');
  });

  it.each(TRIED.filter(({ spots }) => spots.length > 0).map((item) => [item.name, item] as const))(
    '%s: about each limit it has one verdict, and what is taken is planned to finite figures before anybody tires of waiting',
    (_, { document, spots }) => {
      const planner = sharedPlanner;
      let [taken, read] = [0, 0];
      for (const { path, field } of thisWeek(spots, 3)) {
        for (const value of triedOf(field)) {
          const tried = withFigure(document, path, value);
          const checked = checkDocument(tried);
          const [low, high] = field.range!;
          const says = `${path} = ${value}`;
          const refused = 'problems' in checked;
          if (value < low || value > high) expect(refused, says).toBe(true);
          // The file as the command line reads it, and the request as the server does; a hair inside a limit is what the limit is.
          const by = (read: () => unknown): boolean => {
            try {
              read();
              return false;
            } catch {
              return true;
            }
          };
          if ((refused || isLimit(value, [low, high])) && ++read % runs(6, 1) === 0) {
            expect(
              by(() => parseDocument(JSON.stringify(tried))),
              says,
            ).toBe(refused);
            expect(
              by(() => readDocument(tried)),
              says,
            ).toBe(refused);
          }
          if (refused) {
            for (const { message } of checked.problems) expect(message.length, says).toBeGreaterThan(8);
            continue;
          }
          if (!isLimit(value, [low, high])) continue;
          // A verdict costs next to nothing, a plan a second: of what is taken every so many is planned.
          if (++taken % runs(24, 1) !== 0) continue;
          const planned = (item: Planner): number => {
            const began = performance.now();
            try {
              const plan = planPiece(checked.piece, {}, { sits: false, coarse: true, planner: item });
              const bad: string[] = [];
              everyFigure(plan, 'plan', bad);
              expect(bad, says).toEqual([]);
            } catch (error) {
              // What only the cover can tell is said in words.
              expect((error as Error).name, `${says}: ${String(error)}`).toBe('PieceProblems');
            }
            return performance.now() - began;
          };
          // Slow once may be the machine's doing; slow every time is the plan's.
          let [took, limit] = [planned(planner), LONGEST];
          for (let again = 0; took >= limit && again < 2; again++) {
            limit = patience();
            took = Math.min(took, planned(createPlanner()));
          }
          expect(took, says).toBeLessThan(limit);
        }
      }
    },
    600_000,
  );
});
