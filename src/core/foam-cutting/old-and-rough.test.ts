import { describe, expect, it } from 'vitest';
import { KEPT, newChairSeat, newPiece, type Pad, type Piece } from '../piece';
import { planPiece, sitView } from '../plan';
import { withOldFoam } from '../strip';
import { sharedPlanner } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

const plan = (piece: Piece) => planPiece(piece, {}, { planner: sharedPlanner });
const seat = newChairSeat();
const change = (item: Partial<Pad>): Piece => ({
  ...seat,
  pads: seat.pads.map((pad) => (pad.role === 'main' ? { ...pad, ...item } : pad)),
});
const mainOf = (piece: Piece) => plan(piece).foam.find(({ role }) => role === 'main')!;

describe('a pad that is rough-cut', () => {
  it('is cut ten larger all round and trimmed to the board and its overhang: nobody cuts a seat to the line beforehand', () => {
    const main = mainOf(change({ trim: true }));
    expect(main.trimmed).toBe(true);
    // A board of 450 × 420 with 6 of overhang: 462 × 432 once trimmed, 482 × 452 as it is cut.
    expect(main.finished.width).toBeGreaterThan(450);
    expect(main.finished.width).toBeLessThan(464);
    expect(main.width - main.finished.width).toBeCloseTo(20, 1);
    expect(main.height - main.finished.height).toBeCloseTo(20, 1);
  });

  it('takes the house’s own figure', () => {
    expect(
      mainOf({ ...change({ trim: true }), overrides: { foamOversize: 15 } }).width - mainOf(change({ trim: false })).width,
    ).toBeCloseTo(30, 1);
  });

  it.each([
    ['held back from the edge: there is no edge to run the blade along', { trim: true, offset: -20 }],
    [
      'drawn by hand',
      {
        trim: true,
        outline: [
          [-150, -150],
          [150, -150],
          [150, 150],
          [-150, 150],
        ] as [number, number][],
      },
    ],
    ['old', { trim: true, kept: 'cleaned' as const }],
  ])('is cut to its line where it is %s', (_why, item) => {
    expect(mainOf(change(item)).trimmed).toBe(false);
  });

  it('changes nothing of what it becomes: section, cover, sitting', () => {
    const [rough, line] = [plan(change({ trim: true })), plan(change({ trim: false }))];
    expect(rough.surface.height).toBe(line.surface.height);
    expect(rough.cover.pieces[0]!.width).toBe(line.cover.pieces[0]!.width);
    expect(rough.mass.foam).toBe(line.mass.foam);
  });

  it('is trimmed once the glue holds and before the wadding, with the guide that its overhang wants', () => {
    const { steps } = plan(change({ trim: true }));
    const at = (key: string): number => steps.findIndex((step) => step.key === key);
    expect(at('trim-main')).toBe(at('glue-main') + 1);
    expect(at('wadding')).toBeGreaterThan(at('trim-main'));
    expect(steps[at('trim-main')]!.detail).toContain('6 mm strip');
    expect(steps[at('trim-main')]!.caution).toBeTruthy();
    expect(plan(change({ trim: true, offset: 0 })).steps.find(({ key }) => key === 'trim-main')!.detail).toContain('flat against');
    expect(steps[at('foam')]!.detail).toContain('10 mm larger');
  });

  it('lies rough on its sheet: what is bought is what is cut', () => {
    const laid = plan(change({ trim: true }))
      .cut.foam.layouts.flatMap(({ sheets }) => sheets.flat())
      .find(({ label }) => label === 'main')!;
    expect(Math.max(laid.width, laid.height)).toBeGreaterThan(470);
  });

  it.each(['chair-seat', 'round-seat', 'bench', 'corner-seat'] as const)('is how a new %s starts', (kind) => {
    expect(mainOf(newPiece(kind)).trimmed).toBe(true);
    expect(plan(newPiece(kind)).warnings).toEqual([]);
  });
});

describe('an old pad that goes back in', () => {
  it.each(thisWeek(KEPT, 3).map(({ id }) => id))(
    '%s: nothing is cut, bought or labelled for it, and the run sheet says what is done with it',
    (retained) => {
      const piece = change({ kept: retained, thickness: 46 });
      const item = plan(piece);
      expect(item.cut.foam.layouts.flatMap(({ sheets }) => sheets.flat()).some(({ label }) => label === 'main')).toBe(false);
      const keys = item.steps.map(({ key }) => key);
      expect(keys).toContain('kept-main');
      expect(keys.indexOf('kept-main')).toBeLessThan(keys.indexOf('spray-main'));
      expect(item.steps.find(({ key }) => key === 'foam')!.detail).not.toContain('main pad');
      expect(item.foam.find(({ pad }) => pad === 'main')!.layers).toEqual([46]);
    },
  );

  it('stands as high as it was measured and gives way as far as it has softened', () => {
    const sink = (item: Partial<Pad>): number => {
      const found = sitView(change(item), {}, sharedPlanner);
      if ('problems' in found || !found.view) throw new Error('nobody sits');
      return found.view.sit.sink;
    };
    const [fresh, old, spent] = [sink({}), sink({ kept: 'cleaned' }), sink({ kept: 'cleaned', hardnessLeft: 50 })];
    expect(old).toBeGreaterThan(fresh + 0.5);
    expect(spent).toBeGreaterThan(old + 1);
    expect(sink({ kept: 'cleaned', hardnessLeft: 100 })).toBeCloseTo(fresh, 6);
  });

  const readings = { asNew: 50, now: 46, seconds: 1, crumbs: false, mould: false, marks: false };

  it('comes into the stack from the press test, with the thin layer that plumps it', () => {
    const pads = withOldFoam(change({ trim: true }), readings)!;
    expect(pads.map(({ id, thickness, kept }) => [id, thickness, kept ?? null])).toEqual([
      ['crown', 20, null],
      ['main', 46, 'cleaned'],
      ['plumping', 5, null],
    ]);
    expect(pads[1]).not.toHaveProperty('trim');
    const whole = plan({ ...seat, pads });
    expect(whole.cut.foam.layouts.map(({ thickness }) => thickness).sort()).toEqual([20, 5].sort());
    expect(withOldFoam(seat, { ...readings, now: 49 })!.map(({ id }) => id)).toEqual(['crown', 'main']);
  });

  it('is not taken back where the test says to replace it', () => {
    expect(withOldFoam(seat, { ...readings, mould: true })).toBeNull();
    expect(withOldFoam(seat, { ...readings, now: 30 })).toBeNull();
    expect(withOldFoam({ pads: [] }, readings)).toBeNull();
  });
});
