'use client';

import { memo, useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import {
  bounds,
  cutNotch,
  drawNodes,
  flatten,
  lineAs,
  middleAfter,
  nodesMoved,
  withNodeAfter,
  type NodeGrip,
  type Outline,
  type OutlineNode,
} from '@/core/outline';
import { kindOf, POINTS, type BaseShape } from '@/core/piece';
import { Fittings } from '@/ui/drawing/fittings';
import { closedPath, openPath, toDrawing } from '@/ui/drawing/path';
import { ChoiceField, LengthField } from '@/ui/kit/fields/fields';
import { Wrong } from '@/ui/kit/fields/lists';
import { useLength } from '@/ui/kit/settings';
import { usePiece, useSheet } from '@/ui/sheet/store';

type DrawnShape = Extract<BaseShape, { type: 'drawn' }>;
/** An outline keeps at least so many points. */
const LEAST_POINTS = 3;
/** With more points than this they are drawn smaller. */
const CROWDED = 120;

const round = (mm: number) => Math.round(mm * 10) / 10;

const LINES: { id: OutlineNode['to']['kind']; name: string }[] = [
  { id: 'line', name: 'Straight' },
  { id: 'arc', name: 'An arc' },
  { id: 'smooth', name: 'Smooth' },
  { id: 'curve', name: 'By handles' },
];

/** One point of the outline: drawn again only when it moves or is chosen. */
const NodeMark = memo(function NodeMark({
  x,
  y,
  index,
  size,
  chosen,
  words,
  onGrip,
}: {
  x: number;
  y: number;
  index: number;
  size: number;
  chosen: boolean;
  words: string;
  onGrip: (event: PointerEvent<SVGGElement>, grip: NodeGrip) => void;
}) {
  return (
    <g
      role="button"
      tabIndex={chosen ? 0 : -1}
      aria-pressed={chosen}
      aria-label={words}
      data-node={index}
      className="cursor-grab touch-none"
      transform={`translate(${x} ${-y})`}
      onPointerDown={(event) => onGrip(event, { kind: 'node', index })}
    >
      <circle r={size * 2.2} fill="transparent" />
      <circle r={size} fill={chosen ? 'var(--chalk)' : 'var(--color-base-100)'} stroke="var(--chalk)" strokeWidth={size * 0.5} />
    </g>
  );
});

/** The points as they are, the chosen one, and every way to change them. */
type Editing = {
  shape: DrawnShape;
  nodes: readonly OutlineNode[];
  /** number of the chosen point */
  at: number;
  /** whether points are on the move */
  live: boolean;
  message: string | null;
  choose: (index: number) => void;
  show: (nodes: readonly OutlineNode[]) => void;
  commit: (nodes: readonly OutlineNode[]) => string | null;
  put: (change: Partial<OutlineNode>) => string | null;
  moveTo: (grip: NodeGrip, x: number, y: number) => OutlineNode[];
  add: () => void;
  remove: () => void;
};

function useEditing(shape: DrawnShape, focus: (index: number) => void): Editing {
  const putField = useSheet((state) => state.put);
  const [live, show] = useState<readonly OutlineNode[] | null>(null);
  const [chosen, choose] = useState(0);
  const [message, setMessage] = useState<string | null>(null);
  const nodes = live ?? shape.nodes;
  const latest = useRef(nodes);
  useEffect(() => {
    latest.current = nodes;
  });
  const count = shape.nodes.length;
  const at = Math.min(chosen, count - 1);
  const commit = useCallback(
    (next: readonly OutlineNode[]) => {
      const wrong = putField('base.shape', { ...shape, nodes: [...next] });
      setMessage(wrong);
      show(null);
      return wrong;
    },
    [putField, shape],
  );
  const moveTo = useCallback((grip: NodeGrip, x: number, y: number) => nodesMoved(latest.current, grip, [round(x), round(y)]), []);
  const go = (index: number): void => {
    choose(index);
    focus(index);
  };
  const add = (): void => {
    if (count >= POINTS[1]) return setMessage(`${POINTS[1]} points are the most`);
    const index = shape.mirrored && at === count - 1 ? at - 1 : at;
    if (!commit(withNodeAfter(nodes, shape.mirrored, index))) go(index + 1);
  };
  const remove = (): void => {
    if (count <= LEAST_POINTS) return setMessage(`An outline keeps at least ${LEAST_POINTS} points`);
    if (!commit(nodes.filter((_, i) => i !== at))) go(Math.max(0, at - 1));
  };
  const put = (change: Partial<OutlineNode>) => commit(nodes.map((node, i) => (i === at ? { ...node, ...change } : node)));
  return { shape, nodes, at, live: live !== null, message, choose, show, commit, put, moveTo, add, remove };
}

/** Drags in the drawing: one drawing a frame, however many moves the pointer reports. */
function useDrag(svg: RefObject<SVGSVGElement | null>, { choose, show, commit, moveTo }: Editing) {
  const drag = useRef<{ grip: NodeGrip; inverse: DOMMatrix; moved: boolean } | null>(null);
  const frame = useRef(0);
  const onGrip = useCallback(
    (event: PointerEvent<SVGGElement>, grip: NodeGrip) => {
      const inverse = svg.current?.getScreenCTM()?.inverse();
      if (!inverse) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      choose(grip.index);
      drag.current = { grip, inverse, moved: false };
    },
    [svg, choose],
  );
  const onMove = (event: PointerEvent<SVGSVGElement>) => {
    const from = drag.current;
    if (!from) return;
    from.moved = true;
    const to = toDrawing(from.inverse, event);
    cancelAnimationFrame(frame.current);
    frame.current = requestAnimationFrame(() => show(moveTo(from.grip, to.x, to.y)));
  };
  const onUp = (event: PointerEvent<SVGSVGElement>) => {
    const from = drag.current;
    drag.current = null;
    cancelAnimationFrame(frame.current);
    if (!from?.moved) return;
    const to = toDrawing(from.inverse, event);
    commit(moveTo(from.grip, to.x, to.y));
  };
  return { onGrip, onMove, onUp };
}

/** Keys of the drawing, for the chosen point. */
function onKey({ shape, nodes, at, moveTo, commit, put, add, remove }: Editing, go: (index: number) => void, event: KeyboardEvent): void {
  const node = nodes[at]!;
  const count = shape.nodes.length;
  const step = event.shiftKey ? 10 : 1;
  const moves: Record<string, [number, number]> = {
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
  };
  const acts: Record<string, () => void> = {
    PageDown: () => go((at + 1) % count),
    n: () => go((at + 1) % count),
    PageUp: () => go((at + count - 1) % count),
    p: () => go((at + count - 1) % count),
    Insert: add,
    a: add,
    Delete: remove,
    Backspace: remove,
    s: () => void put({ to: { kind: 'smooth' } }),
    l: () => void put({ to: { kind: 'line' } }),
  };
  const move = moves[event.key];
  if (move) commit(moveTo({ kind: 'node', index: at }, node.x + move[0], node.y + move[1]));
  else if (acts[event.key]) acts[event.key]!();
  else return;
  event.preventDefault();
}

/** Handles of the line that leaves the chosen point. */
function LineHandles({
  editing,
  size,
  onGrip,
}: {
  editing: Editing;
  size: number;
  onGrip: (event: PointerEvent<SVGGElement>, grip: NodeGrip) => void;
}) {
  const { nodes, at, shape } = editing;
  const node = nodes[at]!;
  const next = nodes[(at + 1) % nodes.length]!;
  const { to } = node;
  const handles: { kind: NodeGrip['kind']; place: readonly [number, number]; from?: OutlineNode }[] =
    to.kind === 'curve'
      ? [
          { kind: 'c1', place: to.c1, from: node },
          { kind: 'c2', place: to.c2, from: next },
        ]
      : to.kind === 'arc'
        ? [{ kind: 'rise', place: middleAfter(nodes, shape.mirrored, at) }]
        : [];
  return handles.map(({ kind, place, from }) => (
    <g key={kind}>
      {from && <path d={openPath([[from.x, from.y], place])} stroke="var(--chalk)" strokeWidth={size * 0.25} />}
      <g className="cursor-grab touch-none" onPointerDown={(event) => onGrip(event, { kind, index: at })} data-grip={kind}>
        <circle cx={place[0]} cy={-place[1]} r={size * 2} fill="transparent" />
        <rect x={place[0] - size * 0.8} y={-place[1] - size * 0.8} width={size * 1.6} height={size * 1.6} fill="var(--chalk)" />
      </g>
    </g>
  ));
}

/** The chosen point in figures. */
function ChosenPoint({ nodes, at, shape, message, moveTo, commit, put, add, remove }: Editing) {
  const count = nodes.length;
  const node = nodes[at]!;
  const next = nodes[(at + 1) % count]!;
  const grip = { kind: 'node', index: at } as const;
  return (
    <section
      aria-label="The chosen point"
      className="border-t border-base-content/25 px-3 grid grid-cols-[repeat(3,minmax(0,1fr))_auto] gap-x-4"
    >
      <LengthField compact label="Right" name={`node ${at} x`} value={node.x} onCommit={(x) => commit(moveTo(grip, x, node.y))} />
      <LengthField compact label="Back" name={`node ${at} y`} value={node.y} onCommit={(y) => commit(moveTo(grip, node.x, y))} />
      <LengthField compact label="Radius" name={`node ${at} r`} value={node.radius} onCommit={(radius) => put({ radius })} />
      <span className="text-sm self-center text-right whitespace-nowrap">
        Point {at + 1} of {count}
      </span>
      {shape.mirrored && at === count - 1 ? (
        <span className="text-sm self-center">on the centre line</span>
      ) : (
        <ChoiceField label="On by" value={node.to.kind} options={LINES} onChange={(kind) => put({ to: lineAs(kind, node, next) })} />
      )}
      {node.to.kind === 'arc' ? (
        <LengthField
          compact
          label="Rise"
          name={`node ${at} rise`}
          value={node.to.rise}
          onCommit={(rise) => put({ to: { kind: 'arc', rise } })}
        />
      ) : (
        <span />
      )}
      <span className="flex gap-1 col-span-2 justify-end py-1">
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={add}>
          Point after
        </button>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={remove}>
          Take it out
        </button>
      </span>
      <div className="col-span-4">
        <Wrong message={message} />
      </div>
    </section>
  );
}

/** The outline as it is drawn, and with its notches cut. */
function Lines({ editing, size }: { editing: Editing; size: number }) {
  const { base } = usePiece();
  const { nodes, shape, live } = editing;
  const outline: Outline = useMemo(() => drawNodes({ nodes, mirrored: shape.mirrored }).outline, [nodes, shape.mirrored]);
  const path = useMemo(() => closedPath(flatten(outline, 0.1)), [outline]);
  const notched = useMemo(() => {
    if (live || !base.notches?.length) return null;
    const cut = base.notches.reduce<Outline>((whole, notch) => {
      const next = cutNotch(whole, notch);
      return typeof next === 'string' ? whole : next;
    }, outline);
    return closedPath(flatten(cut, 0.1));
  }, [live, outline, base.notches]);
  return (
    <>
      <path d={path} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={size * 0.45} data-outline />
      {notched && <path d={notched} fill="none" stroke="var(--ink)" strokeWidth={size * 0.3} strokeDasharray={`${size} ${size}`} />}
      <Fittings base={{ holes: base.holes ?? [], hardware: [] }} size={size * 3} />
    </>
  );
}

/** The base's outline to be drawn freely: points moved by drag, by arrow keys, by typing. */
export function OutlineEditor({ shape }: { shape: DrawnShape }) {
  const say = useLength();
  const { words } = kindOf(usePiece().kind);
  const svg = useRef<SVGSVGElement>(null);
  const focus = (index: number): void =>
    void requestAnimationFrame(() => svg.current?.querySelector<SVGGElement>(`[data-node="${index}"]`)?.focus());
  const editing = useEditing(shape, focus);
  const { nodes, at } = editing;
  const { onGrip, onMove, onUp } = useDrag(svg, editing);
  // The drawing keeps its scale while a point is on the move.
  const box = useMemo(() => bounds(flatten(drawNodes(shape).outline, 1)), [shape]);
  const size = Math.max(box.width, box.height) / (nodes.length > CROWDED ? 220 : 110);
  const margin = size * 12;
  const go = (index: number): void => {
    editing.choose(index);
    focus(index);
  };
  return (
    <div className="flex-1 min-h-0 flex flex-col">
      <svg
        ref={svg}
        viewBox={`${box.minX - margin} ${-box.maxY - margin} ${box.width + 2 * margin} ${box.height + 2 * margin}`}
        className="flex-1 min-h-0 w-full touch-none"
        role="group"
        aria-label={`Outline from above, ${words[0]} at the bottom. Page up and down go from point to point, arrows move, A adds, Delete takes out`}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onKeyDown={(event) => onKey(editing, go, event)}
      >
        <path
          d={`M${box.minX - margin} 0 H${box.maxX + margin} M0 ${-box.maxY - margin} V${-box.minY + margin}`}
          stroke="var(--ink)"
          strokeOpacity={0.25}
          strokeWidth={size * 0.15}
          strokeDasharray={`${size * 3} ${size}`}
          fill="none"
        />
        <Lines editing={editing} size={size} />
        {nodes.map((node, i) => (
          <NodeMark
            key={i}
            x={node.x}
            y={node.y}
            index={i}
            size={size}
            chosen={i === at}
            words={`Point ${i + 1} of ${nodes.length}, ${say(node.x)} right, ${say(node.y)} back`}
            onGrip={onGrip}
          />
        ))}
        <LineHandles editing={editing} size={size} onGrip={onGrip} />
        <text x={0} y={-box.minY + size * 8} fontSize={size * 4} textAnchor="middle" fill="var(--ink)">
          {words[0]}
        </text>
      </svg>
      <ChosenPoint {...editing} />
    </div>
  );
}
