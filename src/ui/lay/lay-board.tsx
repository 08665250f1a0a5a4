'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { bounds, type Polygon } from '@/core/outline';
import { laidOutline, type Lay, type LayBin, type LayFault, type LayGroup, type LayPlace, type LayShape } from '@/core/nesting';
import { rollLength } from '@/core/length';
import { useLength, useSettings } from '@/ui/kit/settings';

/** The roll runs to the right: across it is up and down on the picture. */
const path = (ring: Polygon): string => `M${ring.map(([x, y]) => `${y} ${x}`).join('L')}Z`;

const NUDGES: Record<string, readonly [x: number, y: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};
const LETTER = 0.52;

/** What can be done with a piece on a lay. */
export type LayHands = {
  /** moves a piece; while it is dragged it snaps, with the keys it does not */
  move: (place: LayPlace, snap: boolean) => void;
  turn: (place: LayPlace) => void;
  lock: (place: LayPlace) => void;
  choose: (key: string | null) => void;
};

type PieceProps = {
  shape: LayShape;
  /** which piece of the floor it belongs to, where there are several */
  of: string;
  place: LayPlace;
  fault: LayFault | undefined;
  chosen: boolean;
  fill: string;
  line: number;
  text: number;
  toRoll: (event: { clientX: number; clientY: number }) => readonly [x: number, y: number] | null;
  hands: LayHands | null;
};

const FAULT_WORDS: Record<LayFault['kind'], string> = {
  overlap: 'too near another',
  outside: 'beyond the edge',
  flaw: 'over a flaw',
  repeat: 'off the repeat',
  turned: 'turned the wrong way',
  missing: 'not laid',
};

/** The name of a piece along its longer side, where there is room for it. */
function Name({ says, outline, text }: { says: string; outline: Polygon; text: number }) {
  const box = bounds(outline);
  const upright = box.width > box.height * 1.2;
  const [along, across] = upright ? [box.width, box.height] : [box.height, box.width];
  const size = Math.min(text, (along * 0.9) / (says.length * LETTER), across * 0.6);
  if (size < text * 0.45) return null;
  const [x, y] = [(box.minY + box.maxY) / 2, (box.minX + box.maxX) / 2];
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      textAnchor="middle"
      dominantBaseline="central"
      fill="#24211d"
      pointerEvents="none"
      transform={upright ? `rotate(-90 ${x} ${y})` : undefined}
    >
      {says}
    </text>
  );
}

/** One piece: dragged, moved by the arrow keys, turned with R, held with L. */
function LaidPiece({ shape, of, place, fault, chosen, fill, line, text, toRoll, hands }: PieceProps) {
  const grip = useRef<readonly [number, number] | null>(null);
  const outline = laidOutline(shape, place);
  const says = `${shape.label}${of}${place.locked ? ', held' : ''}${fault ? `, ${FAULT_WORDS[fault.kind]}` : ''}`;
  const begin = (event: PointerEvent<SVGGElement>): void => {
    const at = hands && toRoll(event);
    if (!at) return;
    hands.choose(place.key);
    if (place.locked) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    grip.current = [at[0] - place.x, at[1] - place.y];
  };
  const drag = (event: PointerEvent<SVGGElement>): void => {
    const at = grip.current && toRoll(event);
    if (at && grip.current) hands?.move({ ...place, x: at[0] - grip.current[0], y: at[1] - grip.current[1] }, !event.altKey);
  };
  const end = (): void => {
    grip.current = null;
  };
  const press = (event: KeyboardEvent<SVGGElement>): void => {
    if (!hands) return;
    const by = NUDGES[event.key];
    const step = event.shiftKey ? 10 : 1;
    const key = event.key.toLowerCase();
    if (by && !place.locked) hands.move({ ...place, x: place.x + by[0] * step, y: place.y + by[1] * step }, false);
    else if (key === 'r' && !place.locked) hands.turn(place);
    else if (key === 'l') hands.lock(place);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={says}
      aria-pressed={chosen}
      data-laid-piece={place.key}
      data-fault={fault?.kind}
      data-held={place.locked ? 'yes' : undefined}
      className={hands ? 'cursor-grab outline-none' : 'outline-none'}
      style={{ touchAction: 'none' }}
      onPointerDown={begin}
      onPointerMove={drag}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={press}
      onFocus={() => hands?.choose(place.key)}
    >
      <title>{says}</title>
      <path
        d={path(outline)}
        fill={fill}
        fillOpacity={0.75}
        stroke={fault ? 'var(--color-error)' : chosen ? 'var(--chalk)' : 'var(--ink)'}
        strokeWidth={line * (fault || chosen ? 3 : 1.2)}
        strokeDasharray={fault ? `${line * 6} ${line * 3}` : undefined}
      />
      <Name says={place.locked ? `${shape.label} – held` : shape.label} outline={outline} text={text} />
    </g>
  );
}

/** Flaws crossed out; of an offcut what is there. */
function Spoilt({ bin, line }: { bin: LayBin; line: number }) {
  return (
    <>
      {bin.outline && <path d={path(bin.outline)} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={line * 1.5} />}
      {bin.flaws.map(({ x, y, width, height }, k) => (
        <g key={k} stroke="var(--color-error)" strokeWidth={line * 1.5} data-flaw>
          <title>Flaw</title>
          <rect x={y} y={x} width={height} height={width} fill="var(--color-base-100)" />
          <path d={`M${y} ${x}l${height} ${width}M${y + height} ${x}l${-height} ${width}`} />
        </g>
      ))}
    </>
  );
}

/** The pattern's repeat over a roll. */
function Repeats({ group, width, length, line }: { group: LayGroup; width: number; length: number; line: number }) {
  const { repeat } = group;
  if (!repeat) return null;
  const every = (step: number, to: number): number[] =>
    step > 0 ? Array.from({ length: Math.floor(to / step) + 1 }, (_, k) => k * step) : [];
  return (
    <g stroke="var(--chalk)" strokeWidth={line * 0.7} strokeDasharray={`${line * 4} ${line * 4}`} pointerEvents="none">
      {every(repeat.across, width).map((y) => (
        <path key={`a ${y}`} d={`M0 ${y}H${length}`} />
      ))}
      {every(repeat.along, length).map((x) => (
        <path key={`l ${x}`} d={`M${x} 0V${width}`} />
      ))}
    </g>
  );
}

type BoardProps = {
  group: LayGroup;
  lay: Lay;
  faults: readonly LayFault[];
  chosen: string | null;
  fill: string;
  hands: LayHands | null;
  names: ReadonlyMap<string, string>;
};

/** One roll or sheet with what lies on it. */
function Bin({ at, group, lay, faults, chosen, fill, hands, names }: BoardProps & { at: number }) {
  const say = useLength();
  const { unit } = useSettings();
  const svg = useRef<SVGSVGElement>(null);
  const bin = lay.bins[at]!;
  const used = lay.used[at] ?? 0;
  const length = bin.length ?? Math.max(used, 100);
  const line = length / 500;
  const shapes = new Map(group.shapes.map((shape) => [shape.key, shape]));
  const toRoll: PieceProps['toRoll'] = ({ clientX, clientY }) => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return null;
    const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse());
    return [y, x];
  };
  const here = lay.places.filter((place) => place.bin === at);
  const says =
    bin.length === null
      ? `${bin.says}: ${rollLength(used, unit)} of the roll, ${say(bin.width)} wide`
      : `${bin.says}: ${say(used)} of ${say(bin.length)} used, ${say(bin.width)} wide`;
  return (
    <figure className="mb-4">
      <figcaption className="text-sm mb-1">{says}</figcaption>
      <svg
        ref={svg}
        viewBox={`${-line * 2} ${-line * 2} ${length + 4 * line} ${bin.width + 4 * line}`}
        className="w-full max-h-80"
        role="group"
        aria-label={says}
        onPointerDown={(event) => event.target === svg.current && hands?.choose(null)}
      >
        <rect
          width={length}
          height={bin.width}
          fill={bin.outline ? 'none' : 'var(--color-base-200)'}
          stroke="var(--ink)"
          strokeWidth={line * 1.5}
          strokeDasharray={bin.outline ? `${line * 4} ${line * 4}` : undefined}
        />
        <Spoilt bin={bin} line={line} />
        {here.map((place) => (
          <LaidPiece
            key={place.key}
            shape={shapes.get(place.key)!}
            of={names.size > 1 ? ` of ${names.get(shapes.get(place.key)!.piece) ?? ''}` : ''}
            place={place}
            fault={faults.find(({ key, other }) => key === place.key || other === place.key)}
            chosen={chosen === place.key}
            fill={fill}
            line={line}
            text={Math.max(length, bin.width * 2.3) / 52}
            toRoll={toRoll}
            hands={hands}
          />
        ))}
        <Repeats group={group} width={bin.width} length={length} line={line} />
      </svg>
    </figure>
  );
}

/** A lay as it is drawn: every roll, sheet and offcut that something lies on. */
export function LayBoard(props: BoardProps) {
  const { lay } = props;
  return (
    <div data-lay={lay.places.length}>
      {lay.bins.map((bin, at) => (lay.places.some((place) => place.bin === at) ? <Bin key={bin.id} {...props} at={at} /> : null))}
    </div>
  );
}
