import { mm, type Check, type Found } from '../finding';
import { isBought } from '../parts';

export const STEPS: Check = {
  id: 'steps',
  holds: 'every part has its step, and nothing comes before what it waits for',
  needs: ['cover', 'cut', 'run'],
  find: ({ plan: { steps, wadding, dustCover, cover, foam, fixing, cut } }) => {
    if (!steps || !cover) return [];
    const found: Found[] = [];
    const done = new Set<string>();
    for (const { key, name, after, minutes } of steps) {
      if (done.has(key)) found.push({ part: name, place: `step “${key}”`, by: null, says: `The step “${name}” is there twice` });
      for (const before of after)
        if (!done.has(before))
          found.push({
            part: name,
            place: `step “${key}”`,
            by: null,
            says: `The step “${name}” comes before “${before}”, which it waits for`,
          });
      if (!(minutes >= 1)) found.push({ part: name, place: `step “${key}”`, by: null, says: `The step “${name}” takes no time` });
      done.add(key);
    }
    const uses = new Set<string>(steps.flatMap((step) => step.uses ?? []));
    const needs = (part: string, kind: string, is: boolean): void => {
      if (is && !uses.has(kind)) found.push({ part, place: 'run sheet', by: null, says: `${part} is cut, and no step uses it` });
    };
    const isNew = (part: { name: string } | null | undefined): boolean => Boolean(part) && !cut?.goesBack.includes(part!.name);
    needs('The wadding', 'wadding', isNew(wadding));
    needs('The dust cover', 'dust', isNew(dustCover));
    needs(
      'The cover',
      'cloth',
      cover.pieces.some((part) => part.cloth === 'cover' && isNew(part)),
    );
    needs('The foam', 'foam', foam.some(isBought));
    for (const { name, ware, count } of fixing?.fasteners ?? []) needs(name, ware.kind, count > 0);
    for (const [i, { pad, thickness, insertOf }] of foam.entries()) {
      // Where nothing holds the cover it is closed all round, and the lowest pad is what the others are laid on.
      const lowest = i === 0 && fixing?.fasteners.length === 0;
      if (insertOf !== null || lowest || steps.some(({ sees }) => sees?.pad === pad)) continue;
      found.push({
        part: `Foam “${pad}”`,
        place: 'run sheet',
        by: null,
        says: `Foam “${pad}”, ${mm(thickness)}, is cut, and no step lays it`,
      });
    }
    return found;
  },
};
