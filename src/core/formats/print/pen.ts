import type { PDFFont } from '@cantoo/pdf-lib';
import type { Section } from '../../padding';
import { inDialect, type Dialect } from '../../dialect';
import type { HouseRules } from '../../house';
import type { Unit } from '../../length';
import type { Point } from '../../outline';
import type { Piece } from '../../piece';
import type { Plan } from '../../plan';
import type { ChosenLengths } from '../../sizes';
import { MARGIN, POINTS_PER_MM, textPaper, type Paper } from '../tiles';
import type { Mark, PrintedPage } from './marks';

export { POINTS_PER_MM } from '../tiles';
export const INK = '#211f1c';
export const FAINT = '#736e66';
export const MADDER = '#992129';
export const CHALK = '#2c5d93';

/** What the printed pages need. Fonts are the bytes of whole font files (regular, bold). */
export type PrintJob = {
  plan: Plan;
  piece: Piece;
  house: HouseRules;
  /** the cut under the chalk line, where it meets the board */
  section: Section | null;
  unit: Unit;
  /** of the trade; British where nothing is chosen */
  words?: Dialect;
  paper: Paper;
  fonts: { regular: Uint8Array; bold: Uint8Array };
  /** what is bought of its rolls by lays that were chosen */
  chosen?: ChosenLengths;
  /** where the piece’s run sheet opens on a tablet, for the codes on its labels */
  address?: string;
};

/** Where the next line goes, and with what it is written; lengths mm, y from the foot of the page. */
export type Pen = { pages: PrintedPage[]; regular: PDFFont; bold: PDFFont; paper: Paper; page: PrintedPage; y: number; title: string };

/** How words are written: size in points; `typed` are names that somebody gave, which stay as they are. */
export type Hand = { size?: number; font?: PDFFont; color?: string; typed?: boolean };

/** Adds a page of a size, mm. */
export function addPage(pen: Pen, { width, height }: { width: number; height: number }): void {
  pen.page = { width, height, marks: [] };
  pen.pages.push(pen.page);
}

/** Begins a page with the title and its number. */
export function newPage(pen: Pen): void {
  const { width, height } = textPaper(pen.paper);
  addPage(pen, { width, height });
  pen.y = height - MARGIN;
  const [title] = wrapText(pen.title, pen.regular, 9, width - 2 * MARGIN - 12, true);
  write(pen, title ?? '', [MARGIN, pen.y - 4], { color: FAINT, typed: true });
  write(pen, String(pen.pages.length), [width - MARGIN - 6, pen.y - 4], { color: FAINT });
  pen.y -= 12;
}

/** Writes words at a place; turned, they read upwards. */
export function write(
  pen: Pen,
  words: string,
  at: Point,
  { size = 9, font = pen.regular, color = INK, turned = false, typed = false }: Hand & { turned?: boolean } = {},
): void {
  put(pen, { kind: 'words', at, words: typed ? words : spoken(words, font), size, bold: font === pen.bold, colour: color, turned });
}

const put = (pen: Pen, mark: Mark): void => void pen.page.marks.push(mark);

type Widths = Map<string, number>;

/** So many widths are remembered of a font: the words of some hundred jobs. */
const MOST_WIDTHS = 30_000;
const ofBytes = new WeakMap<Uint8Array, Widths>();
const ofFont = new WeakMap<PDFFont, Widths>();

/**
 * Lets a font share its widths with all others of the same bytes: shaping a word costs far more than looking it up.
 *
 * @param font as it is embedded in one document
 * @param bytes of its file
 */
export function shareWidths(font: PDFFont, bytes: Uint8Array): void {
  const widths: Widths = ofBytes.get(bytes) ?? new Map<string, number>();
  if (widths.size > MOST_WIDTHS) widths.clear();
  ofBytes.set(bytes, widths);
  ofFont.set(font, widths);
}

/** How wide words are at a size of one point. */
function unitWidth(words: string, font: PDFFont): number {
  const widths = ofFont.get(font);
  const found = widths?.get(words) ?? font.widthOfTextAtSize(words, 1);
  widths?.set(words, found);
  return found;
}

const dialects = new WeakMap<PDFFont, Dialect>();

/** Lets everything that is measured and written with a font be in the workshop's words. */
export const writeIn = (font: PDFFont, dialect: Dialect): void => void dialects.set(font, dialect);

/** Words as they are written with a font. */
const spoken = (words: string, font: PDFFont): string => inDialect(words, dialects.get(font) ?? 'british');

/** How wide words are, mm. */
export const widthOf = (words: string, font: PDFFont, size: number): number =>
  (unitWidth(spoken(words, font), font) * size) / POINTS_PER_MM;

/** How a line is drawn: thickness in points. */
export type Stroke = { thickness?: number; color?: string; dash?: number[] };

/** Draws a straight line. */
export function rule(pen: Pen, from: Point, to: Point, { thickness = 0.5, color = INK, dash }: Stroke = {}): void {
  put(pen, { kind: 'line', from, to, thickness, colour: color, ...(dash ? { dash } : {}) });
}

/** Draws a line through points. */
export function line(pen: Pen, points: readonly Point[], stroke?: Stroke): void {
  points.slice(1).forEach((point, i) => rule(pen, points[i]!, point, stroke));
}

/** Draws a closed line. */
export function ring(pen: Pen, corners: readonly Point[], stroke?: Stroke): void {
  corners.forEach((corner, i) => rule(pen, corner, corners[(i + 1) % corners.length]!, stroke));
}

/** Fills an outline. */
export function fill(pen: Pen, points: readonly Point[], colour: string): void {
  put(pen, { kind: 'area', points: [...points], colour });
}

/** A line differs from the sum of its words by no more than this share: by what is kerned across a space. */
const KERNED = 0.03;

/** Breaks words to a width, mm; `typed` are names that stay as they are. */
export function wrapText(words: string, font: PDFFont, size: number, width: number, typed = false): string[] {
  const lines: string[] = [];
  const space = widthOf(' ', font, size);
  let [current, length] = ['', 0];
  for (const word of (typed ? words : spoken(words, font)).split(/\s+/)) {
    const longer = current ? `${current} ${word}` : word;
    const sum = length + (current ? space : 0) + widthOf(word, font, size);
    // Only near the width is the line itself measured.
    const isNear = Math.abs(sum - width) < KERNED * width;
    if (current && (isNear ? widthOf(longer, font, size) : sum) > width) {
      lines.push(current);
      [current, length] = [word, widthOf(word, font, size)];
    } else [current, length] = [longer, sum];
  }
  return current ? [...lines, current] : lines;
}

/** Width between the margins, mm. */
export const across = ({ paper }: Pen): number => textPaper(paper).width - 2 * MARGIN;

/** Writes words over as many lines as they need, from the pen's place down. */
export function paragraph(pen: Pen, words: string, hand: Hand & { lead?: number; inset?: number } = {}): void {
  const { size = 9, font = pen.regular, lead = 4.6, inset = 0 } = hand;
  for (const text of wrapText(words, font, size, across(pen) - inset)) {
    write(pen, text, [MARGIN + inset, pen.y], hand);
    pen.y -= lead;
  }
}

/** Begins a new page where less than so much is left on this one, mm. */
export function room(pen: Pen, height: number): void {
  if (pen.y - height < MARGIN) newPage(pen);
}

/** A heading, with room for something under it. */
export function heading(pen: Pen, words: string): void {
  room(pen, 24);
  pen.y -= 7;
  paragraph(pen, words, { size: 15, font: pen.bold, lead: 6 });
}
