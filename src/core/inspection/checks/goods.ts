import { mm, type Check, type Found } from '../finding';

/** A figure that is shown may be off the plan's by its rounding. */
const ROUNDED = 0.02;

/** What comes off a roll is bought as long as it is laid; of cloth that is washed or steamed first so much more at most (a fifth lost). */
const ROLLS = [
  { of: 'cloth', more: 1.25 },
  { of: 'second', more: 1.25 },
  { of: 'lining', more: 1 },
  { of: 'wadding', more: 1 },
  { of: 'dustCover', more: 1 },
  { of: 'film', more: 1 },
  { of: 'waterproof', more: 1 },
  { of: 'backedFoam', more: 1 },
] as const;

/** The base is there before the work begins. */
const THERE = 'board';
/** The step in which it is sawn new. */
const SAWN = 'saw-board';

export const GOODS: Check = {
  id: 'goods',
  holds: 'what is said, laid and bought is the same; what the steps use is bought',
  needs: ['cover', 'cut', 'fixing', 'run'],
  find: ({ plan, sizes }) => {
    const { cover, cut, fixing, steps } = plan;
    if (!cover || !cut || !fixing || !steps || sizes.length === 0) return [];
    const found: Found[] = [];
    for (const { of, more } of ROLLS) {
      const line = sizes.find(({ key }) => key === `${of}.length`);
      const [value, laid] = [line?.value ?? 0, cut[of]?.length ?? 0];
      if (value >= laid - ROUNDED && value <= laid * more + ROUNDED) continue;
      const part = line?.label ?? of;
      found.push({ part, place: 'buy', by: value - laid, says: `${part}: ${mm(value)} are bought, and ${mm(laid)} are laid` });
    }
    const sheets = sizes.find(({ key }) => key === 'foam.sheets');
    if ((sheets?.value ?? 0) !== cut.foam.sheets)
      found.push({
        part: 'Foam',
        place: 'buy',
        by: null,
        says: `${sheets?.value ?? 0} sheets of foam are bought, and ${cut.foam.sheets} are laid`,
      });
    const boards = sizes.find(({ key }) => key === 'board.sheets')?.value ?? 0;
    const sawn = steps.some(({ key }) => key === SAWN);
    if (sawn !== boards > 0 || boards !== (cut.board?.sheets.length ?? 0))
      found.push({
        part: 'Board',
        place: 'buy',
        by: null,
        says: `${boards} sheets of board are bought, and ${sawn ? 'the board is sawn' : 'none is sawn'}`,
      });
    const bought = new Set(sizes.flatMap(({ ware }) => (ware && ware !== 'laid' ? [ware.kind] : [])));
    // What is sewn into an old cover comes back with it.
    const isBack = cut.goesBack.length > 0 ? new Set(['cord', 'zip', 'button', 'thread']) : new Set<string>();
    const isLaid: Record<string, boolean> = {
      cloth: cut.cloth.laid.length > 0,
      wadding: cut.wadding !== null || cut.backedFoam !== null,
      dust: cut.dustCover !== null,
      lining: cut.lining !== null,
      foam: cut.foam.layouts.length > 0,
      film: cut.film !== null,
      waterproof: cut.waterproof !== null,
      board: cut.board !== null,
    };
    for (const { key, name, uses = [] } of steps)
      for (const kind of uses)
        if (kind !== THERE && !bought.has(kind) && !isLaid[kind] && !isBack.has(kind))
          found.push({ part: name, place: `step “${key}”`, by: null, says: `The step “${name}” uses ${kind}, and none is bought` });
    for (const { id, name, ware, toBuy, bulk } of fixing.fasteners)
      if (toBuy > 0 && bulk === null && !bought.has(ware.kind))
        found.push({ part: name, place: id, by: null, says: `${toBuy} of ${name} are used, and none is bought` });
    return found;
  },
};
