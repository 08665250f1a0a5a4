import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeDxf } from '../src/core/formats/dxf';
import { PATTERN_FORMATS } from '../src/core/formats/pattern-formats';
import { writeSvg } from '../src/core/formats/svg';
import { sectionsStep, type Model } from '../src/core/padding';
import { wrapAt } from '../src/core/cover';
import { documentSchema, parseDocument } from '../src/core/document';
import { curveOf, FOAMS, specimenForce } from '../src/core/foam';
import { inspectPlan, UnsoundPlan } from '../src/core/inspection';
import { baseOutline } from '../src/core/outline';
import { fieldAt, KINDS, newPiece, PieceProblems, sayRange } from '../src/core/piece';
import { createPlanner, planPiece } from '../src/core/plan';
import { sizesOf } from '../src/core/sizes';
import { sitStep, sittingOf } from '../src/core/seat-check';

const USAGE = `Usage:
  fovea new KIND          print a valid piece; kinds: chair-seat, headboard, saddle, …
  fovea plan FILE         print the plan of a piece as JSON (FILE may be - for standard input)
  fovea section FILE --station ID   print one station's section, solved
  fovea sit FILE --mass KG          print one sitting, solved
  fovea foam-test NAME    print the simulated specimen test of a shipped foam
  fovea outline FILE svg|dxf   print the base's outline as a drawing in mm
  fovea inspect FILE      inspect a plan independently: prints what cannot be right, and exits with 1 where something is
  fovea print FILE [--parts job,cut,run,labels,templates] [--paper a4]   print the sheets of a piece as one PDF
  fovea pattern FILE svg|dxf|csv   print every piece at full size as a drawing, or the cut list
  fovea schema            print the JSON Schema of a piece
  fovea check FILE        say whether a piece can be planned, or whether a backup is whole
  fovea export [ID]       list the pieces on the floor, or print one
  fovea import FILE       put a piece on the floor
  fovea backup [FILE]     back the workshop up while it is in use
  fovea restore FILE [FOLDER]   put a backup back; the application must be stopped

The workshop is the folder FOVEA_DATA, or ./data. Every command prints JSON on standard output (a drawing is printed as
it is); words about what is wrong go to standard error. It exits with 0, or with 1 where something is wrong with what was
asked, 2 where something is wrong with the workshop.`;

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
  const { base } = parseDocument(readFile(path));
  const outline = baseOutline(base.shape, base.notches);
  return format === 'svg' ? writeSvg(outline, base.holes) : writeDxf(outline, base.holes);
}

/** Every piece of a plan at full size, or the cut list. */
async function patterns(path: string | undefined, asked: string | undefined): Promise<string> {
  const { patternFile } = await import('../src/core/formats/pattern-files');
  const format = PATTERN_FORMATS.find(({ id }) => id === asked);
  if (!path || !format) throw new UsageError(USAGE);
  const piece = parseDocument(readFile(path));
  return patternFile(planPiece(piece, {}, { sits: false }), piece, format.id);
}

/** A plan, inspected; findings are the answer, and the exit status says whether there are any. */
function inspected(path: string | undefined): unknown {
  if (!path) throw new UsageError(USAGE);
  const piece = parseDocument(readFile(path));
  const plan = planPiece(piece, {}, { sits: false });
  const findings = inspectPlan({ plan, sizes: sizesOf(plan, piece, {}) });
  if (findings.length > 0) process.exitCode = 1;
  return { piece: piece.name, sound: findings.length === 0, findings };
}

/** One station's section, solved. */
function section(model: Model, id: string): unknown {
  const sections = sectionsStep(model);
  const station = sections.find(({ place }) => place.id === id);
  if (!station) throw new UsageError(`There is no station “${id}”; there are ${sections.map(({ place }) => place.id).join(', ')}`);
  const { half } = station;
  return {
    station: wrapAt(model, station),
    pull: model.pull,
    converged: half.pulled.converged,
    rounds: half.pulled.rounds,
    cover: half.cover,
    bare: half.pulled.line,
    pressure: half.pulled.pressure,
    pads: half.pads.map((k, i) => ({ pad: model.pads[k]!.pad.id, ...half.pulled.layers[i]! })),
  };
}

/** One sitting, solved. */
function sitting(model: Model, text: string): unknown {
  const mass = Number(text);
  const { label, range } = fieldAt('sit.mass');
  const wrong = sayRange(label, mass, range!, 'kg');
  if (wrong) throw new UsageError(wrong);
  const sat = sitStep(model, 'full', { ...sittingOf(model), mass });
  if (!sat) throw new UsageError('There is no padding to sit on');
  const { bed, result, plan } = sat;
  return {
    sit: plan,
    residual: result.residual,
    grid: { x0: bed.x0, y0: bed.y0, step: bed.step, columns: bed.columns, rows: bed.rows },
    pressure: [...result.pressure],
    height: [...result.height].map((z, i) => (bed.there[i] ? z : null)),
  };
}

/** One solve in full: a station's section, or a sitting. */
function solved(command: 'section' | 'sit', path: string | undefined, [option, text, ...rest]: string[]): unknown {
  if (!path || text === undefined || rest.length > 0 || option !== (command === 'section' ? '--station' : '--mass'))
    throw new UsageError(USAGE);
  const model = createPlanner().model(parseDocument(readFile(path)), {});
  return command === 'section' ? section(model, text) : sitting(model, text);
}

/** The simulated specimen test of a foam, by id or name. */
function foamTest(name: string): unknown {
  const foam = FOAMS.find((f) => f.id === name || f.name.toLowerCase() === name.toLowerCase());
  if (!foam) throw new UsageError(`There is no foam “${name}”; there are ${FOAMS.map((f) => f.id).join(', ')}`);
  const curve = curveOf(foam);
  return {
    foam: foam.name,
    declared: { ifd25: foam.ifd25, ifd65: foam.ifd25 * foam.supportFactor },
    simulated: { ifd25: specimenForce(curve, 0.25), ifd65: specimenForce(curve, 0.65) },
    curve,
    forces: [0.1, 0.25, 0.4, 0.5, 0.65].map((share) => ({ pressed: share, force: specimenForce(curve, share) })),
  };
}

/** The sheets of a piece as one PDF; what only that takes is loaded only then. */
async function print(path: string, options: readonly string[]): Promise<Uint8Array> {
  const { printed, PrintMisuse } = await import('./print');
  try {
    return await printed(parseDocument(readFile(path)), options, process.env.FOVEA_HOME!);
  } catch (error) {
    throw error instanceof PrintMisuse ? new UsageError(error.message) : error;
  }
}

// The command may be run from any folder: its own files lie beside it.
process.env.FOVEA_HOME ??= join(import.meta.dirname, '..');

/** What is asked of the workshop rather than of a file. Its native parts are loaded only then. */
const WORKSHOP = {
  export: async (id: string | undefined, rest: readonly string[]) => {
    if (rest.length > 0) throw new UsageError(USAGE);
    const { exported } = await import('./workshop');
    return exported(id);
  },
  import: async (file: string | undefined, rest: readonly string[]) => {
    if (!file || rest.length > 0) throw new UsageError(USAGE);
    const { imported } = await import('./workshop');
    return imported(readFile(file));
  },
  backup: async (file: string | undefined, rest: readonly string[]) => {
    if (rest.length > 0) throw new UsageError(USAGE);
    const { backedUp } = await import('./workshop');
    return backedUp(file);
  },
  restore: async (file: string | undefined, rest: readonly string[]) => {
    if (!file || rest.length > 1) throw new UsageError(USAGE);
    const { restored } = await import('./workshop');
    return restored(file, rest[0]);
  },
  check: async (file: string | undefined, rest: readonly string[]) => {
    if (!file || rest.length > 0) throw new UsageError(USAGE);
    if (!/\.tar\.gz$/.test(file)) return { ok: true, piece: parseDocument(readFile(file)).name };
    const { checked } = await import('./workshop');
    return checked(file);
  },
};

function run([command, argument, ...rest]: string[]): unknown {
  if (command === 'outline' && rest.length === 1) return drawing(argument, rest[0]);
  if (command === 'pattern' && rest.length === 1) return patterns(argument, rest[0]);
  if (command === 'inspect' && rest.length === 0) return inspected(argument);
  if (command === 'print' && argument) return print(argument, rest);
  if (command === 'section' || command === 'sit') return solved(command, argument, rest);
  if (command === 'foam-test') return foamTest([argument ?? '', ...rest].join(' '));
  if (command && command in WORKSHOP) return WORKSHOP[command as keyof typeof WORKSHOP](argument, rest);
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
      return planPiece(parseDocument(readFile(argument)), {});
    case 'schema':
      return documentSchema();
    default:
      throw new UsageError(USAGE);
  }
}

// Whoever reads only the beginning (`| head`) closes the pipe; that is no error of ours.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
});

/** What went wrong, in words, and the status for it. */
function failure(error: unknown): { words: string; status: number } {
  if (error instanceof PieceProblems || error instanceof UsageError || error instanceof UnsoundPlan)
    return { words: error.message, status: 1 };
  // The workshop's own refusals are told by their names: its modules may not have been loaded.
  const { name, message, code } = error as Error & { code?: string };
  if (name === 'BadBackup') return { words: message, status: 1 };
  if (name === 'WorkshopTrouble' || name === 'BrokenRecord') return { words: message, status: 2 };
  return { words: `Something went wrong${code ? ` (${code})` : ''}: ${message}`, status: 2 };
}

try {
  const made = await run(process.argv.slice(2));
  process.stdout.write(typeof made === 'string' || made instanceof Uint8Array ? made : `${JSON.stringify(made, null, 2)}\n`);
} catch (error) {
  const { words, status } = failure(error);
  process.stderr.write(`${words}\n`);
  process.exitCode = status;
}
