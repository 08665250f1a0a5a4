import Drawing from 'dxf-writer';
import Papa from 'papaparse';
import { OF_CLOTH, type LiningPiece } from '../cover';
import { findMaterial, WADDINGS } from '../foam';
import { bounds, type Point } from '../outline';
import type { Piece } from '../piece';
import type { Plan } from '../plan';
import { keptLayers, newOf } from '../strip';
import type { PatternFormat } from './pattern-formats';
import { firstOutlineCount } from '../plan-data';
import { templatesOf, type LineLayer, type Template } from './templates';

/** Every piece at full size in one drawing, for another program or a cutter; docs/formats.md. */

/** The layers of a pattern drawing. */
export const PATTERN_LAYERS = ['cut', 'seam', 'notch', 'mark', 'text'] as const;
export type PatternLayer = (typeof PATTERN_LAYERS)[number];

type Line = { layer: PatternLayer; points: Point[]; closed: boolean };
type Label = { at: Point; says: string; height: number };
/** A drawing in mm, y up, with its lower left corner at the origin. */
export type PatternDrawing = { width: number; height: number; lines: Line[]; labels: Label[] };

/** Between one piece and the next, and round the whole, mm: nothing is cut into its neighbour. */
const APART = 40;
/** A drawing is broken into rows of about this width, mm. */
const ROW = 3000;
/** The square by which it is seen that nobody has scaled the drawing, mm. */
const CHECK = 100;
/** Arms of a cross at a mark, length of a notch, heights of letters, mm. */
const CROSS = 4;
const NOTCH = 6;
const TEXT = { title: 12, label: 7 };
/** A letter is about so wide against its height. */
const LETTER = 0.6;

const cross = ([x, y]: Point): Line[] => [
  {
    layer: 'mark',
    points: [
      [x - CROSS, y],
      [x + CROSS, y],
    ],
    closed: false,
  },
  {
    layer: 'mark',
    points: [
      [x, y - CROSS],
      [x, y + CROSS],
    ],
    closed: false,
  },
];

/** A notch: a short line from the cut edge towards the piece's middle, never longer than half of what is there. */
function notchLine([x, y]: Point, [mx, my]: Point): Line {
  const far = Math.hypot(mx - x, my - y) || 1;
  const by = Math.min(NOTCH, far / 2) / far;
  return {
    layer: 'notch',
    points: [
      [x, y],
      [x + (mx - x) * by, y + (my - y) * by],
    ],
    closed: false,
  };
}

/** One template's own lines and words. */
function drawn(template: Template): { lines: Line[]; labels: Label[] } {
  const box = bounds(template.lines[0]!.outline);
  const middle: Point = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const notches = template.notches ?? [];
  const isNotch = ([x, y]: Point): boolean => notches.some(({ at }) => Math.hypot(at[0] - x, at[1] - y) < 1e-6);
  return {
    lines: [
      ...template.lines.map(({ outline, closed, layer }): Line => ({
        layer: (layer ?? 'mark') satisfies LineLayer,
        points: [...outline],
        closed,
      })),
      ...notches.map(({ at }) => notchLine(at, middle)),
      ...template.marks.filter((mark) => !isNotch(mark)).flatMap(cross),
    ],
    labels: [
      { at: [box.minX, box.maxY + TEXT.title], says: template.title, height: TEXT.title },
      ...(template.labels ?? []).map(({ at, says }) => ({ at, says, height: TEXT.label })),
    ],
  };
}

/** How far a template reaches, everything drawn on it counted. */
function reach({ lines }: { lines: readonly Line[] }): ReturnType<typeof bounds> {
  return bounds(lines.flatMap(({ points }) => points));
}

/**
 * Lays templates side by side at full size, in rows, with a square to check the scale by. Nothing overlaps.
 *
 * @param templates of the plan
 */
export function patternDrawing(templates: readonly Template[]): PatternDrawing {
  const lines: Line[] = [];
  const labels: Label[] = [];
  let [x, y, high, wide] = [APART, APART, 0, 0];
  const put = (item: { lines: Line[]; labels: Label[] }): void => {
    const box = reach(item);
    const room = box.height + 3 * TEXT.title;
    // A small piece's title is longer than it: no word runs into the next one.
    const width = Math.max(box.width, ...item.labels.map(({ at, says, height }) => at[0] - box.minX + says.length * height * LETTER));
    if (x > APART && x + width > ROW) [x, y, high] = [APART, y + high + APART, 0];
    const to = ([u, v]: Point): Point => [u - box.minX + x, v - box.minY + y];
    lines.push(...item.lines.map((line) => ({ ...line, points: line.points.map(to) })));
    labels.push(...item.labels.map((label) => ({ ...label, at: to(label.at) })));
    x += width + APART;
    high = Math.max(high, room);
    wide = Math.max(wide, x);
  };
  put({
    lines: [
      {
        layer: 'mark',
        points: [
          [0, 0],
          [CHECK, 0],
          [CHECK, CHECK],
          [0, CHECK],
        ],
        closed: true,
      },
    ],
    labels: [{ at: [0, CHECK + TEXT.label], says: `${CHECK} mm: measure it before anything is cut`, height: TEXT.label }],
  });
  for (const template of templates) put(drawn(template));
  return { width: wide, height: y + high + APART, lines, labels };
}

const fixed = (mm: number): string => String(Math.round(mm * 100) / 100);
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** How each layer is drawn, and its colour in a DXF. */
const LOOK: Record<PatternLayer, { stroke: string; dash?: string; aci: number }> = {
  cut: { stroke: '#b00020', aci: Drawing.ACI.RED },
  seam: { stroke: '#222222', dash: '6 4', aci: Drawing.ACI.WHITE },
  notch: { stroke: '#1f4e79', aci: Drawing.ACI.BLUE },
  mark: { stroke: '#1f7a3d', aci: Drawing.ACI.GREEN },
  text: { stroke: '#222222', aci: Drawing.ACI.CYAN },
};

/** The drawing as SVG: one group a layer, one unit a millimetre. */
export function patternSvg({ width, height, lines, labels }: PatternDrawing, title: string): string {
  const path = ({ points, closed }: Line): string =>
    `<path d="M${points.map(([x, y]) => `${fixed(x)} ${fixed(height - y)}`).join('L')}${closed ? 'Z' : ''}"/>`;
  const group = (layer: PatternLayer): string => {
    const { stroke, dash } = LOOK[layer];
    if (layer === 'text')
      return `<g id="text" fill="${stroke}" font-family="sans-serif">${labels.map(({ at, says, height: size }) => `<text x="${fixed(at[0])}" y="${fixed(height - at[1])}" font-size="${size}">${escaped(says)}</text>`).join('')}</g>`;
    return `<g id="${layer}" fill="none" stroke="${stroke}" stroke-width="0.4"${dash ? ` stroke-dasharray="${dash}"` : ''}>${lines
      .filter((line) => line.layer === layer)
      .map(path)
      .join('')}</g>`;
  };
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${fixed(width)}mm" height="${fixed(height)}mm" viewBox="0 0 ${fixed(width)} ${fixed(height)}"><title>${escaped(title)}</title>${PATTERN_LAYERS.map(group).join('')}</svg>\n`;
}

/** The drawing as DXF: the same layers in capitals, millimetres. */
export function patternDxf({ lines, labels }: PatternDrawing): string {
  const drawing = new Drawing();
  drawing.setUnits('Millimeters');
  for (const layer of PATTERN_LAYERS) drawing.addLayer(layer.toUpperCase(), LOOK[layer].aci, 'CONTINUOUS');
  for (const { layer, points, closed } of lines) {
    drawing.setActiveLayer(layer.toUpperCase());
    drawing.drawPolyline(
      points.map(([x, y]): [number, number] => [x, y]),
      closed,
    );
  }
  drawing.setActiveLayer('TEXT');
  // A line break in a name would be read as the next group code.
  for (const { at, says, height } of labels) drawing.drawText(at[0], at[1], height, 0, says.replace(/[\r\n]+/g, ' '));
  return drawing.toDxfString();
}

/** One line of the cut list. */
export type CutRow = {
  what: string;
  of: string;
  count: number;
  width_mm: number;
  length_mm: number;
  thickness_mm: number | '';
  note: string;
};

const whole = (mm: number): number => Math.round(mm * 10) / 10;

/** A lining's material as it is asked for. */
const materialName = (id: string): string => findMaterial(WADDINGS, id)?.name ?? id.replaceAll('-', ' ');

/** Boards that are sawn new, of one outline. */
function boardRow({ cut: { board } }: Plan, { width, depth }: { width: number; depth: number }, count: number, of: string): CutRow[] {
  if (!board) return [];
  const { materialName, thickness } = board;
  return [
    {
      what: `board${of}`,
      of: materialName,
      count,
      width_mm: whole(width),
      length_mm: whole(depth),
      thickness_mm: thickness,
      note: 'to its template',
    },
  ];
}

/** Everything that is cut, a line each: foam, cloth and linings, welts, of every outline in the set. */
export function cutRows(plan: Plan, piece: Pick<Piece, 'cloth' | 'second' | 'count' | 'strip'>): CutRow[] {
  const cover = newOf(plan.cover, piece);
  const retained = keptLayers(piece);
  const cloth = { cover: piece.cloth.name, second: piece.second?.name ?? '', lining: 'lining cloth' };
  // A row is what is laid on a sheet: a pad's every layer, and of one that is joined every block.
  const foam = (pads: Plan['foam'], of: string): CutRow[] =>
    pads
      .filter(({ kept }) => !kept)
      .flatMap((pad) =>
        pad.layers.flatMap((thickness, layer) =>
          (pad.pair ? pad.blocks.slice(0, 1) : pad.blocks).map((block, k, all) => ({
            what: `${pad.insertOf ? `Insert${pad.nth > 1 ? ` ${pad.nth}` : ''} for ` : ''}${pad.role} pad${of}`,
            of: pad.materialName,
            count: pad.count / (pad.layers.length * all.length),
            width_mm: whole(block.width),
            length_mm: whole(block.height),
            thickness_mm: thickness,
            note: [
              ...(pad.layers.length > 1 ? [`layer ${layer + 1} of ${pad.layers.length}`] : []),
              ...(all.length > 1 ? [`block ${k + 1} of ${all.length}`] : []),
              ...(pad.pair ? ['two wedges from each'] : []),
              ...(pad.packet ? [`from pieces of ${whole(pad.packet.width)} × ${whole(pad.packet.length)}`] : []),
              ...(pad.trimmed ? [`trimmed to ${Math.round(pad.finished.width)} × ${Math.round(pad.finished.height)} once glued`] : []),
              ...(pad.scrap ? ['from scraps'] : []),
            ].join('; '),
          })),
        ),
      );
  const flat = (
    pieces: readonly { name: string; count: number; width: number; height: number }[],
    of: (k: number) => string,
    note: (k: number) => string,
  ): CutRow[] =>
    pieces.map(({ name, count, width, height }, k) => ({
      what: name,
      of: of(k),
      count,
      width_mm: whole(width),
      length_mm: whole(height),
      thickness_mm: '',
      note: note(k),
    }));
  const covers = (coverPieces: Plan['cover']['pieces']): CutRow[] =>
    flat(
      coverPieces,
      (k) => cloth[coverPieces[k]!.cloth],
      (k) => coverPieces[k]!.note,
    );
  const linings = (liningPieces: readonly (LiningPiece | null)[]): CutRow[] => {
    const there = liningPieces.filter((lining) => lining !== null);
    return flat(
      there,
      (k) => materialName(there[k]!.material),
      () => '',
    );
  };
  return [
    ...boardRow(plan, plan.outline, firstOutlineCount(plan), ''),
    ...foam(plan.foam, ''),
    ...covers(cover.pieces),
    ...linings([retained.has('wadding') ? null : plan.wadding, retained.has('dust') ? null : plan.dustCover, ...cover.linings]),
    ...cover.welts.map((welt): CutRow => ({
      what: `Piping strip, ${welt.name.toLowerCase()}${OF_CLOTH[welt.cloth]}`,
      of: cloth[welt.cloth],
      // Welts are told for one piece; everything else here is for the set.
      count: welt.strips * piece.count,
      width_mm: whole(welt.stripWidth),
      length_mm: whole(welt.stripLength / welt.strips),
      thickness_mm: '',
      note: welt.cut === 'bias' ? 'on the bias' : 'on the straight',
    })),
    ...plan.variants.flatMap((variant) => [
      ...boardRow(plan, variant.outline, variant.count, `, ${variant.name}`),
      ...foam(variant.foam, `, ${variant.name}`),
      ...covers(variant.covers),
      ...linings([variant.wadding, variant.dustCover]),
    ]),
  ];
}

/** The cut list as CSV; what a spreadsheet would take for a formula is a word. */
export function cutListCsv(rows: readonly CutRow[]): string {
  return `${Papa.unparse([...rows], { escapeFormulae: true, newline: '\n' })}\n`;
}

/**
 * A plan's pieces in a format.
 *
 * @param plan every part of it
 * @param piece the document
 * @param format svg, dxf or csv
 */
export function patternFile(plan: Plan, piece: Piece, format: PatternFormat): string {
  if (format === 'csv') return cutListCsv(cutRows(plan, piece));
  const drawing = patternDrawing(templatesOf(plan));
  return format === 'svg' ? patternSvg(drawing, piece.name) : patternDxf(drawing);
}
