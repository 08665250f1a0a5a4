import { describe, expect, it } from 'vitest';
import { CHAIR_PARTS, KINDS, newPiece, STRIP_KINDS, type Notch, type Piece } from '../piece';
import { inspectPlan } from '../inspection';
import { planPiece } from '../plan';
import { NO_STRIP } from '../strip';
import { QUICK } from '../../testing/quick';

const steps = (piece: Piece) => planPiece(piece, {}, QUICK).steps;
const keysOf = (piece: Piece): string[] => steps(piece).map(({ key }) => key);
const notched = (kind: Piece['kind'], ...notches: Notch[]): Piece => {
  const start = newPiece(kind);
  return { ...start, base: { ...start.base, notches } };
};
const post = (name: string): Notch => ({ id: name.replace(' ', '-'), at: { kind: 'corner', name }, width: 45, depth: 40 });
const rail: Notch = { id: 'n-1', at: { kind: 'edge', name: 'back', along: 0 }, width: 60, depth: 50 };

describe('what is cut into', () => {
  it('inside corners are cut once the cloth is tacked and before anything is fastened beside them', () => {
    const piece = notched('chair-seat', post('back left'), post('back right'));
    const keys = keysOf(piece);
    expect(keys.indexOf('cut-in')).toBeGreaterThan(keys.indexOf('tack'));
    expect(keys.indexOf('cut-in')).toBeLessThan(keys.indexOf('staple'));
    const all = steps(piece);
    expect(all.find(({ key }) => key === 'cut-in')!.detail).toMatch(/stop 12 mm short of the board’s edge/);
    // It is in one step alone: the corners that are folded are the others.
    expect(all.find(({ key }) => key === 'corners')!.detail).not.toMatch(/inside/i);
  });

  it.each(['staples', 'tacks', 'clips', 'cord', 'glue'] as const)('before them too where the cover is held by %s', (holds) => {
    const piece = notched('chair-seat', post('back left'), post('back right'));
    const keys = keysOf({ ...piece, covering: { ...piece.covering, held: holds } });
    const fastened = keys.indexOf(holds === 'staples' ? 'staple' : holds);
    expect(fastened).toBeGreaterThan(0);
    expect(keys.indexOf('cut-in')).toBeGreaterThan(0);
    expect(keys.indexOf('cut-in')).toBeLessThan(fastened);
  });

  it('a Y-cut at a post says where it stops, in a frame after the cloth is pushed through it', () => {
    const chair = steps(notched('chair-seat', rail));
    expect(chair.find(({ key }) => key === 'cut-in')!.detail).toMatch(/Notch 1, a Y-cut: .* mm short of what is seen/);
    const tight = steps(notched('tight-seat', rail));
    const keys = tight.map(({ key }) => key);
    expect(keys.indexOf('push-through')).toBeLessThan(keys.indexOf('tack'));
    expect(keys.indexOf('cut-in')).toBeGreaterThan(keys.indexOf('tack'));
    expect(keys.indexOf('cut-in')).toBeLessThan(keys.indexOf('staple'));
    expect(tight.find(({ key }) => key === 'cut-in')!.detail).toMatch(
      /to 25 mm short of the post, then from there an arm to each of the post’s corners.*Try it on the layer below/s,
    );
  });

  it('a plain outline is cut into nowhere', () => {
    for (const { id } of KINDS) expect(keysOf(newPiece(id)), id).not.toContain('cut-in');
  });
});

describe('the dust cover of a chair that is stripped in parts', () => {
  it('is one, after every other part', () => {
    const [item] = STRIP_KINDS.filter(({ id }) => id === 'dust');
    const [cloth] = STRIP_KINDS.filter(({ id }) => id === 'cover');
    const off = (part: (typeof CHAIR_PARTS)[number]['id'], what: string) => ({
      ...{ id: `s-${part}`, what, name: part, count: 1, crown: 0, leg: 0, thickness: 0, where: '', again: 'replace', photos: [], part },
    });
    const strip = {
      ...NO_STRIP,
      part: 'deck',
      items: [off('below', item!.id), off('outside-back', cloth!.id), off('inside-back', cloth!.id), off('deck', cloth!.id)],
    } as unknown as NonNullable<Piece['strip']>;
    const keys = keysOf({ ...newPiece('tight-seat'), strip });
    expect(keys.filter((key) => key === 'dust' || key === 'part-below')).toEqual(['dust']);
    expect(keys.indexOf('dust')).toBeGreaterThan(keys.indexOf('part-outside-back'));
    expect(keys.indexOf('dust')).toBeGreaterThan(keys.indexOf('part-inside-back'));
  });
});

it('what is said of a Y-cut is what is drawn of it', () => {
  const post = notched('tight-seat', rail);
  const { cover, outline } = planPiece(post, {}, QUICK);
  const [cut] = cover.yCuts;
  const floor = outline.depth / 2 - rail.depth;
  expect(cut!.stem[1][1] - floor).toBeCloseTo(25, 1);
  for (const [, tip] of cut!.arms) {
    expect(tip[1] - floor).toBeCloseTo(0, 1);
    // At the post's corners, turned under within it.
    expect(rail.width / 2 - Math.abs(tip[0])).toBeLessThanOrEqual(10);
  }
});

it('a deck with a post through it is planned and passes inspection, whatever the post', () => {
  for (const [width, depth] of [
    [60, 50],
    [35, 30],
    [90, 70],
  ] as const)
    for (const name of ['back', 'left', 'front']) {
      const piece = notched('tight-seat', { ...rail, at: { kind: 'edge', name, along: 0 }, width, depth });
      expect(inspectPlan({ plan: planPiece(piece, {}, QUICK) }), `${name} ${width} × ${depth}`).toEqual([]);
    }
});
