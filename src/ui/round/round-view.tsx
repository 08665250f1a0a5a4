'use client';

import { useEffect, useRef, useState } from 'react';
import * as THREE from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import type { Piece } from '@/core/piece';
import type { SheetView } from '@/core/plan';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { colourBy, roundMeshes, seamCords, studs, type Colouring } from './meshes';
import { standIn } from './stand-ins';
import { showInTheRound, themeColour, type Eye, type Shown, type Subject } from './stage3d';

const COLOURINGS: { id: Colouring; name: string }[] = [
  { id: 'cloth', name: 'Cloth' },
  { id: 'contour', name: 'Height, in steps' },
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

/** Everything that is shown of a piece, each in its colour. */
function subjectOf(
  piece: Piece,
  view: SheetView,
  padded: boolean,
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
    const colour = themeColour('--cover-line', '#9c2630');
    const tinted = tint(cover);
    const look = tinted ? { vertexColors: true } : { color: colour };
    own(new THREE.Mesh(cover, new THREE.MeshStandardMaterial({ side: THREE.DoubleSide, ...look, roughness: 0.95 })));
    trimmings(view, tinted ? new THREE.Color(0x554f44) : colour).forEach((part) => group.add(part));
  }
  stand.parts.forEach((part) => group.add(part));
  group.traverse((part) => {
    part.castShadow = true;
    part.receiveShadow = true;
  });
  // A board that hangs is seen as it hangs.
  if (stand.upright) group.rotation.x = Math.PI / 2;
  const dispose = () => {
    stand.dispose();
    group.traverse((part) => part instanceof THREE.Mesh && part.geometry.dispose());
  };
  return { group, size, upright: stand.upright, dispose };
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
  useEffect(() => {
    const subject = subjectOf(piece, view, padded, (cover) => colourBy(cover, colouring, view, sit));
    try {
      const stage = showInTheRound(place.current!, subject, eye.current);
      shown.current = { ...subject, ...stage };
      return () => {
        shown.current = null;
        stage.end();
        subject.dispose();
      };
    } catch {
      setWrong('This machine cannot draw in the round; plan and section show the same.');
      return subject.dispose;
    }
  }, [piece, view, sit, padded, colouring]);
  return (
    <div className="flex-1 min-h-0 relative">
      {wrong && <p className="p-4 text-sm">{wrong}</p>}
      {/* The picture is turned with the arrow keys while it has the focus. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div ref={place} className="absolute inset-0" tabIndex={0} role="img" aria-label="The piece in the round; arrow keys turn it" />
      <label className="absolute left-3 top-2 flex items-center gap-2 text-sm bg-base-100 px-2 py-1 border border-base-content/25">
        <input
          type="checkbox"
          className="size-5 accent-(--color-secondary)"
          checked={padded}
          onChange={(event) => setPadded(event.target.checked)}
        />
        With its padding
      </label>
      <div className="absolute left-3 bottom-2 flex items-center gap-2 text-sm bg-base-100 px-2 py-1 border border-base-content/25">
        <label htmlFor="round-colour">Colour by</label>
        <select
          id="round-colour"
          className="border border-base-content/40 rounded-sm bg-base-100 px-1 py-0.5"
          value={colouring}
          onChange={(event) => setColouring(event.target.value as Colouring)}
        >
          {COLOURINGS.map(({ id, name: says }) => (
            <option key={id} value={id}>
              {says}
            </option>
          ))}
        </select>
        <span>Save as</span>
        <button
          type="button"
          className="btn btn-xs btn-outline font-normal"
          onClick={() => void shown.current?.picture().then((blob) => blob && saveBlob(blob, name, 'png'))}
        >
          Picture
        </button>
        <button
          type="button"
          className="btn btn-xs btn-outline font-normal"
          onClick={() => shown.current && void saveGltf(shown.current, name)}
        >
          glTF
        </button>
        <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => shown.current && saveStl(shown.current, name)}>
          STL
        </button>
      </div>
    </div>
  );
}
