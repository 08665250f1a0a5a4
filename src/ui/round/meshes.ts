import * as THREE from 'three';
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { meshOf } from '@/core/base';
import { readGrid, type HeightGrid } from '@/core/padding';
import { bounds, type Point, type Polygon } from '@/core/outline';
import type { Hole } from '@/core/piece';
import type { ClothPatch, Skin } from '@/core/cover';
import { shareOf } from '@/core/flattening';
import type { SheetView, SitView } from '@/core/plan';
import { PRESSURE_FULL, pressureColour } from '@/ui/drawing/pressure';

/** Triangles across the longer side: fine enough for a smooth picture, quick enough to be drawn while typing. */
const ACROSS = 44;
/** The rim takes its height from just inside: on the very edge a covered line is already on its way down. */
const RIM = 0.965;

/** Height at a place of a grid; where nothing is known round it, that of the nearest known place. */
function readerOf(grid: HeightGrid): (x: number, y: number) => number {
  const { columns, rows, heights, x0, y0, step } = grid;
  const nearest = (x: number, y: number): number => {
    let [best, z] = [Infinity, 0];
    for (let r = 0; r < rows; r++)
      for (let c = 0; c < columns; c++) {
        const value = heights[r * columns + c]!;
        const far = (x0 + c * step - x) ** 2 + (y0 + r * step - y) ** 2;
        if (!Number.isNaN(value) && far < best) [best, z] = [far, value];
      }
    return z;
  };
  return (x, y) => {
    const z = readGrid(grid, [x, y], true);
    return Number.isNaN(z) ? nearest(x, y) : z;
  };
}

function ringOf(hole: Hole): Polygon {
  const [w, h] = hole.kind === 'round' ? [hole.diameter / 2, hole.diameter / 2] : [hole.width / 2, hole.height / 2];
  const count = hole.kind === 'round' ? 24 : 4;
  return Array.from({ length: count }, (_, i): Point => {
    const angle = ((i + (count === 4 ? 0.5 : 0)) * 2 * Math.PI) / count;
    const stretch = count === 4 ? Math.SQRT2 : 1;
    return [hole.x + w * stretch * Math.cos(angle), hole.y + h * stretch * Math.sin(angle)];
  });
}

/** Faces that meet at less than this are one smooth surface, radians. */
const CREASE = 0.8;

function geometryOf(positions: number[] | Float32Array, index: number[]): THREE.BufferGeometry {
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
  geometry.setIndex(index);
  return toCreasedNormals(geometry, CREASE);
}

/** Patches that look alike are drawn together: the cover's own cloth, lining, and each that is stitched across. */
export function alike(patches: readonly ClothPatch[]): ClothPatch[][] {
  const plain = (cloth: ClothPatch['cloth']): ClothPatch[] =>
    patches.filter((patch) => patch.cloth === cloth && patch.stitches.length === 0);
  return [
    plain('cover'),
    plain('second'),
    plain('lining'),
    ...patches.filter(({ stitches }) => stitches.length > 0).map((patch) => [patch]),
  ].filter((clothPatches) => clothPatches.length > 0);
}

/** A button draws the cover in over so much of the way to the next one. */
const DIMPLE = 0.42;

/** How far buttons draw the cover in at a place, mm. */
function drawnIn({ plan }: SheetView): (x: number, y: number) => number {
  const buttons = plan.cover?.buttons;
  if (!buttons) return () => 0;
  const reach = buttons.spacing * DIMPLE;
  return (x, y) =>
    buttons.places.reduce((most, place) => {
      const near = 1 - Math.hypot(place.x - x, place.y - y) / reach;
      return near > 0 ? Math.max(most, buttons.depth * near * near * (3 - 2 * near)) : most;
    }, 0);
}

/** What the cover is coloured by, place by place: a share of the full colour at each node of each patch. */
type Shares = (patch: ClothPatch, node: number) => number;

/** The covered surface as it was solved, the very one that the cover is cut from, each place with its place on the cloth. */
function skinGeometry(view: SheetView, { patches }: Skin): THREE.BufferGeometry {
  const positions: number[] = [];
  const flat: number[] = [];
  const index: number[] = [];
  const groups: [start: number, count: number, material: number][] = [];
  const dimple = drawnIn(view);
  for (const [material, clothPatches] of alike(patches).entries()) {
    const start = index.length;
    for (const patch of clothPatches) {
      const first = positions.length / 3;
      for (let i = 0; i < patch.points.length; i += 3) {
        const [x, y, z] = [patch.points[i]!, patch.points[i + 1]!, patch.points[i + 2]!];
        positions.push(x, y, z - dimple(x, y));
      }
      patch.flat.forEach((value) => flat.push(value));
      patch.triangles.forEach((node) => index.push(first + node));
    }
    groups.push([start, index.length - start, material]);
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
  geometry.setAttribute('uv', new THREE.Float32BufferAttribute(flat, 2));
  geometry.setIndex(index);
  const creased = toCreasedNormals(geometry, CREASE);
  groups.forEach((group) => creased.addGroup(...group));
  return creased;
}

type Height = (x: number, y: number) => number;
type Walled = {
  outline: Polygon;
  holes?: readonly Polygon[];
  spacing: number;
  top: Height;
  foot: Height;
  /** closed below too */
  bottom?: boolean;
  /** how far in from the rim its height is read */
  inward?: number;
};

/** A lid over an outline at one height and walls from there down to another. */
function lidAndWalls({ outline, holes = [], spacing, top, foot, bottom = false, inward = 1 }: Walled): THREE.BufferGeometry {
  const { nodes, triangles, edge } = meshOf(outline, holes, spacing);
  const rim = ([x, y]: Point): number => top(x * inward, y * inward);
  const positions: number[] = nodes.flatMap(([x, y], i) => [x, y, edge[i] ? rim([x, y]) : top(x, y)]);
  const index: number[] = triangles.flat();
  if (bottom) {
    const first = positions.length / 3;
    nodes.forEach(([x, y]) => positions.push(x, y, foot(x, y)));
    triangles.forEach(([a, b, c]) => index.push(first + a, first + c, first + b));
  }
  for (const ring of [outline, ...holes]) {
    const first = positions.length / 3;
    ring.forEach(([x, y]) => positions.push(x, y, ring === outline ? rim([x, y]) : top(x, y), x, y, foot(x, y)));
    ring.forEach((_, i) => {
      const [a, b] = [first + 2 * i, first + 2 * ((i + 1) % ring.length)];
      index.push(a, a + 1, b, b, a + 1, b + 1);
    });
  }
  return geometryOf(positions, index);
}

/** Board and cover as meshes, x right, y back, z up, mm; `size` is how far they reach. */
export function roundMeshes(view: SheetView): {
  board: THREE.BufferGeometry;
  cover: THREE.BufferGeometry;
  size: number;
} {
  const { plan, grid, baseGrid, skin } = view;
  const outline = plan.outline.points;
  const box = bounds(outline);
  const size = Math.max(box.width, box.height);
  const spacing = size / ACROSS;
  const base = readerOf(baseGrid);
  const covered = readerOf(grid);
  const thickness = plan.base.edgeThickness;
  return {
    board: lidAndWalls({
      outline,
      holes: plan.base.holes.map(ringOf),
      spacing,
      top: base,
      foot: (x, y) => base(x, y) - thickness,
      bottom: true,
    }),
    cover: skin
      ? skinGeometry(view, skin)
      : lidAndWalls({
          // Just outside the board, so that the two never lie in one plane.
          outline: outline.map(([x, y]): Point => [x * 1.004, y * 1.004]),
          spacing,
          top: (x, y) => Math.max(covered(x, y), base(x, y) + 0.5),
          foot: (x, y) => base(x, y) - thickness * 0.6,
          inward: RIM,
        }),
    size,
  };
}

/** What the cover is coloured by in the round. */
export type Colouring = 'cloth' | 'contour' | 'strain' | 'pressure';

/** Where nothing is told: the sides of a pulled cover are folded or relieved, no map has their strain. */
const NOT_TOLD = '#b9b3a8';

/** Steps of height from the lowest to the highest place. */
const STEPS = 12;

/** How much of the cloth's give each node of a patch takes: what the triangles round it take, evened out; NaN where it is not told. */
function strainShares({ strain, give }: SheetView): Shares {
  const known = new Map<ClothPatch, Float64Array>();
  const shares = (patch: ClothPatch): Float64Array => {
    const sums = new Float64Array(patch.points.length / 3);
    const counts = new Uint16Array(sums.length);
    const map = strain.find((strainMap) => strainMap.piece === patch.panel && strainMap.triangles.length === patch.triangles.length);
    if (map)
      patch.triangles.forEach((node, k) => {
        const t = Math.floor(k / 3);
        sums[node]! += Math.abs(shareOf(map.warp[t]!, map.weft[t]!, map.bias[t]!, give));
        counts[node]! += 1;
      });
    const even = sums.map((sum, i) => (counts[i] ? sum / counts[i] : NaN));
    known.set(patch, even);
    return even;
  };
  return (patch, node) => (known.get(patch) ?? shares(patch))[node]!;
}

/**
 * Colours a cover by height, strain or pressure, corner by corner.
 *
 * @returns false where it is left in the cloth's own colour
 */
export function colourBy(cover: THREE.BufferGeometry, by: Colouring, view: SheetView, sit: SitView | null): boolean {
  if (by === 'cloth' || (by === 'pressure' && !sit) || (by === 'strain' && (!view.skin || view.strain.length === 0))) return false;
  const positions = cover.getAttribute('position');
  const colours = new Float32Array(positions.count * 3);
  const colour = new THREE.Color();
  const paint = (i: number, share: number): void => {
    colour.set(Number.isNaN(share) ? NOT_TOLD : pressureColour(share));
    colours.set([colour.r, colour.g, colour.b], 3 * i);
  };
  if (by === 'strain') {
    const shares = strainShares(view);
    let i = 0;
    for (const patch of alike(view.skin!.patches).flat()) patch.triangles.forEach((node) => paint(i++, shares(patch, node)));
  } else {
    const heights = view.grid.heights.filter((z) => !Number.isNaN(z));
    const low = heights.reduce((least, z) => Math.min(least, z), Infinity);
    const high = heights.reduce((most, z) => Math.max(most, z), -Infinity);
    const pressure = sit ? readerOf({ ...sit.pressure, heights: sit.pressure.heights.map((p) => (Number.isNaN(p) ? 0 : p)) }) : null;
    for (let i = 0; i < positions.count; i++)
      paint(
        i,
        by === 'pressure'
          ? pressure!(positions.getX(i), positions.getY(i)) / PRESSURE_FULL
          : Math.floor(((positions.getZ(i) - low) / (high - low || 1)) * STEPS) / STEPS,
      );
  }
  cover.setAttribute('color', new THREE.BufferAttribute(colours, 3));
  return true;
}

/**
 * The same cover under the sitter: every place as far down as the loaded surface lies below the covered one.
 *
 * @param cover the geometry, x y z in mm
 * @param view the sheet
 * @param sit the sitting
 * @returns how far each corner goes down, mm
 */
export function pressedIn(cover: THREE.BufferGeometry, { grid }: SheetView, { loaded }: SitView): Float32Array {
  const positions = cover.getAttribute('position');
  const down = new Float32Array(positions.count);
  for (let i = 0; i < positions.count; i++) {
    const at: Point = [positions.getX(i), positions.getY(i)];
    const by = readGrid(grid, at, true) - readGrid(loaded, at, true);
    // Off the grid, and down the side, nothing is known to move.
    down[i] = Number.isNaN(by) ? 0 : Math.max(0, by);
  }
  return down;
}

/** How thick a seam without a cord is drawn, mm. */
const STITCHED = 1.2;

/** Seams and welts as they lie on the covered surface: a cord is as thick as it is, a plain seam a fine line. */
export function seamCords({ plan }: SheetView): { geometry: THREE.BufferGeometry; welted: boolean }[] {
  const { cover } = plan;
  if (!cover) return [];
  return cover.lines.map(({ id, points, heights, welted, closed }) => {
    const cord = cover.welts.find(({ seam }) => seam === id)?.cord ?? 0;
    const line = new THREE.CatmullRomCurve3(
      points.map(([x, y], k) => new THREE.Vector3(x, y, heights[k])),
      closed,
    );
    return { geometry: new THREE.TubeGeometry(line, points.length * 2, welted ? cord / 2 : STITCHED / 2, 8, closed), welted };
  });
}

/** How wide a closed zip is drawn, and how large its slider at the end, mm. */
const ZIP = { wide: 5, slider: 9 };

/** Zips as they lie on the cover: a closed row of teeth, the slider at its end. */
export function zipsOn({ skin }: SheetView): THREE.BufferGeometry[] {
  return (skin?.zips ?? []).flatMap((line) => {
    const path = new THREE.CatmullRomCurve3(line.map(([x, y, z]) => new THREE.Vector3(x, y, z)));
    const [x, y, z] = line.at(-1)!;
    const slider = new THREE.SphereGeometry(ZIP.slider / 2, 12, 8).translate(x, y, z);
    return [new THREE.TubeGeometry(path, line.length * 2, ZIP.wide / 2, 6), slider];
  });
}

/** Nails and buttons at their places, as small domes on the covered surface. */
export function studs(view: SheetView): { nails: THREE.Matrix4[]; buttons: THREE.Matrix4[] } {
  const { plan, grid, baseGrid } = view;
  const [covered, base] = [readerOf(grid), readerOf(baseGrid)];
  const dimple = drawnIn(view);
  const at = ({ x, y }: { x: number; y: number }, size: number): THREE.Matrix4 =>
    new THREE.Matrix4()
      .makeTranslation(x, y, Math.max(covered(x, y), base(x, y)) - dimple(x, y))
      .scale(new THREE.Vector3(size / 2, size / 2, size / 4));
  const nails = plan.cover?.nails?.places ?? [];
  const { places = [], size = 0 } = plan.cover?.buttons ?? {};
  return { nails: nails.map((nail) => at(nail, nail.head)), buttons: places.map((place) => at(place, size)) };
}

/** How large a fastener is drawn from below, mm: larger than it is, or nobody would see it. */
const FASTENER = 7;

/**
 * What holds the cover, under the board: what is set already, and what is set in the wave that is followed.
 *
 * @param view of the piece, with its fastening
 * @param wave the wave that is followed, from 0; null shows all of them
 */
export function fastenersUnder({ plan, baseGrid }: SheetView, wave: number | null): { done: THREE.Matrix4[]; now: THREE.Matrix4[] } {
  if (!plan.fixing) return { done: [], now: [] };
  const { fasteners, fastener, order, waves } = plan.fixing;
  const base = readerOf(baseGrid);
  const at = ({ x, y }: { x: number; y: number }): THREE.Matrix4 =>
    new THREE.Matrix4()
      .makeTranslation(x, y, base(x, y) - plan.base.edgeThickness)
      .scale(new THREE.Vector3(FASTENER / 2, FASTENER / 2, FASTENER / 2));
  const listed = wave === null ? null : waves[wave];
  if (!listed) return { done: [], now: order.map(at) };
  if (listed.temporary) return { done: [], now: (fasteners.find(({ id }) => id === fastener.id)?.temporary ?? []).map(at) };
  return {
    done: order.filter(({ n }) => n < listed.from).map(at),
    now: order.filter(({ n }) => n >= listed.from && n <= listed.to).map(at),
  };
}

/**
 * The same cover with its pattern elsewhere, as another one of a set has it that was cut from another place of the roll.
 *
 * @param cover the geometry of the whole cover
 * @param skin what it was made from
 * @param pattern by how much it lies elsewhere on each cloth piece, mm
 */
export function withPattern(
  cover: THREE.BufferGeometry,
  { patches }: Skin,
  pattern: ReadonlyMap<string, readonly [number, number]>,
): THREE.BufferGeometry {
  const clone = cover.clone();
  const uv = clone.getAttribute('uv');
  let i = 0;
  for (const patch of alike(patches).flat()) {
    const [across, along] = pattern.get(patch.piece) ?? [0, 0];
    patch.triangles.forEach(() => {
      uv.setXY(i, uv.getX(i) + across, uv.getY(i) + along);
      i += 1;
    });
  }
  return clone;
}
