'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Pin } from '@/core/piece';

/** A pin by its number. */
export type Numbered = Pin & { number: number };

/** The pins of a photo, numbered over all photos as they were put. */
export function pinsOf(pins: readonly Pin[], photo: string): Numbered[] {
  return pins.map((pin, k) => ({ ...pin, number: k + 1 })).filter((pin) => pin.photo === photo);
}

const DOT =
  'absolute -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-base-100 bg-secondary text-secondary-content font-semibold';
/** An arrow key moves a pin by so much of the photo; with Shift ten times. */
const NUDGE = 0.005;

/** A pin that can be moved. */
function MovingPin({ pin, onMove }: { pin: Numbered; onMove: (x: number, y: number, done: boolean) => void }) {
  const ref = useRef(false);
  const clamped = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 1000) / 1000;
  const at = (event: PointerEvent<HTMLElement>, done: boolean) => {
    const around = event.currentTarget.parentElement?.getBoundingClientRect();
    if (!ref.current || !around) return;
    onMove(clamped((event.clientX - around.left) / around.width), clamped((event.clientY - around.top) / around.height), done);
  };
  const keys = (event: KeyboardEvent) => {
    const by = NUDGE * (event.shiftKey ? 10 : 1);
    const way: Record<string, [number, number]> = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] };
    const found = way[event.key];
    if (!found) return;
    event.preventDefault();
    onMove(clamped(pin.x + found[0]), clamped(pin.y + found[1]), true);
  };
  return (
    <span
      role="slider"
      tabIndex={0}
      aria-label={`Pin ${pin.number}${pin.text ? `: ${pin.text}` : ''}`}
      aria-valuenow={Math.round(pin.x * 100)}
      aria-valuetext={`${Math.round(pin.x * 100)} % across, ${Math.round(pin.y * 100)} % down`}
      className={`${DOT} size-11 flex items-center justify-center text-lg cursor-grab touch-none`}
      style={{ left: `${pin.x * 100}%`, top: `${pin.y * 100}%` }}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        ref.current = true;
      }}
      onPointerMove={(event) => at(event, false)}
      onPointerUp={(event) => {
        at(event, true);
        ref.current = false;
      }}
      onKeyDown={keys}
    >
      {pin.number}
    </span>
  );
}

type Props = {
  photo: string;
  alt: string;
  pins: readonly Numbered[];
  /** of the photo itself */
  className: string;
  /** where pins can be moved */
  onMove?: (pin: Pin, x: number, y: number, done: boolean) => void;
  /** where a press on the photo puts one */
  onPut?: (x: number, y: number) => void;
};

/** A photo with its pins. */
export function PinnedPhoto({ photo, alt, pins, className, onMove, onPut }: Props) {
  return (
    <span className="relative inline-block align-top">
      {/* Kept photos are of this workshop alone and are shown as they are. */}
      {/* A press puts a pin; the button beside the photo does the same for who uses keys. */}
      {/* eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-noninteractive-element-interactions */}
      <img
        src={`/api/photos/${photo}`}
        alt={alt}
        className={`${className} border border-base-content/40 ${onPut ? 'cursor-crosshair' : ''}`}
        draggable={false}
        onClick={(event) => {
          const around = event.currentTarget.getBoundingClientRect();
          onPut?.((event.clientX - around.left) / around.width, (event.clientY - around.top) / around.height);
        }}
      />
      {pins.map((pin) =>
        onMove ? (
          <MovingPin key={pin.id} pin={pin} onMove={(x, y, done) => onMove(pin, x, y, done)} />
        ) : (
          <span
            key={pin.id}
            className={`${DOT} size-5 text-[11px] leading-4 text-center`}
            style={{ left: `${pin.x * 100}%`, top: `${pin.y * 100}%` }}
            title={pin.text}
            aria-hidden
          >
            {pin.number}
          </span>
        ),
      )}
    </span>
  );
}

/** Photos as they are shown where they matter: each opens large, its pins said under it. */
export function PhotosWithPins({ names, pins, alt, size }: { names: readonly string[]; pins: readonly Pin[]; alt: string; size: string }) {
  if (names.length === 0) return null;
  return (
    <span className="flex flex-wrap gap-2 mt-1">
      {names.map((photo, k) => {
        const numbereds = pinsOf(pins, photo);
        return (
          <span key={photo} className="max-w-60">
            <a href={`/api/photos/${photo}`} target="_blank" rel="noreferrer">
              <PinnedPhoto
                photo={photo}
                alt={`${alt}, ${k + 1}`}
                pins={numbereds}
                className={numbereds.length > 0 ? 'h-32 w-auto' : `${size} object-cover`}
              />
            </a>
            {numbereds
              .filter(({ text }) => text)
              .map((pin) => (
                <span key={pin.id} className="block text-xs" data-pin-says={pin.number}>
                  <b>{pin.number}</b> {pin.text}
                </span>
              ))}
          </span>
        );
      })}
    </span>
  );
}
