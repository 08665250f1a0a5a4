import { describe, expect, it } from 'vitest';
import { plateScrew } from '../base';
import { patternFile } from '../formats/pattern-files';
import { inspectPlan } from '../inspection';
import { layGroups } from '../nesting';
import { hardwareKind, newPiece, type Hardware, type Piece } from '../piece';
import { mendOf, planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const chair = newPiece('chair-seat');
const item = (
  kind: Hardware['kind'],
  x: number,
  y: number,
  comes: Hardware['comes'],
  length: number = hardwareKind(kind).length,
): Hardware => ({
  id: `f${kind}${x}${y}`,
  kind,
  x,
  y,
  diameter: hardwareKind(kind).diameter,
  length,
  comes,
});
const FEET = [
  [120, 110],
  [-120, 110],
  [120, -110],
  [-120, -110],
] as const;
const four = (kind: Hardware['kind'], comes: Hardware['comes']): Hardware[] => FEET.map(([x, y]) => item(kind, x, y, comes));
const on = (base: Partial<Piece['base']>, change: Partial<Piece> = {}): Piece => ({
  ...chair,
  ...change,
  base: { ...chair.base, ...base },
});
const keys = ({ steps }: Plan): string[] => steps.map(({ key }) => key);
const bought = (piece: Piece, plan = planned(piece)): Map<string, number> =>
  new Map(sizesOf(plan, piece, {}).flatMap(({ key, ware, value }) => (ware ? [[key, value] as const] : [])));

describe('hardware', () => {
  it('that stays on is neither fitted nor bought', () => {
    const piece = on({ hardware: [...four('leg', 'stays'), item('tee-nut', 0, 0, 'stays')] });
    expect(keys(planned(piece)).filter((key) => key.startsWith('hardware'))).toEqual([]);
    expect([...bought(piece).keys()].filter((key) => key.startsWith('hardware'))).toEqual([]);
  });

  it('bought new is on the list with its screws, goes into the bare board or on after the dust cover, and takes its minutes', () => {
    const piece = on(
      { hardware: [...four('leg', 'new'), ...four('tee-nut', 'new').map((nut) => ({ ...nut, y: nut.y / 2, id: `n${nut.id}` }))] },
      { count: 2 },
    );
    const plan = planned(piece);
    const order = keys(plan);
    expect(order.indexOf('hardware-driven')).toBeGreaterThan(order.indexOf('board'));
    expect(order.indexOf('hardware-driven')).toBeLessThan(order.indexOf('glue-crown'));
    expect(order.indexOf('hardware-plated')).toBeGreaterThan(order.indexOf('dust'));
    const list = bought(piece, plan);
    expect(list.get('hardware.leg')).toBe(8);
    expect(list.get('hardware.tee-nut')).toBe(8);
    // Four holes in a plate; 12 mm through 2 of plate bite 10 into a board of 12.
    expect(list.get('hardware.screws.12')).toBe(32);
    const step = plan.steps.find(({ key }) => key === 'hardware-plated')!;
    expect(step.detail).toContain('4 × leg plate: 120 mm right and 110 mm behind the middle');
    expect(step.detail).toContain('through the dust cover');
    // The dust cover is whole where the plates come after it.
    expect(plan.steps.find(({ key }) => key === 'dust')!.detail).not.toContain('Cut it round');
    expect(planned(on({}, { count: 2 })).minutes).toBeLessThan(plan.minutes);
    expect(inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) }).filter(({ check }) => check === 'goods')).toEqual([]);
  });

  it('that goes back comes off first and costs nothing', () => {
    const piece = on({ hardware: four('castor', 'refit') });
    const order = keys(planned(piece));
    expect(order[0]).toBe('hardware-off');
    expect(order.indexOf('hardware-plated')).toBeGreaterThan(order.indexOf('dust'));
    expect([...bought(piece).keys()].filter((key) => key.startsWith('hardware'))).toEqual([]);
  });

  it('no screw goes deeper than the wood that there is for it', () => {
    for (let length = 1; length <= 60; length++) expect((plateScrew({ length }) ?? 0) - 2, `${length}`).toBeLessThanOrEqual(length);
    // Thinner than any screw on sale: none is bought, and the step says what to do instead.
    const thin = on({ board: { ...chair.base.board, thickness: 5 }, hardware: [item('hinge', 0, 0, 'new', 5)] });
    const plan = planned(thin);
    expect(plan.steps.find(({ key }) => key === 'hardware-plated')!.detail).toContain('glue a block behind first, or bolt it through');
    expect([...bought(thin, plan).keys()].filter((key) => key.startsWith('hardware.screws'))).toEqual([]);
  });
});

describe('a board that is sawn', () => {
  const piece = on({ board: { ...chair.base.board, made: 'sawn' } }, { count: 12 });

  it('is laid on sheets, bought, sawn before it is looked over, and drawn for the saw', () => {
    const plan = planned(piece);
    const order = keys(plan);
    expect(order.indexOf('saw-board')).toBe(order.indexOf('board') - 1);
    // 444 × 420 as it is sawn: two abreast on 1220 and five along 2440 are ten, so twelve need a second sheet.
    expect(bought(piece, plan).get('board.sheets')).toBe(2);
    expect(plan.cut.board!.sheets.flat()).toHaveLength(12);
    const group = layGroups([{ id: 'p', piece, plan }], {}).find(({ kind }) => kind === 'board')!;
    expect(group.shapes).toHaveLength(12);
    expect(patternFile(plan, piece, 'csv')).toMatch(/^board,.*,12,444.1,420,12,/m);
    expect(patternFile(plan, piece, 'dxf')).toContain('Board, ');
    expect(inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) }).filter(({ check }) => check === 'goods')).toEqual([]);
  });

  it('that is larger than a sheet is bought in parts, asked about, and passes inspection; one press takes the larger sheet', () => {
    const bench = newPiece('bench');
    const long: Piece = {
      ...bench,
      base: {
        ...bench.base,
        shape: { ...bench.base.shape, width: 2900 } as Piece['base']['shape'],
        board: { ...bench.base.board, made: 'sawn' },
      },
    };
    const plan = planned(long);
    expect(bought(long, plan).get('board.sheets')).toBeGreaterThan(0);
    expect(inspectPlan({ plan, sizes: sizesOf(plan, long, {}) }).filter(({ check }) => check === 'goods' || check === 'lays')).toEqual([]);
    const mend = mendOf(
      long,
      plan.warnings.find(({ code }) => code === 'board-larger-than-sheet')!,
    )!;
    const mended: Piece = { ...long, overrides: mend.value as Piece['overrides'] };
    expect(planned(mended).cut.board).toMatchObject({ width: 1530, length: 3050, tooLarge: [] });
    // Wider than any sheet: it is put together from planks.
    const wider = {
      ...long,
      base: { ...long.base, shape: { ...long.base.shape, depth: 1600 } as Piece['base']['shape'] },
      overrides: mend.value as Piece['overrides'],
    };
    const other = mendOf(
      wider,
      planned(wider).warnings.find(({ code }) => code === 'board-larger-than-sheet')!,
    )!;
    expect(
      planned({ ...wider, base: { ...wider.base, courses: other.value as NonNullable<Piece['base']['courses']> } }).cut.board,
    ).toBeNull();
  });

  it('one that is there is not, nor is one of planks, a frame with webbing or a shell', () => {
    expect(bought(chair).has('board.sheets')).toBe(false);
    for (const kind of ['tight-seat', 'saddle', 'seat-cushion'] as const) {
      const start = newPiece(kind);
      const plan = planned({ ...start, base: { ...start.base, board: { ...start.base.board, made: 'sawn' } } });
      expect(plan.cut.board, kind).toBeNull();
      expect(keys(plan), kind).not.toContain('saw-board');
    }
  });
});
