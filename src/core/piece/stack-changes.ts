import type { Point } from '../outline';
import { letInMeet, letInto } from './let-in';
import { defaultsOf, POCKET, type Pad, type PadRole, type Pocket } from './schema';

/** Pads as they are first laid on. */
const FIRST: Record<PadRole, Omit<Pad, 'id'>> = {
  crown: { role: 'crown', material: 'seat-extra-firm', thickness: 13, offset: null, edge: { kind: 'domed' } },
  main: { role: 'main', material: 'seat-firm', thickness: 50, offset: null, edge: { kind: 'square' } },
  topper: { role: 'topper', material: 'resilient-medium', thickness: 25, offset: null, edge: { kind: 'square' } },
};

/** A free id for one more of a list: its stem, then with a number. */
export function freeId(list: readonly { id: string }[], stem: string, numbered = true): string {
  for (let n = 1; ; n++) {
    const id = n === 1 && !numbered ? stem : `${stem}-${n}`;
    if (list.every((item) => item.id !== id)) return id;
  }
}

/** The stack with one more pad: a crown pad over the other crown pads, anything else on top. */
export function withPad(pads: readonly Pad[], role: PadRole): Pad[] {
  const pad: Pad = { id: freeId(pads, role, false), ...FIRST[role] };
  const at = role === 'crown' ? pads.filter((candidate) => candidate.role === 'crown').length : pads.length;
  return [...pads.slice(0, at), pad, ...pads.slice(at)];
}

/** Gives the crown pad a thickness, making one when there is none and taking it away at nothing; mm. */
export function withCrown(pads: Pad[], rise: number): Pad[] {
  const at = pads.findIndex((pad) => pad.role === 'crown');
  if (at < 0) return rise >= 1 ? [{ id: freeId(pads, 'crown', false), ...FIRST.crown, thickness: rise }, ...pads] : pads;
  if (rise < 1) return pads.filter((_, i) => i !== at);
  return pads.map((pad, i) => (i === at ? { ...pad, thickness: rise } : pad));
}

/** A patch as it is first let into an old pad: of the same foam, where it is worn most, a third of its depth. */
export function firstPatch({ material, thickness }: Pick<Pad, 'material' | 'thickness'>): Pocket {
  const start = defaultsOf(POCKET);
  return { ...start, x: 0, y: 0, material, deep: Math.max(1, Math.min(thickness / 2, Math.max(start.deep, Math.round(thickness / 3)))) };
}

/**
 * One more that is let into a pad: like the last, as near to it as there is room, smaller where there is none.
 *
 * @param pad what it is let into
 * @param box the board's reach, mm
 */
export function nextLetIn(pad: Pad, box: { minX: number; maxX: number; minY: number; maxY: number }): Pocket {
  const all = letInto(pad);
  const before = all.at(-1);
  if (!before) return pad.kept ? firstPatch(pad) : firstPocket(pad.thickness);
  const { sat: _photo, ...last } = before;
  void _photo;
  const fits = (item: Pocket): boolean => !all.some((other) => letInMeet(item, other, BESIDE));
  for (const share of SHARES) {
    const [width, length] = [last.width, last.length].map((mm) => Math.max(SMALL, Math.round(mm * share)));
    const item = {
      ...last,
      width: width!,
      length: length!,
      blend: Math.min(last.blend ?? 0, Math.floor(Math.min(width!, length!) / 2)),
    };
    const places: Point[] = [];
    for (let x = Math.ceil(box.minX + item.width / 2); x <= box.maxX - item.width / 2; x += GRID)
      for (let y = Math.ceil(box.minY + item.length / 2); y <= box.maxY - item.length / 2; y += GRID) places.push([x, y]);
    const away = ([x, y]: Point): number => Math.hypot(x - last.x, y - last.y);
    const free = places.sort((p, q) => away(p) - away(q)).find(([x, y]) => fits({ ...item, x, y }));
    if (free) return { ...item, x: free[0], y: free[1] };
  }
  return { ...last, width: SMALL, length: SMALL, blend: 0 };
}

/** What is left between two that are let in, the smallest that is begun with, and how finely a place is looked for, mm. */
const BESIDE = 10;
const SMALL = 40;
const GRID = 10;
/** How large the next one is against the last: as large where there is room. */
const SHARES = [1, 0.75, 0.5, 0.3, 0];

/** A pocket as it is first let in: under a rider's seat bones, filled softer, at most half the pad deep. */
export function firstPocket(thickness: number): Pocket {
  const start = defaultsOf(POCKET);
  return { ...start, x: 0, y: 20, material: 'resilient-medium', deep: Math.min(start.deep, thickness / 2) };
}
