'use client';

import { select, zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior, type ZoomTransform } from 'd3';
import { Maximize, Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState, type PointerEventHandler, type ReactNode } from 'react';

/** What is drawn, in the drawing's own millimetres, y down as the screen has it. */
export type Extent = { x: number; y: number; width: number; height: number };
/** What is left free round it for figures, in figures' heights. */
export type Room = { left: number; right: number; top: number; bottom: number };

/** A drawing's figure is so high on the screen whatever the drawing's scale, dots. */
const FIGURE = 15;
/** Of a small place at least this share is the drawing itself. */
const LEAST = 0.4;
/** How far one can go in, and how far one step goes. */
const NEAREST = 14;
const STEP = 1.5;

/** How a drawing lies in its place: dots to the millimetre, and the place's upper left corner in millimetres. */
export type Frame = { scale: number; x: number; y: number };

/**
 * Fits a drawing and the figures round it into a place, as large as it goes.
 *
 * @param extent what is drawn, mm
 * @param room what is left free for figures, in figures' heights
 * @param place width and height of the place, dots
 */
export function fitted(extent: Extent, room: Room, place: { width: number; height: number }): Frame {
  const across = (place.width - (room.left + room.right) * FIGURE) / extent.width;
  const down = (place.height - (room.top + room.bottom) * FIGURE) / extent.height;
  const scale = Math.max(Math.min(across, down), LEAST * Math.min(place.width / extent.width, place.height / extent.height));
  const figure = FIGURE / scale;
  return {
    scale,
    x: extent.x - room.left * figure - (place.width / scale - extent.width - (room.left + room.right) * figure) / 2,
    y: extent.y - room.top * figure - (place.height / scale - extent.height - (room.top + room.bottom) * figure) / 2,
  };
}

/** The size of a place on the screen, followed as it changes. */
function usePlace(): [(host: HTMLElement | null) => void, { width: number; height: number } | null] {
  const [host, setHost] = useState<HTMLElement | null>(null);
  const [place, setPlace] = useState<{ width: number; height: number } | null>(null);
  useEffect(() => {
    if (!host) return;
    const look = (): void => {
      const { clientWidth: width, clientHeight: height } = host;
      if (width > 0 && height > 0) setPlace((now) => (now?.width === width && now.height === height ? now : { width, height }));
    };
    look();
    const watch = new ResizeObserver(look);
    watch.observe(host);
    return () => watch.disconnect();
  }, [host]);
  return [setHost, place];
}

/** Nearer, farther, and the whole of it again: by wheel, pinch, drag, keys or button. */
function useNearer(svg: SVGSVGElement | null, place: { width: number; height: number } | null) {
  const [at, setAt] = useState<ZoomTransform>(zoomIdentity);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  useEffect(() => {
    if (!svg || !place) return;
    const local = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, NEAREST])
      .extent([
        [0, 0],
        [place.width, place.height],
      ])
      .translateExtent([
        [0, 0],
        [place.width, place.height],
      ])
      .filter((event: MouseEvent & TouchEvent) => {
        // What can be taken hold of is moved; the drawing goes along only once one is nearer than its whole.
        if ((event.target as Element).closest('[role="slider"], [data-held]')) return false;
        if (event.type === 'wheel') return true;
        return !event.button && (event.touches?.length > 1 || svg.dataset.near === 'yes');
      })
      .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => setAt(event.transform));
    behaviour.current = local;
    select(svg).call(local).on('dblclick.zoom', null);
    return () => {
      select(svg).on('.zoom', null);
    };
  }, [svg, place]);
  const by = (factor: number): void => {
    if (svg && behaviour.current) behaviour.current.scaleBy(select(svg), factor);
  };
  const whole = (): void => {
    if (svg && behaviour.current) behaviour.current.transform(select(svg), zoomIdentity);
  };
  return { at, by, whole };
}

type PaperProps = {
  extent: Extent;
  room: Room;
  label: string;
  /** whether the buttons stand there before anybody has come nearer */
  buttons?: boolean;
  onPointerMove?: PointerEventHandler<SVGSVGElement>;
  /** what is drawn; `size` is the height of a figure in the drawing's millimetres */
  children: (size: number) => ReactNode;
};

/** A drawing to scale in a place of the page: its figures keep their height, and one can come nearer. */
export function Paper({ extent, room, label, buttons = false, onPointerMove, children }: PaperProps) {
  const [setHost, place] = usePlace();
  const [svg, setSvg] = useState<SVGSVGElement | null>(null);
  const { at, by, whole } = useNearer(svg, place);
  const near = at.k > 1.001;
  const frame = place && fitted(extent, room, place);
  const scale = frame ? frame.scale * at.k : 1;
  const keys: Record<string, () => void> = { '+': () => by(STEP), '=': () => by(STEP), '-': () => by(1 / STEP), '0': whole };
  return (
    <div ref={setHost} className="relative w-full h-full min-h-0 overflow-hidden">
      {place && frame && (
        <svg
          ref={setSvg}
          onPointerMove={onPointerMove}
          // Keys bring it nearer while anything in it has the focus.
          onKeyDown={(event) => {
            const key = keys[event.key];
            if (!key || event.ctrlKey || event.metaKey) return;
            event.preventDefault();
            key();
          }}
          data-near={near ? 'yes' : 'no'}
          viewBox={`${frame.x - at.x / scale} ${frame.y - at.y / scale} ${place.width / scale} ${place.height / scale}`}
          className={`absolute inset-0 w-full h-full ${near ? 'cursor-grab touch-none' : 'touch-pan-y'}`}
          role="group"
          aria-label={label}
        >
          {children(FIGURE / scale)}
        </svg>
      )}
      {(buttons || near) && (
        <div className="absolute right-2 bottom-2 flex gap-1">
          {near && (
            <>
              <button
                type="button"
                className="btn btn-sm btn-square btn-outline bg-base-100"
                aria-label="The whole drawing"
                onClick={whole}
              >
                <Maximize size={16} aria-hidden />
              </button>
              <button
                type="button"
                className="btn btn-sm btn-square btn-outline bg-base-100"
                aria-label="Zoom out"
                onClick={() => by(1 / STEP)}
              >
                <Minus size={16} aria-hidden />
              </button>
            </>
          )}
          <button type="button" className="btn btn-sm btn-square btn-outline bg-base-100" aria-label="Zoom in" onClick={() => by(STEP)}>
            <Plus size={16} aria-hidden />
          </button>
        </div>
      )}
    </div>
  );
}
