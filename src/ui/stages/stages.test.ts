import { describe, expect, it } from 'vitest';
import { newChairSeat } from '@/core/piece';
import { NO_STRIP } from '@/core/strip';
import { PLAN_PARTS } from '@/core/plan';
import { SIZE_GROUPS } from '@/core/sizes';
import { partsOf } from '@/ui/sheet/viewer';
import { stageView } from '@/ui/sheet/stage';
import { placeOf, STAGES, stageOf, stagesFor } from '.';

describe('a stage', () => {
  it('is found by its id, by what it was called before, and anything else begins at the board', () => {
    for (const stage of STAGES) expect(stageOf(stage.id)).toBe(stage);
    expect(stageOf('dance').id).toBe('board');
    expect(new Set(STAGES.map(({ id }) => id)).size).toBe(STAGES.length);
    const places = ['base', 'build', 'sit', 'fix', 'sizes'].map((id) => placeOf(id)).map(({ stage, view }) => `${stage.id} ${view}`);
    expect(places).toEqual(['board plan', 'padding plan', 'padding sit', 'bench order', 'board plan']);
    expect(placeOf('cover', 'pieces').view).toBe('pieces');
    expect(placeOf('cover', 'nonsense').view).toBe('plan');
  });

  it('is left out where the piece has none of it: a new board shows no Strip', () => {
    const whole = newChairSeat();
    expect(stagesFor(whole).map(({ name }) => name)).toEqual(['Board', 'Padding', 'Cover', 'Cut', 'Bench']);
    expect(stagesFor(whole, 'strip').map(({ name }) => name)[0]).toBe('Strip');
    expect(stagesFor({ ...whole, strip: NO_STRIP })[0]!.name).toBe('Strip');
  });

  it('differs in a view by what that view says, and by nothing else', () => {
    const padding = stageOf('padding');
    expect(stageView(padding, 'sit')).toMatchObject({ sitter: true, Panel: padding.Panel, parts: padding.parts });
    expect(stageView(padding, 'plan').sitter).toBeUndefined();
    expect(stageView(stageOf('bench'), 'order').drawing).toBeDefined();
    expect(stageView(stageOf('bench'), 'plan').drawing).toBeUndefined();
  });

  it('says what it still lacks', () => {
    const whole = newChairSeat();
    expect(STAGES.map((stage) => stage.lacking(whole)).filter(Boolean)).toEqual([]);
    const bare = { ...whole, pads: [], cloth: { ...whole.cloth, name: ' ' } };
    expect(stageOf('padding').lacking(bare)).toBe('no main pad');
    expect(stageOf('cover').lacking(bare)).toBe('no cloth named');
    expect(stageOf('bench').lacking(bare)).toBe('add a main pad first');
  });

  it('looks only at what it shows: what is folded away is not asked for until it is opened', () => {
    expect(partsOf(stageOf('padding'), [])).toEqual([]);
    expect(partsOf(stageOf('padding'), ['Buy'])).toEqual(['cover', 'cut', 'fixing']);
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
