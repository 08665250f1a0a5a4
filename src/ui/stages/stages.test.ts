import { describe, expect, it } from 'vitest';
import { newChairSeat } from '@/core/piece';
import { PLAN_PARTS } from '@/core/plan';
import { SIZE_GROUPS } from '@/core/sizes';
import { partsOf } from '@/ui/sheet/viewer';
import { STAGES, stageOf } from '.';

describe('a stage', () => {
  it('is found by its id, and anything else begins at the base', () => {
    for (const stage of STAGES) expect(stageOf(stage.id)).toBe(stage);
    expect(stageOf('dance').id).toBe('base');
    expect(new Set(STAGES.map(({ id }) => id)).size).toBe(STAGES.length);
  });

  it('says what it still lacks', () => {
    const whole = newChairSeat();
    expect(STAGES.map((stage) => stage.lacking(whole)).filter(Boolean)).toEqual([]);
    const bare = { ...whole, pads: [], cloth: { ...whole.cloth, name: ' ' } };
    expect(stageOf('build').lacking(bare)).toBe('no main pad');
    expect(stageOf('sit').lacking(bare)).toBe('nothing to sit on');
    expect(stageOf('cover').lacking(bare)).toBe('no cloth named');
    expect(stageOf('bench').lacking(bare)).toBe('build it first');
  });

  it('looks only at what it shows: what is folded away is not asked for until it is opened', () => {
    expect(partsOf(stageOf('build'), [])).toEqual([]);
    expect(partsOf(stageOf('build'), ['Buy'])).toEqual(['cover', 'cut', 'fixing']);
    expect(partsOf(stageOf('cover'), [])).toEqual(['cover']);
    for (const stage of STAGES)
      expect(PLAN_PARTS).toEqual(
        expect.arrayContaining(
          partsOf(
            stage,
            SIZE_GROUPS.map(({ id }) => id),
          ),
        ),
      );
  });
});
