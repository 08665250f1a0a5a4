import type { WareKind } from '../wares';
import type { Checkpoint } from './checkpoints';

/** Where a step is done: each is a place that two people cannot use at once. */
export const STEP_PLACES = [
  { id: 'bench', name: 'Bench' },
  { id: 'table', name: 'Cutting table' },
  { id: 'machine', name: 'Sewing machine' },
  { id: 'spray', name: 'Spray place' },
  { id: 'site', name: 'At the customer’s' },
] as const;
export type StepPlace = (typeof STEP_PLACES)[number]['id'];

/**
 * What a step works on: the old work and the bare base as it is found, the base, the padding, the cloth, what lies loose, or the piece that these are put together to. Steps of one
 * strand follow each other; the piece's follow all that came before them.
 */
export type Strand = 'strip' | 'base' | 'pads' | 'cloth' | 'loose' | 'piece';

/** What a step is looked at in: the bare board, the frame under it, its back, the nails in its edge, the foam that is cut, the piece cut through with the pad that is worked on, the cover's flat pieces, or the order of its fasteners, or its corners with their folds. */
export type Sight = { in: 'board' | 'frame' | 'back' | 'nails' | 'foam' | 'section' | 'cloth' | 'fastening' | 'corners'; pad?: string };

/** A step as a module tells it. Minutes are for one piece of the set; each line of its detail is a paragraph. */
export type StepDraft = {
  key: string;
  name: string;
  detail: string;
  minutes: number;
  /** minutes of waiting that follow, hands free */
  wait: number;
  /** the step after it begins within so many minutes, or it is done again; left out where it can wait */
  open?: number;
  /** where it is done; at a bench where nothing is said */
  place?: StepPlace;
  /** the little drawing that belongs to it */
  sees?: Sight;
  /** kinds of wares that it uses up: it waits until what was ordered of them is there */
  uses?: readonly WareKind[];
  /** how it is done on a set: on the first piece only, or on the rest only once the first is through; on all at once where nothing is said */
  batch?: 'first only' | 'rest waits';
  /** what it holds comes out again, or is driven home later */
  temporary?: boolean;
  /** what is looked at once it is done */
  check?: Checkpoint;
  caution?: string;
  /** photos that show how it was */
  photos?: string[];
};

/** A step with what must be done before it. */
export type LinkedStep = StepDraft & {
  strand: Strand;
  /** keys of the steps that come right before it */
  after: string[];
};

/** One step of the run sheet: plain data. */
export type Step = Omit<LinkedStep, 'check'> & {
  /** looked at before anybody goes on */
  stop?: readonly string[];
};

/** A step as it is put down: what it does not say is nothing; minutes are at least one and whole. */
export function step(
  key: string,
  name: string,
  detail: string,
  minutes: number,
  more: Partial<Pick<StepDraft, 'wait' | 'open' | 'place' | 'caution' | 'photos' | 'sees' | 'uses' | 'batch' | 'temporary' | 'check'>> = {},
): StepDraft {
  const { wait = 0, open, place, caution, photos = [], ...rest } = more;
  return {
    key,
    name,
    detail,
    minutes: Math.max(1, Math.round(minutes)),
    wait: Math.round(wait),
    ...(open === undefined ? {} : { open: Math.max(Math.round(wait), Math.round(open)) }),
    ...(place === undefined ? {} : { place }),
    ...(caution ? { caution } : {}),
    ...(photos.length > 0 ? { photos: [...photos] } : {}),
    ...rest,
  };
}

/** Steps that are looked at in one drawing; one that names its own keeps it. */
export const seenIn = (sight: Sight['in'], steps: readonly StepDraft[]): StepDraft[] =>
  steps.map((item) => ({ sees: { in: sight }, ...item }));
