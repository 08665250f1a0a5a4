/** What of a piece tells what is looked at. */
export type Looked = {
  /** closed round its pad: it lies on no board of its own */
  loose: boolean;
  pan: boolean;
  wall: boolean;
  patterned: boolean;
  welted: boolean;
  banded: boolean;
};

/**
 * What is looked at once something is done, before anybody goes on: found later it costs the cover. Source: trade.md, “What people
 * inspect”. A step names the one that it ends in; of several steps with the same one, the last is looked at.
 */
export type Checkpoint = { id: string; says: (looked: Looked) => string[] };

export const BASE_SOUND: Checkpoint = {
  id: 'base',
  says: ({ loose, pan }) => {
    if (loose) return ['no nail or splinter stands up'];
    return pan
      ? ['no crack at the mounts', 'old rivets out, holes round']
      : ['flat to 2 mm', 'no split, no nail left in', 'centre lines on'];
  },
};

export const PADDED: Checkpoint = {
  id: 'padding',
  says: () => ['the edge alike all round', 'no step or gap felt with the flat hand', 'glue holds at every edge'],
};

export const WADDED: Checkpoint = {
  id: 'wadding',
  says: () => ['no lump, no fold at the corners', 'it reaches down as far as it should'],
};

export const SEWN: Checkpoint = {
  id: 'sewing',
  says: ({ welted, patterned }) => [
    'every seam as long as its line',
    ...(welted ? ['the piping’s join out of sight, notches matched'] : []),
    ...(patterned ? ['the pattern meets across the seams'] : []),
  ],
};

export const FASTENED: Checkpoint = {
  id: 'fastening',
  says: ({ patterned, banded }) => [
    'no drag line from above, no hard spot',
    ...(patterned ? ['the pattern straight and in the middle'] : []),
    ...(banded ? ['the band the same height all round'] : []),
    'even pull allowance all round',
  ],
};

export const CORNERED: Checkpoint = { id: 'corners', says: () => ['all corners alike, folds lying the same way'] };

export const TRIMMED: Checkpoint = { id: 'trim', says: () => ['nothing stands proud', 'nothing cut nearer than the trim line'] };

export const HUNG: Checkpoint = { id: 'hanging', says: () => ['level, gaps alike', 'it holds what it is loaded with'] };

export const FINISHED: Checkpoint = {
  id: 'finished',
  says: ({ wall }) => [
    'left and right alike',
    wall ? 'nothing reads through against the light' : 'sat on once, it springs back',
    'label and fire papers with it',
  ],
};

/**
 * Puts down what is looked at after each step.
 *
 * @param steps of a run sheet, each with the checkpoint that it ends in
 * @param looked what the piece is like
 */
export function withStops<S extends { check?: Checkpoint }>(
  steps: readonly S[],
  looked: Looked,
): (Omit<S, 'check'> & { stop?: string[] })[] {
  return steps.map(({ check, ...rest }, i) => {
    const isLast = check !== undefined && !steps.slice(i + 1).some((later) => later.check?.id === check.id);
    return isLast ? { ...rest, stop: check.says(looked) } : rest;
  });
}
