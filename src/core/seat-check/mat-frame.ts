/**
 * A frame of a pressure mat: 16 × 16 cells, row by row from the front left, kPa. Read from CSV or from the mat's line
 * protocol (docs/mat.md).
 */
export type MatFrame = { cell: number; kPa: number[] };
export type MatRead = { ok: true; frame: MatFrame } | { ok: false; why: string };

/** Cells along each side. */
export const MAT_SIDE = 16;
/** Width of a cell, mm, where a file does not say. */
export const MAT_CELL = 28;
/** No mat reads more than this, kPa. */
const MOST = 400;
/** A longer line or file is not a mat's. */
export const LONGEST_LINE = 4000;
const LONGEST_FILE = 60_000;

function frameOf(words: readonly string[], cell: number): MatRead {
  const count = MAT_SIDE * MAT_SIDE;
  if (words.length !== count) return { ok: false, why: `a frame has ${count} figures; this one has ${words.length}` };
  const kPa = words.map((word) => (/^-?\d{1,4}(\.\d{1,4})?$/.test(word) ? Number(word) : NaN));
  const wrong = kPa.findIndex((p) => !(p >= 0 && p <= MOST));
  if (wrong >= 0) return { ok: false, why: `“${words[wrong]!.slice(0, 12)}” in cell ${wrong + 1} is not a pressure of 0 to ${MOST} kPa` };
  if (!(cell >= 5 && cell <= 80)) return { ok: false, why: 'a cell must be 5 to 80 mm wide' };
  return { ok: true, frame: { cell, kPa } };
}

/**
 * Reads a frame from a CSV file: sixteen lines of sixteen figures, the front line first; a first line `cell,28` may say
 * how wide a cell is, mm.
 *
 * @param text the file
 */
export function readMatCsv(text: string): MatRead {
  if (text.length > LONGEST_FILE) return { ok: false, why: 'the file is far larger than a frame' };
  const lines = text
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const head = /^cell\s*[,;]\s*(\d{1,3}(?:\.\d+)?)$/i.exec(lines[0] ?? '');
  const rows = (head ? lines.slice(1) : lines).map((line) => line.split(/[,;\t]/).map((word) => word.trim()));
  if (rows.length !== MAT_SIDE) return { ok: false, why: `a frame has ${MAT_SIDE} lines; this file has ${rows.length}` };
  const short = rows.findIndex((row) => row.length !== MAT_SIDE);
  if (short >= 0) return { ok: false, why: `line ${short + 1} has ${rows[short]!.length} figures instead of ${MAT_SIDE}` };
  return frameOf(rows.flat(), head ? Number(head[1]) : MAT_CELL);
}

/** Writes a frame as CSV. */
export function writeMatCsv({ cell, kPa }: MatFrame): string {
  const rows = Array.from({ length: MAT_SIDE }, (_, j) => kPa.slice(j * MAT_SIDE, (j + 1) * MAT_SIDE).join(','));
  return [`cell,${cell}`, ...rows, ''].join('\n');
}

/** A frame as a line of the mat's protocol: `F cell p1 p2 … p256`, pressures in kPa. */
export function matLine({ cell, kPa }: MatFrame): string {
  return `F ${cell} ${kPa.map((p) => Math.round(p * 10) / 10).join(' ')}\n`;
}

/** Reads such a line. */
export function readMatLine(line: string): MatRead {
  if (line.length > LONGEST_LINE) return { ok: false, why: 'the line is too long' };
  const [kind, cell, ...words] = line.trim().split(/ +/);
  if (kind !== 'F') return { ok: false, why: 'the line is not a frame' };
  return frameOf(words, Number(cell));
}

/** What a frame says as a whole: highest and mean pressure (kPa), area pressed (mm²), force (N). */
export function matSums({ cell, kPa }: MatFrame): { peak: number; mean: number; area: number; force: number } {
  const pressed = kPa.filter((p) => p > 0.5);
  const sum = pressed.reduce((total, p) => total + p, 0);
  return {
    peak: Math.max(0, ...kPa),
    mean: pressed.length > 0 ? sum / pressed.length : 0,
    area: pressed.length * cell * cell,
    force: (sum * cell * cell) / 1000,
  };
}

/**
 * The computed pressure as the mat would read it: the mean over each cell, the mat's middle on a place of the plan.
 *
 * @param grid pressure at even places, N/mm²; NaN off the piece
 * @param cell width of a cell, mm
 * @param middle where the mat's middle lies
 */
export function asMat(
  grid: { x0: number; y0: number; step: number; columns: number; rows: number; heights: Float64Array },
  cell: number,
  middle: readonly [number, number],
): MatFrame {
  const sums = new Float64Array(MAT_SIDE * MAT_SIDE);
  const counts = new Float64Array(MAT_SIDE * MAT_SIDE);
  grid.heights.forEach((p, i) => {
    if (Number.isNaN(p)) return;
    const u = Math.floor((grid.x0 + (i % grid.columns) * grid.step - middle[0]) / cell + MAT_SIDE / 2);
    const v = Math.floor((grid.y0 + Math.floor(i / grid.columns) * grid.step - middle[1]) / cell + MAT_SIDE / 2);
    if (u < 0 || v < 0 || u >= MAT_SIDE || v >= MAT_SIDE) return;
    sums[v * MAT_SIDE + u]! += p * 1000;
    counts[v * MAT_SIDE + u]! += 1;
  });
  return { cell, kPa: [...sums].map((sum, i) => (counts[i]! > 0 ? Math.round((sum / counts[i]!) * 10) / 10 : 0)) };
}

/** How alike two frames are: the correlation of their cells, −1 … 1. */
export function matLikeness(a: MatFrame, b: MatFrame): number {
  const mean = (frame: MatFrame): number => frame.kPa.reduce((sum, p) => sum + p, 0) / frame.kPa.length;
  const [ma, mb] = [mean(a), mean(b)];
  let [top, left, right] = [0, 0, 0];
  a.kPa.forEach((p, i) => {
    const [x, y] = [p - ma, b.kPa[i]! - mb];
    top += x * y;
    left += x * x;
    right += y * y;
  });
  return left > 0 && right > 0 ? top / Math.sqrt(left * right) : 0;
}
