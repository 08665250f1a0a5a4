import { describe, expect, it } from 'vitest';
import { newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { sizesOf } from '../sizes';
import { QUICK } from '../../testing/quick';

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const onBoard = (kind: 'headboard' | 'chair-seat', material: string, thickness: number, more: Partial<Piece['covering']> = {}): Piece => {
  const piece = newPiece(kind);
  return { ...piece, base: { ...piece.base, board: { material, thickness } }, covering: { ...piece.covering, ...more } };
};
/** Whatever a plan says of staples: in its steps, among its goods, behind its board. */
function staplesIn(piece: Piece): string[] {
  const plan = planned(piece);
  return [
    // What could be chosen instead may name them: a batten to staple into.
    ...plan.steps
      .filter(({ key, detail }) => key !== 'unheld' && /\bstaples?\b/i.test(detail.replace(/no staple holds[^.]*/gi, '')))
      .map(({ name }) => name),
    ...sizesOf(plan, piece, {}).flatMap(({ key, ware, value }) =>
      ware && ware !== 'laid' && ware.kind === 'staple' && value > 0 ? [key] : [],
    ),
    ...(plan.fixing.order.length > 0 && plan.fixing.fastener.id === 'staples' ? ['order'] : []),
  ];
}

describe('where nothing holds a staple', () => {
  it('foam board is glued by itself: wadding, liner, cover and dust cover, and no staple is told or bought', () => {
    const piece = onBoard('headboard', 'foam-board', 19, { liner: true });
    expect(staplesIn(piece)).toEqual([]);
    const { steps, warnings, fixing } = planned(piece);
    expect(fixing.fastener.id).toBe('glue');
    expect(warnings.map(({ code }) => code)).not.toContain('board-holds-no-staple');
    for (const key of ['wadding', 'lay-liner', 'dust']) expect(steps.find((step) => step.key === key)!.detail, key).toMatch(/[Gg]lue/);
    // And it is bought: along the rows of wadding, liner and dust cover, a finger's breadth on both faces.
    const glue = (of: Piece): number => sizesOf(planned(of), of, {}).find(({ key }) => key === 'glue')!.value;
    const { perimeter } = planned(piece).outline;
    const more = glue(piece) - glue(onBoard('headboard', 'plywood', 19, { liner: true, held: 'glue' }));
    expect(more).toBeGreaterThan(3 * 2 * 20 * perimeter * 0.9);
    expect(more).toBeLessThan(3 * 2 * 25 * perimeter);
    // Contact glue: nothing is laid before both faces are coated and tacky.
    expect(steps.find(({ detail }) => /coat cloth and base both/.test(detail))).toBeDefined();
  });

  it('a board too thin for any leg: no staples in its steps nor among its goods, and what holds instead', () => {
    const piece = onBoard('chair-seat', 'plywood', 3);
    expect(staplesIn(piece)).toEqual([]);
    const { steps, warnings } = planned(piece);
    expect(steps.find(({ key }) => key === 'unheld')!.detail).toMatch(
      /Next best: a batten behind the edge.*, or glue\. Choose it on Cover/,
    );
    expect(warnings.map(({ code }) => code)).toContain('staple-leg');
    // With glue chosen its steps stand there.
    expect(planned(onBoard('chair-seat', 'plywood', 3, { held: 'glue' })).steps.map(({ key }) => key)).not.toContain('unheld');
  });

  it('a board of usual thickness is stapled, every layer with its own: a liner costs staples and minutes', () => {
    const [bare, lined] = [planned(onBoard('chair-seat', 'plywood', 12)), planned(onBoard('chair-seat', 'plywood', 12, { liner: true }))];
    // Round 1.7 m, twice as far apart as the cover's 22 mm.
    expect(lined.fixing.count - bare.fixing.count).toBe(Math.ceil(lined.outline.perimeter / 44));
    const minutes = ({ steps }: Plan): number => steps.reduce((sum, step) => sum + step.minutes, 0);
    expect(minutes(lined)).toBeGreaterThan(minutes(bare) + 2);
  });
});

describe('a loose cushion with buttons', () => {
  it('is buttoned once it is filled and closed', () => {
    const cushion = newPiece('seat-cushion');
    const buttons = { size: 22, columns: 2, rows: 2, spacing: 200, depth: 10 };
    const keys = planned({ ...cushion, covering: { way: 'block', buttons } }).steps.map(({ key }) => key);
    expect(keys.indexOf('buttons')).toBeGreaterThan(keys.indexOf('stuff'));
    expect(keys.indexOf('buttons')).toBeGreaterThan(keys.indexOf('close'));
  });
});
