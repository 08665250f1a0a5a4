import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import type { Blank } from '../core/foam-cutting';

/** Numbers from 0 to 1 that look random, the same for the same seed. */
function seededRandom(seed: number): () => number {
  let state = seed + 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

/** A set of rectangles as they may come, and whether they may be turned: the same for the same number. */
export function randomBlanks(set: number): { blanks: Blank[]; turn: boolean } {
  const roll = seededRandom(977 * set + 13);
  const blanks = Array.from({ length: 4 + Math.floor(roll() * 30) }, (_, k): Blank => ({
    label: `random ${k}`,
    width: 60 + Math.round(roll() * 700),
    height: 60 + Math.round(roll() * 700),
  }));
  return { blanks, turn: roll() < 0.5 };
}

/** A rectangle cut up by straight cuts from side to side: what can be laid without any waste. */
export function jigsaw(width: number, height: number, count: number): Blank[] {
  const roll = seededRandom(count);
  const parts = [{ width, height }];
  while (parts.length < count) {
    parts.sort((a, b) => b.width * b.height - a.width * a.height);
    const whole = parts.shift()!;
    const share = 0.3 + 0.4 * roll();
    const [across, along] = [Math.round(whole.width * share), Math.round(whole.height * share)];
    if (whole.width > whole.height)
      parts.push({ width: across, height: whole.height }, { width: whole.width - across, height: whole.height });
    else parts.push({ width: whole.width, height: along }, { width: whole.width, height: whole.height - along });
  }
  return parts.map((part, k) => ({ label: `part ${k}`, ...part }));
}

/** Area of blanks, mm². */
export function areaOf(blanks: readonly Blank[]): number {
  return blanks.reduce((sum, { width, height }) => sum + width * height, 0);
}

type Box = { x: number; y: number; width: number; height: number; rot?: boolean };
type Room = { gap: number; turn: boolean };

/** The packer alone, on as many sheets as it takes. */
function packed(blanks: readonly Blank[], sheet: { width: number; height: number }, { gap, turn }: Room): MaxRectsPacker<Box> {
  const packer = new MaxRectsPacker<Box>(sheet.width + gap, sheet.height + gap, 0, {
    smart: true,
    pot: false,
    square: false,
    allowRotation: turn,
  });
  packer.addArray(blanks.map(({ width, height }) => ({ x: 0, y: 0, width: width + gap, height: height + gap })));
  return packer;
}

/** How many sheets the packer alone takes. */
export function packerSheets(blanks: readonly Blank[], sheet: { width: number; height: number }, room: Room): number {
  return packed(blanks, sheet, room).bins.length;
}

/** It marks what it turned, and leaves its width and height as they were. */
const along = ({ rot, width, height }: Box): number => (rot ? width : height);

/** The shortest roll that the packer alone finds, halving what is left to look through, mm. */
export function packerRoll(blanks: readonly Blank[], width: number, room: Room): number {
  const tried = (height: number): number | null => {
    const { bins } = packed(blanks, { width, height }, room);
    return bins.length === 1 ? Math.max(...bins[0]!.rects.map((rect) => rect.y + along(rect) - room.gap)) : null;
  };
  let high = 1.5 * blanks.reduce((sum, { width: across, height }) => sum + Math.max(across, height) + room.gap, 0);
  let low = areaOf(blanks) / width;
  let best = tried(high) ?? high;
  while (high - low > 2) {
    const middle = (low + high) / 2;
    const found = tried(middle);
    if (found === null) low = middle;
    else [best, high] = [found, middle];
  }
  return best;
}
