import { describe, expect, it } from 'vitest';
import { newChairSeat } from '../core/piece';
import { setTick, ticksDone } from './bench';
import { houseMark, keepLook, keptLook, widestLook } from './looks';
import { createPiece } from './pieces';
import { eachInItsOwn } from '../testing/workshop';

const at = eachInItsOwn();

describe('looks', () => {
  it('are kept with their revision and rules, and an older one never replaces a newer', () => {
    const { id: pieceId } = createPiece(at.db, { ...newChairSeat(), name: 'A' });
    const house = houseMark({ return: 20, grip: 40 });
    expect(houseMark({ grip: 40, return: 20 })).toBe(house);
    expect(houseMark({ grip: 41, return: 20 })).not.toBe(house);
    keepLook(at.db, { pieceId, revision: 2, house, json: '"two"', span: 480 });
    keepLook(at.db, { pieceId, revision: 1, house, json: '"one"', span: 900 });
    expect(keptLook(at.db, pieceId, 2, house)).toBe('"two"');
    expect(keptLook(at.db, pieceId, 1, house)).toBeNull();
    expect(widestLook(at.db)).toBe(480);
    setTick(at.db, pieceId, { unit: 2, step: 'foam' }, true);
    setTick(at.db, pieceId, { unit: 1, step: 'foam' }, true);
    expect(ticksDone(at.db, pieceId)).toEqual([{ step: 'foam', units: [1, 2] }]);
    expect(ticksDone(at.db, 'other')).toEqual([]);
  });
});
