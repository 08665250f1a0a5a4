import Ajv2020, { type ErrorObject } from 'ajv/dist/2020';
import { checkPiece } from './check-piece';
import { PIECE_SCHEMA } from './piece-schema';
import { PieceProblems, type Problem } from './problem';
import type { Piece } from './types';

const ajv = new Ajv2020({ allErrors: true, discriminator: true, strict: false });
const matches = ajv.compile<Piece>(PIECE_SCHEMA);

/** More messages than this help nobody. */
const MOST_PROBLEMS = 12;

function explain(error: ErrorObject): string {
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'required':
      return `“${String(params.missingProperty)}” is missing`;
    case 'additionalProperties':
      return `“${String(params.additionalProperty)}” is not part of a piece`;
    case 'minimum':
      return `must be at least ${String(params.limit)}`;
    case 'maximum':
      return `must be at most ${String(params.limit)}`;
    case 'type':
      return `must be a ${String(params.type).replace(',', ' or ')}`;
    case 'enum':
      return `must be one of ${(params.allowedValues as unknown[]).map(String).join(', ')}`;
    case 'const':
      return `must be “${String(params.allowedValue)}”`;
    case 'discriminator':
      return `“${String(params.tag)}” is not one of the known kinds`;
    case 'propertyNames':
      return `“${String(params.propertyName)}” is not a house rule`;
    default:
      return error.message ?? 'is not right';
  }
}

/**
 * Turns unknown data into a piece.
 *
 * @param data anything, usually parsed JSON
 * @throws PieceProblems with every place that is wrong and what would be right
 */
export function validatePiece(data: unknown): Piece {
  if (!matches(data)) {
    const problems: Problem[] = (matches.errors ?? [])
      .filter((error) => !(error.keyword === 'enum' && error.propertyName !== undefined))
      .map((error) => ({
        path: error.instancePath.slice(1).replaceAll('/', '.'),
        message: explain(error),
      }));
    throw new PieceProblems(problems.slice(0, MOST_PROBLEMS));
  }
  const problems = checkPiece(data);
  if (problems.length > 0) throw new PieceProblems(problems.slice(0, MOST_PROBLEMS));
  return data;
}

/**
 * Reads a piece from JSON text.
 *
 * @param text the file's content
 * @throws PieceProblems when it is not JSON or not a piece
 */
export function parsePiece(text: string): Piece {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new PieceProblems([{ path: '', message: `This is not JSON: ${why.slice(0, 160)}` }]);
  }
  return validatePiece(data);
}
