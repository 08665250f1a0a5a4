import { readFileSync, readdirSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CLOTHS } from '../cloth';
import { laminate, nearestMade, FOAMS } from '../foam';
import { checkRule, RULES } from '../house';
import { planPiece, sheetView } from '../plan';
import { KINDS, newChairSeat, newPiece, PieceProblems, BOARD_SIZE, slipOf, STARTING_SHAPES, type Piece } from '.';
import { documentSchema, parseDocument, problemsOf, readDocument } from '../document';
import { QUICK, sharedPlanner } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

/** No sitting and larger triangles: these tests ask for neither. */

const wordsOf = (change: (piece: Piece) => unknown): string => {
  const piece = newChairSeat();
  change(piece);
  return problemsOf(piece)
    .map((p) => `${p.path}: ${p.message}`)
    .join('\n');
};

describe('a piece', () => {
  it('of every starting shape is valid, plans, and survives being written and read', () => {
    for (const shape of Object.values(STARTING_SHAPES)) {
      const piece = newChairSeat(shape);
      expect(parseDocument(JSON.stringify(piece))).toEqual(piece);
    }
    for (const { id, shapes } of KINDS) {
      const piece = newPiece(id, STARTING_SHAPES[shapes[0]!]);
      expect(parseDocument(JSON.stringify(piece))).toEqual(piece);
      if (id === 'chair-seat') expect(planPiece(piece, {}, QUICK).warnings).toEqual([]);
    }
  });

  weekly(3)('of the demo is valid, and the finished set plans without a warning', () => {
    for (const name of readdirSync('demo').filter((file) => file.endsWith('.json'))) {
      expect(() => planPiece(parseDocument(readFileSync(`demo/${name}`, 'utf8')), {}, QUICK), name).not.toThrow();
    }
    const chairs = parseDocument(readFileSync('demo/dome-room-chairs.json', 'utf8'));
    expect(planPiece(chairs, {}, QUICK).warnings).toEqual([]);
  });

  it('of the demo that names a cloth of the store has its figures: one cloth gives the same everywhere', () => {
    let known = 0;
    for (const name of readdirSync('demo').filter((file) => file.endsWith('.json'))) {
      const { cloth } = parseDocument(readFileSync(`demo/${name}`, 'utf8'));
      const stored = CLOTHS.find((clothKind) => clothKind.name === cloth.name);
      if (!stored) continue;
      known += 1;
      const { id: _id, ...figures } = stored;
      void _id;
      expect(cloth, name).toMatchObject(figures);
    }
    expect(known).toBeGreaterThan(2);
  });

  it('has a published schema that is the one in force', () => {
    expect(JSON.parse(readFileSync('schema/piece.schema.json', 'utf8'))).toEqual(JSON.parse(JSON.stringify(documentSchema())));
  });

  it.each([
    [(p: Piece) => (p.base.board.thickness = 0), 'cannot be 0'],
    [(p: Piece) => (p.base.board.thickness = -3), 'cannot be negative'],
    [(p: Piece) => (p.base.shape = { type: 'round', diameter: 4000 }), 'did you mean 400 mm?'],
    [
      (p: Piece) => (p.base.shape = { ...STARTING_SHAPES.rectangle, cornerRadius: { front: 230, back: 10 } } as Piece['base']['shape']),
      'mm would fit',
    ],
    [(p: Piece) => (p.pads[0]!.thickness = 400), 'steeper than a half ball'],
    [(p: Piece) => (p.pads[0]!.offset = -250), 'leaves nothing of this pad'],
    [(p: Piece) => (p.pads[1]!.id = 'crown'), 'Two pads are called'],
    [(p: Piece) => (p.pads[0]!.material = 'gold'), 'not a foam we know'],
    [(p: Piece) => (p.overrides.return = 9999), 'too much'],
    [(p: Piece) => (p.count = 1.5), 'whole number'],
    [(p: Piece) => (p.name = ' '), 'Name is missing'],
    [(p: Piece) => (p.due = '2026-13-45'), 'is not a day'],
  ])('that cannot be is met with words: %#', (change, says) => {
    expect(wordsOf(change)).toContain(says);
  });

  it.each([
    [14, 355.6, '14 inches'],
    [16.5, 419.1, '16.5 inches'],
    [4120, 412, '412 mm'],
    [33, 838.2, '33 inches'],
    [17.2, 172, '172 mm'],
    [9000, 900, '900 mm'],
    // Typed as 470 where inches are set.
    [11938, 470, '470 mm'],
  ])('a board of %d is asked back', (typed, value, says) => {
    const slip = slipOf(typed, BOARD_SIZE)!;
    expect(slip.value).toBeCloseTo(value, 6);
    expect(slip.says).toBe(says);
  });

  it('what nothing would mend is not asked back', () => {
    expect(slipOf(0.7, BOARD_SIZE)).toBeNull();
    expect(slipOf(1e6, BOARD_SIZE)).toBeNull();
    expect(slipOf(9999, BOARD_SIZE)).toBeNull();
  });

  it('damaged in any one place is refused with words or planned, never anything else', () => {
    const whole = JSON.parse(JSON.stringify(newChairSeat())) as Record<string, unknown>;
    const paths: string[][] = [];
    const walk = (node: unknown, path: string[]): void => {
      if (path.length > 0) paths.push(path);
      if (node !== null && typeof node === 'object') for (const [key, value] of Object.entries(node)) walk(value, [...path, key]);
    };
    walk(whole, []);
    fc.assert(
      fc.property(
        fc.constantFrom(...paths),
        fc.oneof(fc.jsonValue(), fc.constantFrom(1e308, -1, 0, 1e-9, '', null, 4000)),
        (path, value) => {
          const copy = structuredClone(whole);
          let node: Record<string, unknown> = copy;
          for (const key of path.slice(0, -1)) node = node[key] as Record<string, unknown>;
          node[path.at(-1)!] = value;
          let piece: Piece;
          try {
            piece = readDocument(copy);
          } catch (error) {
            expect(error).toBeInstanceOf(PieceProblems);
            expect((error as PieceProblems).problems[0]!.message.length).toBeGreaterThan(5);
            return;
          }
          const result = sheetView({ piece, house: {}, parts: [], preview: true }, sharedPlanner);
          if ('problems' in result) expect(result.problems.length).toBeGreaterThan(0);
          else expect(JSON.stringify(result.view.plan.stations)).not.toContain('null');
        },
      ),
      { numRuns: 400 },
    );
  });

  it('with any text for JSON is refused with words', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(() => parseDocument(text)).toThrow(PieceProblems);
      }),
    );
  });
});

describe('house rules', () => {
  it('stand inside their own ranges and refuse what is outside', () => {
    for (const rule of RULES) {
      expect(checkRule(rule.key, rule.value), rule.key).toBeNull();
      expect(rule.value).toBeGreaterThanOrEqual(rule.sensible[0]);
      expect(rule.value).toBeLessThanOrEqual(rule.sensible[1]);
      expect(checkRule(rule.key, rule.allowed[1] + 1)).toContain('too much');
      expect(checkRule(rule.key, Number.NaN)).toContain('not a figure');
    }
    expect(checkRule('nothing', 1)).toContain('no house rule');
  });
});

describe('laminate', () => {
  it('adds up exactly with the fewest layers, or says that it cannot', () => {
    expect(laminate(50, [13, 25, 40, 50])).toEqual({ layers: [50], exact: true });
    expect(laminate(65, [13, 25, 40, 50])).toEqual({ layers: [40, 25], exact: true });
    expect(laminate(25.4, [13, 25, 40, 50])).toEqual({ layers: [25], exact: true });
    expect(laminate(1, [13, 25])).toEqual({ layers: [13], exact: false });
    expect(laminate(33, [13, 25, 40, 50])).toEqual({ layers: [40], exact: false });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.constantFrom(...FOAMS), (thickness, foam) => {
        const { layers, exact } = laminate(thickness, foam.sold);
        if (exact) expect(layers.filter((t) => t < Math.min(20, thickness / 4)).length).toBeLessThanOrEqual(1);
        const sum = layers.reduce((a, b) => a + b, 0);
        expect(layers.every((t) => foam.sold.includes(t))).toBe(true);
        if (exact) expect(Math.abs(sum - thickness)).toBeLessThanOrEqual(1);
        else expect(sum).toBeGreaterThanOrEqual(thickness);
      }),
    );
  });
});

describe('sheets as somebody would glue them up', () => {
  const SEATING = FOAMS.find(({ id }) => id === 'seat-firm')!.sold;
  // Of seating in 10 to 100 mm: what stands on the bench of somebody who has done it for thirty years.
  it.each<[number, number[]]>([
    [50, [50]],
    [80, [60, 20]],
    [90, [50, 40]],
    [110, [100, 10]],
    [150, [100, 50]],
    [160, [100, 60]],
    [240, [100, 100, 40]],
  ])('%d mm', (thickness, layers) => {
    const lamination = laminate(thickness, SEATING);
    expect(lamination.exact).toBe(true);
    expect(lamination.layers.length).toBe(layers.length);
    expect(lamination.layers.reduce((sum, layer) => sum + layer, 0)).toBe(thickness);
  });

  it.each<[number, number]>([
    [47, 50],
    [48, 50],
    [57, 60],
    [67, 75],
    [97, 100],
  ])('%d mm is a sheet slit down, not two skins on a slab: offered is the nearest that is sold', (thickness, reached) => {
    const { layers, exact } = laminate(thickness, SEATING);
    expect(exact).toBe(false);
    expect(layers.reduce((sum, layer) => sum + layer, 0)).toBe(reached);
    const near = nearestMade(thickness, SEATING)!;
    expect(laminate(near, SEATING).exact).toBe(true);
    expect(Math.abs(near - thickness)).toBeLessThanOrEqual(4);
  });

  weekly(0)('offered is what he would take: one sheet rather than three slabs a little nearer', () => {
    expect([47, 102, 122, 145].map((thickness) => nearestMade(thickness, SEATING))).toEqual([50, 100, 120, 145]);
    expect(nearestMade(75, [5, 10])).toBeNull();
    // Held against every way to make it up, tried one by one.
    for (const { sold } of FOAMS)
      for (let t = Math.min(...sold); t <= 150; t++) {
        const near = nearestMade(t, sold);
        if (near === null) continue;
        const costs = (made: number): number => Math.abs(made - t) + 3 * (laminate(made, sold).layers.length - 1);
        for (let other = Math.max(1, t - 20); other <= t + 20; other++) {
          const { layers, exact } = laminate(other, sold);
          const made = layers.reduce((sum, layer) => sum + layer, 0);
          if (exact && laminate(made, sold).layers.length === layers.length) expect(costs(near)).toBeLessThanOrEqual(costs(made));
        }
      }
  });
});

describe('a pad', () => {
  const chair = newChairSeat();
  const wrong = (change: Partial<(typeof chair.pads)[number]>): string[] =>
    problemsOf({ ...chair, pads: [chair.pads[0]!, { ...chair.pads[1]!, ...change }] }).map(({ path }) => path);

  it('that cannot be built is refused beside its cause', () => {
    expect(wrong({ material: 'nothing' })).toContain('pads.1.material');
    expect(wrong({ edge: { kind: 'rounded', width: 80 } })).toContain('pads.1.edge.width');
    expect(wrong({ edge: { kind: 'roll', width: 0 } })).toContain('pads.1.edge.width');
    expect(wrong({ wedge: 900 })).toContain('pads.1.wedge');
    const square: [number, number][] = [
      [-50, -50],
      [50, -50],
      [50, 50],
      [-50, 50],
    ];
    expect(wrong({ outline: square })).toEqual([]);
    expect(wrong({ outline: [square[0]!, square[2]!, square[1]!, square[3]!] })).toContain('pads.1.outline');
    expect(wrong({ outline: [square[0]!, square[1]!, [0, -49.9]] })).toContain('pads.1.outline');
    const pocket = { x: 0, y: 0, width: 100, length: 100, deep: 20, material: 'seat-soft' };
    expect(wrong({ pocket })).toEqual([]);
    expect(wrong({ pocket: { ...pocket, deep: 51 } })).toContain('pads.1.pocket.deep');
    expect(wrong({ outline: square, pocket: { ...pocket, x: 200 } })).toContain('pads.1.pocket.x');
  });

  it('of the workshop’s own foam is built from it, and a foam nobody could press is refused', () => {
    const item = { id: 'ours', name: 'Ours', type: 'polyether' as const, density: 33, ifd25: 160, supportFactor: 2.1, sold: [50] };
    const piece = { ...chair, foams: [item], pads: [{ ...chair.pads[1]!, material: 'ours' }] };
    expect(problemsOf(piece)).toEqual([]);
    expect(planPiece(piece, {}, QUICK).foam[0]).toMatchObject({ material: 'ours', materialName: 'Ours' });
    expect(problemsOf({ ...piece, foams: [{ ...item, supportFactor: 1.1 }] }).map(({ path }) => path)).toContain('foams.0.supportFactor');
  });

  it('a drawn pad keeps to its board, crosses nowhere and has some area', () => {
    const label = (outline: [number, number][]): string[] =>
      problemsOf({ ...chair, pads: [{ ...chair.pads[1]!, outline }] }).map(({ path, message }) => `${path}: ${message}`);
    const right: [number, number][] = [
      [-100, -100],
      [100, -100],
      [0, 120],
    ];
    expect(label(right)).toEqual([]);
    expect(label([...right.slice(0, 2), [0, 900]])[0]).toMatch(/^pads\.0\.outline: A corner .* beyond the board; 150 mm maximum$/);
    expect(label([...right, [0, -200]])[0]).toContain('crosses itself');
    expect(label([...right.slice(0, 2), [0, -99]])[0]).toContain('no area');
  });

  it('pull, mass and share keep to what can be', () => {
    const paths = (piece: typeof chair): string[] => problemsOf(piece).map(({ path }) => path);
    expect(paths({ ...chair, cloth: { ...chair.cloth, force: 300 } })).toContain('cloth.force');
    expect(paths({ ...chair, sit: { loader: 'seated', mass: 2, share: null, x: 0, y: 0 } })).toContain('sit.mass');
    expect(paths({ ...chair, sit: { loader: 'seated', mass: 80, share: 400, x: 0, y: 0 } })).toContain('sit.share');
  });
});
