import type { DiaryInput, PieceEnd, StepToDo } from './diary';

/** What a job is called among the pieces while nobody has taken it. */
export const ASKED_FOR = 'asked-for';

/** A job that somebody asks for: what there is to do, by when, and from when its cloth is here. */
export type AskedFor = { name: string; count: number; steps: readonly StepToDo[]; due: string; clothOn: string };

/**
 * Everything on the floor with a job that nobody has taken yet.
 *
 * @param input the floor as it stands
 * @param asked what is asked for; days are empty where nothing is said
 */
export function withAskedFor(input: DiaryInput, { name, count, steps, due, clothOn }: AskedFor): DiaryInput {
  return {
    ...input,
    pieces: [...input.pieces, { id: ASKED_FOR, name, job: null, due, count, steps, done: {} }],
    deliveries: clothOn
      ? [...input.deliveries, { id: ASKED_FOR, piece: ASKED_FOR, kinds: ['cloth', 'lining', 'waterproof'], day: clothOn }]
      : input.deliveries,
  };
}

/** A piece that would be later than it is promised, through a job that is taken; `late` in days, null where it never ends. */
export type Cost = { piece: string; was: number; late: number | null };

/**
 * What taking a job costs the others: whose promise would be broken, or broken by more days.
 *
 * @param before how the pieces end without it
 * @param after how they end with it
 */
export function costOfTaking(before: readonly PieceEnd[], after: readonly PieceEnd[]): Cost[] {
  return after.flatMap(({ piece, ends, late }): Cost[] => {
    const was = before.find((pieceEnd) => pieceEnd.piece === piece);
    if (!was || piece === ASKED_FOR) return [];
    if (ends === null) return was.ends === null ? [] : [{ piece, was: was.late, late: null }];
    return late > was.late ? [{ piece, was: was.late, late }] : [];
  });
}
