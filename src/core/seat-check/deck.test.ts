import { polygonArea as d3Area } from 'd3';
import { describe, expect, it } from 'vitest';
import { cutBoard } from '../base';
import { newPiece, type Piece, type StretchedDeck } from '../piece';
import { mendOf, planPiece } from '../plan';
import { sizesOf } from '../sizes';
import { sitStep, type Sat } from '.';
import { QUICK, sharedPlanner } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const seat = newPiece('tight-seat');

function on(deck: Partial<StretchedDeck>, mass = 85, change: Partial<Piece> = {}): Sat {
  const piece: Piece = {
    ...seat,
    ...change,
    base: { ...seat.base, deck: { kind: 'elastic', give: 30, rail: 40, ...deck } },
    sit: { loader: 'seated', mass, share: null, x: 0, y: 0 },
  };
  return sitStep(sharedPlanner.model(piece, {}), 'trial')!;
}

/** The same padding on plywood. */
function onBoard(): Sat {
  const piece: Piece = {
    ...seat,
    base: { ...seat.base, board: { material: 'plywood', thickness: 20 }, deck: null },
    sit: { loader: 'seated', mass: 85, share: null, x: 0, y: 0 },
  };
  return sitStep(sharedPlanner.model(piece, {}), 'trial')!;
}

describe('sitting on webbing or springs', () => {
  it.each(['elastic', 'jute', 'springs'] as const)('%s that a hand finds tight enough goes down as a master expects', (kind) => {
    const { plan } = on({ kind });
    // Under somebody of 85 kg a sound deck goes down 15 to 45 mm, and deck with 25 mm of foam 35 to 60 in all.
    expect(plan.deck).toBeGreaterThan(15);
    expect(plan.deck).toBeLessThan(45);
    expect(plan.sink).toBeGreaterThan(35);
    expect(plan.sink).toBeLessThan(60);
    expect(plan).toMatchObject({ converged: true, bottoms: false, edgeFelt: false });
    expect(plan.words.join(' ')).toMatch(/mm it sinks are the deck’s; 15 to 45 is usual/);
  });

  weekly(0)('goes down farther the heavier the sitter and the slacker it is, and never less than the padding lets it', () => {
    const by = (give: number, mass: number): number => on({ give }, mass).plan.deck!;
    expect(by(30, 60)).toBeLessThan(by(30, 85));
    expect(by(30, 85)).toBeLessThan(by(30, 120));
    expect(by(20, 85)).toBeLessThan(by(30, 85));
    expect(by(30, 85)).toBeLessThan(by(50, 85));
    // Twice the load is not twice the way: straps grow tighter.
    expect(by(30, 120) / by(30, 60)).toBeLessThan(1.7);
  });

  it('as tight as a board, it is one', () => {
    const tight = on({ give: 5 });
    const hard = onBoard();
    expect(hard.plan.deck).toBeNull();
    expect(tight.plan.deck).toBeLessThan(7);
    expect(tight.plan.sink - tight.plan.deck! - hard.plan.sink).toBeLessThan(4);
    expect(tight.plan.peakPressure).toBeLessThan(hard.plan.peakPressure);
  });

  it('spreads what a board concentrates: less pressure at its highest than over a board', () => {
    const hard = onBoard();
    const soft = on({ give: 30 });
    expect(soft.plan.peakPressure).toBeLessThan(0.8 * hard.plan.peakPressure);
    // 25 mm over a board bottoms out; over webbing that is a seat one keeps.
    expect(hard.plan.bottoms).toBe(true);
  });

  it('slack, it is said to be a hammock before anybody sits, and one press mends it', () => {
    const slack: Piece = { ...seat, base: { ...seat.base, deck: { kind: 'jute', give: 60, rail: 40 } } };
    const plan = planPiece(slack, {}, QUICK);
    const warning = plan.warnings.find(({ code }) => code === 'deck-slack')!;
    expect(plan.base.board.verdict).toBe('slack');
    expect(mendOf(slack, warning)).toMatchObject({ path: 'base.deck.give', value: 30 });
    expect(planPiece(seat, {}, QUICK).warnings).toEqual([]);
  });

  weekly(1)('slack, the rail is felt; tight enough, the sitter it is built for does not feel it', () => {
    expect(on({ give: 40 }, 95).plan.edgeFelt).toBe(false);
    expect(on({ give: 70 }, 95).plan.edgeFelt).toBe(true);
    expect(on({ give: 70 }, 120).plan.words[0]).toMatch(/^The rail is felt/);
  });

  it('rails that leave no opening are a board, and judged as one', () => {
    const shape = { type: 'rectangle', width: 280, depth: 280, cornerRadius: { front: 0, back: 0 } } as const;
    const narrow: Piece = {
      ...seat,
      base: { ...seat.base, shape, deck: { kind: 'elastic', give: 30, rail: 150 } },
      sit: { loader: 'seated', mass: 85, share: null, x: 0, y: 0 },
    };
    const closed = sitStep(sharedPlanner.model(narrow, {}), 'trial')!.plan;
    expect(closed.converged).toBe(true);
    expect(closed.deck).toBeNull();
    expect(closed.bottoms).toBe(true);
    expect(closed.words.join(' ')).not.toMatch(/deck/);
  });

  weekly(2)('stays under the padding where the pad is smaller than the opening, and is symmetrical', () => {
    const { plan, result } = on({ give: 35 }, 85, { pads: [{ ...seat.pads[0]!, offset: -60 }] });
    expect(plan.converged).toBe(true);
    expect(Number.isFinite(plan.sink)).toBe(true);
    const { columns, rows } = sitGrid(on({ give: 35 }));
    const { height } = on({ give: 35 }).result;
    for (let j = 4; j < rows - 4; j += 3)
      for (let i = 4; i < columns / 2; i += 3) {
        const [a, b] = [height[j * columns + i]!, height[j * columns + columns - 1 - i]!];
        expect(Math.abs(a - b)).toBeLessThan(0.5);
      }
    expect(result.residual).toBeLessThan(0.01);
  });
});

function sitGrid({ bed }: Sat): { columns: number; rows: number } {
  return { columns: bed.columns, rows: bed.rows };
}

describe('what is stretched in a frame', () => {
  const planned = (piece: Piece): ReturnType<typeof planPiece> => planPiece(piece, {}, QUICK);

  it('as many straps as a master lays: a hand’s breadth from middle to middle, and all of the opening', () => {
    const { deck } = planned(seat).base;
    const along = deck!.straps.filter(({ way }) => way === 'along').map(({ at }) => at);
    const across = deck!.straps.filter(({ way }) => way === 'across').map(({ at }) => at);
    // 560 × 510 over rails of 40: five to seven one way, four to six the other.
    expect(along.length).toBeGreaterThanOrEqual(5);
    expect(along.length).toBeLessThanOrEqual(7);
    expect(across.length).toBeGreaterThanOrEqual(4);
    expect(across.length).toBeLessThanOrEqual(6);
    for (const places of [along, across])
      for (let k = 1; k < places.length; k++) {
        expect(places[k]! - places[k - 1]!).toBeGreaterThan(50);
        expect(places[k]! - places[k - 1]!).toBeLessThan(110);
      }
    expect(along[0]! + along.at(-1)!).toBeCloseTo(0, 6);
  });

  it('cut so that, stretched, it spans from rail to rail', () => {
    const { deck } = planned(seat).base;
    for (const { way, span, cut } of deck!.straps) {
      expect(span).toBeCloseTo((way === 'along' ? 510 : 560) - 40, 6);
      // Folded over by 25 at either end, stretched by an eighth or so.
      expect((cut - 50) * 1.12).toBeCloseTo(span, 2);
    }
    expect(deck!.total).toBeCloseTo(
      deck!.straps.reduce((sum, { cut }) => sum + cut, 0),
      1,
    );
  });

  it('in a tapered frame each is as long as the frame is there', () => {
    const shape = { type: 'trapezoid', frontWidth: 540, backWidth: 440, depth: 460, cornerRadius: { front: 0, back: 0 } } as const;
    const { deck } = planned({ ...seat, base: { ...seat.base, shape } }).base;
    for (const { way, at, span } of deck!.straps)
      if (way === 'across') expect(span).toBeCloseTo(540 - (100 * (at + 230)) / 460 - 40, 0);
      else expect(span).toBeLessThanOrEqual(460 - 40 + 0.01);
  });

  it('springs run front to back only, hook into clips, and are ordered by the piece', () => {
    const piece: Piece = { ...seat, count: 3, base: { ...seat.base, deck: { kind: 'springs', give: 30, rail: 40 } } };
    const plan = planned(piece);
    const { deck } = plan.base;
    expect(new Set(deck!.straps.map(({ way }) => way))).toEqual(new Set(['along']));
    // Four or five in a seat of this width; ordered two to four centimetres shorter than clip to clip.
    expect(deck!.straps.length).toBeGreaterThanOrEqual(4);
    expect(deck!.straps.length).toBeLessThanOrEqual(5);
    for (const { span, cut } of deck!.straps) {
      expect(span - cut).toBeGreaterThan(20);
      expect(span - cut).toBeLessThan(40);
    }
    const lines = sizesOf(plan, piece, {});
    const value = (key: string): number => lines.find((line) => line.key === key)!.value;
    expect(value('deck.springs')).toBe(3 * deck!.straps.length);
    expect(value('deck.clips')).toBe(6 * deck!.straps.length);
  });

  it('is in the sizes, on the shopping list and in the run sheet, before any foam is cut', () => {
    const plan = planned(seat);
    const lines = sizesOf(plan, seat, {});
    const along = lines.find(({ key }) => key === 'deck.along')!;
    expect(along).toMatchObject({ group: 'Board', unit: 'length' });
    expect(along.note).toMatch(/^6 to cut, stretched by 12 %$/);
    const webbing = lines.find(({ key }) => key === 'deck.webbing')!;
    // A seat takes four to seven metres.
    expect(webbing.value).toBeGreaterThan(4000);
    expect(webbing.value).toBeLessThan(7000);
    expect(lines.find(({ key }) => key === 'deck.fasteners')!.value).toBe(11 * 18);
    const keys = plan.steps.map(({ key }) => key);
    expect(keys.indexOf('deck')).toBeGreaterThan(keys.indexOf('board'));
    expect(keys.indexOf('deck')).toBeLessThan(keys.indexOf('foam'));
    expect(plan.steps.find(({ key }) => key === 'deck')!.caution).toMatch(/tension/);
  });

  it('is none on a board, and the usual where a frame of webbing says nothing more', () => {
    expect(planned(newPiece('chair-seat')).base.deck).toBeNull();
    const { deck: _deck, ...base } = seat.base;
    void _deck;
    expect(planned({ ...seat, base }).base.deck).toEqual(planned(seat).base.deck);
  });

  it('is cut through as two rails with the webbing between: not a board', () => {
    const cut = {
      base: [
        [-280, 0],
        [280, 0],
      ] as [number, number][],
      board: { left: -280, right: 280, thickness: 20 },
    };
    const parts = cutBoard(cut, seat.base);
    const area = (polygon: readonly (readonly [number, number])[]): number => Math.abs(d3Area(polygon.map(([x, y]) => [x, y])));
    expect(parts.map(area)).toEqual([800, 800, 480 * 3]);
    expect(cutBoard(cut, newPiece('chair-seat').base).map(area)).toEqual([560 * 20]);
    // A cut so near a corner that it runs along the rail is all rail.
    const along = { base: [[-30, 0] as [number, number], [30, 0] as [number, number]], board: { left: -30, right: 30, thickness: 20 } };
    expect(cutBoard(along, seat.base).map(area)).toEqual([1200]);
  });
});
