import type { CoverModel } from '../reads';
import { distanceAlong } from '../../outline';
import { meetings } from '../../meeting-marks';
import { isLess, leastOf, wholeUp } from '../../ties';
import type { Ring } from '../surface/ring';

/**
 * Which places of the ring carry a notch: corners, edge middles and centre lines first, then as many as keep neighbours
 * within the pitch. Partners in a seam are notched at the same places, by the same names.
 *
 * @param model the built piece
 * @param ring its covered surface
 * @param pitch farthest from one to the next, mm
 */
export function notchPlaces(model: CoverModel, ring: Ring, pitch: number): Map<number, string> {
  const { places } = ring;
  const n = places.length;
  const wanted = new Set<string>(
    model.places
      .filter((place) => place.turn !== 0 || Math.abs(place.point[0]) < 0.5 || Math.abs(place.point[1]) < 0.5)
      .map((place) => place.id),
  );
  const firm = places.flatMap((place, i) => (place.station !== null && wanted.has(place.station) ? [i] : []));
  if (firm.length === 0) firm.push(0);
  const chosen = new Map<number, string>();
  firm.forEach((from, k) => {
    chosen.set(from, places[from]!.station ?? '0');
    const to = k + 1 < firm.length ? firm[k + 1]! : firm[0]! + n;
    const length = (to < n ? places[to]!.at : places[to - n]!.at + ring.total) - places[from]!.at || ring.total;
    const gaps = wholeUp(length / pitch);
    for (let g = 1; g < gaps; g++) {
      const at = places[from]!.at + (length * g) / gaps;
      let best = from;
      for (let i = from; i <= to; i++) {
        const value = places[i % n]!.at + (i >= n ? ring.total : 0);
        const was = places[best % n]!.at + (best >= n ? ring.total : 0);
        if (isLess(Math.abs(value - at), Math.abs(was - at))) best = i;
      }
      if (best > from && best < to) chosen.set(best % n, `${places[from]!.station ?? ''}${String.fromCharCode(96 + g)}`);
    }
  });
  // What was marked before cover and base parted is notched by its letter as well.
  for (const { letter, at } of meetings(model.piece.strip, model.outline)) {
    const along = distanceAlong(model.board, at) - distanceAlong(model.board, model.places[0]!.point);
    const wanted = ((along % model.perimeter) + model.perimeter) % model.perimeter;
    const away = (value: number): number => Math.min(Math.abs(value - wanted), model.perimeter - Math.abs(value - wanted));
    const nearest = leastOf(n, (i) => away(places[i]!.at));
    const known = chosen.get(nearest);
    chosen.set(nearest, known ? `${known} ${letter}` : letter);
  }
  return chosen;
}
