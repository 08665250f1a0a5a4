import { describe, expect, it } from 'vitest';
import { CHAIR_PARTS, newPiece, type ChairPart, type Piece, type StripItem, type StripRecord } from '../piece';
import { planPiece } from '../plan';
import { stripItem } from '../../testing/strip-item';
import { inTurn, NO_STRIP, otherParts, outOfTurn, partComes, reassembly } from '.';
import { QUICK } from '../../testing/quick';

const item = (id: string, part: ChairPart | null): StripItem => stripItem(id, { part });
const record = (part: ChairPart | null, items: StripItem[]): StripRecord => ({ ...NO_STRIP, part, items });
/** As a chair is taken apart: from the outside in. */
const off = ['below', 'trim', 'outside-back', 'outside-arms', 'inside-back', 'inside-arms', 'deck'] as const;
const chair = (id: ChairPart): StripRecord =>
  record(
    id,
    off.map((part) => item(`the ${part}`, part === id ? null : part)),
  );

describe('a strip over several parts of one chair', () => {
  it('goes back on from the deck outwards, as the trade has it', () => {
    expect(reassembly(chair('inside-back')).map(({ part }) => part)).toEqual([...off].reverse());
    // The trade's order: deck, inside arms, inside back, outsides, trim.
    const ids = CHAIR_PARTS.map(({ id }) => id);
    for (const [before, after] of [
      ['deck', 'inside-arms'],
      ['inside-arms', 'inside-back'],
      ['inside-back', 'outside-arms'],
      ['outside-arms', 'outside-back'],
      ['outside-back', 'trim'],
    ] as const)
      expect(ids.indexOf(before)).toBeLessThan(ids.indexOf(after));
  });

  it('put down the wrong way round it says so, and puts itself in order; within a part nothing is moved', () => {
    const wrong = record('deck', [
      item('deck cover', null),
      item('deck foam', null),
      item('arm', 'inside-arms'),
      item('back', 'outside-back'),
      item('back tacks', 'outside-back'),
    ]);
    expect(outOfTurn(wrong)[0]!.words).toBe('Take the inside arms off before the deck');
    const right = inTurn(wrong);
    expect(right.map(({ id }) => id)).toEqual(['back', 'back tacks', 'arm', 'deck cover', 'deck foam']);
    expect(outOfTurn({ ...wrong, items: right })).toEqual([]);
    expect(outOfTurn(chair('deck'))).toEqual([]);
  });

  it('of a piece by itself is what it was: no parts, nothing out of turn', () => {
    const alone = record(null, [item('a', 'trim'), item('b', null)]);
    expect([outOfTurn(alone), otherParts(alone), reassembly(alone).map(({ item: entry }) => entry.id)]).toEqual([[], [], ['b', 'a']]);
    expect(partComes(alone, 'deck')).toBe('itself');
  });

  it.each(['deck', 'inside-back', 'outside-back'] as const)('stands in the run sheet round the work on the %s', (name) => {
    const piece: Piece = { ...newPiece('tight-seat'), strip: chair(name) };
    const { steps } = planPiece(piece, {}, QUICK);
    const keys = steps.map(({ key }) => key);
    const order = CHAIR_PARTS.map(({ id }) => id);
    const fasten = keys.findIndex((key) => key === 'staple' || key === 'tack');
    expect(fasten).toBeGreaterThan(0);
    for (const part of off) {
      const at = keys.indexOf(`part-${part}`);
      if (part === name) expect(at).toBe(-1);
      else if (order.indexOf(part) < order.indexOf(name)) expect(at).toBeLessThan(fasten);
      else expect(at).toBeGreaterThan(fasten);
      if (part !== name) expect(at).toBeGreaterThan(keys.indexOf('strip'));
    }
    const parts = keys.filter((key) => key.startsWith('part-')).map((key) => order.indexOf(key.slice(5) as ChairPart));
    expect(parts).toEqual([...parts].sort((a, b) => a - b));
    // Nothing is trimmed that a neighbour is still to cover, and it is said when it may be.
    const trim = steps.find(({ key }) => key === 'trim');
    if (trim) expect(trim.detail).toMatch(/Not where the cloth of the .* comes into the same rebate/);
    const after = steps.filter(({ key }) => key.startsWith('part-') && order.indexOf(key.slice(5) as ChairPart) > order.indexOf(name));
    expect(after[0]!.detail).toMatch(/trimmed with it now/);
    expect(after.slice(1).every(({ detail }) => !detail.includes('trimmed with it'))).toBe(true);
    expect(steps.find(({ key }) => key === 'strip')!.detail).toMatch(/^dust cover: the below, trim and nails: the trim, outside back:/);
  });
});
