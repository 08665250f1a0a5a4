import * as THREE from 'three';
import { describe, expect, it } from 'vitest';
import { newPiece } from '@/core/piece';
import { sheetView } from '@/core/plan';
import { cutFaces, cutPlane } from './cut-open';
import { sharedPlanner } from '../../testing/quick';

const opened = (angle: number) => {
  const piece = { ...newPiece('chair-seat'), chalk: { x: 20, y: 35, angle } };
  const found = sheetView({ piece, house: {}, parts: [], preview: true }, sharedPlanner);
  if ('problems' in found) throw new Error(found.problems[0]!.message);
  return { piece, section: found.view.section! };
};

describe.each([0, 0.4, Math.PI / 2, -1.1])('a seat cut open along a line at %d', (angle) => {
  const { piece, section } = opened(angle);
  const faces = cutFaces(piece, section);
  faces.updateMatrixWorld(true);

  it('shows its section in the very plane of the chalk line, as high and as wide as it was solved', () => {
    const plane = cutPlane(section);
    const box = new THREE.Box3().setFromObject(faces);
    const all = [...section.covered.flatMap(({ outline }) => outline), ...section.base, ...section.bare, ...section.wadding];
    const xs = all.map(([x]) => x);
    const zs = section.covered.flatMap(({ outline }) => outline).map(([, z]) => z);
    const size = box.getSize(new THREE.Vector3());
    expect(Math.hypot(size.x, size.y)).toBeCloseTo(Math.max(...xs) - Math.min(...xs), -0.5);
    expect(box.max.z).toBeGreaterThanOrEqual(Math.max(...zs) - 0.01);
    const low = Math.min(...section.base.map(([, z]) => z)) - section.board.thickness;
    expect(box.min.z).toBeLessThanOrEqual(low + 1e-3);
    // Wadding goes down the side and may hang a hair below the board.
    expect(box.min.z).toBeGreaterThan(low - 0.5);
    const at = new THREE.Vector3();
    faces.traverse((part) => {
      if (!(part instanceof THREE.Mesh)) return;
      const places = (part.geometry as THREE.BufferGeometry).getAttribute('position');
      for (let i = 0; i < places.count; i++)
        expect(Math.abs(plane.distanceToPoint(at.fromBufferAttribute(places, i).applyMatrix4(part.matrixWorld)))).toBeLessThan(1);
    });
  });

  it('keeps what lies behind the line', () => {
    const plane = cutPlane(section);
    expect(plane.normal.length()).toBeCloseTo(1, 9);
    expect(plane.distanceToPoint(new THREE.Vector3(section.origin[0], section.origin[1], 40))).toBeCloseTo(0, 9);
    if (Math.abs(Math.cos(angle)) > 0.1) expect(plane.distanceToPoint(new THREE.Vector3(0, 5000, 0))).toBeGreaterThan(0);
    else expect(plane.distanceToPoint(new THREE.Vector3(-5000, 0, 0))).toBeGreaterThan(0);
  });

  it('has a face for each pad, the wadding and the board, none of them empty', () => {
    expect(faces.children).toHaveLength(section.covered.length + (section.wadding.length > 0 ? 2 : 1));
    for (const part of faces.children) expect((part as THREE.Mesh).geometry.getAttribute('position').count).toBeGreaterThan(3);
  });
});
