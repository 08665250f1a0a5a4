import * as THREE from 'three';
import type { Section } from '@/core/padding';
import { cutBoard } from '@/core/base';
import type { Point } from '@/core/outline';
import { foamsOf, type Piece } from '@/core/piece';
import { foamColour } from '@/ui/drawing/materials';

const BOARD = 0xc9a679;
const WADDING = 0xf3ecdc;

/** A flat shape in the section's own plane: along the chalk line and up, mm. */
function face(points: readonly Point[], colour: THREE.ColorRepresentation): THREE.Mesh {
  const shape = new THREE.Shape(points.map(([x, z]) => new THREE.Vector2(x, z)));
  return new THREE.Mesh(
    new THREE.ShapeGeometry(shape),
    new THREE.MeshStandardMaterial({ color: colour, side: THREE.DoubleSide, roughness: 1 }),
  );
}

/** From the section's plane to the piece: along the chalk line, up, and towards whoever looks. */
function inPlace({ origin, direction: [dx, dy] }: Section): THREE.Matrix4 {
  const [along, up] = [new THREE.Vector3(dx, dy, 0), new THREE.Vector3(0, 0, 1)];
  return new THREE.Matrix4().makeBasis(along, up, along.clone().cross(up)).setPosition(origin[0], origin[1], 0);
}

/** What is seen where a piece is cut open: pads as they lie under the cover, wadding, board. */
export function cutFaces(piece: Piece, section: Section): THREE.Group {
  const group = new THREE.Group();
  if (section.wadding.length > 0) group.add(face([...section.bare, ...[...section.wadding].reverse()], WADDING));
  for (const { id, outline } of section.covered) {
    const material = piece.pads.find((pad) => pad.id === id)?.material;
    group.add(face(outline, material ? foamColour(material, foamsOf(piece)) : WADDING));
  }
  for (const part of cutBoard(section, piece.base)) group.add(face(part, BOARD));
  // One lies before the other by less than is seen, so that none flickers.
  group.children.forEach((part, i) => (part.position.z = 0.2 + i * 0.05));
  group.applyMatrix4(inPlace(section));
  return group;
}

/** The plane of a section: what lies in front of it is taken away. */
export function cutPlane({ origin: [x, y], direction: [dx, dy] }: Section): THREE.Plane {
  // Behind is where y grows; a line from front to back takes its right half away.
  const normal = new THREE.Vector3(-dy, dx, 0);
  if (normal.y < -1e-9 || (Math.abs(normal.y) <= 1e-9 && normal.x > 0)) normal.negate();
  return new THREE.Plane().setFromNormalAndCoplanarPoint(normal, new THREE.Vector3(x, y, 0));
}

/** Cuts everything of a piece open along a plane, as the piece stands. */
export function cutAway(parts: readonly THREE.Object3D[], plane: THREE.Plane): void {
  for (const part of parts)
    part.traverse((object) => {
      if (!(object instanceof THREE.Mesh)) return;
      for (const material of [object.material].flat() as THREE.Material[]) {
        material.clippingPlanes = [plane];
        material.clipShadows = true;
      }
    });
}
