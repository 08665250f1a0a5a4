import { readFileSync } from 'node:fs';
import { newChairSeat, PIECE_SCHEMA, PieceProblems } from '../src/core/piece';
import { parsePiece } from '../src/core/piece/validate-piece';
import { planPiece } from '../src/core/plan';

const USAGE = `Usage:
  fovea new chair-seat    print a valid piece
  fovea plan FILE         print the plan of a piece as JSON (FILE may be - for standard input)
  fovea schema            print the JSON Schema of a piece`;

/** Larger files are not pieces, bytes. */
const LARGEST_FILE = 1_000_000;

class UsageError extends Error {}

function readFile(path: string): string {
  let text: string;
  try {
    text = readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (error) {
    throw new UsageError(`Cannot read ${path}: ${error instanceof Error ? error.message : String(error)}`);
  }
  if (text.length > LARGEST_FILE) throw new UsageError(`${path} is larger than 1 MB; a piece is a few kilobytes`);
  return text;
}

function run([command, argument, ...rest]: string[]): unknown {
  if (rest.length > 0) throw new UsageError(USAGE);
  switch (command) {
    case 'new':
      if (argument !== 'chair-seat') throw new UsageError(`There is no kind “${argument ?? ''}”; there is chair-seat`);
      return newChairSeat();
    case 'plan':
      if (!argument) throw new UsageError(USAGE);
      // The house's own figures live in the application's database; a plan of a file stands on the defaults.
      return planPiece(parsePiece(readFile(argument)), {});
    case 'schema':
      return PIECE_SCHEMA;
    default:
      throw new UsageError(USAGE);
  }
}

// Whoever reads only the beginning (`| head`) closes the pipe; that is no error of ours.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
});

try {
  process.stdout.write(`${JSON.stringify(run(process.argv.slice(2)), null, 2)}\n`);
} catch (error) {
  if (!(error instanceof PieceProblems || error instanceof UsageError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
