import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { printPdf } from '../src/core/formats/pdf';
import { PRINT_PARTS } from '../src/core/formats/print/choice';
import { isPaper, PAPER_IDS } from '../src/core/formats/tiles';
import { expectSound } from '../src/core/inspection';
import { chalkStep } from '../src/core/padding';
import type { Piece } from '../src/core/piece';
import { createPlanner, planPiece } from '../src/core/plan';
import { sizesOf } from '../src/core/sizes';

/** What was asked of a print cannot be printed: its message says what there is instead. */
export class PrintMisuse extends Error {}

/** What the options of a print may be. */
const OPTIONS = { parts: { type: 'string' }, paper: { type: 'string', default: 'a4' } } as const;

/** The options as they were given. */
function read(options: readonly string[]): { parts?: string; paper: string } {
  try {
    return parseArgs({ args: [...options], options: OPTIONS }).values;
  } catch (error) {
    throw new PrintMisuse((error as Error).message);
  }
}

/**
 * The sheets of a piece, as they are printed from the page, under the house's own figures as they ship.
 *
 * @param piece the document
 * @param options `--parts job,cut,run,labels,templates`, what is printed unless all the usual is; `--paper a4`
 * @param home the folder that Fovea is installed in
 * @throws PrintMisuse for a part or paper that there is not, UnsoundPlan where its inspection finds something
 */
export async function printed(piece: Piece, options: readonly string[], home: string): Promise<Uint8Array> {
  const { parts, paper } = read(options);
  const known: string[] = PRINT_PARTS.map(({ id }) => id);
  const asked = parts?.split(',').filter(Boolean);
  const wrong = asked?.find((part) => !known.includes(part));
  if (wrong !== undefined) throw new PrintMisuse(`There is no part “${wrong}”; there are ${known.join(', ')}`);
  if (!isPaper(paper)) throw new PrintMisuse(`There is no paper “${paper}”; there are ${PAPER_IDS.join(', ')}`);
  const planner = createPlanner();
  const plan = planPiece(piece, {}, { planner });
  expectSound(piece.name, { plan, sizes: sizesOf(plan, piece, {}) });
  const font = (face: string): Uint8Array =>
    readFileSync(join(home, `node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`));
  return printPdf(
    {
      plan,
      section: chalkStep(planner.model(piece, {})),
      piece,
      house: {},
      unit: 'mm',
      paper,
      fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
    },
    asked ? { parts: PRINT_PARTS.map(({ id }) => id).filter((id) => asked.includes(id)) } : {},
  );
}
