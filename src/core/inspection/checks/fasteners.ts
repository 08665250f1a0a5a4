import { at, mm, type Check, type Found } from '../finding';
import { distance, fromOutline, isWithin, type Point } from '../geometry';

/** No two fasteners of a piece are nearer to each other than this, mm. */
const APART = 5;
/** A fastener stands on its board within so much, mm. */
const ON_BOARD = 0.5;

export const FASTENERS: Check = {
  id: 'fasteners',
  holds: `no two fasteners are nearer to each other than ${APART} mm, all of them on the board, as many as are said`,
  needs: ['fixing'],
  find: ({ plan: { fixing, outline, base } }) => {
    if (!fixing) return [];
    const found: Found[] = [];
    const placed = fixing.fasteners.flatMap(({ name, face, places }) =>
      places.map(({ x, y, edge }) => ({ name, face, edge, place: [x, y] as Point })),
    );
    // Places by squares of the least distance: only neighbours are compared.
    const squares = new Map<string, typeof placed>();
    const keyOf = (x: number, y: number): string => `${x} ${y}`;
    for (const one of placed) {
      const [col, row] = [Math.floor(one.place[0] / APART), Math.floor(one.place[1] / APART)];
      for (let dx = -1; dx <= 1; dx++)
        for (let dy = -1; dy <= 1; dy++)
          for (const other of squares.get(keyOf(col + dx, row + dy)) ?? []) {
            const gap = distance(one.place, other.place);
            // What goes into the top meets nothing that comes from below.
            if (gap < APART && one.face === other.face)
              found.push({
                part: one.name,
                place: at(one.place),
                by: gap,
                says: `Two fasteners at the ${one.edge} (${one.name}, ${other.name}) are ${mm(gap)} apart, at ${at(one.place)}`,
              });
          }
      squares.set(keyOf(col, row), [...(squares.get(keyOf(col, row)) ?? []), one]);
    }
    if (!base.deck)
      for (const { name, place, edge } of placed)
        if (!isWithin(outline.points, place) && fromOutline(outline.points, place) > ON_BOARD)
          found.push({
            part: name,
            place: at(place),
            by: fromOutline(outline.points, place),
            says: `${name} at the ${edge}, at ${at(place)}, stand beside the board`,
          });
    for (const { name, count, toBuy, places, bulk } of fixing.fasteners)
      if (bulk === null && (count < places.length || toBuy < count))
        found.push({
          part: name,
          place: 'count',
          by: null,
          says: `${name}: ${places.length} are drawn, ${count} are said, ${toBuy} are bought`,
        });
    const numbers = fixing.order.map(({ n }) => n);
    if (numbers.some((n, i) => n !== i + 1))
      found.push({ part: 'Fasteners', place: 'order', by: null, says: 'The fasteners are not numbered one after the other' });
    return found;
  },
};
