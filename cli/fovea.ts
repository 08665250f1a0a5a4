import { readFileSync } from 'node:fs';
import { writeDxf } from '../src/core/formats/dxf';
import { writeSvg } from '../src/core/formats/svg';
import { baseOutline } from '../src/core/outline';
import { KINDS, newPiece, PIECE_SCHEMA, PieceProblems } from '../src/core/piece';
import { parsePiece } from '../src/core/piece/validate-piece';
import { planPiece } from '../src/core/plan';

const USAGE = `Usage:
  fovea new KIND          print a valid piece; kinds: chair-seat, headboard, saddle, …
  fovea plan FILE         print the plan of a piece as JSON (FILE may be - for standard input)
  fovea outline FILE svg|dxf   print the base's outline as a drawing in mm
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

/** The base of a piece as a drawing. */
function drawing(path: string | undefined, format: string | undefined): string {
  if (!path || (format !== 'svg' && format !== 'dxf')) throw new UsageError(USAGE);
  const { base } = parsePiece(readFile(path));
  const outline = baseOutline(base.shape, base.notches);
  return format === 'svg' ? writeSvg(outline, base.holes) : writeDxf(outline, base.holes);
}

function run([command, argument, ...rest]: string[]): unknown {
  if (command === 'outline' && rest.length === 1) return drawing(argument, rest[0]);
  if (rest.length > 0) throw new UsageError(USAGE);
  switch (command) {
    case 'new': {
      const kind = KINDS.find(({ id }) => id === argument);
      if (!kind) throw new UsageError(`There is no kind “${argument ?? ''}”; there are ${KINDS.map(({ id }) => id).join(', ')}`);
      return newPiece(kind.id);
    }
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
  const made = run(process.argv.slice(2));
  process.stdout.write(typeof made === 'string' ? made : `${JSON.stringify(made, null, 2)}\n`);
} catch (error) {
  if (!(error instanceof PieceProblems || error instanceof UsageError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
