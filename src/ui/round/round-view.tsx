'use client';

import { useEffect, useRef, useState, type RefObject } from 'react';
import * as THREE from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { kindOf, type Piece } from '@/core/piece';
import { coloursOf } from '@/core/cloth';
import type { SheetView, SitView } from '@/core/plan';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { clothMaterial, quilted } from './cloth-picture';
import { cutAway, cutFaces, cutPlane } from './cut-open';
import { alike, colourBy, pressedIn, roundMeshes, seamCords, studs, type Colouring } from './meshes';
import { standIn } from './stand-ins';
import { showInTheRound, themeColour, type Eye, type Shown, type Subject } from './stage3d';

const COLOURINGS: { id: Colouring; name: string }[] = [
  { id: 'cloth', name: 'Cloth' },
  { id: 'contour', name: 'Height, in steps' },
  { id: 'strain', name: 'Strain in the cloth' },
  { id: 'pressure', name: 'Pressure under the sitter' },
];

function saveBlob(blob: Blob, name: string, extension: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = `${name.replace(/[^\w-]+/g, '-')}.${extension}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** Board and cover alone, as a printer or another program takes them. */
function saveStl({ group }: Subject, name: string): void {
  const own = new THREE.Group();
  group.children.filter(({ userData }) => userData.piece).forEach((mesh) => own.add(mesh.clone()));
  own.updateMatrixWorld(true);
  const data = new STLExporter().parse(own, { binary: true });
  saveBlob(new Blob([data as unknown as BlobPart], { type: 'model/stl' }), name, 'stl');
}

/** The whole picture with its colours, in metres as the format has it. */
async function saveGltf({ group }: Subject, name: string): Promise<void> {
  const whole = group.clone();
  whole.scale.setScalar(0.001);
  const upright = new THREE.Group();
  upright.rotation.x = -Math.PI / 2;
  upright.add(whole);
  const data = (await new GLTFExporter().parseAsync(upright, { binary: true })) as ArrayBuffer;
  saveBlob(new Blob([data], { type: 'model/gltf-binary' }), name, 'glb');
}

/** The board's edge lies in the very surface of the cover: where both are, the cover is seen. */
const BEHIND = { polygonOffset: true, polygonOffsetFactor: 4, polygonOffsetUnits: 8 };

const CLOTH_DARKER = 0.72;

/** Cords, seams, nails and buttons on the cover. */
function trimmings(view: SheetView, colour: THREE.Color): THREE.Object3D[] {
  const darker = colour.clone().multiplyScalar(CLOTH_DARKER);
  const cords = seamCords(view).map(
    ({ geometry, welted }) =>
      new THREE.Mesh(
        geometry,
        new THREE.MeshStandardMaterial({ color: welted ? darker : colour.clone().multiplyScalar(0.5), roughness: 0.9 }),
      ),
  );
  const { nails, buttons } = studs(view);
  const domes = [
    { places: nails, material: new THREE.MeshStandardMaterial({ color: 0xb08d4f, roughness: 0.35, metalness: 0.8 }) },
    { places: buttons, material: new THREE.MeshStandardMaterial({ color: darker, roughness: 0.9 }) },
  ].filter(({ places }) => places.length > 0);
  return [
    ...cords,
    ...domes.map(({ places, material }) => {
      const mesh = new THREE.InstancedMesh(new THREE.SphereGeometry(1, 14, 10), material, places.length);
      places.forEach((place, i) => mesh.setMatrixAt(i, place));
      return mesh;
    }),
  ];
}

/** The cover's colour: its dye, or the theme's where nobody has said one. */
function colourOf({ cloth }: Piece): THREE.Color {
  const { ground } = coloursOf(cloth);
  return ground ? new THREE.Color(ground) : themeColour('--cover-line', '#9c2630');
}

/** What each group of the cover is drawn with: its cloth, lining, or cloth that is quilted. */
function clothMaterials({ cloth }: Piece, { skin }: SheetView, colour: THREE.Color): THREE.Material | THREE.Material[] {
  // Where the cloth is not laid yet there is no place for its pattern.
  if (!skin) return new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, color: colour, roughness: 0.95 });
  const own = clothMaterial(cloth, colour);
  const lining = new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, color: 0xd8d0bf, roughness: 1 });
  return alike(skin.patches).map(([first]) =>
    first!.stitches.length > 0 ? quilted(own, first!) : first!.cloth === 'lining' ? lining : own,
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

/** Everything that is shown of a piece, each in its colour. */
function subjectOf(
  piece: Piece,
  view: SheetView,
  { padded, open }: { padded: boolean; open: boolean },
  sit: SitView | null,
  tint: (cover: THREE.BufferGeometry) => boolean,
): Subject & { dispose: () => void } {
  const { board, cover, size } = roundMeshes(view);
  const stand = standIn(piece, view);
  const group = new THREE.Group();
  const own = (mesh: THREE.Mesh): void => {
    mesh.userData.piece = true;
    group.add(mesh);
  };
  own(new THREE.Mesh(board, new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, color: 0xc9a679, roughness: 0.9, ...BEHIND })));
  if (padded) {
    const colour = colourOf(piece);
    const tinted = tint(cover);
    const materials = tinted
      ? new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, vertexColors: true, roughness: 0.95 })
      : clothMaterials(piece, view, colour);
    if (sit) pressable(cover, view, sit);
    const mesh = new THREE.Mesh(cover, materials);
    mesh.userData.cover = true;
    own(mesh);
    trimmings(view, tinted ? new THREE.Color(0x554f44) : colour).forEach((part) => group.add(part));
  }
  const plane = open && padded && view.section ? cutPlane(view.section) : null;
  if (plane) cutAway([...group.children], plane);
  stand.parts.forEach((part) => group.add(part));
  if (plane) group.add(cutFaces(piece, view.section!));
  group.traverse((part) => {
    part.castShadow = true;
    part.receiveShadow = true;
  });
  // A board that hangs is seen as it hangs.
  if (stand.upright) group.rotation.x = Math.PI / 2;
  group.updateMatrixWorld(true);
  // What is cut is cut where it stands.
  plane?.applyMatrix4(group.matrixWorld);
  const dispose = () => {
    stand.dispose();
    group.traverse((part) => part instanceof THREE.Mesh && part.geometry.dispose());
  };
  return { group, size, upright: stand.upright, dispose };
}

/** How long somebody takes to sit down, ms. */
const SITTING = 700;

/** Somebody sits down on what is shown, or gets up: slowly, or at once where motion is not wanted. */
function useSitting(shown: RefObject<(Subject & Shown) | null>, seated: boolean, drawn: number): void {
  const at = useRef(0);
  useEffect(() => {
    const subject = shown.current;
    const cover = subject?.group.children.find(({ userData }) => userData.cover) as THREE.Mesh | undefined;
    if (!subject || !cover?.morphTargetInfluences) return;
    const press = (share: number): void => {
      at.current = share;
      cover.morphTargetInfluences![0] = share;
      subject.draw();
    };
    const [from, to] = [at.current, seated ? 1 : 0];
    if (from === to || matchMedia('(prefers-reduced-motion: reduce)').matches) return press(to);
    const began = performance.now();
    let frame = 0;
    const step = (now: number): void => {
      const t = Math.min(1, (now - began) / SITTING);
      press(from + (to - from) * t * t * (3 - 2 * t));
      if (t < 1) frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [shown, seated, drawn]);
}

function Switch({ says, on, onTurn }: { says: string; on: boolean; onTurn: (on: boolean) => void }) {
  return (
    <label className="flex items-center gap-2 text-sm bg-base-100 px-2 py-1 border border-base-content/25 w-fit">
      <input
        type="checkbox"
        className="size-5 accent-(--color-secondary)"
        checked={on}
        onChange={(event) => onTurn(event.target.checked)}
      />
      {says}
    </label>
  );
}

/** What is shown of it. */
function Switches({
  padded,
  onPadded,
  seated,
  onSeated,
  leans,
  open,
  onOpen,
}: {
  padded: boolean;
  onPadded: (on: boolean) => void;
  /** null where nobody can */
  seated: boolean | null;
  onSeated: (on: boolean) => void;
  leans: boolean;
  /** null where there is nothing to be seen inside */
  open: boolean | null;
  onOpen: (on: boolean) => void;
}) {
  return (
    <div className="absolute left-3 top-2 space-y-2">
      <Switch says="With its padding" on={padded} onTurn={onPadded} />
      {seated !== null && <Switch says={leans ? 'Somebody leans on it' : 'Somebody sits on it'} on={seated} onTurn={onSeated} />}
      {open !== null && <Switch says="Cut open at the chalk line" on={open} onTurn={onOpen} />}
    </div>
  );
}

function ColourBy({ colouring, onColouring }: { colouring: Colouring; onColouring: (by: Colouring) => void }) {
  return (
    <>
      <label htmlFor="round-colour">Colour by</label>
      <select
        id="round-colour"
        className="border border-base-content/40 rounded-sm bg-base-100 px-1 py-0.5"
        value={colouring}
        onChange={(event) => onColouring(event.target.value as Colouring)}
      >
        {COLOURINGS.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </>
  );
}

/** The picture and the shape as files. */
function SaveAs({ shown, name }: { shown: RefObject<(Subject & Shown) | null>; name: string }) {
  const press = 'btn btn-xs btn-outline font-normal';
  return (
    <>
      <span>Save as</span>
      <button
        type="button"
        className={press}
        onClick={() => void shown.current?.picture().then((blob) => blob && saveBlob(blob, name, 'png'))}
      >
        Picture
      </button>
      <button type="button" className={press} onClick={() => shown.current && void saveGltf(shown.current, name)}>
        glTF
      </button>
      <button type="button" className={press} onClick={() => shown.current && saveStl(shown.current, name)}>
        STL
      </button>
    </>
  );
}

/** The piece in the round: its base, moulded as it is, and the covered padding over it. Dragged round, or by arrow keys. */
export function RoundView() {
  const piece = usePiece();
  const { name } = piece;
  const view = useSheet((state) => state.view)!;
  const sit = useSheet((state) => state.sit.view);
  const place = useRef<HTMLDivElement>(null);
  const eye = useRef<Eye>({ at: null });
  const shown = useRef<(Subject & Shown) | null>(null);
  const [padded, setPadded] = useState(true);
  const [colouring, setColouring] = useState<Colouring>('cloth');
  const [wrong, setWrong] = useState<string | null>(null);
  const [seated, setSeated] = useState(false);
  const [open, setOpen] = useState(false);
  const [drawn, setDrawn] = useState(0);
  useSitting(shown, seated, drawn);
  useEffect(() => {
    const subject = subjectOf(piece, view, { padded, open }, sit, (cover) => colourBy(cover, colouring, view, sit));
    try {
      const stage = showInTheRound(place.current!, subject, eye.current);
      shown.current = { ...subject, ...stage };
      setDrawn((count) => count + 1);
      return () => {
        shown.current = null;
        stage.end();
        subject.dispose();
      };
    } catch {
      setWrong('This machine cannot draw in the round; plan and section show the same.');
      return subject.dispose;
    }
  }, [piece, view, sit, padded, open, colouring]);
  return (
    <div className="flex-1 min-h-0 relative" data-cloth={view.skin ? 'laid' : 'not yet'}>
      {wrong && <p className="p-4 text-sm">{wrong}</p>}
      {/* The picture is turned with the arrow keys while it has the focus. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div ref={place} className="absolute inset-0" tabIndex={0} role="img" aria-label="The piece in the round; arrow keys turn it" />
      <Switches
        padded={padded}
        onPadded={setPadded}
        seated={sit && padded ? seated : null}
        onSeated={setSeated}
        leans={kindOf(piece.kind).traits.wall}
        open={view.section && padded ? open : null}
        onOpen={setOpen}
      />
      <div className="absolute left-3 bottom-2 flex items-center gap-2 text-sm bg-base-100 px-2 py-1 border border-base-content/25">
        <ColourBy colouring={colouring} onColouring={setColouring} />
        <SaveAs shown={shown} name={name} />
      </div>
    </div>
  );
}
