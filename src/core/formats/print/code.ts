import QRCode from 'qrcode';
import type { Point } from '../../outline';
import { fill, type Pen } from './pen';

/** A reader wants so many modules of white round a code. */
const QUIET = 2;

/**
 * Draws a QR code: dark runs as filled strips, with white left round it.
 *
 * @param pen where
 * @param text what it says
 * @param at its lower left corner, quiet rim included, mm
 * @param size of its side, mm
 */
export function code(pen: Pen, text: string, [x, y]: Point, size: number): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const n = modules.size;
  const module = size / (n + 2 * QUIET);
  for (let row = 0; row < n; row++) {
    const top = y + size - (QUIET + row) * module;
    for (let from = 0; from < n; from++) {
      if (!modules.get(row, from)) continue;
      let to = from;
      while (to < n && modules.get(row, to)) to += 1;
      const [left, right] = [x + (QUIET + from) * module, x + (QUIET + to) * module];
      fill(
        pen,
        [
          [left, top],
          [right, top],
          [right, top - module],
          [left, top - module],
        ],
        '#000000',
      );
      from = to;
    }
  }
}
