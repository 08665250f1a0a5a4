import { describe, expect, it } from 'vitest';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { QUICK } from '../../testing/quick';
import { answerInShort, answerLine, sizesOf } from '.';

const answered = (piece: Piece) => {
  const plan = planPiece(piece, {}, QUICK);
  return { plan, items: answerLine(sizesOf(plan, piece, {}), 'mm') };
};
const read = (items: ReturnType<typeof answerLine>): string[] =>
  items.map(({ name, figures }) => `${name} ${figures.map(({ says }) => says).join(', ')}`);

describe('the answer line', () => {
  it('of a pulled chair says cover, foam with its thickness, cloth and work on the set', () => {
    const { plan, items } = answered({ ...newPiece('chair-seat'), count: 8 });
    const [cover] = plan.cover.pieces;
    const foam = plan.foam.map(({ width, height, layers }) => [width, height, layers[0]!].map(Math.round).join(' × '));
    const [, , cloth, work] = read(items);
    expect(read(items).slice(0, 2)).toEqual([
      `Cover ${Math.round(cover!.width)} × ${Math.round(cover!.height)}`,
      `Foam ${foam.join(', ')}`,
    ]);
    expect(cloth).toBe(`Cloth ${(Math.ceil(plan.cut.cloth.length / 100) / 10).toFixed(1)} m`);
    // A seat of a set takes 28 to 45 minutes.
    expect(work).toMatch(/^Work for 8 [4-6] h( \d\d)?$/);
  });

  it.each(KINDS.map(({ id }) => id))('%s: every part that is cut stands in it or is counted, and each figure has its reason', (id) => {
    const piece = newPiece(id);
    const { plan, items } = answered(piece);
    const keys = new Set(sizesOf(plan, piece, {}).map(({ key }) => key));
    for (const { figures } of items) for (const { key } of figures) expect(keys).toContain(key);
    const short = answerInShort(items);
    const cover = (all: typeof items) => all.flatMap(({ figures }) => figures).filter(({ group }) => group === 'Cover');
    expect(cover(short.items).length + short.more.length).toBe(cover(items).length);
    expect(cover(items).length).toBeGreaterThanOrEqual(plan.cover.pulled ? 1 : plan.cover.pieces.length);
    // One line of an ordinary screen.
    expect(read(short.items).join('   ').length).toBeLessThan(200);
  });

  it('in inches says inches', () => {
    const piece = newPiece('chair-seat');
    const plan = planPiece(piece, {}, QUICK);
    const [cover] = read(answerLine(sizesOf(plan, piece, {}), 'in'));
    expect(cover).toMatch(/^Cover \d+( \d+\/\d+)?" × \d+( \d+\/\d+)?"$/);
  });
});
