import { saidLength, type Unit } from '../../length';
import { bounds, type Point, type Polygon } from '../../outline';
import { draftOf, type Draft } from '../drafting';
import { cornersOf, onTheFold, shapeOf, type Template, type TemplateMode } from '../templates';
import { clip, MARGIN, OVERLAP, PAPERS, tiles, type Paper, type Tile } from '../tiles';
import { across, addPage, FAINT, heading, MADDER, newPage, paragraph, ring, room, rule, wrapText, write, type Pen } from './pen';

/** Side of the square one measures to see that the printer did not scale, mm. */
const CHECK = 100;
/** Half the length of a mark’s arms, mm. */
const ARM = 8;

function tileName(tile: Tile): string {
  return `${String.fromCharCode(65 + (tile.row % 26))}${tile.column + 1}`;
}

type TemplateLine = Template['lines'][number];

/** The straight parts of a line. */
function partsOf({ outline, closed }: TemplateLine): [Point, Point][] {
  return outline.flatMap((a, i): [Point, Point][] => (closed || i < outline.length - 1 ? [[a, outline[(i + 1) % outline.length]!]] : []));
}

/** One sheet of a template at full size. */
function tilePage(pen: Pen, template: Template, tile: Tile, grid: { columns: number; rows: number }): void {
  addPage(pen, { width: PAPERS[pen.paper].width, height: tile.height + 2 * MARGIN });
  const place = (p: Point): Point => [p[0] - tile.x + MARGIN, p[1] - tile.y + MARGIN];
  const draw = ([a, b]: [Point, Point], stroke: Parameters<typeof rule>[3]): void => {
    const seen = clip(a, b, tile);
    if (seen) rule(pen, place(seen[0]), place(seen[1]), stroke);
  };
  for (const drawn of template.lines) {
    const stroke = {
      thickness: drawn.dashed ? 0.5 : 1.1,
      ...(drawn.cloth ? { color: MADDER } : {}),
      ...(drawn.dashed ? { dash: [5, 4] } : {}),
    };
    for (const part of partsOf(drawn)) draw(part, stroke);
  }
  for (const [x, y] of template.marks) {
    draw(
      [
        [x - ARM, y],
        [x + ARM, y],
      ],
      { thickness: 0.6 },
    );
    draw(
      [
        [x, y - ARM],
        [x, y + ARM],
      ],
      { thickness: 0.6 },
    );
  }
  for (const { at, says } of template.labels ?? []) {
    const [x, y] = place(at);
    const inside = x > MARGIN && y > MARGIN && x < MARGIN + tile.width - 12 && y < MARGIN + tile.height - 4;
    if (inside) write(pen, says, [x + 2, y + 1.5], { size: 8 });
  }
  overlapMarks(pen, tile, grid);
  checkRules(pen, tile);
  write(pen, `${tileName(tile)}  ${template.title}`, [MARGIN, 5], { size: 8, color: FAINT });
}

/** Crosses on the lines along which the next sheet is laid: they must fall on each other. */
function overlapMarks(pen: Pen, tile: Tile, { columns, rows }: { columns: number; rows: number }): void {
  const between = (low: boolean, high: boolean, length: number): number[] => [
    ...(low ? [OVERLAP] : []),
    ...(high ? [length - OVERLAP] : []),
  ];
  const dotted = { thickness: 0.25, color: FAINT, dash: [1, 5] };
  for (const x of between(tile.column > 0, tile.column < columns - 1, tile.width)) {
    rule(pen, [MARGIN + x, MARGIN], [MARGIN + x, MARGIN + tile.height], dotted);
    for (const y of [tile.height * 0.25, tile.height * 0.75]) cross(pen, MARGIN + x, MARGIN + y);
  }
  for (const y of between(tile.row > 0, tile.row < rows - 1, tile.height)) {
    rule(pen, [MARGIN, MARGIN + y], [MARGIN + tile.width, MARGIN + y], dotted);
    for (const x of [tile.width * 0.25, tile.width * 0.75]) cross(pen, MARGIN + x, MARGIN + y);
  }
}

/** How far the check rules lie from the sheet’s edge, mm: in the margin, where no drawing is. */
const IN_MARGIN = 7.5;

/** A rule each way in the margin of every sheet: a printer that fits to the page does so sheet by sheet. */
function checkRules(pen: Pen, tile: Tile): void {
  const stroke = { thickness: 0.6 };
  const top = tile.height + 2 * MARGIN - IN_MARGIN;
  rule(pen, [MARGIN, top], [MARGIN + CHECK, top], stroke);
  rule(pen, [IN_MARGIN, MARGIN], [IN_MARGIN, MARGIN + CHECK], stroke);
  for (const end of [0, CHECK]) {
    rule(pen, [MARGIN + end, top - 1.5], [MARGIN + end, top + 1.5], stroke);
    rule(pen, [IN_MARGIN - 1.5, MARGIN + end], [IN_MARGIN + 1.5, MARGIN + end], stroke);
  }
  write(pen, `${CHECK} mm, each way, on every sheet`, [MARGIN + CHECK + 3, top - 1.2], { size: 7, color: FAINT });
}

function cross(pen: Pen, x: number, y: number): void {
  rule(pen, [x - 3, y], [x + 3, y]);
  rule(pen, [x, y - 3], [x, y + 3]);
}

const boxOf = (x: number, y: number, width: number, height: number): Polygon => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
];

/** A sheet that ends within this of a corner is printed with the corners: one wants some line to either side of it, mm. */
const NEAR_CORNER = 25;

/** A template as it goes to the bench: its lines, and the sheets that they are printed on. */
export type Laid = { template: Template; mode: TemplateMode; sheets: Tile[]; grid: { columns: number; rows: number } };

/**
 * A template in one of its modes.
 *
 * @param template at full size
 * @param mode whole, half, its corners, or nothing that is printed at full size
 * @param paper which paper
 */
export function laidOut(template: Template, mode: TemplateMode, paper: Paper): Laid {
  const item = mode === 'half' ? onTheFold(template) : template;
  if (mode === 'string' || mode === 'ruled' || mode === 'drafted' || mode === 'none')
    return { template, mode, sheets: [], grid: { columns: 0, rows: 0 } };
  const { columns, rows, tiles: sheets } = tiles(item.lines, paper, item.marks);
  const corners = cornersOf(item);
  const near = ({ x, y, width, height }: Tile): boolean =>
    corners.some(([a, b]) => a > x - NEAR_CORNER && a < x + width + NEAR_CORNER && b > y - NEAR_CORNER && b < y + height + NEAR_CORNER);
  return { template: item, mode, sheets: mode === 'corners' ? sheets.filter(near) : sheets, grid: { columns, rows } };
}

/** The square that is measured before anything is cut, and how sheets go together. */
function checkSquare(pen: Pen): void {
  const top = pen.y;
  ring(pen, boxOf(MARGIN, top - CHECK, CHECK, CHECK), { thickness: 0.8 });
  write(pen, `${CHECK} mm`, [MARGIN + 40, top - CHECK / 2], { size: 12, font: pen.bold });
  const words = `Print at 100 %, not “fit to page”. Measure the square: it must be ${CHECK} mm each way; so must the two rules in the margin of every sheet. Lay each sheet over its neighbour so that the crosses meet; neighbours overlap by ${OVERLAP} mm, from dotted line to the edge of the drawing.`;
  wrapText(words, pen.regular, 9, across(pen) - CHECK - 8).forEach((id, i) => write(pen, id, [MARGIN + CHECK + 8, top - 4 - i * 4.6]));
  pen.y = top - CHECK - 8;
}

/** Height of a picture of a template, mm. */
const SMALL = 46;

/** Notches round a circle are evenly spaced within this, degrees. */
const EVEN = 1.5;

/** Where the notches of a circle are: clockwise from the front, in degrees, or how far apart where they are even. */
function roundNotches(notches: NonNullable<Template['notches']>, { x, y }: { x: number; y: number }): string {
  const found = notches
    .map(({ at, says }) => ({ says, angle: (450 + (Math.atan2(x - at[0], y - at[1]) * 180) / Math.PI - 90) % 360 }))
    .sort((a, b) => a.angle - b.angle);
  if (found.length === 0) return '';
  const each = 360 / found.length;
  const even = found.every(({ angle }, i) => Math.abs(angle - found[0]!.angle - i * each) < EVEN);
  const names = found.map(({ says }) => says).join(', ');
  const first = Math.round(found[0]!.angle);
  const from = first === 0 ? 'from the front' : `from ${first}° past the front`;
  if (even) return ` Notches every ${Math.round(each * 10) / 10}° clockwise ${from}: ${names}.`;
  return ` Notches clockwise from the front: ${found.map(({ says, angle }) => `${says} at ${Math.round(angle)}°`).join(', ')}.`;
}

/** How the figures of a draft are read. */
function draftWords({ fold }: Draft, unit: Unit): string {
  return `Drafted from a base line: across from ${fold ? 'the fold' : 'the left'}, then up${unit === 'mm' ? ', in mm' : ''}. Join the points in order${fold ? ' and cut on the fold' : ''}; after a ~ bend a batten to the next.`;
}

const bare = (mm: number, unit: Unit): string => saidLength(mm, unit).replace(/ mm$/, '');

/** The figures of a draft: its points by number, then its marks and cuts. */
function draftRows({ points, marks, cuts }: Draft, unit: Unit): string[] {
  const place = (across: number, up: number): string => `${bare(across, unit)}, ${bare(up, unit)}`;
  return [
    ...points.map(({ across, up, curve }, i) => `${i + 1}   ${place(across, up)}${curve ? ' ~' : ''}`),
    ...marks.map(({ says, across, up }) => `${says}   ${place(across, up)}`),
    ...cuts.map(({ from, to }) => `cut   ${place(...from)} to ${place(...to)}`),
  ];
}

/** A draft's figures in columns. */
function draftTable(pen: Pen, draft: Draft, unit: Unit): void {
  const rows = draftRows(draft, unit);
  const columns = rows.some((row) => row.length > 24) ? 3 : 4;
  const each = Math.ceil(rows.length / columns);
  room(pen, each * ROW + 4);
  const top = pen.y;
  rows.forEach((row, i) =>
    write(pen, row, [MARGIN + Math.floor(i / each) * (across(pen) / columns), top - (i % each) * ROW], { size: 8.5 }),
  );
  pen.y = top - each * ROW - 3;
}

/** Height of a row of figures, mm. */
const ROW = 4.4;

/** What a template is drawn by, where it is not printed: a string, or a ruler; and where its notches are. */
export function drawnBy({ template, mode }: Pick<Laid, 'template' | 'mode'>, unit: Unit): string {
  const { circle, box } = shapeOf(template);
  const say = (mm: number): string => saidLength(mm, unit);
  const notches = template.notches ?? [];
  if (mode === 'string' && circle)
    return `a circle of ${say(2 * circle.radius)}: a string of ${say(circle.radius)} from the middle.${roundNotches(notches, circle)}`;
  const draft = mode === 'drafted' ? draftOf(template) : null;
  if (draft) return `${draftWords(draft, unit)} ${draftRows(draft, unit).join('; ')}.`;
  if (mode !== 'ruled') return '';
  const along = (upper: boolean): string =>
    notches
      .filter(({ at }) => at[1] > (box.minY + box.maxY) / 2 === upper)
      .sort((a, b) => a.at[0] - b.at[0])
      .map(({ at, says }) => `${says} at ${say(at[0] - box.minX)}`)
      .join(', ');
  const phrases = [
    along(true) && ` Notches along the upper edge, from the left: ${along(true)}.`,
    along(false) && ` Along the lower edge: ${along(false)}.`,
  ];
  return `ruled, ${say(box.width)} × ${say(box.height)}.${phrases.filter(Boolean).join('')}`;
}

/** A template small, with the names of its sheets; or how it is drawn without one. */
function small(pen: Pen, laid: Laid, unit: Unit): void {
  const { template, sheets } = laid;
  room(pen, SMALL + 14);
  const count = sheets.length === 1 ? '1 sheet' : `${sheets.length} sheets`;
  const draft = laid.mode === 'drafted' ? draftOf(template) : null;
  const words = `${template.title}: ${sheets.length > 0 ? count : draft ? 'drafted' : drawnBy(laid, unit)}${laid.mode === 'half' ? ', half, on the fold' : ''}${laid.mode === 'corners' ? ', its corners' : ''}`;
  paragraph(pen, words, { font: pen.bold, size: 9 });
  if (draft) {
    paragraph(pen, draftWords(draft, unit), { size: 8.5 });
    draftTable(pen, draft, unit);
    room(pen, SMALL + 8);
  }
  const box = bounds(
    sheets.length > 0
      ? sheets.flatMap((t): Polygon => [
          [t.x, t.y],
          [t.x + t.width, t.y + t.height],
        ])
      : template.lines[0]!.outline,
  );
  const scale = Math.min((across(pen) * 0.8) / box.width, SMALL / box.height);
  const foot = pen.y - box.height * scale;
  const at = ([x, y]: Point): Point => [MARGIN + (x - box.minX) * scale, foot + (y - box.minY) * scale];
  for (const tile of sheets) {
    ring(pen, boxOf(tile.x, tile.y, tile.width, tile.height).map(at), { thickness: 0.3, color: FAINT });
    const [x, y] = at([tile.x + tile.width / 2, tile.y + tile.height / 2]);
    write(pen, tileName(tile), [x - 3, y], { font: pen.bold, color: FAINT });
  }
  for (const drawn of template.lines) {
    const stroke = { thickness: drawn.dashed ? 0.3 : 0.8, ...(drawn.cloth ? { color: MADDER } : {}) };
    for (const [a, b] of partsOf(drawn)) rule(pen, at(a), at(b), stroke);
  }
  const low = bounds(template.lines[0]!.outline);
  const left = draft?.fold ? (low.minX + low.maxX) / 2 : low.minX;
  draft?.points.forEach(({ across: x, up }, i) => write(pen, String(i + 1), at([left + x, low.minY + up]), { size: 6.5, color: FAINT }));
  pen.y = foot - 7;
}

/**
 * The templates: one page that says how they are printed and which sheets there are, then the sheets at full size.
 *
 * @param pen where it goes
 * @param chosen each template in the mode in which it is wanted
 * @param unit of what is said
 */
export function templatePages(pen: Pen, chosen: readonly Laid[], unit: Unit): void {
  const wanted = chosen.filter(({ mode }) => mode !== 'none');
  if (wanted.length === 0) return;
  newPage(pen);
  heading(pen, 'Templates');
  if (wanted.some(({ sheets }) => sheets.length > 0)) checkSquare(pen);
  for (const laid of wanted) small(pen, laid, unit);
  for (const { template, sheets, grid } of wanted) for (const tile of sheets) tilePage(pen, template, tile, grid);
}
