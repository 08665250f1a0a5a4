import { describe, expect, it } from 'vitest';
import { sharedPlanner } from '../../testing/quick';
import { KINDS, newPiece } from '../piece';
import { disagreements, expectAgreement, fingerprintOf, planPiece, PlansDisagree, PLAN_PARTS, sheetView, type Fingerprint } from '.';

const plan = planPiece(newPiece('chair-seat'), {}, { planner: sharedPlanner, sits: false });
const seen = fingerprintOf(plan);
/** The same with one figure changed. */
const changed = (part: keyof Fingerprint, change: (figures: Record<string, number>) => Record<string, number>): Fingerprint => ({
  ...seen,
  [part]: change(seen[part]!),
});
const width = Object.keys(seen.cover!).find((name) => name.endsWith('width'))!;

describe('what a plan comes to', () => {
  it.each(KINDS.map(({ id }) => [id] as const))('%s: the sheet’s figures are the print’s', (kind) => {
    const piece = newPiece(kind);
    const found = sheetView({ piece, house: {}, parts: PLAN_PARTS }, sharedPlanner);
    if ('problems' in found) throw new Error(found.problems[0]!.message);
    const [shown, printed] = [fingerprintOf(found.view.plan), fingerprintOf(planPiece(piece, {}, { planner: sharedPlanner, sits: false }))];
    expect(Object.keys(shown).sort()).toEqual(Object.keys(printed).sort());
    expect(disagreements(shown, printed)).toEqual([]);
    // A plan of nothing would agree with anything.
    if (piece.pads.length > 0) expect(Object.keys(shown.foam!).length).toBeGreaterThan(3);
    expect(Object.keys(shown.cover!).length).toBeGreaterThan(3);
  });

  it('half a tenth of a millimetre is the same, more is not, and a count is never nearly right', () => {
    const by = (mm: number) => changed('cover', (figures) => ({ ...figures, [width]: figures[width]! + mm }));
    expect(disagreements(seen, by(0.04))).toEqual([]);
    expect(disagreements(seen, by(0.06))).toEqual([
      { figure: `cover: ${width}`, seen: seen.cover![width], here: seen.cover![width]! + 0.06 },
    ]);
    expect(
      disagreements(
        seen,
        changed('fixing', (figures) => ({ ...figures, count: figures.count! + 1 })),
      ),
    ).toHaveLength(1);
  });

  it('a part that one plan cuts and the other does not is a disagreement, on either side', () => {
    const without = changed('cover', (figures) => Object.fromEntries(Object.entries(figures).filter(([name]) => name !== width)));
    expect(disagreements(seen, without)).toEqual([{ figure: `cover: ${width}`, seen: seen.cover![width], here: null }]);
    expect(disagreements(without, seen)).toEqual([{ figure: `cover: ${width}`, seen: null, here: seen.cover![width] }]);
  });

  it('only what was looked at is compared', () => {
    const found = sheetView({ piece: newPiece('chair-seat'), house: {}, parts: [] }, sharedPlanner);
    if ('problems' in found) throw new Error(found.problems[0]!.message);
    const part = fingerprintOf(found.view.plan);
    expect(Object.keys(part)).toEqual(['foam', 'stations']);
    expect(() => expectAgreement('A seat', part, seen)).not.toThrow();
    expect(() => expectAgreement('A seat', undefined, seen)).not.toThrow();
  });

  it('says which piece, which figure, both values, and what to do', () => {
    const other = changed('cover', (figures) => ({ ...figures, [width]: 1042 }));
    expect(() => expectAgreement('A seat', other, seen)).toThrow(PlansDisagree);
    expect(() => expectAgreement('A seat', other, seen)).toThrow(
      /“A seat”.*width: 1042 on the page, 6\d\d(\.\d+)? on the server.*do not cut/,
    );
  });
});
