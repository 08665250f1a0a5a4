import { inflateSync } from 'node:zlib';
import type { Point } from '../core/outline';

/** A PDF read from its own bytes: nothing of the code that wrote it is used to read it. */

/** Millimetres in a point. */
export const MM = 25.4 / 72;

/** Every stream of a file, unpacked where it is packed. */
function streamsOf(file: Buffer): string[] {
  const found: string[] = [];
  const text = file.toString('latin1');
  const start = /stream\r?\n/g;
  for (let match = start.exec(text); match; match = start.exec(text)) {
    const from = match.index + match[0].length;
    const to = text.indexOf('endstream', from);
    if (to < 0) break;
    const head = text.slice(Math.max(0, match.index - 400), match.index);
    const body = file.subarray(from, to);
    try {
      found.push(
        /FlateDecode/.test(head.slice(head.lastIndexOf('<<'))) || /FlateDecode/.test(head)
          ? inflateSync(body).toString('latin1')
          : body.toString('latin1'),
      );
    } catch {
      // A font or a picture that is packed otherwise has no lines in it.
    }
    start.lastIndex = to + 'endstream'.length;
  }
  return found;
}

type Matrix = [number, number, number, number, number, number];
const times = ([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix => [
  a * g + b * i,
  a * h + b * j,
  c * g + d * i,
  c * h + d * j,
  e * g + f * i + k,
  e * h + f * j + l,
];

/** Every line that a page's content draws, in millimetres from its lower left corner. */
function linesOf(content: string): Point[][] {
  const lines: Point[][] = [];
  let now: Matrix = [1, 0, 0, 1, 0, 0];
  const matrixes: Matrix[] = [];
  let stack: number[] = [];
  const at = (x: number, y: number): Point => [(now[0] * x + now[2] * y + now[4]) * MM, (now[1] * x + now[3] * y + now[5]) * MM];
  for (const word of content.split(/\s+/)) {
    if (/^[-+.\d]+$/.test(word)) {
      stack.push(Number(word));
      continue;
    }
    if (word === 'q') matrixes.push(now);
    else if (word === 'Q') now = matrixes.pop() ?? now;
    else if (word === 'cm' && stack.length >= 6) now = times(stack.slice(-6) as Matrix, now);
    else if (word === 'm') lines.push([at(stack.at(-2)!, stack.at(-1)!)]);
    else if (word === 'l') lines.at(-1)?.push(at(stack.at(-2)!, stack.at(-1)!));
    stack = [];
  }
  return lines.filter((line) => line.length > 1);
}

/** Of each page the lines that are drawn on it, mm from its lower left corner. */
export const pagesOf = (file: Buffer): Point[][][] =>
  streamsOf(file)
    // What a page draws is written in plain signs; fonts are not.
    .filter((stream) => /^[\t\n\r -~]*$/.test(stream) && /\bl\b/.test(stream))
    .map(linesOf)
    .filter((lines) => lines.length > 0);

/** Lines that go on where the one before ended, as one. */
export function chains(lines: readonly Point[][]): Point[][] {
  const found: Point[][] = [];
  for (const line of lines) {
    const last = found.at(-1)?.at(-1);
    const [x, y] = line[0]!;
    if (last && Math.hypot(last[0] - x, last[1] - y) < 0.02) found.at(-1)!.push(...line.slice(1));
    else found.push([...line]);
  }
  return found;
}
