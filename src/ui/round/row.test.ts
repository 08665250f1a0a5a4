import * as THREE from 'three';
import { describe, expect, it } from 'vitest';
import { newPiece, panelWidth, type Piece } from '@/core/piece';
import { sheetView, type SheetView } from '@/core/plan';
import { asStl, asTurntable } from './files';
import { roundMeshes, withPattern } from './meshes';
import { namedPlaces } from './places';
import { MOST_SHOWN, setOf, sideBySide } from './row';
import { sceneOf } from './subject';
import { chalkAside, chalkAt, chalkReach } from './switches';
import { sharedPlanner } from '../../testing/quick';

const viewOf = (piece: Piece): SheetView => {
  const found = sheetView({ piece, house: {}, parts: ['cover', 'cut', 'fixing'], preview: true, round: true }, sharedPlanner);
  if ('problems' in found) throw new Error(found.problems[0]!.message);
  return found.view;
};

const seat = newPiece('chair-seat');
const striped: Piece = { ...seat, count: 5, cloth: { ...seat.cloth, repeatAcross: 84, figure: 'stripe' } };

describe('a set side by side', () => {
  it('stands in rows of four about the middle, none nearer to another than they are wide', () => {
    const piece = { ...seat, count: 7 };
    const set = sideBySide(piece, viewOf(piece));
    expect(set).toHaveLength(7);
    const xs = set.map(({ at }) => at[0]);
    expect(Math.min(...xs)).toBeCloseTo(-Math.max(...xs), 9);
    for (let i = 0; i < 7; i++)
      for (let j = i + 1; j < 7; j++) {
        const [a, b] = [set[i]!.at, set[j]!.at];
        expect(Math.max(Math.abs(a[0] - b[0]) / 450, Math.abs(a[1] - b[1]) / 420)).toBeGreaterThan(1);
      }
  });

  it('panels hang as the wall is laid out: from its middle, a panel and a gap apart', () => {
    const piece = newPiece('headboard-panelled');
    const set = sideBySide(piece, viewOf(piece));
    expect(set).toHaveLength(piece.panels!.count);
    const xs = set.map(({ at }) => at[0]);
    for (let k = 1; k < xs.length; k++) expect(xs[k]! - xs[k - 1]!).toBeCloseTo(panelWidth(piece.panels!) + piece.panels!.gap, 2);
    expect(xs[0]! + xs.at(-1)!).toBeCloseTo(0, 2);
  });

  it('of very many only so many are shown', () => {
    expect(setOf({ ...seat, count: 60 })).toBe(MOST_SHOWN);
    expect(setOf(seat)).toBe(1);
  });

  it('unmatched, each has the stripe as it comes off the roll; matched, all have it in one place', () => {
    const unmatched: Piece = { ...striped, covering: { ...striped.covering, motif: null, matched: false } };
    const loose = viewOf(unmatched);
    const laid = loose.plan.cut!.cloth.laid;
    const shown = sideBySide(unmatched, loose);
    expect(shown.length).toBeGreaterThan(1);
    shown.forEach(({ pattern }, k) => {
      const [x, y] = pattern.get('cover')!;
      // The very place of that piece on the roll.
      expect([x, y]).toEqual([laid[k]!.x, laid[k]!.y]);
    });
    const matched: Piece = { ...striped, covering: { ...striped.covering, motif: { x: 0, y: 0, on: 'stripe' } } };
    for (const { pattern } of sideBySide(matched, viewOf(matched))) expect(pattern.size).toBe(0);
  });

  it('moves the pattern on the cloth and nothing else', () => {
    const view = viewOf(striped);
    const { cover } = roundMeshes(view);
    const other = withPattern(cover, view.skin!, new Map([['cover', [31, 7]]]));
    const [a, b] = [cover.getAttribute('uv'), other.getAttribute('uv')];
    for (let i = 0; i < a.count; i += 17) {
      expect(b.getX(i) - a.getX(i)).toBeCloseTo(31, 3);
      expect(b.getY(i) - a.getY(i)).toBeCloseTo(7, 3);
    }
    expect([...other.getAttribute('position').array]).toEqual([...cover.getAttribute('position').array]);
  });
});

describe('places with a name', () => {
  it('lie on the cloth: the middle on top, the others where it goes round the board’s edge', () => {
    const view = viewOf(seat);
    const places = new Map(namedPlaces(view).map(({ name, at }) => [name, at]));
    const top = places.get('middle of the top')!;
    expect(Math.hypot(top[0], top[1])).toBeLessThan(20);
    for (const [name, k, way] of [
      ['front', 1, -1],
      ['back', 1, 1],
      ['left', 0, -1],
      ['right', 0, 1],
    ] as const) {
      const at = places.get(`${name}, at the board’s edge`)!;
      expect(at[k] * way, name).toBeGreaterThan(170);
      expect(at[2], name).toBeLessThan(top[2] - 40);
    }
  });
});

describe('a chalk line that is moved across itself', () => {
  it.each([0, 0.3, Math.PI / 2, 2.1, -1])('at %s lies where it was put, with its direction kept', (angle) => {
    const chalk = { x: 31, y: -17, angle };
    const movedChalk = chalkAt(chalk, 44);
    expect(chalkAside(movedChalk)).toBeCloseTo(44, 9);
    expect(movedChalk.angle).toBe(angle);
    // Along itself it stays where it was.
    const along = ({ x, y }: { x: number; y: number }) => x * Math.cos(angle) + y * Math.sin(angle);
    expect(along(movedChalk)).toBeCloseTo(along(chalk), 9);
  });

  it('stays on the board', () => {
    const [least, most] = chalkReach({ x: 0, y: 0, angle: 0 }, viewOf(seat));
    expect(least).toBeGreaterThanOrEqual(-210);
    expect(most).toBeLessThanOrEqual(210);
    expect(most - least).toBeGreaterThan(350);
  });
});

describe('what leaves the round view', () => {
  // The scene asks the page for the theme's colours.
  const page = { documentElement: {} };
  Object.assign(globalThis, {
    document: page,
    getComputedStyle: () => ({ getPropertyValue: () => '' }),
  });
  const wish = { padded: true, open: false, colouring: 'contour' as const, under: false, wave: null };

  it('an STL has the triangles of board and cover, for each of the set, at its own place', async () => {
    const view = viewOf({ ...seat, count: 3 });
    const trianglesOf = async (set: boolean): Promise<{ count: number; left: number; right: number }> => {
      const scene = sceneOf({ ...seat, count: 3 }, view, { ...wish, set }, null);
      const file = new DataView(await asStl(scene).arrayBuffer());
      // Binary STL: 80 bytes of words, a count, then fifty bytes each: a normal, three places, two bytes.
      const count = file.getUint32(80, true);
      expect(file.byteLength).toBe(84 + 50 * count);
      let [left, right] = [Infinity, -Infinity];
      for (let t = 0; t < count; t++)
        for (let k = 0; k < 3; k++) {
          const x = file.getFloat32(84 + 50 * t + 12 + 12 * k, true);
          [left, right] = [Math.min(left, x), Math.max(right, x)];
        }
      return { count, left, right };
    };
    const [one, all] = [await trianglesOf(false), await trianglesOf(true)];
    expect(all.count).toBe(3 * one.count);
    expect(one.right - one.left).toBeGreaterThan(440);
    expect(one.right - one.left).toBeLessThan(490);
    expect(all.right - all.left).toBeGreaterThan(3 * 450);
  });

  it('a turn is a zip of its pictures, in order, as they were', async () => {
    const { unzipSync } = await import('three/examples/jsm/libs/fflate.module.js');
    const pictures = Array.from({ length: 11 }, (_, k) => new Blob([Uint8Array.from([137, 80, 78, 71, k])]));
    const zip = new Uint8Array(await (await asTurntable(pictures)).arrayBuffer());
    const files = Object.entries(unzipSync(zip)) as [string, Uint8Array][];
    expect(files.map(([name]) => name)).toEqual(Array.from({ length: 11 }, (_, k) => `turn-${String(k + 1).padStart(2, '0')}.png`));
    files.forEach(([, bytes], k) => expect(bytes[4]).toBe(k));
  });

  it('cut open, the whole is cut by the plane of the section, and nothing of the cut itself', () => {
    const view = viewOf(seat);
    const scene = sceneOf(seat, view, { ...wish, open: true, set: false }, null);
    expect(scene.cut).not.toBeNull();
    const planes = scene.covers.flatMap(({ material }) =>
      ([material].flat() as THREE.Material[]).flatMap((item) => item.clippingPlanes ?? []),
    );
    expect(planes).toHaveLength(1);
    scene.cut!.faces.traverse((part) => {
      if (part instanceof THREE.Mesh) expect((part.material as THREE.Material).clippingPlanes ?? []).toEqual([]);
    });
    expect(() => scene.dispose()).not.toThrow();
  });
});
