import { describe, expect, it } from 'vitest';
import { edgeNamed } from '../outline';
import { defaultsOf, EDGE_FACT, newPiece, type EdgeFact, type Piece } from '../piece';
import { planPiece } from '../plan';
import { sizesOf } from '../sizes';
import { BROKEN } from '../../testing/broken-plans';
import { sharedPlanner } from '../../testing/quick';
import { coverOf, set, SOUND, soundOf } from '../../testing/sound-plans';
import { CHECKS, expectSound, inspectPlan, UnsoundPlan, type Finding } from '.';

describe('a plan broken on purpose', () => {
  it.each(Object.keys(SOUND) as (keyof typeof SOUND)[])('%s: unbroken, nothing is found', (name) => {
    expect(inspectPlan(soundOf(name))).toEqual([]);
  });

  it.each(BROKEN)('%s (%s) is found', (_what, on, breaks, checks) => {
    const found = soundOf(on);
    breaks(found);
    const findings = inspectPlan(found);
    expect(findings.map(({ check }) => check)).toContain(checks[0]);
    // And nothing else is said to be wrong.
    expect([...new Set(findings.map(({ check }) => check))].filter((check) => !checks.includes(check))).toEqual([]);
    for (const { part, place, says } of findings) {
      expect(part).not.toBe('');
      expect(place).not.toBe('');
      expect(says).not.toMatch(/undefined|NaN(?! is)|Infinity/);
    }
  });

  it('every check finds something, or it could not fail', () => {
    expect([...new Set(BROKEN.map(([, , , [check]]) => check))].sort()).toEqual(CHECKS.map(({ id }) => id).sort());
  });

  it('does not leave the program: what is wrong is said with the piece, and what to do', () => {
    const found = soundOf('pulled');
    set(coverOf(found), { width: 1 });
    expect(() => expectSound('Hall chair', found)).toThrow(UnsoundPlan);
    expect(() => expectSound('Hall chair', found)).toThrow(/The plan of “Hall chair” is wrong.*Cover is given as 1 mm wide.*Do not cut/);
    expect(() => expectSound('Hall chair', soundOf('pulled'))).not.toThrow();
  });

  it('a plan in part is inspected as far as it goes', () => {
    const { plan } = soundOf('pulled');
    const { cover: _cover, cut: _cut, fixing: _fixing, steps: _steps, ...rest } = plan;
    void [_cover, _cut, _fixing, _steps];
    expect(inspectPlan({ plan: rest })).toEqual([]);
  });
});

describe('what a hand decided is no fault', () => {
  const chair = newPiece('chair-seat');
  const boxed = { ...chair, covering: { ...chair.covering, way: 'boxed' } };
  const correction = { id: 'k-1', where: null, note: '', day: '' };
  const inspected = (piece: Piece): Finding[] => {
    const plan = planPiece(piece, {}, { sits: false, planner: sharedPlanner });
    return inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) });
  };

  it.each([-12, 12])('a band corrected by %i after the first piece', (by) => {
    const corrections = ['band-1', 'band-2'].map((piece, i) => ({ ...correction, id: `k-${i}`, piece, what: 'height' as const, by }));
    expect(inspected({ ...boxed, covering: { ...boxed.covering, corrections } })).toEqual([]);
  });

  it('a pulled cover taken in by 20', () => {
    const corrections = [{ ...correction, piece: 'cover', what: 'width' as const, by: 20 }];
    expect(inspected({ ...chair, covering: { ...chair.covering, corrections } })).toEqual([]);
  });

  it('cloth that is washed first, and bought longer by what it loses', () => {
    expect(inspected({ ...chair, cloth: { ...chair.cloth, fibre: 'cotton', shrinkage: 8, ready: 'washed' } })).toEqual([]);
  });

  // The middle that a station is measured to is not its neighbour’s: each reach is counted from the station’s own.
  it('cloth that ends in sight on one side of a kidney, beside a deep pull through the frame on the other', () => {
    const seat = newPiece('tight-seat');
    const shape = { type: 'kidney' as const, width: 959, depth: 448, hollow: 64 };
    const end = { up: 9, turn: 15, held: 'gimp-pins' as const };
    const edge = { ...defaultsOf<EdgeFact>(EDGE_FACT), edge: edgeNamed('left'), end };
    expect(inspected({ ...seat, base: { ...seat.base, shape, edges: [edge] } })).toEqual([]);
  });
});
