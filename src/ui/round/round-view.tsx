'use client';

import { useEffect, useRef, useState, type RefObject } from 'react';
import * as THREE from 'three';
import { kindOf } from '@/core/piece';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { asGltf, asStl, asTurntable, saveBlob, TURN_PICTURES } from './files';
import { setOf } from './row';
import { openStage, type Eye, type Stage3d } from './stage3d';
import { sceneOf, type Scene, type Wish } from './subject';
import { ColourBy, CutSlide, Switch } from './switches';
import { tapeParts, TapeReading, usePointing, useTape } from './taping';
import { useCutDrag } from './use-cut-drag';

/** How long somebody takes to sit down, ms. */
const SITTING = 700;

/** Somebody sits down on what is shown, or gets up: slowly, or at once where motion is not wanted. */
function useSitting(stage: RefObject<Stage3d | null>, scene: RefObject<Scene | null>, seated: boolean, drawn: number): void {
  const at = useRef(0);
  useEffect(() => {
    const covers = scene.current?.covers.filter(({ morphTargetInfluences }) => morphTargetInfluences) ?? [];
    if (covers.length === 0) return;
    const press = (share: number): void => {
      at.current = share;
      covers.forEach((cover) => (cover.morphTargetInfluences![0] = share));
      stage.current?.draw();
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
  }, [stage, scene, seated, drawn]);
}

/** The picture and the shape as files. */
function SaveAs({ stage, scene, name }: { stage: RefObject<Stage3d | null>; scene: RefObject<Scene | null>; name: string }) {
  const press = 'btn btn-xs btn-outline font-normal';
  const [turning, setTurning] = useState(false);
  const turntable = async () => {
    if (!stage.current) return;
    setTurning(true);
    saveBlob(await asTurntable(await stage.current.turntable(TURN_PICTURES)), `${name} turntable`, 'zip');
    setTurning(false);
  };
  return (
    <>
      <span>Save as</span>
      <button
        type="button"
        className={press}
        onClick={() => void stage.current?.picture().then((blob) => blob && saveBlob(blob, name, 'png'))}
      >
        Picture
      </button>
      <button type="button" className={press} disabled={turning} onClick={() => void turntable()}>
        {turning ? 'Turning…' : 'Turntable'}
      </button>
      <button
        type="button"
        className={press}
        onClick={() => scene.current && void asGltf(scene.current).then((blob) => saveBlob(blob, name, 'glb'))}
      >
        glTF
      </button>
      <button type="button" className={press} onClick={() => scene.current && saveBlob(asStl(scene.current), name, 'stl')}>
        STL
      </button>
    </>
  );
}

/** The stage in its place of the page, opened once and kept while what is shown changes. */
function useStage(place: RefObject<HTMLDivElement | null>): { stage: RefObject<Stage3d | null>; wrong: string | null } {
  const stage = useRef<Stage3d | null>(null);
  const eye = useRef<Eye>({ at: null, size: 0 });
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    try {
      stage.current = openStage(place.current!, eye.current);
    } catch {
      setWrong('This machine cannot draw in the round; plan and section show the same.');
    }
    return () => {
      stage.current?.end();
      stage.current = null;
    };
  }, [place]);
  return { stage, wrong };
}

/** The piece in the round: its base, moulded as it is, and the covered padding over it. Dragged round, or by arrow keys. */
export function RoundView() {
  const piece = usePiece();
  const view = useSheet((state) => state.view)!;
  const sit = useSheet((state) => state.sit.view);
  const place = useRef<HTMLDivElement>(null);
  const { stage, wrong } = useStage(place);
  const scene = useRef<Scene | null>(null);
  const [wish, setWish] = useState<Wish>({ padded: true, open: false, set: false, colouring: 'cloth', under: false, wave: null });
  const wave = useSheet((state) => state.wave);
  const [seated, setSeated] = useState(false);
  const [taping, setTaping] = useState(false);
  const [drawn, setDrawn] = useState(0);
  const turn = (change: Partial<Wish>) => setWish({ ...wish, ...change });
  const fastened = (view.plan.fixing?.order.length ?? 0) > 0;
  const under = fastened && wish.under;
  const several = setOf(piece) > 1;
  const together = several && wish.set && !under;
  const cuts = wish.padded && view.section && !together;
  const tape = useTape(view, taping);
  useEffect(() => {
    if (!stage.current) return;
    const item = sceneOf(piece, view, { ...wish, set: together, under, wave: under ? wave : null }, sit);
    scene.current = item;
    item.later(() => stage.current?.draw());
    stage.current.show(item);
    setDrawn((count) => count + 1);
    return () => {
      scene.current = null;
      item.dispose();
    };
  }, [stage, piece, view, sit, wish, together, under, wave]);
  useSitting(stage, scene, seated, drawn);
  useCutDrag(stage, scene);
  const measures = taping && wish.padded && !together && view.skin !== null;
  usePointing(stage, scene, measures, tape);
  useEffect(() => {
    const [{ current }, item] = [scene, stage.current];
    if (!current || !item || !measures || tape.ends.length === 0) return;
    const parts = tapeParts(tape, current.size);
    current.group.add(...parts);
    item.draw();
    return () => {
      current.group.remove(...parts);
      parts.forEach((part) => part instanceof THREE.Mesh && part.geometry.dispose());
      item.draw();
    };
  }, [stage, tape, measures, drawn]);
  const leans = kindOf(piece.kind).traits.upright;
  return (
    <div className="flex-1 min-h-0 relative" data-cloth={view.skin ? 'laid' : 'not yet'}>
      {wrong && <p className="p-4 text-sm">{wrong}</p>}
      {/* The picture is turned with the arrow keys while it has the focus. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <div ref={place} className="absolute inset-0" tabIndex={0} role="img" aria-label="The piece in the round; arrow keys turn it" />
      {/* They lie over the picture: folded away, the piece is seen whole. */}
      <details className="absolute left-3 top-2 bg-base-100/90 px-2 py-1 border border-base-content/25" open>
        <summary className="text-sm cursor-pointer">Show</summary>
        <Switch says="With its padding" on={wish.padded} onTurn={(padded) => turn({ padded })} />
        {sit && wish.padded && <Switch says={leans ? 'Somebody leans on it' : 'Somebody sits on it'} on={seated} onTurn={setSeated} />}
        {cuts && <Switch says="Cut open at the chalk line" on={wish.open} onTurn={(open) => turn({ open })} />}
        {cuts && wish.open && <CutSlide piece={piece} view={view} />}
        {fastened && <Switch says="Turned over, with what holds it" on={wish.under} onTurn={(on) => turn({ under: on })} />}
        {several && !under && (
          <Switch says={piece.panels ? 'The whole wall' : 'The whole set'} on={wish.set} onTurn={(set) => turn({ set })} />
        )}
        {wish.padded && !together && view.skin && <Switch says="Measure with the tape" on={taping} onTurn={setTaping} />}
      </details>
      {measures && (
        <div className="absolute right-3 top-12">
          <TapeReading view={view} tape={tape} />
        </div>
      )}
      <div className="absolute left-3 bottom-2 flex flex-wrap items-center gap-2 text-sm bg-base-100 px-2 py-1 border border-base-content/25">
        <ColourBy colouring={wish.colouring} onColouring={(colouring) => turn({ colouring })} />
        <SaveAs stage={stage} scene={scene} name={piece.name} />
      </div>
    </div>
  );
}
