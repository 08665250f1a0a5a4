import type { PanelLayout } from '../base/panels';
import { ribLines } from '../base/frame';
import type { FixModel } from './reads';
import { buttonPlaces, choicesOf, wayOf } from '../cover';
import { bounds, flatten, isInside, lineCrossings, offsetPolygon, type Point, type Polygon } from '../outline';
import { HARDWARE_KINDS } from '../piece';
import type { DrawnRow } from './rows';

/** A thing screwed, let in or stuck on behind the board. Places as in the plan, from above, mm. */
export type BehindThing = {
  id: string;
  kind: 'hardware' | 'cleat' | 'stand-off' | 'label';
  name: string;
  x: number;
  y: number;
  width: number;
  height: number;
  /** how deep it goes in, mm; null where nothing goes in */
  into: number | null;
  /** wood left between its point and the face, mm */
  left: number | null;
  /** from the left edge and from the near edge as one looks at the back, mm */
  fromLeft: number;
  up: number;
};

/** Everything behind the board on one plan. */
export type Behind = {
  /** of the board, mm */
  width: number;
  height: number;
  /** the frame's outer line, and its battens' width; null without one */
  frame: { line: Polygon; inner: Polygon | null; ribs: [Point, Point][]; width: number } | null;
  things: BehindThing[];
  /** what cannot be placed, and why */
  without: string[];
};

/** A cleat as it is drawn and kept clear of; a stand-off; a label; what a button is tied over: mm. */
const SIZES = { cleat: [80, 40], standOff: [40, 40], label: [90, 55], tie: [30, 30] } as const;
/** A stand-off lies so far inside the lower corners, mm: within the panel, outside the row of staples. */
const STAND_OFF_IN = 60;
/** Clear between a label and what lies beside it, mm. */
const CLEAR = 8;
/** A label is looked for in steps of this, mm; on a large board no more often than so many times across. */
const LOOK = 10;
const LOOKS = 60;

type Size = readonly [number, number];

/** What is asked of a place behind the board. */
type Back = {
  board: Polygon;
  things: readonly Pick<BehindThing, 'x' | 'y' | 'width' | 'height'>[];
  within: Polygon;
  battens: readonly Polygon[];
};

const cornersOf = (x: number, y: number, [width, height]: Size): Point[] => [
  [x - width / 2, y - height / 2],
  [x + width / 2, y - height / 2],
  [x + width / 2, y + height / 2],
  [x - width / 2, y + height / 2],
];

/** Places all over a rectangle, five by five. */
const gridOf = (x: number, y: number, [width, height]: Size): Point[] =>
  Array.from({ length: 25 }, (_, k): Point => [x + width * ((k % 5) / 4 - 0.5), y + height * (Math.floor(k / 5) / 4 - 0.5)]);

/** Whether a label can be stuck on here: inside the rows, on nothing, and not across a batten. */
function isFree({ things, within, battens }: Back, x: number, y: number, size: Size): boolean {
  const corners = cornersOf(x, y, size);
  if (!corners.every((corner) => isInside(within, corner))) return false;
  const meets = things.some(
    (thing) => Math.abs(thing.x - x) < (thing.width + size[0]) / 2 + CLEAR && Math.abs(thing.y - y) < (thing.height + size[1]) / 2 + CLEAR,
  );
  // A batten's edge that runs through the label: it would have to be stuck over a step.
  const inside = battens.map((batten) => isInside(batten, [x, y]));
  const over = gridOf(x, y, size).some((place) => battens.some((batten, k) => isInside(batten, place) !== inside[k]));
  return !meets && !over;
}

/** Where the maker's label goes: low in the middle if it can, otherwise the nearest place to that. */
function labelPlace(back: Back): Point | null {
  const box = bounds(back.board);
  const at: Point = [(box.minX + box.maxX) / 2, box.minY + box.height / 4];
  const step = Math.max(LOOK, Math.max(box.width, box.height) / LOOKS);
  const all: { place: Point; far: number }[] = [];
  for (let y = box.minY; y <= box.maxY; y += step)
    for (let x = box.minX; x <= box.maxX; x += step) all.push({ place: [x, y], far: Math.hypot(x - at[0], y - at[1]) });
  return all.sort((a, b) => a.far - b.far).find(({ place: [x, y] }) => isFree(back, x, y, SIZES.label))?.place ?? null;
}

/** The frame behind the board as it is drawn. */
function frameBehind({ piece, outline }: FixModel): Behind['frame'] {
  const { frame } = piece.base;
  const line = frame && offsetPolygon(flatten(outline, 0.5), -frame.inset);
  if (!frame || !line) return null;
  return { line, inner: offsetPolygon(line, -frame.width), ribs: ribLines(line, frame), width: frame.width };
}

/** A rib as a rectangle. */
function ribArea([a, b]: [Point, Point], width: number): Polygon {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const far = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / far) * (width / 2), (dx / far) * (width / 2)];
  return [
    [a[0] + nx, a[1] + ny],
    [a[0] - nx, a[1] - ny],
    [b[0] - nx, b[1] - ny],
    [b[0] + nx, b[1] + ny],
  ];
}

/** Where buttons are tied behind the board. */
function buttonsBehind(model: FixModel): { x: number; y: number }[] {
  const { covering } = model.piece;
  const { buttons } = choicesOf(covering);
  return buttons && !wayOf(covering.way).loose ? buttonPlaces(model, buttons) : [];
}

/**
 * One plan of the back: frame, everything fixed to it with how deep it goes, cleats, stand-offs, and a free place for the maker's
 * label. Source: trade.md, “Default allowances”; docs/models.md, "Behind the board".
 *
 * @param model the built piece
 * @param panels on their wall, where it is one
 * @param rows of fasteners: what is stuck on lies inside them
 */
export function behindOf(model: FixModel, panels: PanelLayout | null, rows: readonly DrawnRow[]): Behind {
  const { board, piece } = model;
  const { base } = piece;
  const box = bounds(board);
  const frame = frameBehind(model);
  const onFrame = (at: Point): boolean =>
    frame !== null &&
    isInside(frame.line, at) &&
    (frame.inner === null || !isInside(frame.inner, at) || frame.ribs.some((rib) => isInside(ribArea(rib, frame.width), at)));
  const depthAt = (at: Point): number => base.board.thickness + (base.frame && onFrame(at) ? base.frame.thickness : 0);
  const thing = (
    behindThing: Pick<BehindThing, 'id' | 'kind' | 'name' | 'x' | 'y'>,
    [width, height]: Size,
    into: number | null,
  ): BehindThing => ({
    ...behindThing,
    width,
    height,
    into,
    left: into === null ? null : depthAt([behindThing.x, behindThing.y]) - into,
    // Turned over from left to right: what was on the right lies on the left.
    fromLeft: box.maxX - behindThing.x,
    up: behindThing.y - box.minY,
  });
  const things: BehindThing[] = (base.hardware ?? []).map(({ id, kind, x, y, diameter, length }) =>
    thing(
      { id, kind: 'hardware', name: HARDWARE_KINDS.find((hardwareKind) => hardwareKind.id === kind)!.name, x, y },
      kind === 'cleat' ? [diameter, diameter / 2] : [diameter, diameter],
      length,
    ),
  );
  const without: string[] = [];
  if (panels) {
    const { hanging } = panels;
    hanging.cleats
      .filter(({ panel }) => panel === 0)
      .forEach(({ x, down }, k) =>
        things.push(thing({ id: `cleat-${k + 1}`, kind: 'cleat', name: 'Cleat', x, y: box.maxY - down }, SIZES.cleat, hanging.screw)),
      );
    if (hanging.screw === null) without.push('No screw is short enough for this board: cleats go on battens across it.');
    for (const side of [-1, 1]) {
      const y = box.minY + STAND_OFF_IN;
      const across = lineCrossings(board, [0, y], [1, 0]);
      const edge = side < 0 ? across[0] : across.at(-1);
      if (edge !== undefined)
        things.push(
          thing(
            { id: `stand-off-${side < 0 ? 1 : 2}`, kind: 'stand-off', name: 'Stand-off', x: edge - side * STAND_OFF_IN, y },
            SIZES.standOff,
            null,
          ),
        );
    }
  }
  const deepest = Math.max(0, ...rows.map(({ inset }) => inset));
  const within = offsetPolygon(board, -deepest - CLEAR);
  const battens = frame ? [frame.line, ...(frame.inner ? [frame.inner] : []), ...frame.ribs.map((rib) => ribArea(rib, frame.width))] : [];
  // Under a label nobody ties a button again.
  const [tied, tall] = SIZES.tie;
  const ties = buttonsBehind(model).map(({ x, y }) => ({ x, y, width: tied, height: tall }));
  const place = within && labelPlace({ board, things: [...things, ...ties], within, battens });
  if (place) things.push(thing({ id: 'label', kind: 'label', name: 'Maker’s label', x: place[0], y: place[1] }, SIZES.label, null));
  else without.push('No free place for the maker’s label: tie it on, or stick it inside the dust cover.');
  return { width: box.width, height: box.height, frame, things, without };
}
