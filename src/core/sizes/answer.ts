import { foamThickness, type Unit } from '../length';
import { printFigure } from './print-figure';
import type { SizeLine } from './types';

/** One figure of the answer line: the size line that says why, and how it reads. */
export type AnswerFigure = { key: string; group: SizeLine['group']; says: string };

/** One thing of the answer line: its name, and a figure for each part of it. */
export type AnswerItem = { name: string; figures: AnswerFigure[] };

/** What is cut comes first. */
const ORDER: readonly SizeLine['group'][] = ['Cover', 'Padding', 'Buy', 'Work'];
/** More parts than this of one thing are counted, not listed: the sizes have them. */
const MOST = 4;

/**
 * What everybody comes for, in one line: what to cut, the cloth, the work.
 *
 * @param lines the sizes of a plan
 * @param unit the user's unit
 */
export function answerLine(lines: readonly SizeLine[], unit: Unit): AnswerItem[] {
  const items: AnswerItem[] = [];
  const inOrder = ORDER.flatMap((group) => lines.filter((line) => line.group === group));
  for (const { key, group, answers, value, by, unit: kind } of inOrder) {
    if (!answers) continue;
    const thickness = answers.thickness === undefined ? '' : ` × ${foamThickness(answers.thickness, unit)}`;
    const size = printFigure(value, kind, unit) + (by === undefined ? '' : ` × ${printFigure(by, kind, unit)}`);
    const figure = { key, group, says: by === undefined ? size : size.replaceAll(/ mm(?= ×|$)/g, '') + thickness.replace(/ mm$/, '') };
    const last = items.at(-1);
    if (last?.name === answers.name) last.figures.push(figure);
    else items.push({ name: answers.name, figures: [figure] });
  }
  return items;
}

/**
 * The same without what would make the line too long: of many parts the first few stand for all.
 *
 * @param items of the answer line
 * @returns what is listed, and how many parts are not
 */
export function answerInShort(items: readonly AnswerItem[]): { items: AnswerItem[]; more: AnswerFigure[] } {
  const isPart = ({ figures }: AnswerItem): boolean => figures[0]!.group === 'Cover';
  const parts = items.filter(isPart);
  if (parts.length <= MOST) return { items: [...items], more: [] };
  const listed = new Set(parts.slice(0, MOST - 1));
  return {
    items: items.filter((item) => !isPart(item) || listed.has(item)),
    more: parts.slice(MOST - 1).flatMap(({ figures }) => figures),
  };
}
