import { describe, expect, it } from 'vitest';
import { KINDS, newChairSeat, newPiece, type Piece } from '../core/piece';
import { planPiece } from '../core/plan';
import { addLogEntry, setTick } from '../data/bench';
import { houseMark, keepLook } from '../data/looks';
import { createPiece, removePiece, savePiece } from '../data/pieces';
import { setHouseRule } from '../data/settings';
import { eachInItsOwn } from '../testing/workshop';
import { floorView } from './floor';
import { look } from './planning/thread';
import { thisWeek } from '../testing/runs';

const workshop = eachInItsOwn();

/** Puts a piece on the floor and looks at it, as the planning threads do. */
function place(piece: Piece, house = {}): string {
  const record = createPiece(workshop.db, piece);
  const seen = look({ piece, house });
  keepLook(workshop.db, {
    pieceId: record.id,
    revision: record.revision,
    house: houseMark(house),
    json: JSON.stringify(seen),
    span: seen.size.width,
  });
  return record.id;
}

const rowOf = (id: string) => floorView(workshop.db).rows.find((row) => row.id === id)!;

describe('a row of the floor', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('of a %s says what its own plan says: steps, size, section', (kind) => {
    const piece = newPiece(kind);
    const plan = planPiece(piece, {}, { sits: false });
    const row = rowOf(place(piece));
    expect(row.of).toBe(plan.steps.length * piece.count);
    expect(row.done).toBe(0);
    expect(row.step).toBe(plan.steps[0]!.name);
    expect(row.look!.size.width).toBe(Math.round(plan.outline.width));
    expect(row.look!.section!.cover.length).toBeGreaterThan(4);
    expect(row.lacks).toBeNull();
  });

  it('names the step in hand: the first that is not done on every one of the set', () => {
    const piece = { ...newChairSeat(), count: 3 };
    const id = place(piece);
    const steps = planPiece(piece, {}, { sits: false }).steps;
    for (const unit of [1, 2, 3]) setTick(workshop.db, id, { unit, step: steps[0]!.key }, true);
    expect(rowOf(id)).toMatchObject({ step: steps[1]!.name, done: 3 });
    setTick(workshop.db, id, { unit: 2, step: steps[0]!.key }, false);
    expect(rowOf(id)).toMatchObject({ step: steps[0]!.name, done: 2 });
  });

  it('of a set that was made smaller counts no ticks of pieces that are gone', () => {
    const piece = { ...newChairSeat(), count: 3 };
    const id = place(piece);
    const [first] = planPiece(piece, {}, { sits: false }).steps;
    for (const unit of [1, 2, 3]) setTick(workshop.db, id, { unit, step: first!.key }, true);
    const smaller = { ...piece, count: 2 };
    savePiece(workshop.db, id, { base: 1, piece: smaller });
    keepLook(workshop.db, {
      pieceId: id,
      revision: 2,
      house: houseMark({}),
      json: JSON.stringify(look({ piece: smaller, house: {} })),
      span: 450,
    });
    expect(rowOf(id)).toMatchObject({ done: 2 });
    expect(rowOf(id).step).not.toBe(first!.name);
  });

  it('is without its picture until it was looked at as it stands, and under the rules as they are', () => {
    const id = createPiece(workshop.db, newChairSeat()).id;
    expect(rowOf(id)).toMatchObject({ look: null, lacks: 'time', of: 0 });
    const seen = place(newChairSeat());
    expect(rowOf(seen).lacks).toBeNull();
    savePiece(workshop.db, seen, { base: 1, piece: { ...newChairSeat(), notes: 'thicker' } });
    expect(rowOf(seen).lacks).toBe('time');
    const other = place(newChairSeat());
    setHouseRule(workshop.db, 'grip', 40);
    expect(rowOf(other).lacks).toBe('time');
  });

  it('carries the serial number of a finished job', () => {
    const id = place(newChairSeat());
    expect(rowOf(id).serial).toBeNull();
    addLogEntry(workshop.db, { pieceId: id, revision: 1, serial: 'L-7', note: '' });
    expect(rowOf(id).serial).toBe('L-7');
  });
});

describe('the floor', () => {
  it('comes in stretches: ten with the page, thirty after, each piece once', () => {
    const ids = Array.from({ length: 45 }, (_, k) => createPiece(workshop.db, { ...newChairSeat(), name: `Seat ${k}` }).id);
    const seen: string[] = [];
    const lengths: number[] = [];
    for (let from: number | null = 0; from !== null;) {
      const stretch = floorView(workshop.db, from);
      seen.push(...stretch.rows.map(({ id }) => id));
      lengths.push(stretch.rows.length);
      from = stretch.next;
    }
    expect(lengths).toEqual([10, 30, 5]);
    expect([...seen].sort()).toEqual([...ids].sort());
    expect(floorView(workshop.db, 1000)).toMatchObject({ rows: [], next: null });
  });

  it('draws all at the scale of the widest that is there, not of one that was taken off', () => {
    place(newPiece('arm-pad'));
    const wide = place(newPiece('headboard'));
    expect(floorView(workshop.db).widest).toBe(1500);
    removePiece(workshop.db, wide);
    expect(floorView(workshop.db).widest).toBe(350);
  });

  it('names what cannot be read and shows the rest', () => {
    const whole = place(newChairSeat());
    const broken = place({ ...newChairSeat(), name: 'Torn' });
    workshop.db.prepare('UPDATE revision SET json = ? WHERE piece_id = ?').run('{"schema":', broken);
    const view = floorView(workshop.db);
    expect(view.rows.map(({ id }) => id)).toEqual([whole]);
    expect(view.broken.map(({ id }) => id)).toEqual([broken]);
  });
});
