import { polygonArea as d3Area } from 'd3';
import { describe, expect, it } from 'vitest';
import { checkDocument } from '../document';
import { templatesOf } from '../formats/templates';
import { polygonPerimeter } from '../outline';
import { defaultsOf, KINDS, newPiece, type Piece, type SecondPart } from '../piece';
import { WELT } from '../piece/schema/covering';
import { planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { firstSecond, partsOffered } from '.';
import { QUICK, sharedPlanner } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const round = newPiece('round-seat');
const { second } = firstSecond([{ id: 'band' }]);
const on = (piece: Piece, parts: SecondPart[], cloth = second): Piece => ({
  ...piece,
  second: cloth,
  covering: { ...piece.covering, secondOn: parts },
});
const ringArea = (points: readonly (readonly [number, number])[]): number =>
  Math.abs(d3Area(points.map(([x, y]): [number, number] => [x, y])));

describe('a second cloth', () => {
  it('takes the parts it is on off the first roll: neither loses a piece, neither has one twice', () => {
    const plain = planned(round);
    const two = planned(on(round, ['band']));
    const names = (item: { label: string }[] | undefined): string[] => (item ?? []).map(({ label }) => label).sort();
    expect(plain.cut.second).toBeNull();
    expect(names(two.cut.second!.laid)).toEqual(['Band']);
    expect([...names(two.cut.cloth.laid), ...names(two.cut.second!.laid)].sort()).toEqual(names(plain.cut.cloth.laid));
    expect(two.cut.cloth.length).toBeLessThan(plain.cut.cloth.length);
    // What is drawn on its roll is the piece itself.
    const band = two.cover.pieces.find(({ name }) => name === 'Band')!;
    expect(band.cloth).toBe('second');
    for (const { points } of two.cut.second!.shapes) expect(ringArea(points) / ringArea(band.outline)).toBeCloseTo(1, 4);
  });

  it('for a welt alone is bought in strips of its own roll', () => {
    const two = planned(on(round, ['welt'], { ...second, rollWidth: 900 }));
    expect(two.cover.welts.every(({ cloth }) => cloth === 'second')).toBe(true);
    expect(two.cut.second!.laid.every(({ label }) => label.startsWith('Piping'))).toBe(true);
    expect(two.cut.cloth.laid.some(({ label }) => label.startsWith('Piping'))).toBe(false);
    // Strips that come out of a narrower roll are joined from more parts.
    const wide = planned(on(round, ['welt'], { ...second, rollWidth: 2000 }));
    const strips = (plan: Plan): number => plan.cover.welts.reduce((sum, welt) => sum + welt.strips, 0);
    expect(strips(two)).toBeGreaterThan(strips(wide));
    const line = sizesOf(two, on(round, ['welt'], { ...second, rollWidth: 900 }), {}).find(({ key }) => key === 'second.length')!;
    expect([line.group, line.label]).toEqual(['Buy', 'Second cloth']);
    expect(line.note).toMatch(/from a 900 mm roll/);
  });

  it('that shrinks is cut longer, and only its own parts', () => {
    const plain = planned(on(round, ['band']));
    const shrinks = planned(on(round, ['band'], { ...second, shrinkage: 5 }));
    const width = (plan: Plan, name: string): number => plan.cover.pieces.find((piece) => piece.name === name)!.width;
    expect(width(shrinks, 'Band') / width(plain, 'Band')).toBeCloseTo(1 / 0.95, 2);
    const top = plain.cover.pieces.find(({ role }) => role === 'top')!.name;
    expect(width(shrinks, top)).toBeCloseTo(width(plain, top), 6);
  });

  it('is said wherever its parts are: cut list, run sheet, templates', () => {
    const piece = on(round, ['band', 'welt']);
    const plan = planned(piece);
    expect(sizesOf(plan, piece, {}).find(({ key }) => key === 'piece.band')!.note).toContain('of the second cloth');
    expect(plan.steps.find(({ key }) => key === 'cloth')!.detail).toContain('band of the second cloth');
    expect(plan.steps.find(({ key }) => key === 'welts')!.detail).toContain('of the second cloth');
    expect(templatesOf(plan).find(({ title }) => title.startsWith('Band'))!.title).toContain('of the second cloth');
  });

  it('thicker than the first is what a seam and a staple are judged by', () => {
    const thick = { ...second, thickness: 3 };
    const leg = (piece: Piece): number | null => planned(piece).fixing.fastener.leg;
    expect(leg(on(round, ['band'], thick))!).toBeGreaterThan(leg(round)!);
    expect(leg(on(round, [], thick))).toBe(leg(round));
    const welted: Piece = { ...round, covering: { ...round.covering, welt: { ...defaultsOf(WELT), double: true } } };
    const codes = planned(on(welted, ['welt'], thick)).warnings.map(({ code }) => code);
    expect(codes).toContain('too-thick-to-sew');
    expect(planned(welted).warnings.map(({ code }) => code)).not.toContain('too-thick-to-sew');
  });

  it('as it is first taken brings no warning on any kind, and goes where the trade puts it first', () => {
    for (const { id } of KINDS) {
      const piece = newPiece(id);
      const before = planned(piece);
      const offered = partsOffered(
        before.cover.pieces.map(({ role }) => role),
        before.cover.welts.length > 0,
      );
      if (offered.length === 0) {
        // A pulled cover without a welt is one piece of cloth.
        expect([id, before.cover.pulled]).toEqual([id, true]);
        continue;
      }
      const first = firstSecond(offered);
      expect([id, first.on[0] === 'top']).toEqual([id, false]);
      const after = planned(on(piece, first.on, first.second));
      const known = new Set(before.warnings.map(({ code }) => code));
      expect([id, after.warnings.filter(({ code }) => !known.has(code))]).toEqual([id, []]);
      expect([id, after.cut.second!.length > 0]).toEqual([id, true]);
    }
  }, 240_000);

  it('is seen by a planner that knew the piece without it, and its change alone lays nothing flat again', () => {
    const planner = sharedPlanner;
    const ask = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, coarse: true, planner });
    ask(round);
    const flats = planner.counts.get('laid flat')!.worked;
    expect(ask(on(round, ['band'])).cut.second!.laid).toHaveLength(1);
    expect(ask(on(round, ['band'], { ...second, rollWidth: 900 })).cut.second!.width).toBe(900);
    expect(planner.counts.get('laid flat')!.worked).toBe(flats);
  });

  it('on parts that another way has not takes nothing: no roll, no length to buy, no thicker staple', () => {
    const thick = { ...second, thickness: 3 };
    const retained = on(newPiece('chair-seat'), ['band'], thick);
    const plan = planned(retained);
    expect(plan.cut.second).toBeNull();
    expect(sizesOf(plan, retained, {}).some(({ key }) => key === 'second.length')).toBe(false);
    expect(plan.fixing.fastener.leg).toBe(planned(newPiece('chair-seat')).fixing.fastener.leg);
    expect(plan.warnings).toEqual(planned(newPiece('chair-seat')).warnings);
  });

  it('narrower than a part of it says so, with the part', () => {
    const [warning] = planned(
      on(newPiece('headboard-bordered'), ['border', 'band'], { ...second, rollWidth: 300, direction: 'across' }),
    ).warnings.filter(({ where }) => where === 'second.rollWidth');
    expect(warning!.message).toMatch(/second cloth’s roll, 300 mm wide/);
  });
});

describe('what a seam takes up', () => {
  const taken = (piece: Piece, before: number, after: number): Piece => ({
    ...piece,
    covering: { ...piece.covering, seamSwatch: { before, after } },
  });

  it('is put back into every sewn piece, so that a circle comes out as large as it is', () => {
    const [plain, longer] = [planned(round), planned(taken(round, 500, 495))];
    const top = (plan: Plan) => plan.cover.pieces.find(({ role }) => role === 'top')!;
    // Round the sewn line it is longer by a hundredth: drawn in by the seam, the circle is the one on the surface.
    const rim = (plan: Plan): number => polygonPerimeter(top(plan).sewn);
    expect((rim(longer) * 495) / 500).toBeCloseTo(rim(plain), 1);
    const band = (plan: Plan) => plan.cover.pieces.find(({ role }) => role === 'band')!;
    expect(band(longer).width / band(plain).width).toBeCloseTo(500 / 495, 2);
    // A hundredth of a band's height is nothing that anybody sees.
    expect(band(longer).height - band(plain).height).toBeLessThan(1.5);
    expect(longer.cover.check.closes).toBe(true);
    expect(longer.steps.find(({ key }) => key === 'sew')!.detail).toContain('10.1 mm longer in the metre');
  });

  it('is in the answer how much wider to cut, taken up or stretched', () => {
    const front = (piece: Piece): number => planned(piece).cover.reach.places[0]!.total;
    expect(front(taken(round, 500, 495))).toBeGreaterThan(front(round) + 1);
    expect(front(taken(round, 500, 505))).toBeLessThan(front(round) - 1);
  });

  it('says nothing where no seam is sewn: pulled over, or tacked on in stages', () => {
    for (const kind of ['chair-seat', 'headboard-bordered'] as const) {
      const piece = newPiece(kind);
      const [plain, longer] = [planned(piece), planned(taken(piece, 500, 495))];
      expect(longer.cover.pieces.map(({ width }) => width)).toEqual(plain.cover.pieces.map(({ width }) => width));
    }
  });

  it('that no machine does is refused beside its cause', () => {
    const checked = checkDocument(taken(round, 500, 400), {});
    expect('problems' in checked && checked.problems[0]).toMatchObject({ path: 'covering.seamSwatch.after' });
    expect('problems' in checked && checked.problems[0]!.message).toMatch(/between 476 and 526 mm/);
    expect('problems' in checkDocument(taken(round, 500, 503), {})).toBe(false);
  });
});
