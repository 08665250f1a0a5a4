import { describe, expect, it } from 'vitest';
import { checkPiece, newChairSeat, STARTING_SHAPES } from '@/core/piece';
import { withCrown } from './section-drawing';
import { reshape } from '@/ui/base/reshape';
import { lacking, STAGES } from './stages';

describe('dragging the crown', () => {
  const { pads } = newChairSeat();

  it('changes the crown pad, makes one where there is none, and takes it away at nothing', () => {
    expect(withCrown(pads, 30).map((pad) => pad.thickness)).toEqual([30, 50]);
    expect(withCrown(pads, 0).map((pad) => pad.role)).toEqual(['main']);
    const flat = withCrown(pads, 0);
    expect(withCrown(flat, 0)).toEqual(flat);
    expect(withCrown(flat, 12).map((pad) => [pad.role, pad.thickness])).toEqual([
      ['crown', 12],
      ['main', 50],
    ]);
    expect(pads[0]!.thickness).toBe(13);
  });
});

describe('another shape', () => {
  it('keeps what was measured where it still means something, and can always be planned', () => {
    for (const from of Object.values(STARTING_SHAPES)) {
      for (const type of ['rectangle', 'trapezoid', 'round'] as const) {
        const shape = reshape(from, type);
        expect(shape.type).toBe(type);
        expect(checkPiece(newChairSeat(shape))).toEqual([]);
      }
    }
    expect(reshape(STARTING_SHAPES.trapezoid, 'rectangle')).toMatchObject({ width: 450, depth: 420 });
    expect(reshape(STARTING_SHAPES.rectangle, 'rectangle')).toBe(STARTING_SHAPES.rectangle);
  });
});

describe('a stage', () => {
  it('says what it still lacks', () => {
    const whole = newChairSeat();
    expect(STAGES.map((stage) => lacking(stage, whole)).filter(Boolean)).toEqual([]);
    const bare = { ...whole, pads: [], cloth: { ...whole.cloth, name: ' ' } };
    expect(lacking('build', bare)).toBe('no main pad');
    expect(lacking('cover', bare)).toBe('no cloth named');
    expect(lacking('bench', bare)).toBe('build it first');
  });
});
