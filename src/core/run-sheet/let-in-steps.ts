import type { Model } from '../padding';
import type { Pad, Pocket } from '../piece';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';

/** Carving once over, patching a worn place: minutes. */
const HANDLING = { carvePass: 2, patch: 12 };

/** Where a thing let in has its middle, as a tape finds it. */
function whereLetIn({ x, y }: Pocket): string {
  const from = (mm: number, more: string, less: string): string =>
    Math.abs(mm) < 0.5 ? 'on the middle line' : `${Math.round(Math.abs(mm))} mm ${mm > 0 ? more : less}`;
  return `its middle ${from(x, 'right of the middle', 'left of the middle')}, ${from(y, 'behind the middle', 'before the middle').replace('on the middle line', 'half way back')}`;
}

/** A pocket of a pad: which of how many, from 0. */
type LetIn = { pocket: Pocket; index: number; of: number };

/** Carving one pocket, or patching one worn place, in a pad as it is called. */
export function letInStep(pad: Pad, called: string, { pocket, index, of }: LetIn, rule: Model['rule']): StepDraft {
  const { width, length, deep, blend, sat } = pocket;
  const photos = sat ? [sat.photo] : [];
  const { id } = pad;
  const sees = { in: 'section', pad: id } as const;
  const end = index === 0 ? id : `${id}-${index + 1}`;
  const which = of > 1 ? `, ${index + 1} of ${of}` : '';
  const slope = blend ? `its sides sloping in over ${Math.round(blend)} mm` : null;
  if (pad.kept)
    return step(
      `patch-${end}`,
      `Patch the old ${called}${which}`,
      `Cut the worn place out, ${width} × ${length} mm and ${deep} mm deep, ${whereLetIn(pocket)}, ${slope ?? 'its sides sloping in'}; glue fresh foam in, standing proud; when the glue holds trim it flush and feel over it with the flat hand.`,
      HANDLING.patch,
      { uses: ['foam', 'glue'], caution: CAUTIONS.knife, wait: rule('timeGlueTack'), photos, sees },
    );
  const passes = Math.ceil(deep / rule('carvePass') - 1e-9);
  return step(
    `pocket-${end}`,
    `Carve the pocket in the ${called}${which}`,
    `${width} × ${length} mm and ${deep} mm deep, ${whereLetIn(pocket)}${slope ? `, ${slope}` : ''}: ${passes} even passes, feeling left against right after each; ${slope ? 'cut the insert’s rim to the same slope and glue it' : 'glue the insert'} in flush.`,
    passes * HANDLING.carvePass,
    { uses: ['foam', 'glue'], caution: CAUTIONS.knife, photos, sees },
  );
}
