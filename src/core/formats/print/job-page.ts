import { cutBoard } from '../../base';
import { cornerWords, wayOf } from '../../cover';
import type { Fixing } from '../../fastening';
import { inUnit, saidLength } from '../../length';
import { bounds, type Point } from '../../outline';
import { kindOf, saidCorner, saidEdge, unmeasuredNames, type PieceKind } from '../../piece';
import { printFigure, SIZE_GROUPS, sizesOf, withChosenLays, type SizeLine } from '../../sizes';
import { MARGIN } from '../tiles';
import {
  across,
  CHALK,
  FAINT,
  fill,
  INK,
  line,
  MADDER,
  newPage,
  ring,
  room,
  rule,
  widthOf,
  wrapText,
  write,
  type Pen,
  type PrintJob,
} from './pen';

/** Scales that a ruler has: 1 to so much. */
const SCALES = [1, 2, 2.5, 5, 10, 20, 25, 50] as const;

/** The largest of them at which something fits into a place, mm. */
export function scaleFor(size: { width: number; height: number }, place: { width: number; height: number }): number {
  return SCALES.find((to) => size.width / to <= place.width && size.height / to <= place.height) ?? SCALES.at(-1)!;
}

/** A drawing's place on the page, mm from the foot: upper left corner and size. */
type Place = { x: number; y: number; width: number; height: number };

const FOAM = '#dfe8dc';
const BOARD = '#d9c09a';

/** The plan: outline, stations, what is done at the corners, the first staples. */
function planDrawing(pen: Pen, { plan, piece }: PrintJob, place: Place): void {
  const box = bounds(plan.outline.points);
  // Figures stand outside the edge.
  const to = scaleFor(box, { width: place.width - 12, height: place.height - 20 });
  const [cx, cy] = [place.x + place.width / 2, place.y - 6 - (place.height - 12) / 2];
  const at = ([x, y]: Point): Point => [cx + (x - (box.minX + box.maxX) / 2) / to, cy + (y - (box.minY + box.maxY) / 2) / to];
  ring(pen, plan.outline.points.map(at), { thickness: 1.2 });
  const numbers: Point[] = [];
  for (const s of plan.stations) {
    const [x, y] = at([s.x, s.y]);
    ring(
      pen,
      [
        [x - 0.4, y - 0.4],
        [x + 0.4, y - 0.4],
        [x + 0.4, y + 0.4],
        [x - 0.4, y + 0.4],
      ],
      { thickness: 0.6 },
    );
    const half = widthOf(s.id, pen.regular, 6.5) / 2;
    const spot: Point = [x + s.normalX * 3 - half, y + s.normalY * 3 - 0.8];
    // Where stations stand close the first of them is numbered.
    if (numbers.some(([a, b]) => Math.abs(a - spot[0]) < 4 && Math.abs(b - spot[1]) < 2.4)) continue;
    numbers.push(spot);
    write(pen, s.id, spot, { size: 6.5 });
  }
  const spots: Point[] = [];
  for (const corner of wayOf(piece.covering.way).loose ? [] : plan.corners) {
    const words = cornerWords(corner);
    const [x, y] = at([corner.x * 0.72 + box.minX * 0.14 + box.maxX * 0.14, corner.y * 0.78]);
    const width = widthOf(words, pen.regular, 7);
    const spot: Point = [x - width / 2, y];
    // Two that would lie over each other are said once: their corners are alike in all kinds there are.
    const near = ([a, b]: Point): boolean => a > spot[0] - 4 && a < spot[0] + width && Math.abs(b - spot[1]) < 2.6;
    if (spots.some(([a, b]) => Math.abs(a - spot[0]) < width && Math.abs(b - spot[1]) < 3) || numbers.some(near)) continue;
    spots.push(spot);
    write(pen, words, spot, { size: 7, color: CHALK });
  }
  const front = plan.base.words[0];
  write(pen, front, [cx - widthOf(front, pen.regular, 7) / 2, at([0, box.minY])[1] + 2], { size: 7 });
  write(pen, `Plan, 1 : ${to}`, [place.x, place.y - place.height + 1], { size: 8, color: FAINT });
}

/** A dimension between two places on the page. */
function dimension(pen: Pen, a: Point, b: Point, says: string): void {
  rule(pen, a, b, { thickness: 0.4 });
  for (const [x, y] of [a, b]) rule(pen, [x - 0.9, y - 0.9], [x + 0.9, y + 0.9], { thickness: 0.7 });
  const upright = Math.abs(b[1] - a[1]) > Math.abs(b[0] - a[0]);
  const half = widthOf(says, pen.regular, 8) / 2;
  const [x, y] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  write(pen, says, upright ? [x + 4, y - half] : [x - half, y - 4], { size: 8, turned: upright });
}

/** The section under the chalk line: board, pads as they lie, the cover's line, its sizes. */
function sectionDrawing(pen: Pen, { section, piece, unit }: PrintJob, place: Place): void {
  if (!section) return;
  const all = [...section.cover, ...section.base];
  const box = bounds([...all, ...section.base.map(([x, z]): Point => [x, z - section.board.edge])]);
  const to = scaleFor(box, { width: place.width - 14, height: place.height - 22 });
  const [cx, cy] = [place.x + (place.width - 10) / 2, place.y - 4 - (place.height - 16) / 2];
  const at = ([x, z]: Point): Point => [cx + (x - (box.minX + box.maxX) / 2) / to, cy + (z - (box.minY + box.maxY) / 2) / to];
  for (const { outline } of section.covered) {
    fill(pen, outline.map(at), FOAM);
    ring(pen, outline.map(at), { thickness: 0.5 });
  }
  for (const part of cutBoard(section, piece.base)) {
    fill(pen, part.map(at), BOARD);
    ring(pen, part.map(at), { thickness: 0.9 });
  }
  line(pen, section.cover.map(at), { thickness: 1.3, color: MADDER });
  const say = (mm: number): string => saidLength(mm, unit);
  const low = at([0, box.minY])[1] - 4;
  dimension(
    pen,
    [at([section.board.left, 0])[0], low],
    [at([section.board.right, 0])[0], low],
    say(section.board.right - section.board.left),
  );
  const high = section.cover.reduce((most, [, z]) => Math.max(most, z), 0);
  const right = at([box.maxX, 0])[0] + 4;
  dimension(pen, [right, at([0, 0])[1]], [right, at([0, high])[1]], say(high));
  const length = wayOf(piece.covering.way).loose ? '' : `; cover ${say(section.length)} staple to staple`;
  write(pen, `Section at the chalk line, 1 : ${to}${length}`, [place.x, place.y - place.height + 1], {
    size: 8,
    color: FAINT,
  });
}

/** How wide a column of sizes is, and what lies between two. */
const GAP = 6;

type Column = { x: number; width: number };

/** One size: its name, its figure at the right, its note under them. */
function sizeRow(pen: Pen, row: SizeLine, { unit }: PrintJob, { x, width }: Column): void {
  const figure = printFigure(row.value, row.unit, unit) + (row.by === undefined ? '' : ` × ${printFigure(row.by, row.unit, unit)}`);
  const [label] = wrapText(row.label, pen.regular, 8.5, width - widthOf(figure, pen.bold, 9) - 2);
  write(pen, label ?? '', [x, pen.y], { size: 8.5 });
  write(pen, figure, [x + width - widthOf(figure, pen.bold, 9), pen.y], { size: 9, font: pen.bold });
  pen.y -= 3.4;
  const notes = row.note ? wrapText(inUnit(row.note, unit), pen.regular, 7, width) : [];
  for (const note of notes) {
    write(pen, note, [x, pen.y], { size: 7, color: FAINT });
    pen.y -= 2.9;
  }
  rule(pen, [x, pen.y + 1.4], [x + width, pen.y + 1.4], { thickness: 0.2, color: FAINT });
  pen.y -= 2;
}

const heightOf = (pen: Pen, row: SizeLine, width: number): number =>
  5.4 + (row.note ? wrapText(row.note, pen.regular, 7, width).length * 2.9 : 0);

/** Sizes in two columns, each group once; a group that fits is not torn. */
function sizes(pen: Pen, job: PrintJob): void {
  const rows = withChosenLays(sizesOf(job.plan, job.piece, job.house), job.chosen ?? {});
  const groups = SIZE_GROUPS.map(({ id }) => ({ id, rows: rows.filter(({ group }) => group === id) })).filter(
    (group) => group.rows.length > 0,
  );
  const width = (across(pen) - GAP) / 2;
  const high = (group: (typeof groups)[number]): number => 6 + group.rows.reduce((sum, row) => sum + heightOf(pen, row, width), 0);
  const half = groups.reduce((sum, group) => sum + high(group), 0) / 2;
  room(pen, Math.min(half + 12, 150));
  let top = pen.y;
  let low = top;
  let column = 0;
  for (const group of groups) {
    if (column === 0 && top - pen.y > 0 && top - pen.y + high(group) / 2 > half) {
      column = 1;
      low = pen.y;
      pen.y = top;
    }
    const x = MARGIN + column * (width + GAP);
    write(pen, group.id, [x, pen.y], { size: 10, font: pen.bold, color: MADDER });
    pen.y -= 5;
    for (const row of group.rows) {
      if (pen.y - heightOf(pen, row, width) < MARGIN) {
        if (column === 0) {
          column = 1;
          low = pen.y;
          pen.y = top;
        } else {
          newPage(pen);
          [top, low, column] = [pen.y, pen.y, 0];
        }
      }
      sizeRow(pen, row, job, { x: MARGIN + column * (width + GAP), width });
    }
    pen.y -= 2;
  }
  pen.y = Math.min(low, pen.y);
}

/** Numbers as they are said: those that follow on each other as a stretch. */
export function stretchesOf(ids: readonly string[]): string {
  const numbers = ids.map(Number).sort((a, b) => a - b);
  const found: [number, number][] = [];
  for (const n of numbers) {
    const last = found.at(-1);
    if (last && n === last[1] + 1) last[1] = n;
    else found.push([n, n]);
  }
  return found.map(([a, b]) => (a === b ? `${a}` : b === a + 1 ? `${a}, ${b}` : `${a}–${b}`)).join(', ');
}

/** Stations that measure alike to the millimetre are said in one line. */
function wraps(pen: Pen, { plan, piece, unit }: PrintJob): void {
  const say = (mm: number): string => saidLength(mm, unit);
  const alike = new Map<string, { ids: string[]; edge: string; cells: string[] }>();
  for (const s of plan.stations) {
    const cells = (plan.cover.pulled ? [s.side, s.wrap, s.fromCentre, s.edgeHeight] : [s.side, s.edgeHeight]).map(say);
    const key = [s.edge, ...cells].join('|');
    const item = alike.get(key) ?? { ids: [], edge: saidCorner(piece.kind, s.edge), cells };
    item.ids.push(s.id);
    alike.set(key, item);
  }
  const rows = [...alike.values()];
  room(pen, 16);
  pen.y -= 2;
  write(pen, 'Round the edge', [MARGIN, pen.y], { size: 10, font: pen.bold, color: MADDER });
  pen.y -= 5;
  // A sewn cover has seams on its way down: nothing of it is cut by its wrap.
  const heads = plan.cover.pulled ? ['Side', 'Wrap', 'From centre', 'Rim'] : ['Side', 'Rim'];
  const columns = [0, 56, ...heads.map((_, k) => 100 + 22 * k)].map((x) => MARGIN + (x * across(pen)) / 186);
  const cells = (words: readonly string[], font = pen.regular): void =>
    words.forEach((word, i) => write(pen, word, [columns[i]!, pen.y], { font, size: 8 }));
  cells(['Where', 'Stations', ...heads], pen.bold);
  pen.y -= 4;
  for (const { ids, edge, cells: names } of rows) {
    const stations = wrapText(stretchesOf(ids), pen.regular, 8, columns[2]! - columns[1]! - 3);
    room(pen, 5 + 3.4 * (stations.length - 1));
    cells([edge, stations[0] ?? '', ...names]);
    for (const more of stations.slice(1)) {
      pen.y -= 3.4;
      write(pen, more, [columns[1]!, pen.y], { size: 8 });
    }
    pen.y -= 3.9;
  }
}

/** The order of fastening as it was worked out: which middles come first, what comes last; null where nothing is fastened. */
export function orderSaid({ order, fasteners, fastener }: Fixing, kind: PieceKind): string | null {
  const centres = order.filter(({ kind }) => kind === 'centre');
  if (centres.length === 0) return null;
  const name = fasteners.find(({ id }) => id === fastener.id)?.name ?? 'Staples';
  const corners = order.filter(({ kind }) => kind === 'corner').map(({ n }) => n);
  const last = corners.length > 0 ? `; the corners last, ${stretchesOf(corners.map(String))}` : '';
  const firsts = centres.map(({ edge }) => saidEdge(kind, edge));
  return `${name}, ${order.length} for the cover of one: the middles first – ${firsts.join(', ')} – then outwards from them in turn${last}.`;
}

/** How it is fastened, in one line, and what needs a hand. */
function last(pen: Pen, { plan, piece, unit }: PrintJob): void {
  const words = [
    orderSaid(plan.fixing, piece.kind),
    // A loose cover is fastened nowhere: its corners are sewn.
    ...(wayOf(piece.covering.way).loose ? [] : plan.corners).map(
      (corner) =>
        `${saidCorner(piece.kind, corner.edge)}: ${cornerWords(corner)}${corner.fullness > 0.5 ? `, ${saidLength(corner.fullness, unit)} to lose` : ''}.`,
    ),
  ];
  const phrases = [...new Set(words.filter((word) => word !== null))];
  if (phrases.length > 0) {
    room(pen, 10 + phrases.length * 3.8);
    pen.y -= 3;
    write(pen, 'Fastening and corners', [MARGIN, pen.y], { size: 10, font: pen.bold, color: MADDER });
    pen.y -= 5;
    for (const text of phrases)
      for (const part of wrapText(text, pen.regular, 8.5, across(pen))) {
        write(pen, part, [MARGIN, pen.y], { size: 8.5 });
        pen.y -= 3.9;
      }
  }
  for (const warning of plan.warnings) {
    const lines = wrapText(inUnit(`Mind: ${warning.message}`, unit), pen.regular, 8.5, across(pen) - 4);
    room(pen, lines.length * 4 + 4);
    pen.y -= 1.5;
    const top = pen.y + 3;
    for (const line of lines) {
      write(pen, line, [MARGIN + 3, pen.y], { size: 8.5, color: MADDER });
      pen.y -= 4;
    }
    rule(pen, [MARGIN, top], [MARGIN, pen.y + 3], { thickness: 1.5, color: MADDER });
  }
}

/** Heights that the drawings may have, mm: the first that saves a page, or leaves none with a few lines on it. */
const DRAWN = [96, 84, 74, 64, 54] as const;
/** A page with less on it than this is not worth its paper, mm. */
const LITTLE = 45;

function jobAt(pen: Pen, job: PrintJob, height: number): void {
  const { piece, plan } = job;
  write(pen, piece.name, [MARGIN, pen.y], { size: 17, font: pen.bold, typed: true });
  pen.y -= 5.5;
  const facts = [
    kindOf(piece.kind).name,
    piece.count > 1 ? `set of ${piece.count}` : null,
    piece.cloth.name || null,
    plan.cover.name.toLowerCase(),
    piece.due ? `due ${piece.due}` : null,
  ].filter(Boolean);
  write(pen, facts.join('  ·  '), [MARGIN, pen.y], { size: 9.5, color: INK });
  pen.y -= 5;
  const guessed = unmeasuredNames(piece);
  if (guessed.length > 0)
    for (const line of wrapText(`Not measured, standard sizes: ${guessed.join(', ')}`, pen.bold, 8.5, across(pen))) {
      write(pen, line, [MARGIN, pen.y], { size: 8.5, font: pen.bold, color: MADDER });
      pen.y -= 4.5;
    }
  const half = (across(pen) - GAP) / 2;
  planDrawing(pen, job, { x: MARGIN, y: pen.y, width: half, height });
  sectionDrawing(pen, job, { x: MARGIN + half + GAP, y: pen.y, width: half, height });
  pen.y -= height + 6;
  sizes(pen, job);
  wraps(pen, job);
  last(pen, job);
}

/** The job sheet that hangs at the bench: plan and section to scale, every size once, corners, fastening, what to mind. */
export function jobPages(pen: Pen, job: PrintJob): void {
  const trials = DRAWN.map((height) => {
    const trial: Pen = { ...pen, pages: [...pen.pages.slice(0, -1)] };
    newPage(trial);
    jobAt(trial, job, height);
    const used = trial.page.height - MARGIN - trial.y;
    return { trial, pages: trial.pages.length, waste: trial.pages.length > pen.pages.length && used < LITTLE };
  });
  const fewest = Math.min(...trials.map(({ pages }) => pages));
  const fit = trials.filter(({ pages }) => pages === fewest);
  const { trial } = fit.find(({ waste }) => !waste) ?? fit[0]!;
  pen.pages.splice(0, pen.pages.length, ...trial.pages);
  Object.assign(pen, { page: trial.page, y: trial.y });
}
