import { describe, expect, it } from 'vitest';
import { problemsOf } from '../document';
import { firstPocket, freeId, newChairSeat, PAD_ROLES, withCrown, withPad, type Piece } from '.';
import { PAD_RIMS, rimOf } from '../pad-rims';

const chair = newChairSeat();
const wrong = (change: Partial<Piece>): unknown[] => problemsOf({ ...chair, ...change });

describe('dragging the crown', () => {
  it('changes the crown pad, makes one where there is none, and takes it away at nothing', () => {
    const { pads } = chair;
    expect(withCrown(pads, 30).map((pad) => pad.thickness)).toEqual([30, 50]);
    expect(withCrown(pads, 0).map((pad) => pad.role)).toEqual(['main']);
    const flat = withCrown(pads, 0);
    expect(withCrown(flat, 0)).toEqual(flat);
    expect(withCrown(flat, 12).map((pad) => [pad.role, pad.thickness])).toEqual([
      ['crown', 12],
      ['main', 50],
    ]);
    expect(pads[0]!.thickness).toBe(20);
  });
});

describe('one more pad', () => {
  it.each(PAD_ROLES.map(({ id }) => id))('%s: has a free name, lies in its place, and can be built at once', (role) => {
    const pads = withPad(withPad(chair.pads, role), role);
    expect(new Set(pads.map(({ id }) => id)).size).toBe(pads.length);
    expect(wrong({ pads })).toEqual([]);
    const crowns = pads.map(({ role: text }) => text === 'crown');
    // Every crown pad lies under everything else.
    expect(crowns.lastIndexOf(true)).toBeLessThan(crowns.indexOf(false));
  });

  it('a free name is numbered only where it must be', () => {
    expect(freeId([], 'main', false)).toBe('main');
    expect(freeId([{ id: 'main' }], 'main', false)).toBe('main-2');
    expect(freeId([{ id: 'n-1' }, { id: 'n-3' }], 'n')).toBe('n-2');
  });
});

describe('a rim of another kind', () => {
  it.each(PAD_RIMS.map(({ id }) => id))('%s: starts with a width it can have, on a thin pad too', (kind) => {
    for (const thickness of [8, 50]) {
      const edge = rimOf({ kind }).first(thickness);
      expect(edge.kind).toBe(kind);
      expect(wrong({ pads: [{ ...chair.pads[1]!, thickness, edge }] })).toEqual([]);
    }
    expect(rimOf({ kind: 'rounded' }).first(8)).toEqual({ kind: 'rounded', width: 8 });
  });
});

describe('a pocket', () => {
  it('starts at most half the pad deep, on the board', () => {
    expect(firstPocket(20).deep).toBe(10);
    expect(firstPocket(80).deep).toBe(15);
    expect(wrong({ pads: [{ ...chair.pads[1]!, pocket: firstPocket(50) }] })).toEqual([]);
  });
});
