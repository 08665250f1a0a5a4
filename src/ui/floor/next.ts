import type { FloorRow } from '@/server/floor';
import { STAGES } from '@/ui/stages';

/** What is to be done next on a piece, and the stage where it is done. */
export function nextOf({ piece, lacks, step, serial }: Pick<FloorRow, 'piece' | 'lacks' | 'step' | 'serial'>): {
  words: string;
  stage: string;
} {
  if (lacks === 'rules') return { words: 'Open it: the house rules no longer suit it', stage: 'board' };
  for (const { id, name, lacking } of STAGES) {
    const lack = lacking(piece);
    if (lack) return { words: `${name}: ${lack}`, stage: id };
  }
  if (lacks === 'time') return { words: 'Bench', stage: 'bench' };
  if (step) return { words: `Bench: ${step.toLowerCase()}`, stage: 'bench' };
  return { words: serial ? `Finished, ${serial} in the log` : 'Finish the job', stage: 'bench' };
}
