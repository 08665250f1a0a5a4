'use client';

import { useEffect, useRef, useState } from 'react';
import * as THREE from 'three';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { colourBy, roundMeshes, type Colouring } from './meshes';
import { showInTheRound, themeColour, type Eye } from './stage3d';

const COLOURINGS: { id: Colouring; name: string }[] = [
  { id: 'cloth', name: 'Cloth' },
  { id: 'contour', name: 'Height, in steps' },
  { id: 'pressure', name: 'Pressure under the sitter' },
];

/** Writes meshes into a file that the browser keeps. */
function saveStl(meshes: readonly THREE.Mesh[], name: string): void {
  const group = new THREE.Group();
  meshes.forEach((mesh) => group.add(mesh.clone()));
  const data = new STLExporter().parse(group, { binary: true });
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([data as unknown as BlobPart], { type: 'model/stl' }));
  link.download = `${name.replace(/[^\w-]+/g, '-')}.stl`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** Board and cover as they stand, each in its colour. */
function subjectOf(view: Parameters<typeof roundMeshes>[0], padded: boolean, tint: (cover: THREE.BufferGeometry) => boolean) {
  const { board, cover, size } = roundMeshes(view);
  const surface = { side: THREE.DoubleSide };
  const meshes = [new THREE.Mesh(board, new THREE.MeshStandardMaterial({ ...surface, color: 0xc9a679, roughness: 0.9 }))];
  if (padded) {
    const own = tint(cover) ? { vertexColors: true } : { color: themeColour('--cover-line', '#9c2630') };
    meshes.push(new THREE.Mesh(cover, new THREE.MeshStandardMaterial({ ...surface, ...own, roughness: 0.95 })));
  }
  const dispose = () => {
    board.dispose();
    cover.dispose();
  };
  return { meshes, size, dispose };
}

/** The piece in the round: its base, moulded as it is, and the covered padding over it. Dragged round, or by arrow keys. */
export function RoundView() {
  const { name } = usePiece();
  const view = useSheet((state) => state.view)!;
  const sit = useSheet((state) => state.sit.view);
  const place = useRef<HTMLDivElement>(null);
  const eye = useRef<Eye>({ at: null });
  const shown = useRef<THREE.Mesh[]>([]);
  const [padded, setPadded] = useState(true);
  const [colouring, setColouring] = useState<Colouring>('cloth');
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    const { meshes, size, dispose } = subjectOf(view, padded, (cover) => colourBy(cover, colouring, view, sit));
    shown.current = meshes;
    try {
      const end = showInTheRound(place.current!, meshes, size, eye.current);
      return () => {
        end();
        dispose();
      };
    } catch {
      setWrong('This machine cannot draw in the round; plan and section show the same.');
      return dispose;
    }
  }, [view, sit, padded, colouring]);
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
        <button type="button" className="btn btn-xs btn-outline font-normal" onClick={() => saveStl(shown.current, name)}>
          Save as STL
        </button>
      </div>
    </div>
  );
}
