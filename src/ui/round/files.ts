import * as THREE from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { zipSync } from 'three/examples/jsm/libs/fflate.module.js';
import type { Subject } from './stage3d';

/** Pictures of a turn: one every fifteen degrees. */
export const TURN_PICTURES = 24;

/** Hands a file to whoever looks. */
export function saveBlob(blob: Blob, name: string, extension: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = `${name.replace(/[^\w-]+/g, '-')}.${extension}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** Board and cover alone, as a printer or another program takes them: binary STL, mm. */
export function asStl({ group }: Subject): Blob {
  const item = new THREE.Group();
  group.traverse((part) => {
    // One of a set stands where it stands in the row; how the whole is turned to be looked at is no part of its shape.
    if (!part.userData.piece) return;
    const alone = part.clone();
    if (part.parent && part.parent !== group) alone.applyMatrix4(part.parent.matrix);
    item.add(alone);
  });
  item.updateMatrixWorld(true);
  return new Blob([new STLExporter().parse(item, { binary: true }) as unknown as BlobPart], { type: 'model/stl' });
}

/** The whole picture with its colours, in metres as the format has it. */
export async function asGltf({ group }: Subject): Promise<Blob> {
  const whole = group.clone();
  whole.scale.setScalar(0.001);
  const upright = new THREE.Group();
  upright.rotation.x = -Math.PI / 2;
  upright.add(whole);
  const data = (await new GLTFExporter().parseAsync(upright, { binary: true })) as ArrayBuffer;
  return new Blob([data], { type: 'model/gltf-binary' });
}

/** The pictures of a turn as one zip, numbered in the order of the turn. PNG is packed already: they are put in as they are. */
export async function asTurntable(pictures: readonly Blob[]): Promise<Blob> {
  const entries = await Promise.all(
    pictures.map(
      async (picture, k) => [`turn-${String(k + 1).padStart(2, '0')}.png`, new Uint8Array(await picture.arrayBuffer())] as const,
    ),
  );
  return new Blob([zipSync(Object.fromEntries(entries), { level: 0 }) as BlobPart], { type: 'application/zip' });
}
