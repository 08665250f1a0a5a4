import { checkCovering } from '../cover/judge/check-covering';
import { builtModel } from '../cover';
import { checkHolds } from '../fastening';
import type { HouseRules } from '../house';
import type { Keep } from '../keep';
import { checkPiece, migrate, PieceProblems, VERSION, type Piece, type Problem } from '../piece';
import { explain } from './explain';
import { validate } from './validator';

/** A document that can be planned, or everything that keeps it from being. */
export type Checked = { piece: Piece } | { problems: Problem[] };

/**
 * The one check of a document, for browser, server and command line alike: its form and ranges by the schema, older
 * forms brought up to today's, then sizes against each other, the way of covering, and what the house's rules make of it.
 *
 * @param data anything, usually parsed JSON
 * @param [house] the workshop's rules
 */
export function checkDocument(data: unknown, house: HouseRules = {}): Checked {
  const migrated = migrate(data);
  if ('newer' in migrated)
    return {
      problems: [
        {
          path: 'schema',
          message: `This piece was saved by a newer Fovea (form ${migrated.newer}; this one reads up to ${VERSION}). Update Fovea, then open it`,
        },
      ],
    };
  const { data: document } = migrated;
  if (!validate(document)) return { problems: explain(validate.errors ?? [], document) };
  const piece = document as Piece;
  const problems = checkBuilt(piece, house);
  return problems.length > 0 ? { problems } : { piece };
}

/** What keeps a document from being planned: nothing where it can be. */
export function problemsOf(data: unknown, house: HouseRules = {}): Problem[] {
  const checked = checkDocument(data, house);
  return 'problems' in checked ? checked.problems : [];
}

/**
 * The same for a document that already has the right form.
 *
 * @param piece of today's form
 * @param house the workshop's rules
 * @param [keep] keeps what did not change
 */
export function checkBuilt(piece: Piece, house: HouseRules, keep?: Keep): Problem[] {
  const problems = checkPiece(piece);
  if (problems.length > 0) return problems;
  const covering = checkCovering(piece);
  if (covering.length > 0) return covering;
  const holds = checkHolds(piece);
  if (holds.length > 0) return holds;
  try {
    builtModel(piece, house, keep);
    return [];
  } catch (error) {
    if (error instanceof PieceProblems) return error.problems;
    throw error;
  }
}

/**
 * A document, or an error with all that is wrong with it.
 *
 * @param data anything, usually parsed JSON
 * @param [house] the workshop's rules
 * @throws PieceProblems with every place that is wrong and what would be right
 */
export function readDocument(data: unknown, house: HouseRules = {}): Piece {
  const checked = checkDocument(data, house);
  if ('problems' in checked) throw new PieceProblems(checked.problems);
  return checked.piece;
}

/**
 * A document from a file's text; the mark that some editors put before it is no part of it.
 *
 * @param text the file's content
 * @param [house] the workshop's rules
 * @throws PieceProblems when it is not JSON or not a piece
 */
export function parseDocument(text: string, house: HouseRules = {}): Piece {
  let data: unknown;
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new PieceProblems([{ path: '', message: `This is not JSON: ${why.slice(0, 160)}` }]);
  }
  return readDocument(data, house);
}
