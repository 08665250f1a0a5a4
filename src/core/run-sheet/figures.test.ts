import { describe, expect, it } from 'vitest';
import { KINDS, newChairSeat, newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';

/** What stands in the steps, held against what is cut: by its outlines, not by the sizes that the words were made from. */
const plan = (piece: Piece): Plan => planPiece(piece, {}, QUICK);
const detail = ({ steps }: Plan, key: string): string => steps.find((step) => step.key === key)!.detail;

/** Every "A × B mm" of some words. */
const sizesIn = (words: string): [number, number][] => [...words.matchAll(/(\d+) × (\d+) mm/g)].map(([, a, b]) => [Number(a), Number(b)]);
/** How far a line goes across and along, to the millimetre. */
const spanOf = (outline: readonly (readonly [number, number])[]): [number, number] =>
  [0, 1].map((axis) => {
    const all = outline.map((point) => point[axis]!);
    return Math.round(Math.max(...all) - Math.min(...all));
  }) as [number, number];

describe('every size that is cut stands in its step', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s', (kind) => {
    const item = plan(newPiece(kind));
    expect(sizesIn(detail(item, 'cloth'))).toEqual(item.cover.pieces.map(({ outline }) => spanOf(outline)));
    if (item.wadding) expect(sizesIn(detail(item, 'wadding'))[0]).toEqual(spanOf(item.wadding.outline));
    if (item.dustCover && item.steps.some(({ key }) => key === 'dust'))
      expect(sizesIn(detail(item, 'dust'))[0]).toEqual(spanOf(item.dustCover.outline));
    for (const lining of item.cover.linings) {
      const step = item.steps.find(({ key }) => key === `lay-${lining.material}`);
      if (step) expect(sizesIn(step.detail)[0]).toEqual(spanOf(lining.outline));
    }
  });

  it('a cushion has two panels, and as many loops as it hangs by: all of them are cut', () => {
    const seat = newPiece('corner-seat');
    const cushion = {
      kind: 'cushion',
      id: 'l-1',
      name: 'Back cushion',
      count: 2,
      height: 400,
      length: 450,
      thick: 150,
      zip: true,
      welted: false,
      loops: 3,
    };
    const item = plan({ ...seat, count: 3, loose: [cushion] } as Piece);
    const words = detail(item, 'cloth');
    // Two cushions on each of the set.
    expect(words).toContain('4 of back cushion, panel ');
    expect(words).toContain('6 of back cushion, loop ');
    const cut = item.cover.pieces.reduce((sum, { count }) => sum + count, 0);
    expect(words).toMatch(new RegExp(`^${cut / 3} pieces: `));
    const bare = plan({ ...seat, count: 3 });
    expect(item.steps.find(({ key }) => key === 'cloth')!.minutes).toBeGreaterThan(
      bare.steps.find(({ key }) => key === 'cloth')!.minutes + 20,
    );
  });

  it('along the grain is said as the piece stands: up a headboard, from front to back of a seat', () => {
    expect(detail(plan(newPiece('headboard')), 'cloth')).toContain('its grain from bottom to top');
    expect(detail(plan(newChairSeat()), 'cloth')).toContain('its grain from front to back');
  });
});

describe('a corner is told as it is made', () => {
  const corner = (item: Plan): string => detail(item, 'corners');

  it('how far from it both sides end, what is eased, how deep the tucks are, each corner its own', () => {
    const item = plan(newChairSeat());
    const words = corner(item);
    expect(words).toMatch(/^All 4, 2 tucks: Fasten both sides to 50 mm from the corner\./);
    for (const { edge, depth, eased, fullness } of item.corners) {
      const name = edge.replace(' corner', '');
      for (const mm of [depth, eased]) expect(words).toMatch(new RegExp(`${Math.round(mm)} mm \\([^)]*${name}`));
      // Two tucks take up what does not ease, twice their depth each.
      expect(Math.round(depth) * 4 + Math.round(eased)).toBeGreaterThan(fullness - 4);
      expect(Math.round(depth) * 4 + Math.round(eased)).toBeLessThan(fullness + 4);
    }
    expect(words).not.toMatch(/\d\.\d/);
  });

  it('corners alike are said once; those of two sorts each by their names', () => {
    const square = plan(newPiece('bench'));
    expect(corner(square).match(/parcel fold:/g)).toHaveLength(1);
    expect(corner(square)).toMatch(/down the corner’s edge, \d+ mm deep\. Fold left corners to the left/);
    const board = plan(newPiece('headboard-nailed'));
    expect(corner(board)).toMatch(/^Bottom right, bottom left, parcel fold: .*\n.* 2 tucks: /);
    // Cloth is cut into before it is fastened beside the cut: once stapled, it cannot be any more.
    const keys = board.steps.map(({ key }) => key);
    expect(board.steps.find(({ key }) => key === 'relief-cuts')!.detail).toMatch(/^\d+ relief cuts as drawn/);
    expect(keys.indexOf('relief-cuts')).toBeGreaterThan(keys.indexOf('tack'));
    expect(keys.indexOf('relief-cuts')).toBeLessThan(keys.indexOf('staple'));
    const bordered = newPiece('headboard');
    expect(corner(plan(bordered))).toMatch(/bottom right.*top right/);
    expect(corner(plan(bordered))).not.toMatch(/front|back/);
  });

  it.each<[NonNullable<Piece['covering']['held']>, RegExp, RegExp]>([
    ['staples', /set one staple\. .* A staple in each as it is laid/, /set one tack|hold it there/],
    ['tacks', /set one tack\. .* A tack in each as it is laid/, /staple/],
    ['screws', /set one screw\. .* A screw in each as it is laid/, /staple/],
    ['cord', /hold it there\. .* Hold each as it is laid/, /staple|a cord in/],
    ['glue', /hold it there\. .* Hold each as it is laid/, /staple|a hand/],
  ])('with what holds the cover: %s', (holdId, says, never) => {
    const start = newChairSeat();
    const words = corner(plan({ ...start, covering: { ...start.covering, held: holdId } }));
    expect(words).toMatch(says);
    expect(words).not.toMatch(never);
  });

  it('thick cloth is cut away to 12 mm from the edge; a notch is cut into to 12 mm short of it', () => {
    const start = newPiece('chair-seat', { type: 'rectangle', width: 450, depth: 420, cornerRadius: { front: 0, back: 0 } });
    const thick = plan({ ...start, cloth: { ...start.cloth, thickness: 1.8 } });
    expect(corner(thick)).toMatch(/All 4, bulk cut away: .*12 mm short of the board’s edge; leave the tail of 25 mm/);
    expect(thick.steps.find(({ key }) => key === 'corners')!.caution).toMatch(/Shears/);
  });
});

describe('buttons', () => {
  const buttoned = (piece: Piece, grid: Partial<NonNullable<Piece['covering']['buttons']>> = {}): Plan =>
    plan({
      ...piece,
      covering: { ...piece.covering, way: 'buttoned', buttons: { columns: 3, rows: 2, spacing: 110, depth: 12, size: 22, ...grid } },
    });
  const keys = ({ steps }: Plan): string[] => steps.map(({ key }) => key);

  it('are drilled for where they lie, found from the centre lines', () => {
    const item = buttoned(newChairSeat());
    const words = detail(item, 'button-holes');
    const { places } = item.cover.buttons!;
    // Farthest out of all, by the places themselves.
    const [out, far] = [Math.max(...places.map(({ x }) => Math.abs(x))), Math.max(...places.map(({ y }) => Math.abs(y)))];
    expect(words).toContain(`${places.length} holes of 8 mm`);
    expect(words).toContain(`the outermost ${out} mm left and right of it, the outermost ${far} mm before and behind it`);
    expect(detail(item, 'buttons')).toMatch(/each through its hole\. Needle 1\d\d mm or longer/);
    expect(detail(item, 'button-cover')).toContain('6 of 22 mm: rounds of 44 mm');
    expect(detail(buttoned(newPiece('headboard'), { columns: 5 }), 'button-holes')).toMatch(/5 across and 2 deep.* below and above it/);
    expect(detail(buttoned(newChairSeat(), { rows: 1, columns: 1 }), 'button-holes')).toMatch(
      /^1 holes? of 8 mm right through, on the crossing of the centre lines\./,
    );
    expect(detail(buttoned(newChairSeat(), { rows: 1 }), 'button-holes')).toMatch(
      /3 in a row, 110 mm apart.*\(the outermost 110 mm left and right of it\)/,
    );
  });

  it('a well is cut for a deep one, not for one that only dents the foam', () => {
    expect(keys(buttoned(newChairSeat()))).not.toContain('button-wells');
    expect(detail(buttoned(newChairSeat(), { depth: 24 }), 'button-wells')).toMatch(/well of 25 mm across and 24 mm deep/);
  });

  it('where there is no board nothing is drilled: they are set out where they are drawn in', () => {
    const chair = newChairSeat();
    const webbed: Piece = {
      ...chair,
      base: { ...chair.base, board: { ...chair.base.board, material: 'webbing' }, deck: { kind: 'jute', give: 30, rail: 40 } },
    };
    const item = buttoned(webbed);
    expect(keys(item)).not.toContain('button-holes');
    expect(detail(item, 'buttons')).toContain('3 across and 2 deep, 110 mm apart');
    // No needle comes up through a hole that nobody drilled.
    const deep = detail(buttoned(webbed, { depth: 24 }), 'button-wells');
    expect(deep).toMatch(/^Set them out: 3 across and 2 deep, 110 mm apart/);
    expect(deep).not.toMatch(/hole/);
    const block = newPiece('block-seat');
    const loose = plan({ ...block, covering: { ...block.covering, buttons: { columns: 2, rows: 1, spacing: 200, depth: 15, size: 30 } } });
    expect(keys(loose)).not.toContain('button-holes');
    expect(detail(loose, 'buttons')).toContain('a second button or a loop below');
  });
});
