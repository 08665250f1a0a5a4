'use client';

import { useEffect, useRef, useState } from 'react';
import * as THREE from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import type { SheetView, SitView } from '@/core/view';
import { colourBy, roundMeshes, type Colouring } from './meshes';

/** The piece in the round: its base, moulded as it is, and the covered padding over it. Dragged round, or by arrow keys. */
export function RoundView({ view, sit, name }: { view: SheetView; sit: SitView | null; name: string }) {
  const place = useRef<HTMLDivElement>(null);
  const [padded, setPadded] = useState(true);
  const [colouring, setColouring] = useState<Colouring>('cloth');
  const exported = useRef<THREE.Mesh[]>([]);
  const [wrong, setWrong] = useState<string | null>(null);
  const eye = useRef<THREE.Vector3 | null>(null);

  useEffect(() => {
    const host = place.current;
    if (!host) return;
    let renderer: THREE.WebGLRenderer;
    try {
      renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true });
    } catch {
      setWrong('This machine cannot draw in the round; plan and section show the same.');
      return;
    }
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string, otherwise: string) => new THREE.Color(style.getPropertyValue(name).trim() || otherwise);
    const { board, cover, size } = roundMeshes(view);
    const scene = new THREE.Scene();
    scene.add(new THREE.HemisphereLight(0xffffff, 0x8a7f6a, 2.2));
    const sun = new THREE.DirectionalLight(0xffffff, 1.8);
    sun.position.set(-size, -size, size * 2);
    scene.add(sun);
    const boardMesh = new THREE.Mesh(board, new THREE.MeshStandardMaterial({ color: 0xc9a679, side: THREE.DoubleSide, roughness: 0.9 }));
    scene.add(boardMesh);
    exported.current = [boardMesh];
    if (padded) {
      const tinted = colourBy(cover, colouring, view, sit);
      const coverMesh = new THREE.Mesh(
        cover,
        new THREE.MeshStandardMaterial({
          ...(tinted ? { vertexColors: true } : { color: colour('--cover-line', '#9c2630') }),
          side: THREE.DoubleSide,
          roughness: 0.95,
        }),
      );
      scene.add(coverMesh);
      exported.current.push(coverMesh);
    }
    const camera = new THREE.PerspectiveCamera(35, 1, size / 100, size * 20);
    camera.up.set(0, 0, 1);
    camera.position.copy(eye.current ?? new THREE.Vector3(size * 0.75, -size * 1.35, size * 0.95));
    const controls = new OrbitControls(camera, renderer.domElement);
    const draw = () => renderer.render(scene, camera);
    controls.addEventListener('change', () => {
      eye.current = camera.position.clone();
      draw();
    });
    host.append(renderer.domElement);
    renderer.domElement.setAttribute('aria-hidden', 'true');
    const fit = () => {
      const { clientWidth, clientHeight } = host;
      if (clientWidth === 0 || clientHeight === 0) return;
      renderer.setSize(clientWidth, clientHeight);
      camera.aspect = clientWidth / clientHeight;
      camera.updateProjectionMatrix();
      draw();
    };
    const watch = new ResizeObserver(fit);
    watch.observe(host);
    fit();
    const turn = (event: KeyboardEvent) => {
      const by: Record<string, number> = { ArrowLeft: 0.15, ArrowRight: -0.15 };
      const lift: Record<string, number> = { ArrowUp: 0.1, ArrowDown: -0.1 };
      if (by[event.key]) camera.position.applyAxisAngle(new THREE.Vector3(0, 0, 1), by[event.key]!);
      else if (lift[event.key]) camera.position.z += size * lift[event.key]!;
      else return;
      event.preventDefault();
      controls.update();
      eye.current = camera.position.clone();
      draw();
    };
    host.addEventListener('keydown', turn);
    host.dataset.drawn = 'yes';
    return () => {
      host.removeEventListener('keydown', turn);
      watch.disconnect();
      controls.dispose();
      board.dispose();
      cover.dispose();
      renderer.dispose();
      renderer.domElement.remove();
    };
  }, [view, sit, padded, colouring]);

  const save = () => {
    const group = new THREE.Group();
    exported.current.forEach((mesh) => group.add(mesh.clone()));
    const data = new STLExporter().parse(group, { binary: true });
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([data as unknown as BlobPart], { type: 'model/stl' }));
    link.download = `${name.replace(/[^\w-]+/g, '-')}.stl`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  };

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
          <option value="cloth">Cloth</option>
          <option value="contour">Height, in steps</option>
          <option value="pressure">Pressure under the sitter</option>
        </select>
        <button type="button" className="btn btn-xs btn-outline font-normal" onClick={save}>
          Save as STL
        </button>
      </div>
    </div>
  );
}
