import { contours } from 'd3';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { bounds, fitNodes, polygonArea, type OutlineNode, type Point, type Polygon } from '../outline';
import { BOARD_SIZE, type Mould } from '../piece';
import { DRAWING_UNITS, FileProblem, type DrawingUnit } from '../file-problem';

/** Larger scans are thinned before they are brought in, bytes. */
export const LARGEST_STL = 60_000_000;
const MOST_TRIANGLES = 1_200_000;
/** Triangles that lie over each other many times are no scan of a face: so many places are looked at, not more. */
const MOST_PLACES = 60_000_000;
/** Places along the longer side of a height map. */
const ACROSS = 110;
/** Places along the longer side when the scan's edge is looked for. */
const EDGE_ACROSS = 360;

/** Which way up a scan was taken. */
export type UpAxis = 'z' | 'y' | 'x';
/** A scan as the base it shows: a map of heights and the outline of what it covers. */
export type ReadScan = {
  mould: Extract<Mould, { kind: 'map' }>;
  nodes: OutlineNode[];
  width: number;
  depth: number;
  rise: number;
  triangles: number;
};

/** The loader believes what a file says of itself; a file that says too much is stopped here. */
function checkStl(bytes: Uint8Array): void {
  if (bytes.byteLength > LARGEST_STL) throw new FileProblem('This scan is larger than 60 MB; thin it out first');
  if (bytes.byteLength < 84) throw new FileProblem('This is not an STL scan: it is too short to hold a triangle');
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 400));
  const claimed = new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true);
  if (84 + claimed * 50 === bytes.byteLength) return;
  if (/^\s*solid\b/.test(head) && /\bfacet\b/.test(new TextDecoder('latin1').decode(bytes.subarray(0, 4000)))) {
    const tail = new TextDecoder('latin1').decode(bytes.subarray(Math.max(0, bytes.byteLength - 400)));
    if (!/endsolid/.test(tail)) throw new FileProblem('This STL breaks off: its end mark is missing');
    return;
  }
  throw new FileProblem(
    `This is not an STL scan, or it breaks off: it says it has ${claimed} triangles and is ${bytes.byteLength} bytes long`,
  );
}

/** Corners of all triangles, x y z by threes, mm, turned so that z is up. */
function trianglesOf(bytes: Uint8Array, unit: DrawingUnit, up: UpAxis): Float64Array {
  checkStl(bytes);
  let positions: ArrayLike<number>;
  try {
    const copy = bytes.slice();
    positions = new STLLoader().parse(copy.buffer).getAttribute('position').array;
  } catch {
    throw new FileProblem('This STL cannot be read: its triangles are not as the format says');
  }
  if (positions.length < 9) throw new FileProblem('There is no triangle in this STL');
  if (positions.length / 9 > MOST_TRIANGLES)
    throw new FileProblem(`This scan has more than ${MOST_TRIANGLES} triangles; thin it out first`);
  const k = DRAWING_UNITS[unit];
  const out = new Float64Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = [positions[i]! * k, positions[i + 1]! * k, positions[i + 2]! * k];
    if (!Number.isFinite(x + y + z) || Math.abs(x) + Math.abs(y) + Math.abs(z) > 1e8)
      throw new FileProblem('This STL has points whose coordinates are not figures, or lie kilometres away');
    const [a, b, c] = up === 'z' ? [x, y, z] : up === 'y' ? [x, -z, y] : [y, z, x];
    out[i] = a;
    out[i + 1] = b;
    out[i + 2] = c;
  }
  return out;
}

type Raster = { x0: number; y0: number; step: number; columns: number; rows: number; heights: Float64Array };

/** The highest surface over each place of a grid: every triangle is laid over the places it covers. NaN where there is none. */
function raster(triangles: Float64Array, frame: Omit<Raster, 'heights'>): Raster {
  const { x0, y0, step, columns, rows } = frame;
  const heights = new Float64Array(columns * rows).fill(NaN);
  let looked = 0;
  for (let i = 0; i < triangles.length; i += 9) {
    const [ax, ay, az, bx, by, bz, cx, cy, cz] = triangles.subarray(i, i + 9) as unknown as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const det = (by - cy) * (ax - cx) + (cx - bx) * (ay - cy);
    if (Math.abs(det) < 1e-12) continue;
    const c0 = Math.max(0, Math.ceil((Math.min(ax, bx, cx) - x0) / step - 1e-9));
    const c1 = Math.min(columns - 1, Math.floor((Math.max(ax, bx, cx) - x0) / step + 1e-9));
    const r0 = Math.max(0, Math.ceil((Math.min(ay, by, cy) - y0) / step - 1e-9));
    const r1 = Math.min(rows - 1, Math.floor((Math.max(ay, by, cy) - y0) / step + 1e-9));
    looked += Math.max(0, r1 - r0 + 1) * Math.max(0, c1 - c0 + 1);
    if (looked > MOST_PLACES)
      throw new FileProblem('The triangles of this scan lie over each other hundreds of times; bring in one face, once');
    for (let r = r0; r <= r1; r++) {
      for (let c = c0; c <= c1; c++) {
        const [x, y] = [x0 + c * step, y0 + r * step];
        const u = ((by - cy) * (x - cx) + (cx - bx) * (y - cy)) / det;
        const v = ((cy - ay) * (x - cx) + (ax - cx) * (y - cy)) / det;
        if (u < -1e-7 || v < -1e-7 || u + v > 1 + 1e-7) continue;
        const z = u * az + v * bz + (1 - u - v) * cz;
        const at = r * columns + c;
        if (!(heights[at]! >= z)) heights[at] = z;
      }
    }
  }
  return { ...frame, heights };
}

function frameFor(box: ReturnType<typeof bounds>, across: number): Omit<Raster, 'heights'> {
  const step = Math.max(box.width, box.height) / (across - 1);
  return {
    x0: box.minX,
    y0: box.minY,
    step,
    columns: Math.max(2, Math.floor(box.width / step) + 1),
    rows: Math.max(2, Math.floor(box.height / step) + 1),
  };
}

/** Places the scan does not cover get the height of their nearest covered neighbour, ring by ring. */
function filled({ columns, rows, heights }: Raster): Float64Array {
  const out = heights.slice();
  let open = [...out.keys()].filter((i) => Number.isNaN(out[i]!));
  while (open.length > 0) {
    const found: [number, number][] = [];
    for (const i of open) {
      const [c, r] = [i % columns, Math.floor(i / columns)];
      const near = [c > 0 ? i - 1 : -1, c < columns - 1 ? i + 1 : -1, r > 0 ? i - columns : -1, r < rows - 1 ? i + columns : -1].filter(
        (j) => j >= 0 && !Number.isNaN(out[j]!),
      );
      if (near.length > 0) found.push([i, near.reduce((sum, j) => sum + out[j]!, 0) / near.length]);
    }
    if (found.length === 0) break;
    for (const [i, z] of found) out[i] = z;
    open = open.filter((i) => Number.isNaN(out[i]!));
  }
  return out;
}

/** The edge of what a scan covers, to about half a place of a fine grid. */
function edgeOf(triangles: Float64Array, box: ReturnType<typeof bounds>): Polygon {
  const fine = frameFor(box, EDGE_ACROSS);
  const padded = { ...fine, x0: fine.x0 - fine.step, y0: fine.y0 - fine.step, columns: fine.columns + 2, rows: fine.rows + 2 };
  const { heights } = raster(triangles, padded);
  const covered = Array.from(heights, (z) => (Number.isNaN(z) ? 0 : 1));
  const [shape] = contours().size([padded.columns, padded.rows]).thresholds([0.5])(covered);
  const rings = (shape?.coordinates ?? []).map((polygon) =>
    polygon[0]!.slice(0, -1).map(([c, r]): Point => [padded.x0 + (c! - 0.5) * padded.step, padded.y0 + (r! - 0.5) * padded.step]),
  );
  const largest = rings.reduce<Polygon>(
    (best, ring) => (Math.abs(polygonArea(ring)) > Math.abs(polygonArea(best)) ? ring : best),
    [] as Polygon,
  );
  return polygonArea(largest) < 0 ? [...largest].reverse() : largest;
}

/**
 * Reads a scan of a moulded base: its upper face as a map of heights about its middle, and its outline from above.
 *
 * @param bytes the STL file, binary or text
 * @param options.unit of its coordinates; an STL never says
 * @param options.up which axis points up
 * @throws FileProblem in words for the person who chose the file
 */
export function readStl(bytes: Uint8Array, options: { unit: DrawingUnit; up?: UpAxis }): ReadScan {
  const triangles = trianglesOf(bytes, options.unit, options.up ?? 'z');
  const plan: Point[] = [];
  for (let i = 0; i < triangles.length; i += 3) plan.push([triangles[i]!, triangles[i + 1]!]);
  const box = bounds(plan);
  const size = Math.max(box.width, box.height);
  const [low, high] = BOARD_SIZE;
  if (!(size >= low && size <= high))
    throw new FileProblem(
      `Read in ${options.unit} the scan would be ${Math.round(size * 100) / 100} mm long; bases are ${low} to ${high} mm`,
      { needsUnit: true },
    );
  if (Math.min(box.width, box.height) < 10)
    throw new FileProblem('From above, this scan is a line: is another axis the one that points up?');
  const coarse = raster(triangles, frameFor(box, ACROSS));
  const known = coarse.heights.filter((z) => !Number.isNaN(z));
  if (known.length < 9) throw new FileProblem('From above, this scan covers next to nothing');
  // The reference plane passes through the surface at its middle, or the nearest place that the scan covers.
  const all = filled(coarse);
  const middle = all[Math.floor(coarse.rows / 2) * coarse.columns + Math.floor(coarse.columns / 2)]!;
  const [dx, dy] = [-(box.minX + box.maxX) / 2, -(box.minY + box.maxY) / 2];
  const edge = edgeOf(triangles, box);
  const heights = Array.from(all, (z) => Math.round((z - middle) * 1000) / 1000);
  const rise = Math.max(...known) - Math.min(...known);
  if (heights.some((z) => Math.abs(z) > 1000))
    throw new FileProblem('This scan is more than a metre high; is another axis the one that points up?');
  return {
    mould: {
      kind: 'map',
      name: 'scan',
      x0: coarse.x0 + dx,
      y0: coarse.y0 + dy,
      step: coarse.step,
      columns: coarse.columns,
      rows: coarse.rows,
      heights,
    },
    nodes:
      edge.length >= 8
        ? fitNodes(
            edge.map(([x, y]): Point => [x + dx, y + dy]),
            coarse.step / 3,
          )
        : [],
    width: box.width,
    depth: box.height,
    rise,
    triangles: triangles.length / 9,
  };
}
