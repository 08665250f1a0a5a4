import type { Finding, Inspected } from './finding';
import { inspectPlan } from './inspect';

/** How many findings are put into words; all of them are in the event log. */
const IN_WORDS = 3;

/** A plan that cannot be right: an error of the program, found before anybody cut. */
export class UnsoundPlan extends Error {
  readonly piece: string;
  readonly findings: readonly Finding[];
  /**
   * @param piece its name
   * @param findings what cannot be right
   */
  constructor(piece: string, findings: readonly Finding[]) {
    const words = findings.slice(0, IN_WORDS).map(({ says }) => says);
    super(
      `The plan of “${piece}” is wrong, so nothing was done. ${words.join('. ')}${findings.length > IN_WORDS ? `, and ${findings.length - IN_WORDS} more` : ''}. ` +
        'This is a fault in Fovea. Do not cut: export the piece and send it to us.',
    );
    this.name = 'UnsoundPlan';
    this.piece = piece;
    this.findings = findings;
  }
}

/**
 * Inspects a plan before anything of it leaves the program.
 *
 * @param name of the piece
 * @param inspected its plan, and the sizes that are shown with it
 * @throws UnsoundPlan where something cannot be right
 */
export function expectSound(name: string, inspected: Inspected): void {
  const findings = inspectPlan(inspected);
  if (findings.length > 0) throw new UnsoundPlan(name, findings);
}
