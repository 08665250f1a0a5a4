import { length, list, PLAN, record, tag, whole, words, type Range } from '../fields';

/** Places of a scanned board, each way. */
const MAP_PLACES: Range = [2, 120];

/** A map of heights read off a scan, row by row from the front left. */
export const MAP = record({
  kind: tag('map'),
  name: words('Where it came from'),
  x0: length('Left of the map', PLAN),
  y0: length('Front of the map', PLAN),
  step: length('From place to place', [0.5, 200]),
  columns: whole('Places across', MAP_PLACES),
  rows: whole('Places along', MAP_PLACES),
  heights: list('Heights', length('Height', [-1000, 1000]), [4, MAP_PLACES[1] ** 2]),
});
