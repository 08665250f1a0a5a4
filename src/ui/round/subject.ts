import * as THREE from 'three';
import { coloursOf } from '@/core/cloth';
import { bounds } from '@/core/outline';
import type { Piece } from '@/core/piece';
import type { SheetView, SitView } from '@/core/plan';
import { clothMaterial, quilted } from './cloth-picture';
import { cutAway, cutFaces, cutPlane } from './cut-open';
import { alike, colourBy, fastenersUnder, pressedIn, roundMeshes, seamCords, studs, withPattern, zipsOn, type Colouring } from './meshes';
import { sideBySide } from './row';
import { standIn } from './stand-ins';
import { themeColour, type Subject } from './stage3d';

/** What of a piece is shown, and how. */
export type Wish = {
  padded: boolean;
  /** cut open at the chalk line */
  open: boolean;
  /** the whole set, side by side */
  set: boolean;
  colouring: Colouring;
  /** turned over, with what holds its cover */
  under: boolean;
  /** which wave of fasteners is followed; null shows all of them */
  wave: number | null;
};

/** What is shown, with what of it can be pointed at. */
export type Scene = Subject & {
  covers: THREE.Mesh[];
  /** the faces of a cut, where it is cut open, and the way that the cut moves */
  cut: { faces: THREE.Object3D; normal: THREE.Vector3 } | null;
  /** says when a picture that was fetched has come */
  later: (drawn: () => void) => void;
  dispose: () => void;
};

/** The board's edge lies in the very surface of the cover: where both are, the cover is seen. */
const BEHIND = { polygonOffset: true, polygonOffsetFactor: 4, polygonOffsetUnits: 8 };
const CLOTH_DARKER = 0.72;
const SEAM_DARKER = 0.5;
/** How far a row counts for how far off it is looked at from. */
const ROW_SHARE = 0.72;
/** Below the middle of what stands on legs, as a share of its size: the middle of the picture. */
const LOW = 0.2;

/** Cords, seams, nails and buttons on the cover. */
function trimmings(view: SheetView, colour: THREE.Color, second: THREE.Color): THREE.Object3D[] {
  const darker = colour.clone().multiplyScalar(CLOTH_DARKER);
  // A welt of the second cloth has its colour.
  const cord = view.plan.cover?.welts.some(({ cloth }) => cloth === 'second') ? second.clone().multiplyScalar(CLOTH_DARKER) : darker;
  const cords = seamCords(view).map(
    ({ geometry, welted }) =>
      new THREE.Mesh(
        geometry,
        new THREE.MeshStandardMaterial({ color: welted ? cord : colour.clone().multiplyScalar(SEAM_DARKER), roughness: 0.9 }),
      ),
  );
  const zips = zipsOn(view).map(
    (geometry) => new THREE.Mesh(geometry, new THREE.MeshStandardMaterial({ color: 0x8d8a82, roughness: 0.45, metalness: 0.6 })),
  );
  const { nails, buttons } = studs(view);
  const domes = [
    { places: nails, material: new THREE.MeshStandardMaterial({ color: 0xb08d4f, roughness: 0.35, metalness: 0.8 }) },
    { places: buttons, material: new THREE.MeshStandardMaterial({ color: darker, roughness: 0.9 }) },
  ].filter(({ places }) => places.length > 0);
  return [
    ...cords,
    ...zips,
    ...domes.map(({ places, material }) => {
      const mesh = new THREE.InstancedMesh(new THREE.SphereGeometry(1, 14, 10), material, places.length);
      places.forEach((place, i) => mesh.setMatrixAt(i, place));
      return mesh;
    }),
  ];
}

/** What holds the cover, seen from below: the wave that is followed in the accent, what is done before it dark. */
function under(view: SheetView, wave: number | null): THREE.Object3D[] {
  const { done, now } = fastenersUnder(view, wave);
  return [
    { places: done, colour: new THREE.Color(0x3b3833) },
    { places: now, colour: themeColour('--cover-line', '#9c2630') },
  ]
    .filter(({ places }) => places.length > 0)
    .map(({ places, colour }) => {
      const material = new THREE.MeshStandardMaterial({ color: colour, roughness: 0.5 });
      const mesh = new THREE.InstancedMesh(new THREE.SphereGeometry(1, 10, 8), material, places.length);
      places.forEach((place, i) => mesh.setMatrixAt(i, place));
      return mesh;
    });
}

/** The cover's colour: its dye, or the theme's where nobody has said one. */
function colourOf({ cloth }: Pick<Piece, 'cloth'>): THREE.Color {
  const { ground } = coloursOf(cloth);
  return ground ? new THREE.Color(ground) : themeColour('--cover-line', '#9c2630');
}

/** What each group of the cover is drawn with: its cloth, lining, or cloth that is quilted. */
function clothMaterials(
  { cloth, second }: Piece,
  { skin }: SheetView,
  colour: THREE.Color,
  loaded: () => void,
): THREE.Material | THREE.Material[] {
  // Where the cloth is not laid yet there is no place for its pattern.
  if (!skin) return new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, color: colour, roughness: 0.95 });
  const material = clothMaterial(cloth, colour, loaded);
  const other = second ? clothMaterial(second, colourOf({ cloth: second }), loaded) : material;
  const lining = new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, color: 0xd8d0bf, roughness: 1 });
  return alike(skin.patches).map(([first]) =>
    first!.stitches.length > 0
      ? quilted(first!.cloth === 'second' ? other : material, first!)
      : { lining, second: other, cover: material }[first!.cloth],
  );
}

/** The cover can be pressed in as the sitter does it. */
function pressable(cover: THREE.BufferGeometry, view: SheetView, sit: SitView): void {
  const down = pressedIn(cover, view, sit);
  const pressed = new Float32Array(down.length * 3);
  down.forEach((by, i) => (pressed[3 * i + 2] = -by));
  cover.morphAttributes.position = [new THREE.BufferAttribute(pressed, 3)];
  cover.morphTargetsRelative = true;
}

/** One piece: board, cover and what is on it. */
function oneOf(piece: Piece, view: SheetView, { padded, colouring }: Wish, sit: SitView | null, loaded: () => void) {
  const { board, cover, size } = roundMeshes(view);
  const parts: THREE.Object3D[] = [
    new THREE.Mesh(board, new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, color: 0xc9a679, roughness: 0.9, ...BEHIND })),
  ];
  if (padded) {
    const colour = colourOf(piece);
    const tinted = colourBy(cover, colouring, view, sit);
    const materials = tinted
      ? new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, vertexColors: true, roughness: 0.95 })
      : clothMaterials(piece, view, colour, loaded);
    if (sit) pressable(cover, view, sit);
    const mesh = new THREE.Mesh(cover, materials);
    mesh.userData.cover = true;
    parts.push(mesh);
    parts.forEach((part) => (part.userData.piece = true));
    const plain = new THREE.Color(0x554f44);
    const second = piece.second ? colourOf({ cloth: piece.second }) : colour;
    parts.push(...trimmings(view, tinted ? plain : colour, tinted ? plain : second));
  } else cover.dispose();
  parts[0]!.userData.piece = true;
  return { parts, size };
}

/** The set: the same piece as often as there are, each with its own pattern. */
function severalOf(piece: Piece, view: SheetView, parts: readonly THREE.Object3D[], size: number): { groups: THREE.Group[]; size: number } {
  const set = sideBySide(piece, view);
  const groups = set.map(({ at: [x, y], pattern }) => {
    const group = new THREE.Group();
    for (const part of parts) {
      const object = part.clone();
      if (object instanceof THREE.Mesh && object.userData.cover && view.skin && pattern.size > 0)
        object.geometry = withPattern(object.geometry as THREE.BufferGeometry, view.skin, pattern);
      group.add(object);
    }
    group.position.set(x, y, 0);
    return group;
  });
  const reach = bounds(set.map(({ at }) => [at[0], at[1]] as const));
  // A row is seen at a slant: it fills the picture before its whole length would.
  return { groups, size: Math.max(size, ROW_SHARE * (Math.max(reach.width, reach.height) + size)) };
}

function giveBack(group: THREE.Group): void {
  const dropped = new Set<{ dispose: () => void }>();
  group.traverse((part) => {
    if (!(part instanceof THREE.Mesh)) return;
    dropped.add(part.geometry);
    for (const material of [part.material].flat() as THREE.MeshStandardMaterial[]) {
      dropped.add(material);
      for (const map of [material.map, material.bumpMap, material.aoMap]) if (map) dropped.add(map);
    }
  });
  dropped.forEach((item) => item.dispose());
}

/** Everything that is shown of a piece, each in its colour. */
export function sceneOf(piece: Piece, view: SheetView, wish: Wish, sit: SitView | null): Scene {
  let heard = (): void => undefined;
  const { parts, size } = oneOf(piece, view, wish, sit, () => heard());
  const stand = wish.under ? { parts: [], upright: false } : standIn(piece, view, wish.set);
  const group = new THREE.Group();
  const plane = wish.open && wish.padded && !wish.set && view.section ? cutPlane(view.section) : null;
  if (plane) cutAway(parts, plane);
  const several = wish.set ? severalOf(piece, view, [...parts, ...stand.parts.filter(({ userData }) => userData.each)], size) : null;
  if (wish.under) parts.push(...under(view, wish.wave));
  const shown = several ? [...several.groups, ...stand.parts.filter(({ userData }) => !userData.each)] : [...parts, ...stand.parts];
  group.add(...shown);
  const faces = plane ? cutFaces(piece, view.section!) : null;
  if (faces) group.add(faces);
  group.traverse((part) => {
    part.castShadow = true;
    part.receiveShadow = true;
  });
  // A board that hangs is seen as it hangs; turned over it lies on its face, as it does on the bench.
  if (wish.under) group.rotation.y = Math.PI;
  else if (stand.upright) group.rotation.x = Math.PI / 2;
  group.updateMatrixWorld(true);
  // What is cut is cut where it stands.
  const normal = plane ? plane.normal.clone() : null;
  plane?.applyMatrix4(group.matrixWorld);
  const covers: THREE.Mesh[] = [];
  group.traverse((part) => part.userData.cover && covers.push(part as THREE.Mesh));
  return {
    group,
    size: several?.size ?? size,
    low: size * LOW,
    upright: stand.upright,
    covers,
    cut: faces && normal ? { faces, normal } : null,
    later: (drawn) => (heard = drawn),
    dispose: () => giveBack(group),
  };
}
