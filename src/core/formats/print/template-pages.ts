import { bounds, type Point, type Polygon } from '../../outline';
import type { Template } from '../templates';
import { clip, MARGIN, OVERLAP, PAPERS, tiles, type Tile } from '../tiles';
import { across, FAINT, heading, MADDER, newPage, paragraph, POINTS_PER_MM, ring, rule, write, type Pen } from './pen';

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
  const { width, height } = PAPERS[pen.paper];
  pen.page = pen.doc.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
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

/** The square that is measured before anything is cut. */
function checkSquare(pen: Pen): void {
  paragraph(
    pen,
    `Measure the square: it must be ${CHECK} mm each way. Lay each sheet over its neighbour so that the crosses meet; neighbours overlap by ${OVERLAP} mm, from dotted line to paper edge of the drawing.`,
  );
  pen.y -= 4;
  ring(pen, boxOf(MARGIN, pen.y - CHECK, CHECK, CHECK), { thickness: 0.8 });
  write(pen, `${CHECK} mm`, [MARGIN + 40, pen.y - CHECK / 2], { size: 12, font: pen.bold });
  pen.y -= CHECK + 10;
}

/** The first page of a template: the check square and how the sheets go together. */
function overview(pen: Pen, template: Template, sheets: readonly Tile[]): void {
  heading(pen, template.title);
  checkSquare(pen);
  const box = bounds(
    sheets.flatMap((t): Polygon => [
      [t.x, t.y],
      [t.x + t.width, t.y + t.height],
    ]),
  );
  const scale = Math.min(across(pen) / box.width, (pen.y - MARGIN - 4) / box.height);
  const at = ([x, y]: Point): Point => [MARGIN + (x - box.minX) * scale, MARGIN + (y - box.minY) * scale];
  for (const tile of sheets) {
    ring(pen, boxOf(tile.x, tile.y, tile.width, tile.height).map(at), { thickness: 0.3, color: FAINT });
    const [x, y] = at([tile.x + tile.width / 2, tile.y + tile.height / 2]);
    write(pen, tileName(tile), [x - 3, y], { font: pen.bold, color: FAINT });
  }
  for (const drawn of template.lines) {
    const stroke = { thickness: drawn.dashed ? 0.3 : 0.8, ...(drawn.cloth ? { color: MADDER } : {}) };
    for (const [a, b] of partsOf(drawn)) rule(pen, at(a), at(b), stroke);
  }
}

/** A template at full size over as many sheets as it needs. */
export function templatePages(pen: Pen, template: Template): void {
  const { columns, rows, tiles: sheets } = tiles(template.lines, pen.paper, template.marks);
  pen.title = `${template.title}: ${sheets.length} sheets, print at 100 %, not “fit to page”`;
  newPage(pen);
  overview(pen, template, sheets);
  for (const tile of sheets) tilePage(pen, template, tile, { columns, rows });
}
