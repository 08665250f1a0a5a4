'use client';

import { useEffect, useState, type RefObject } from 'react';
import * as THREE from 'three';
import { tapeOver, type Place3, type Taped } from '@/core/cover';
import type { SheetView } from '@/core/plan';
import { useLength } from '@/ui/kit/settings';
import { namedPlaces, type NamedPlace } from './places';
import type { Scene } from './subject';
import { themeColour, type Stage3d } from './stage3d';

/** A press that moves by less is no drag, dots. */
const STILL = 5;
/** A tape and its ends, as shares of what is shown. */
const TAPE = 0.004;
const END = 0.011;

export type Tape = { ends: readonly Place3[]; taped: Taped | null; put: (ends: Place3[]) => void };

/** Two places on the cover, pointed at or named, and what the tape says between them. */
export function useTape(view: SheetView, on: boolean): Tape {
  const [ends, put] = useState<Place3[]>([]);
  const [of, setOf] = useState(view.skin);
  // What was measured on another surface says nothing of this one.
  if (of !== view.skin) {
    setOf(view.skin);
    put([]);
  }
  const taped = on && ends.length === 2 ? tapeOver(view.skin?.patches ?? [], ends[0]!, ends[1]!) : null;
  return { ends, taped, put };
}

/** Places are pointed at on the picture while the tape is out: a press that is no drag. */
export function usePointing(stage: RefObject<Stage3d | null>, scene: RefObject<Scene | null>, on: boolean, { ends, put }: Tape): void {
  useEffect(() => {
    const host = stage.current?.host;
    if (!on || !host) return;
    let from: { x: number; y: number } | null = null;
    const down = (event: PointerEvent) => (from = { x: event.clientX, y: event.clientY });
    const up = (event: PointerEvent) => {
      const { current } = scene;
      if (!current || !from || Math.hypot(event.clientX - from.x, event.clientY - from.y) > STILL) return;
      const seen = stage.current?.at(event, current.covers);
      if (!seen) return;
      const { x, y, z } = current.group.worldToLocal(seen.point.clone());
      put(ends.length === 1 ? [ends[0]!, [x, y, z]] : [[x, y, z]]);
    };
    host.addEventListener('pointerdown', down);
    host.addEventListener('pointerup', up);
    return () => {
      host.removeEventListener('pointerdown', down);
      host.removeEventListener('pointerup', up);
    };
  }, [stage, scene, on, ends, put]);
}

/** The tape as it lies: its ends, and what is between them. */
export function tapeParts({ ends, taped }: Tape, size: number): THREE.Object3D[] {
  const material = new THREE.MeshBasicMaterial({ color: themeColour('--chalk', '#3c6ea8'), depthTest: false, transparent: true });
  const vector = ([x, y, z]: Place3) => new THREE.Vector3(x, y, z);
  const parts: THREE.Object3D[] = ends.map((end) => {
    const ball = new THREE.Mesh(new THREE.SphereGeometry(size * END, 16, 12), material);
    ball.position.copy(vector(end));
    return ball;
  });
  if (taped) {
    const line = new THREE.CurvePath<THREE.Vector3>();
    taped.path.slice(1).forEach((to, i) => line.add(new THREE.LineCurve3(vector(taped.path[i]!), vector(to))));
    parts.push(new THREE.Mesh(new THREE.TubeGeometry(line, Math.max(16, taped.path.length * 3), size * TAPE, 6), material));
  }
  // Seen also where the cloth would hide it.
  parts.forEach((part) => (part.renderOrder = 10));
  return parts;
}

function PlaceChoice({
  label,
  places,
  at,
  onTake,
}: {
  label: string;
  places: readonly NamedPlace[];
  at: Place3 | undefined;
  onTake: (at: Place3) => void;
}) {
  const chosen = places.find((place) => place.at.every((value, k) => value === at?.[k]));
  return (
    <label className="flex items-center gap-1">
      {label}
      <select
        aria-label={`Tape ${label.toLowerCase()}`}
        className="border border-base-content/40 rounded-sm bg-base-100 px-1 py-0.5 max-w-60"
        value={chosen?.name ?? ''}
        onChange={(event) => {
          const place = places.find(({ name }) => name === event.target.value);
          if (place) onTake(place.at);
        }}
      >
        <option value="" disabled={!at || !!chosen}>
          {at && !chosen ? 'where it was pointed at' : 'choose, or point'}
        </option>
        {places.map(({ name }) => (
          <option key={name}>{name}</option>
        ))}
      </select>
    </label>
  );
}

/** What the tape says, and its ends by name for those who do not point. */
export function TapeReading({ view, tape }: { view: SheetView; tape: Tape }) {
  const say = useLength();
  const { ends, taped, put } = tape;
  const places = namedPlaces(view);
  return (
    <div className="bg-base-100 px-2 py-1 border border-base-content/25 w-fit text-sm space-y-1" role="group" aria-label="Tape">
      <PlaceChoice label="From" places={places} at={ends[0]} onTake={(at) => put(ends[1] ? [at, ends[1]] : [at])} />
      <PlaceChoice label="to" places={places} at={ends[1]} onTake={(at) => put(ends[0] ? [ends[0], at] : [at])} />
      <p aria-live="polite" data-taped={taped ? Math.round(taped.over) : ''}>
        {taped ? (
          <>
            Over the cloth <strong className="tabular-nums">{say(Math.round(taped.over))}</strong>, straight{' '}
            <span className="tabular-nums">{say(Math.round(taped.straight))}</span>
          </>
        ) : (
          'Point at two places on the cloth.'
        )}
      </p>
    </div>
  );
}
