import { UnsoundPlan } from '../../core/inspection';
import { PieceProblems } from '../../core/piece';
import { PlansDisagree } from '../../core/plan';
import type { Refused } from './refused';
import * as work from './thread';

/** A function of this thread whose refusals are answers: an error loses its kind, and all it carries, on the way out of a thread. */
const answering =
  <A, R>(run: (asked: A) => R | Promise<R>) =>
  async (asked: A): Promise<R | Refused> => {
    try {
      return await run(asked);
    } catch (error) {
      if (error instanceof PieceProblems) return { refused: { problems: error.problems } };
      if (error instanceof PlansDisagree) return { refused: { piece: error.piece, disagreements: [...error.disagreements] } };
      if (error instanceof UnsoundPlan) return { refused: { piece: error.piece, findings: [...error.findings] } };
      throw error;
    }
  };

export const look = answering(work.look);
export const print = answering(work.print);
export const pages = answering(work.pages);
export const patterns = answering(work.patterns);
export const needs = answering(work.needs);
export const things = answering(work.things);
export const offers = answering(work.offers);
export const buy = answering(work.buy);
export const templates = answering(work.templates);
