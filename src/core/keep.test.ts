import { describe, expect, expectTypeOf, it } from 'vitest';
import { modelFrom, modelOf, type Model, type ModelReads } from './padding';
import { cornerFields, type CornerModel, type WrapModel } from './cover';
import { defaultHouse } from './house';
import { keepNothing, type Keep } from './keep';
import { newChairSeat, type Piece } from './piece';
import { createKeeper } from './plan/keeper';

/** These lines are checked by the compiler: each `@ts-expect-error` is an error of its own where what follows it compiles. */
function refused(keep: Keep, model: Model, piece: Piece): void {
  // A step that reads what it does not declare.
  // @ts-expect-error `kind` is not among its reads
  keep('undeclared', { count: piece.count }, ({ count, kind }) => [count, kind]);
  const needsKind = ({ kind, count }: Pick<Piece, 'kind' | 'count'>): string => `${kind} ${count}`;
  // @ts-expect-error its work wants the kind too
  keep('too little', { count: piece.count }, needsKind);
  // A whole model or piece among the reads.
  // @ts-expect-error a model holds the whole piece
  keep('whole model', { model }, ({ model: whole }) => whole.piece.name);
  // @ts-expect-error a piece holds more than a step declares
  keep('whole piece', { piece }, ({ piece: whole }) => whole.name);
  // @ts-expect-error reads have names
  keep('a list', [piece.count], (reads) => reads);
  // A part of a model has nothing but that part.
  const part = modelFrom({ stack: model.stack, figures: { grip: 20 }, piece: { count: 1 } }, keep);
  // @ts-expect-error the name was not read
  void part.piece.name;
  // @ts-expect-error that rule was not read
  part.rule('return');
  // @ts-expect-error a wrap wants to know which edges end in sight, corners have not read that
  expectTypeOf<CornerModel>().toExtend<WrapModel>();
}

describe('A cached step', () => {
  it('is refused by the compiler where it would read what it does not declare', () => {
    expectTypeOf(refused).toBeFunction();
    expectTypeOf<Model>().toExtend<CornerModel>();
    expectTypeOf<Model>().toExtend<WrapModel>();
  });

  it('is handed its reads alone: of a piece, the fields that it names', () => {
    const model = modelOf(newChairSeat(), defaultHouse());
    const reads: ModelReads<unknown> = { stack: model.stack, figures: model.figures, piece: cornerFields(model.piece) };
    const seen = keepNothing('corners', reads, ({ piece }) => Object.keys(piece as object).sort());
    expect(seen).toEqual(['base', 'cloth', 'covering']);
    expect(cornerFields(model.piece).cloth).not.toHaveProperty('price');
  });

  it('is worked once for the same reads, and again for others', () => {
    const { keep, counts } = createKeeper();
    const double = ({ of }: { of: number }): number => 2 * of;
    expect([keep('double', { of: 2 }, double), keep('double', { of: 2 }, double), keep('double', { of: 3 }, double)]).toEqual([4, 4, 6]);
    expect(counts.get('double')).toEqual({ asked: 3, worked: 2 });
  });
});
