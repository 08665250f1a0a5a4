import * as THREE from 'three';
import type { SheetView } from '@/core/plan';
import { bounds, isInside } from '@/core/outline';
import { kindOf, type Piece } from '@/core/piece';
import { sideBySide } from './row';

/** What a piece belongs to is only hinted at: simple parts, in one plain colour. Lengths mm. */
const LEG = { thick: 38, in: 22, long: 300 };
/** How far out legs may stand, as shares of the board's width and depth. */
const SHARES = [1, 0.95, 0.9, 0.85, 0.8, 0.75, 0.7, 0.65, 0.6];
const RAIL = { high: 55, thick: 22 };
const WALL = { beyond: 0.5, thick: 20 };

type Box = { size: [number, number, number]; at: [number, number, number] };

function boxes(parts: readonly Box[], material: THREE.Material): THREE.Mesh[] {
  return parts.map(({ size, at }) => {
    const mesh = new THREE.Mesh(new THREE.BoxGeometry(...size), material);
    mesh.position.set(...at);
    return mesh;
  });
}

/** Four legs and the rails between them, below a board that is sat on. */
function legs(view: SheetView, low: number): Box[] {
  const outline = view.plan.outline.points;
  const { minX, maxX, minY, maxY } = bounds(outline);
  const [mx, my] = [(minX + maxX) / 2, (minY + maxY) / 2];
  // Legs stand under the board whatever its shape: towards the middle until they do.
  const under = (share: number): boolean =>
    [-1, 1].every((i) =>
      [-1, 1].every((j) => isInside(outline, [mx + (i * share * (maxX - minX)) / 2, my + (j * share * (maxY - minY)) / 2])),
    );
  const fits = SHARES.find(under) ?? SHARES.at(-1)!;
  const inside = (far: number): number => (far * fits) / 2 - LEG.in;
  const [l, r, f, b] = [mx - inside(maxX - minX), mx + inside(maxX - minX), my - inside(maxY - minY), my + inside(maxY - minY)];
  const rail = low - RAIL.high / 2;
  return [
    ...[l, r].flatMap((x) => [f, b].map((y): Box => ({ size: [LEG.thick, LEG.thick, LEG.long], at: [x, y, low - LEG.long / 2] }))),
    ...[f, b].map((y): Box => ({ size: [r - l, RAIL.thick, RAIL.high], at: [(l + r) / 2, y, rail] })),
    ...[l, r].map((x): Box => ({ size: [RAIL.thick, b - f, RAIL.high], at: [x, (f + b) / 2, rail] })),
  ];
}

/** The wall behind a board that hangs. */
function wall(view: SheetView, low: number, reach: number): Box[] {
  const item = bounds(view.plan.outline.points);
  const { minY, maxY, height } = item;
  const [minX, maxX, width] = [item.minX - reach, item.maxX + reach, item.width + 2 * reach];
  return [
    {
      size: [width + 2 * WALL.beyond * item.width, height * (1 + WALL.beyond), WALL.thick],
      at: [(minX + maxX) / 2, (minY + maxY) / 2 + (height * WALL.beyond) / 4, low - WALL.thick / 2 - 4],
    },
  ];
}

/** What stands under or behind a piece, and how the whole is turned to stand as it will. */
export type StandIn = { parts: THREE.Mesh[]; upright: boolean; dispose: () => void };

/**
 * Hints at what a piece belongs to: legs under a seat, a wall behind a headboard, nothing for what lies in something else.
 *
 * @param piece the document
 * @param view what was worked out of it
 * @param set whether the whole set is shown: one wall behind all, legs under each (these are marked `each`)
 */
export function standIn(piece: Piece, view: SheetView, set = false): StandIn {
  const { traits } = kindOf(piece.kind);
  const material = new THREE.MeshStandardMaterial({ color: traits.wall ? 0xece5d6 : 0x6f5a40, roughness: 1 });
  const low = Math.min(...view.baseGrid.heights.filter((z) => !Number.isNaN(z))) - view.plan.base.thickness;
  const seat = traits.sat && !traits.pan && !traits.throughFrame;
  const reach = set ? Math.max(0, ...sideBySide(piece, view).map(({ at }) => at[0])) : 0;
  const parts = boxes(traits.wall ? wall(view, low, reach) : seat ? legs(view, low) : [], material);
  if (!traits.wall) parts.forEach((part) => (part.userData.each = true));
  return {
    parts,
    upright: traits.upright,
    dispose: () => {
      material.dispose();
      parts.forEach((part) => part.geometry.dispose());
    },
  };
}
