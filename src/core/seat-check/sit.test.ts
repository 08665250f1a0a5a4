import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { carveCheck, carvePasses, curesFor, foamChart, forLoadedHeight, pocketPlan, sitStep, sittingOf, type Sat } from '.';
import { modelOf, sectionsStep, surfaceStep, type StationSection, type Surface } from '../padding';
import { FOAMS } from '../foam';
import { problemsOf } from '../document';
import { planPiece } from '../plan';
import { KINDS, newPiece, PieceProblems, STARTING_SHAPES, type Pad, type Piece, type PieceKind } from '../piece';
import type { PadEdge } from '../pad-rims';
import { runs, thisWeek } from '../../testing/runs';
import { sharedPlanner } from '../../testing/quick';
import { weekly } from '../../testing/weekly';

const chair = newPiece('chair-seat');

function solved(piece: Piece): { sections: StationSection[]; surface: Surface; sat: Sat | null } {
  const model = sharedPlanner.model(piece, {});
  return { sections: sectionsStep(model, 'trial'), surface: surfaceStep(model, 'trial'), sat: sitStep(model, 'trial') };
}

const with1 = (change: Partial<Pad>): Piece => ({ ...chair, pads: [{ ...chair.pads[1]!, ...change }] });

describe('sitting on a piece', () => {
  weekly(3)('every kind as it is usually built is solved and has nothing wrong', () => {
    for (const kind of thisWeek(KINDS, 3)) {
      const { sat, surface } = solved(newPiece(kind.id));
      expect(surface.converged, kind.id).toBe(true);
      expect(sat!.plan, kind.id).toMatchObject({ converged: true, bottoms: false, edgeFelt: false });
      expect(sat!.plan.loadedHeight).toBeLessThan(sat!.plan.unloadedHeight);
    }
  });

  it.each([
    [400, 390],
    [445, 408],
    [520, 460],
  ])('a dining seat of %s × %s passes for the sitter it is padded for as it starts: nobody mends a fresh chair', (width, depth) => {
    const shape = { ...STARTING_SHAPES.trapezoid, frontWidth: width, backWidth: Math.round(width * 0.87), depth };
    expect(solved(newPiece('chair-seat', shape)).sat!.plan).toMatchObject({ mass: 85, bottoms: false, edgeFelt: false });
  });

  it.each([
    ['disc', 400, 0],
    ['seated', 1400, 1400],
    ['disc', -3000, 5],
  ] as const)('a %s placed beside the piece comes down on its edge, to finite figures', (loader, x, y) => {
    const piece = { ...chair, sit: { loader, mass: 80, share: 78, x, y } };
    const model = sharedPlanner.model(piece, {});
    const at = sittingOf(model);
    expect(Math.hypot(at.x, at.y)).toBeLessThan(320);
    expect(Math.hypot(at.x, at.y)).toBeGreaterThan(150);
    const { plan } = sitStep(model, 'trial')!;
    for (const figure of [plan.sink, plan.leastLeft]) expect(Number.isFinite(figure)).toBe(true);
  });

  weekly(0)('25 mm of soft foam under 95 kg bottoms out, and every cure that is offered cures it', () => {
    const thin = with1({ material: 'seat-soft', thickness: 25 });
    expect(solved(thin).sat!.plan.bottoms).toBe(true);
    const cures = curesFor(thin, {});
    expect(cures.length).toBeGreaterThan(0);
    cures.forEach((cure, i) => {
      expect(solved({ ...thin, pads: cure.pads }).sat!.plan).toMatchObject({ bottoms: false, edgeFelt: false });
      if (i > 0) expect(cure.cost).toBeGreaterThanOrEqual(cures[i - 1]!.cost);
    });
  });

  it('nothing wrong wants no cure, and a search that is stopped ends', () => {
    expect(curesFor(chair, {})).toEqual([]);
    expect(curesFor(with1({ material: 'seat-soft', thickness: 25 }), {}, { onTry: () => false })).toEqual([]);
  });

  it('a seat turned over is sat on alike', () => {
    const left: Piece = { ...chair, sit: { loader: 'seated', mass: 80, share: null, x: 40, y: 10 } };
    const right: Piece = { ...chair, sit: { loader: 'seated', mass: 80, share: null, x: -40, y: 10 } };
    const [a, b] = [solved(left).sat!.plan, solved(right).sat!.plan];
    expect(Math.abs(a.sink - b.sink)).toBeLessThan(0.02);
    expect(Math.abs(a.peakPressure - b.peakPressure)).toBeLessThan(5e-5);
  });

  weekly(1)('the pad for a wanted loaded height comes out at that height', () => {
    const found = forLoadedHeight(chair, {}, 40)!;
    const built = { ...chair, pads: chair.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness: found.thickness } : pad)) };
    expect(Math.abs(solved(built).sat!.plan.loadedHeight - 40)).toBeLessThan(0.6);
    expect(forLoadedHeight(chair, {}, 900)).toBeNull();
    // What is sold is built without slitting: near the pad that was found, and sat on near the height that was wanted.
    const sold = found.sold!;
    expect(sold.thickness % 5).toBe(0);
    expect(Math.abs(sold.thickness - found.thickness)).toBeLessThanOrEqual(5);
    expect(Math.abs(sold.loadedHeight - 40)).toBeLessThan(5);
  });
});

describe('a pocket', () => {
  const pocket = { x: 0, y: 50, width: 200, length: 180, deep: 20, material: 'seat-soft' };

  it('takes pressure off where it lies, keeps its floor and is carved in even passes', () => {
    const piece = with1({ material: 'seat-extra-firm', thickness: 75, pocket });
    const [plan] = pocketPlan(modelOf(piece, {}));
    expect(plan).toMatchObject({ floor: 55, thin: false });
    expect(plan!.after).toBeLessThan(plan!.before);
    expect(plan!.passes.at(-1)).toBe(20);
  });

  weekly(2)('has the floor of the place where it lies: on a wedge less towards its thin end, over a crown more in the middle', () => {
    const floorAt = (change: Partial<Pad>, y: number): number =>
      pocketPlan(modelOf(with1({ material: 'seat-extra-firm', thickness: 80, pocket: { ...pocket, y }, ...change }), {}))[0]!.floor;
    const wedge = { wedge: 60 };
    // 80 at the near edge, 60 at the far one of 420: 70 in the middle, 5 less or more a quarter of the way.
    expect(floorAt(wedge, 0)).toBeCloseTo(70 - 20, 0);
    expect(floorAt(wedge, 80)).toBeLessThan(floorAt(wedge, 0) - 2);
    expect(floorAt(wedge, -80)).toBeGreaterThan(floorAt(wedge, 0) + 2);
    expect(floorAt({}, 0)).toBeCloseTo(60, 6);
  });

  it('deeper than its foam is refused in words; a thin floor is said', () => {
    const deep = problemsOf(with1({ thickness: 40, pocket: { ...pocket, deep: 45 } }));
    expect(deep[0]).toMatchObject({ path: 'pads.0.pocket.deep', message: expect.stringContaining('45 mm deep and the foam 40 mm') });
    expect(pocketPlan(modelOf(with1({ thickness: 40, pocket: { ...pocket, deep: 35 } }), {}))[0]!.thin).toBe(true);
  });

  it('passes are none deeper than allowed; readings tell left from right', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 80, noNaN: true }), fc.double({ min: 1, max: 6, noNaN: true }), (deep, pass) => {
        const depths = [0, ...carvePasses(deep, pass)];
        depths.slice(1).forEach((d, i) => expect(d - depths[i]!).toBeLessThanOrEqual(pass + 1e-6));
        expect(depths.at(-1)).toBeCloseTo(deep, 9);
      }),
    );
    expect(carveCheck([{ left: 10, right: 10.5 }]).alike).toBe(true);
    expect(carveCheck([{ left: 10, right: 13 }]).words).toContain('on the left');
    expect(carveCheck([]).alike).toBe(true);
  });
});

describe('bottoming', () => {
  const verdict = (change: Partial<Piece>, kind: PieceKind = 'chair-seat') => {
    const piece: Piece = { ...newPiece(kind), ...change };
    return planPiece(piece, {}).sit!;
  };
  const pad = (id: string, material: string, thickness: number, role: Pad['role'] = 'main'): Pad => ({
    id,
    role,
    material,
    thickness,
    offset: null,
    edge: { kind: 'square' },
  });

  it('a thin soft topper pressed flat over foam that still carries is not bottoming', () => {
    const sat = verdict({ pads: [pad('main', 'seat-firm', 75), pad('top', 'seat-soft', 13, 'topper')] });
    const topper = sat.strains.find(({ pad: name }) => name.startsWith('topper'))!;
    expect(topper.strain).toBeGreaterThan(0.55);
    expect(sat.leastLeft).toBeGreaterThan(25);
    expect(sat.bottoms).toBe(false);
  });

  it('a saddle with thin backed foam on top and some left over its pan does not bottom out', () => {
    const sat = verdict({}, 'saddle');
    expect(sat.leastLeft).toBeGreaterThan(12);
    expect(sat.bottoms).toBe(false);
  });

  weekly(3)('thin soft foam does, and says how much is left', () => {
    const sat = verdict({ pads: [pad('main', 'seat-soft', 25)] });
    expect(sat.bottoms).toBe(true);
    expect(sat.why.bottoms).toMatch(/mm of foam left over the board; \d/);
  });
});

describe('the foam chart', () => {
  it('asks for harder foam under the heavier body and for softer in the thicker pad', () => {
    const cells = [
      ...foamChart(
        [60, 100],
        [50, 100],
        { type: 'polyether', supportFactor: 2.1 },
        { share: 78, leastLeft: 10, mostStrain: 0.7, pull: 0.09 },
      ),
    ];
    const at = (mass: number, thickness: number) => cells.find((cell) => cell.mass === mass && cell.thickness === thickness)!.hardness!;
    expect(at(100, 50)).toBeGreaterThan(at(60, 50));
    expect(at(100, 50)).toBeGreaterThan(at(100, 100));
    expect(cells).toHaveLength(4);
  });
});

describe('any stack at all', () => {
  const rim: fc.Arbitrary<PadEdge> = fc.oneof(
    fc.constant<PadEdge>({ kind: 'square' }),
    fc.constant<PadEdge>({ kind: 'domed' }),
    fc.record({
      kind: fc.constantFrom('feathered' as const, 'bevelled' as const, 'roll' as const),
      width: fc.integer({ min: 2, max: 60 }),
    }),
  );
  const pads = fc.array(
    fc.record({
      material: fc.constantFrom(...FOAMS.map((foam) => foam.id)),
      thickness: fc.oneof(
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        fc.double({ min: 5, max: 80, noNaN: true }),
        fc.double({ min: 80, max: 500, noNaN: true }),
      ),
      offset: fc.integer({ min: -40, max: 20 }),
      edge: rim,
      crown: fc.boolean(),
    }),
    { minLength: 1, maxLength: 4 },
  );

  weekly(0)('comes to rest with finite, plausible figures, or is refused or said not to have', () => {
    let rested = 0;
    let all = 0;
    fc.assert(
      fc.property(pads, fc.double({ min: 0.2, max: 30, noNaN: true }), fc.integer({ min: 5, max: 250 }), (rows, force, mass) => {
        const piece: Piece = {
          ...chair,
          pads: rows.map(({ crown, ...row }, i): Pad => ({ ...row, id: `p${i}`, role: crown && i < rows.length - 1 ? 'crown' : 'main' })),
          cloth: { ...chair.cloth, force: Math.max(0.5, force) },
          sit: { loader: 'seated', mass, share: null, x: 0, y: 0 },
        };
        const problems = problemsOf(piece);
        if (problems.length > 0) return;
        try {
          const { sections, surface, sat } = solved(piece);
          all += 1;
          for (const { half } of sections) expect(half.cover.flat().every(Number.isFinite)).toBe(true);
          expect([surface.height, surface.crown, surface.edgeRadius].every(Number.isFinite)).toBe(true);
          const total = piece.pads.reduce((sum, pad) => sum + pad.thickness, 0);
          if (surface.converged) {
            rested += 1;
            expect(surface.height).toBeLessThan(total + 20);
          }
          expect(Number.isFinite(sat!.plan.sink)).toBe(true);
          expect(sat!.plan.leastLeft).toBeLessThanOrEqual(total + 1);
        } catch (error) {
          if (!(error instanceof PieceProblems)) throw error;
        }
      }),
      { numRuns: runs(2, 25) },
    );
    // What does not come to rest is said to the user; it is the exception.
    expect(rested / all).toBeGreaterThan(0.6);
  });

  const layers = (count: number, thickness: number): Pad[] =>
    Array.from({ length: count }, (_, i) => ({ ...chair.pads[1]!, id: `l${i}`, thickness }));
  it.each<[string, Pad[], number, number]>([
    ['half a millimetre', layers(1, 0.5), 9, 5],
    ['half a metre', layers(1, 500), 9, 250],
    ['forty layers', layers(40, 5), 9, 95],
    ['20 N/m', layers(1, 50), 2, 95],
    ['400 N/m', layers(1, 50), 40, 95],
    ['closed cell, stiffer than most boards', [{ ...chair.pads[1]!, material: 'closed-thin', thickness: 20 }], 14, 250],
  ])('%s: finite figures, and said when it did not come to rest', (_, stack, force, mass) => {
    const piece: Piece = {
      ...chair,
      pads: stack,
      cloth: { ...chair.cloth, force },
      sit: { loader: 'seated', mass, share: null, x: 0, y: 0 },
    };
    expect(problemsOf(piece)).toEqual([]);
    const plan = planPiece(piece, {}, { coarse: true });
    expect([plan.surface.height, plan.surface.crown, plan.sit!.sink, plan.sit!.peakPressure].every(Number.isFinite)).toBe(true);
    expect(plan.surface.converged || plan.warnings.some((w) => w.code === 'not-at-rest')).toBe(true);
    expect(plan.sit!.converged || plan.sit!.words.some((words) => words.includes('did not come to rest'))).toBe(true);
    expect(plan.surface.height).toBeLessThan(stack.reduce((sum, pad) => sum + pad.thickness, 0) + 10);
  });
});
