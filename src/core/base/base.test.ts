import { describe, expect, it } from 'vitest';
import { modelOf } from '../padding';
import { baseOutline, bounds, flatten, polygonArea } from '../outline';
import {
  newChairSeat,
  likelyDress,
  newPiece,
  panelBoard,
  panelWidth,
  STARTING_SHAPES,
  wallInStep,
  type Base,
  type BaseShape,
  type Piece,
} from '../piece';
import { planPiece } from '../plan';
import { bendPlate, patchLoad } from './plate';
import { edgeStrips, frameCuts, meshOf, panelLayout, trimBends } from '.';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */

const seat = (change: Partial<Base>): Piece => {
  const piece = newChairSeat(STARTING_SHAPES.rectangle);
  return { ...piece, base: { ...piece.base, ...change } };
};
const fact = { fasten: true, visible: true, against: false, strip: null, trim: 0 };

describe('the board under load', () => {
  it('agrees with the plate series through the front door, and proposes what cures it', () => {
    const wide = seat({
      shape: { type: 'rectangle', width: 900, depth: 900, cornerRadius: { front: 0, back: 0 } },
      board: { material: 'plywood', thickness: 3 },
    });
    const weak = planPiece(wide, {}, QUICK).base.board;
    expect(weak.verdict).toBe('breaks');
    expect(weak.words).toContain('Refused');
    expect(weak.thickness).toBeGreaterThan(3);
    const cured = planPiece({ ...wide, base: { ...wide.base, board: { material: 'plywood', thickness: weak.thickness! } } }, {}, QUICK);
    expect(cured.base.board.verdict).toBe('good');
    expect(weak.rib).not.toBeNull();
  });

  it('is bent on few enough triangles to keep up with typing, and within 2 % of what very many give', () => {
    const shape = { type: 'rectangle' as const, width: 500, depth: 400, cornerRadius: { front: 0, back: 0 } };
    const found = planPiece(seat({ shape }), {}, QUICK).base.board;
    const board = flatten(baseOutline(shape));
    const mesh = meshOf(board, [], 9, [[0, 0]]);
    const holds = mesh.edge.map((edge) => (edge ? ('supported' as const) : ('free' as const)));
    const rigidity = (8000 * 12 ** 3) / (12 * (1 - 0.3 ** 2));
    const { deflection } = bendPlate(mesh, { rigidity, poisson: 0.3 }, holds, patchLoad(mesh, [0, 0], 100, found.force));
    expect(Math.abs(found.deflection / Math.max(...deflection) - 1)).toBeLessThan(0.02);
  });

  it('bends as the inverse cube of its thickness, more on two rails than on a frame, not at all on solid', () => {
    const bend = (change: Partial<Base>): number => planPiece(seat(change), {}, QUICK).base.board.deflection;
    const nine = bend({ board: { material: 'plywood', thickness: 9 } });
    expect(nine / bend({ board: { material: 'plywood', thickness: 18 } })).toBeCloseTo(8, 1);
    expect(bend({ supports: 'two-rails' })).toBeGreaterThan(bend({ supports: 'frame' }) * 1.2);
    expect(bend({ supports: 'four-points' })).toBeGreaterThan(bend({ supports: 'frame' }));
    expect(bend({ supports: 'solid' })).toBe(0);
  });

  it('a hole in the middle makes it weaker; a moulded pan is not judged as a flat plate', () => {
    const whole = planPiece(seat({}), {}, QUICK).base.board.deflection;
    const holed = planPiece(seat({ holes: [{ id: 'h', kind: 'round', x: 0, y: 130, diameter: 120 }] }), {}, QUICK).base.board.deflection;
    expect(holed).toBeGreaterThan(whole);
    expect(planPiece(newPiece('saddle'), {}, QUICK).base.board.verdict).toBe('moulded');
  });

  it('foam board is refused under a sitter and glued behind a headboard; what must be stapled to it is warned of', () => {
    expect(() => planPiece(seat({ board: { material: 'foam-board', thickness: 19 } }), {}, QUICK)).toThrow('cannot bear a person');
    const head = newPiece('headboard');
    const plan = (covering: Partial<Piece['covering']>) =>
      planPiece(
        {
          ...head,
          base: { ...head.base, board: { material: 'foam-board', thickness: 19 }, supports: 'solid' },
          covering: { ...head.covering, ...covering },
        },
        {},
        QUICK,
      );
    expect(plan({}).fixing.fastener.id).toBe('glue');
    expect(plan({}).warnings.map((w) => w.code)).not.toContain('board-holds-no-staple');
    expect(plan({ held: 'staples' }).warnings.map((w) => w.code)).toContain('board-holds-no-staple');
  });
});

const edgeOf = (name: string) => ({ kind: 'edge' as const, name });

describe('edges', () => {
  it('strips on a rectangle meet in 45° mitres, each as long as its edge', () => {
    const outline = baseOutline({ type: 'rectangle', width: 500, depth: 400, cornerRadius: { front: 20, back: 0 } });
    const strips = edgeStrips(
      outline,
      ['front', 'right', 'back', 'left'].map((edge) => ({ ...fact, edge: edgeOf(edge), strip: { width: 30, thickness: 6 } })),
    );
    expect(strips.map((strip) => Math.round(strip.length))).toEqual([500, 400, 500, 400]);
    for (const strip of strips) {
      expect(strip.startMitre).toBeCloseTo(Math.PI / 4, 6);
      expect(strip.length - strip.inside).toBeCloseTo(60, 6);
    }
  });

  it('a trim too thick for its bend is glued up in layers that do bend', () => {
    const outline = baseOutline({ type: 'round', diameter: 300 });
    const [trim] = trimBends(outline, [{ ...fact, edge: edgeOf('edge'), trim: 5 }], 'solid-wood');
    expect(trim!.radius).toBeCloseTo(150, 6);
    expect(trim!.laminations).toBe(2);
    expect(trim!.layer * 50).toBeLessThanOrEqual(150);
    const [straight] = trimBends(
      baseOutline({ type: 'rectangle', width: 500, depth: 400, cornerRadius: { front: 0, back: 0 } }),
      [{ ...fact, edge: edgeOf('front'), trim: 20 }],
      'plywood',
    );
    expect(straight).toMatchObject({ radius: null, laminations: 1 });
  });

  it('a pad is flush where its edge butts against a frame, and overhangs elsewhere', () => {
    const pad = (edges: Base['edges']): ReturnType<typeof bounds> => bounds(modelOf(seat({ edges: edges ?? [] }), {}).pads[1]!.polygon);
    expect(pad([])).toMatchObject({ maxX: expect.closeTo(231, 3), maxY: expect.closeTo(216, 3) });
    const flush = pad([{ ...fact, edge: edgeOf('back'), against: true }]);
    expect(flush.maxY).toBeCloseTo(210, 3);
    expect(flush.minY).toBeCloseTo(-216, 3);
    expect(flush.maxX).toBeCloseTo(231, 3);
  });

  it('says when a trim will not be seen, and when a seen edge is held by nothing', () => {
    const codes = (change: Partial<typeof fact>): string[] =>
      planPiece(seat({ edges: [{ ...fact, edge: edgeOf('back'), ...change }] }), {}, QUICK).warnings.map((w) => w.code);
    expect(codes({ visible: false, trim: 4 })).toContain('trim-not-seen');
    expect(codes({ visible: true, trim: 4 })).not.toContain('trim-not-seen');
    expect(codes({ fasten: false })).toContain('edge-loose');
    expect(codes({ fasten: false, against: true })).not.toContain('edge-loose');
  });

  it('an edge that is not fastened gets no staples', () => {
    const all = planPiece(seat({}), {}, QUICK).fixing.order;
    const less = planPiece(seat({ edges: [{ ...fact, edge: edgeOf('back'), fasten: false }] }), {}, QUICK).fixing.order;
    expect(less.filter((s) => s.edge === 'back')).toEqual([]);
    expect(all.filter((s) => s.edge === 'back').length).toBeGreaterThan(5);
  });
});

describe('hardware', () => {
  it('keeps staples clear of it and says so when it stands in their line', () => {
    const plan = planPiece(seat({ hardware: [{ id: 'f', kind: 'insert', x: 0, y: -192, diameter: 12, length: 10 }] }), {}, QUICK);
    for (const staple of plan.fixing.order) expect(Math.hypot(staple.x, staple.y + 192)).toBeGreaterThanOrEqual(6 + 8 - 0.01);
    expect(plan.warnings.map((w) => w.code)).toContain('hardware-on-staples');
  });

  it('refuses what is not on the board or comes out of it', () => {
    expect(() => planPiece(seat({ hardware: [{ id: 'f', kind: 'bolt', x: 400, y: 0, diameter: 8, length: 10 }] }), {}, QUICK)).toThrow(
      'lies beside the board',
    );
    expect(() => planPiece(seat({ hardware: [{ id: 'f', kind: 'insert', x: 0, y: 0, diameter: 8, length: 30 }] }), {}, QUICK)).toThrow(
      'comes out of a 12 mm board',
    );
    expect(() => planPiece(seat({ holes: [{ id: 'h', kind: 'round', x: 215, y: 0, diameter: 60 }] }), {}, QUICK)).toThrow(
      'reaches over the edge',
    );
  });
});

describe('frame, panels, sets', () => {
  it('a frame of a rectangle is four mitred battens and its ribs, laid on stock lengths with the kerf', () => {
    const outline = baseOutline({ type: 'rectangle', width: 1000, depth: 500, cornerRadius: { front: 0, back: 0 } });
    const cuts = frameCuts(outline, { width: 45, thickness: 20, inset: 20, ribs: 2, stock: 2400, kerf: 3 });
    expect(cuts.battens.map((b) => Math.round(b.length)).sort((a, b) => b - a)).toEqual([960, 960, 460, 460, 370, 370]);
    for (const batten of cuts.battens.slice(0, 4)) expect(batten.mitres[0]).toBeCloseTo(Math.PI / 4, 6);
    cuts.lengths.forEach((pieces, i) => {
      const used = pieces.reduce((sum, piece) => sum + piece.length + 3, 0);
      expect(used + cuts.left[i]!).toBeGreaterThanOrEqual(2400 - 1e-6);
      expect(used - 3).toBeLessThanOrEqual(2400);
    });
    expect(cuts.lengths).toHaveLength(2);
    expect(frameCuts(outline, { width: 45, thickness: 20, inset: 0, ribs: 0, stock: 600, kerf: 3 }).tooLong).toHaveLength(2);
  });

  it('panels are laid out from the middle of the wall and hang on four times their mass', () => {
    const layout = panelLayout({ across: 1880, gap: 20, count: 4, mounting: 'hung', cleats: 2, rating: 10 }, 4.9, {
      height: 900,
      depth: 12,
    });
    expect(layout.width).toBe(455);
    expect(layout.centres).toEqual([-712.5, -237.5, 237.5, 712.5]);
    expect(layout.edges[0]![0]).toBe(-940);
    expect(layout.edges[3]![1]).toBe(940);
    expect(layout.needed).toBeCloseTo(19.6, 6);
    expect(layout.holds).toBe(true);
    // Joined, the two that were asked for hold 20 of 78.4 kg: eight are planned.
    const joined = panelLayout({ across: 1880, gap: 20, count: 4, mounting: 'joined', cleats: 2, rating: 10 }, 4.9, {
      height: 900,
      depth: 12,
    });
    expect(joined.cleats).toBe(8);
    expect(joined.holds).toBe(true);
  });

  it('one chair that was measured differently is cut to its own outline and shares the rest', () => {
    const set: Piece = {
      ...newChairSeat(),
      count: 4,
      variants: [{ id: 'v-1', name: 'Number 4', count: 1, shape: { ...STARTING_SHAPES.trapezoid, backWidth: 400 } }],
    };
    const plan = planPiece(set, {}, QUICK);
    expect(plan.cover.pieces[0]!.count).toBe(3);
    expect(plan.variants[0]!.covers[0]!).toMatchObject({ count: 1, name: 'Cover, Number 4' });
    expect(plan.variants[0]!.outline.width).toBeGreaterThan(plan.outline.width - 20);
    expect(plan.cut.cloth.laid.filter((laid) => laid.label === 'Cover')).toHaveLength(3);
    expect(plan.cut.cloth.laid.filter((laid) => laid.label === 'Cover, Number 4')).toHaveLength(1);
    expect(plan.cut.foam.layouts.flatMap((l) => l.sheets.flat())).toHaveLength(8);
    expect(() => planPiece({ ...set, count: 1 }, {}, QUICK)).toThrow('at least one must be as drawn');
  });
});

describe('a base that is not flat', () => {
  it('lifts section and cover with it, and the padding keeps its thickness', () => {
    const flat = planPiece(seat({}), {}, QUICK);
    const rows = [0, 210, 420].map((at) => ({ at, width: 450, height: at === 210 ? 10 : 0, drop: 30, crown: 6 }));
    const moulded = planPiece(seat({ mould: { kind: 'rows', rows } }), {}, QUICK);
    // Over a bowed base the cover presses on the wadding, over a flat one it does not.
    expect(Math.abs(moulded.surface.height - flat.surface.height)).toBeLessThan(2.5);
    const model = modelOf(seat({ mould: { kind: 'rows', rows } }), {});
    expect(model.baseHeight(0, 0)).toBeCloseTo(10, 6);
    expect(model.baseHeight(225, 0)).toBeCloseTo(10 - 30, 6);
    expect(model.baseHeight(112.5, 0)).toBeCloseTo(10 - 15 + 6, 6);
    expect(model.baseHeight(-80, 40)).toBeCloseTo(model.baseHeight(80, 40), 9);
    // Bent down at the sides, the cover has farther to go.
    const side = (plan: typeof flat): number => plan.stations.find((s) => s.edge === 'right' && Math.abs(s.y) < 1)!.top;
    expect(side(moulded)).toBeGreaterThan(side(flat));
    expect(polygonArea(moulded.outline.points)).toBeCloseTo(polygonArea(flat.outline.points), 3);
  });

  it('takes a map of heights', () => {
    const heights = Array.from({ length: 25 }, (_, i) => (i % 5) * 2);
    const model = modelOf(
      seat({ mould: { kind: 'map', name: 'scan', x0: -225, y0: -210, step: 112.5, columns: 5, rows: 5, heights } }),
      {},
    );
    expect(model.baseHeight(-225, 0)).toBeCloseTo(0, 6);
    expect(model.baseHeight(0, 33)).toBeCloseTo(4, 6);
    expect(model.baseHeight(1000, 0)).toBeCloseTo(8, 6);
  });
});

describe('battens under a board', () => {
  it('carry their share: 6 ply on a frame of 40 × 20 with a rib is stiffer than the bare board, and a staple goes into both', () => {
    const corner = newPiece('corner-seat');
    const board = { material: 'plywood', thickness: 6 };
    const bare = planPiece({ ...corner, base: { ...corner.base, board, frame: null } }, {}, QUICK);
    const framed = planPiece({ ...corner, base: { ...corner.base, board } }, {}, QUICK);
    expect(framed.base.board.deflection).toBeLessThan(bare.base.board.deflection * 0.8);
    // Cloth folded once and 6 mm of bite: 8 mm, where 6 ply alone takes 4 at most.
    expect([bare.fixing.fastener.choice.fits, framed.fixing.fastener.choice.fits]).toEqual([false, true]);
  });
});

describe('panels on a wall', () => {
  it('are as wide as they hang covered: ten over 1530 are not boards of 153', () => {
    const dressed = newPiece('headboard-panelled');
    const wall = { across: 1530, gap: 3, count: 10 };
    // 150.3 each with nine gaps of 3, less the cloth and what the cover leaves of 6 mm of wadding on either side; sawn to half a millimetre.
    expect(panelBoard(wall, likelyDress(dressed, 40))).toBe(146);
    expect(panelBoard(wall, likelyDress({ ...dressed, wadding: null }, 40))).toBe(148.5);
  });

  const WADDINGS = ['wadding-200', 'wadding-100', null];
  it.each([
    [2, 4, 0.5],
    [3, 4, 2.5],
    [10, 3, 1],
    [7, 5, 1.8],
  ])('%i panels, %i × 300 wider than 100 each, cloth of %f: covered they fill their places within 0.3 mm', (count, metres, thickness) => {
    const start = newPiece('headboard-panelled');
    for (const wadding of WADDINGS) {
      const panels = { ...start.panels!, across: metres * 300 + count * 100, count };
      const board = (width: number): Piece => ({
        ...start,
        count,
        panels,
        wadding,
        cloth: { ...start.cloth, thickness },
        base: { ...start.base, shape: { ...start.base.shape, width } as BaseShape },
      });
      const piece = board(panelBoard(panels, likelyDress({ ...start, wadding })));
      const warned = planPiece(piece, {}, QUICK).warnings.find(({ code }) => code === 'panels-off');
      const mended = warned ? board(warned.mend!.value as number) : piece;
      const plan = planPiece(mended, {}, QUICK);
      expect(plan.warnings.map(({ code }) => code)).not.toContain('panels-off');
      // One that was not worth a warning may be half a millimetre off.
      expect(Math.abs(plan.room.covered.width - panelWidth(panels))).toBeLessThan(warned ? 0.3 : 0.51);
      // The page keeps the wall as it was typed: the board was made for it.
      const dress = plan.room.covered.width - (mended.base.shape as { width: number }).width;
      if (warned) expect(wallInStep(piece, mended, dress).panels).toEqual(panels);
    }
  });
});

describe('ribs under a board', () => {
  const bench = newPiece('bench', { type: 'rectangle', width: 1100, depth: 500, cornerRadius: { front: 0, back: 0 } });
  const frame = { width: 45, thickness: 20, inset: 0, ribs: 2, stock: 2400, kerf: 3 };
  const bent = (base: Partial<Base>): number =>
    planPiece({ ...bench, base: { ...bench.base, board: { material: 'plywood', thickness: 9 }, supports: 'frame', ...base } }, {}, QUICK)
      .base.board.deflection;

  it('are counted on only where they are glued and screwed: one that rests there, or of which nothing is known, is not', () => {
    const bare = bent({ frame: { ...frame, ribs: 0 } });
    expect(bent({ frame })).toBeCloseTo(bare, 9);
    expect(bent({ frame: { ...frame, ribsFixed: false } })).toBeCloseTo(bare, 9);
    expect(bent({ frame: { ...frame, ribsFixed: true } })).toBeLessThan(bare * 0.8);
  });
});
