'use client';

import { useEffect, type RefObject } from 'react';
import * as THREE from 'three';
import { useSheetStore } from '@/ui/sheet/store';
import type { Stage3d } from './stage3d';
import type { Scene } from './subject';
import { chalkAside, chalkAt, chalkReach } from './switches';

/** Looked at so nearly along the way it moves, a cut cannot be dragged: a dot would be so many millimetres. */
const FLAT_ON = 20;

/** Takes hold of the faces of a cut and moves the chalk line with them. */
export function useCutDrag(stage: RefObject<Stage3d | null>, scene: RefObject<Scene | null>): void {
  const store = useSheetStore();
  useEffect(() => {
    const host = stage.current?.host;
    if (!host) return;
    /** where it was taken hold of, and how many millimetres a dot is, on the page */
    let fastening: { x: number; y: number; aside: number; perDot: [number, number] } | null = null;
    const put = (event: PointerEvent, live: boolean) => {
      const { piece, view, follow } = store.getState();
      if (!fastening || !view) return;
      const [least, most] = chalkReach(piece.chalk, view);
      const by = (event.clientX - fastening.x) * fastening.perDot[0] + (event.clientY - fastening.y) * fastening.perDot[1];
      follow({ ...piece, chalk: chalkAt(piece.chalk, Math.round(Math.min(most, Math.max(least, fastening.aside + by)))) }, live);
    };
    const down = (event: PointerEvent) => {
      const [item, current] = [stage.current, scene.current];
      if (!item || !current?.cut || event.button !== 0) return;
      const seen = item.at(event, [current.cut.faces, ...current.covers]);
      let part = seen?.object ?? null;
      while (part && part !== current.cut.faces) part = part.parent;
      if (!part || !seen) return;
      const { chalk } = store.getState().piece;
      // Across the chalk line, back and right being more.
      const way = new THREE.Vector3(-Math.sin(chalk.angle), Math.cos(chalk.angle), 0).transformDirection(current.group.matrixWorld);
      const [a, b] = [item.onPage(seen.point), item.onPage(seen.point.clone().addScaledVector(way, 10))];
      const [dx, dy] = [(b.x - a.x) / 10, (b.y - a.y) / 10];
      const square = dx * dx + dy * dy;
      if (square < 1 / FLAT_ON ** 2) return;
      fastening = { x: event.clientX, y: event.clientY, aside: chalkAside(chalk), perDot: [dx / square, dy / square] };
      item.turns(false);
      host.setPointerCapture(event.pointerId);
      event.preventDefault();
    };
    const move = (event: PointerEvent) => put(event, true);
    const up = (event: PointerEvent) => {
      put(event, false);
      fastening = null;
      stage.current?.turns(true);
    };
    // Before the picture begins to turn.
    host.addEventListener('pointerdown', down, true);
    host.addEventListener('pointermove', move);
    host.addEventListener('pointerup', up);
    return () => {
      host.removeEventListener('pointerdown', down, true);
      host.removeEventListener('pointermove', move);
      host.removeEventListener('pointerup', up);
    };
    // What is dragged is the scene as it is shown at the time: it is asked, not remembered.
  }, [stage, scene, store]);
}
