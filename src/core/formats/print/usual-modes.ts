import { draftOf } from '../drafting';
import { modesOf, type Template, type TemplateMode } from '../templates';
import type { Paper } from '../tiles';
import { laidOut } from './template-pages';

/** Sheets at full size that are tried, the most first. */
export const USUAL_SHEETS = [6, 4, 3, 2, 1, 0] as const;
/** A job is begun with fewer sheets of paper than this: beyond them the largest templates are drafted. */
export const UNDER = 12;

/** The modes of a template, without those that it has too much in it for. */
export const offeredModes = (template: Template): TemplateMode[] =>
  modesOf(template).filter((mode) => mode !== 'drafted' || draftOf(template) !== null);

/**
 * How each template is given to the bench unless somebody chooses: by string, by ruler, half on the fold; where that is more paper than
 * anybody tapes together, the largest by measurements from a base line.
 *
 * @param templates of a plan
 * @param paper that is printed on
 * @param most so many sheets at full size
 * @param [chosen] what was chosen: it stays
 */
export function usualModes(
  templates: readonly Template[],
  paper: Paper,
  most: number,
  chosen: Readonly<Record<string, TemplateMode>> = {},
): { template: Template; offered: TemplateMode[]; mode: TemplateMode }[] {
  const found = templates.map((template) => {
    const offered = offeredModes(template);
    const asked = chosen[template.id];
    const isChosen = asked !== undefined && offered.includes(asked);
    const mode = isChosen ? asked : offered[0]!;
    const sheets = laidOut(template, mode, paper).sheets.length;
    return { template, offered, mode, sheets, free: !isChosen && offered.includes('drafted') };
  });
  const total = (): number => found.reduce((sum, { sheets }) => sum + sheets, 0);
  while (total() > most) {
    const largest = found.filter(({ free, sheets }) => free && sheets > 0).sort((a, b) => b.sheets - a.sheets)[0];
    if (!largest) break;
    Object.assign(largest, { mode: 'drafted', sheets: 0, free: false });
  }
  return found.map(({ template, offered, mode }) => ({ template, offered, mode }));
}
