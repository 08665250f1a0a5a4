'use client';

import { memo, useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { bounds, cutNotch, drawNodes, flatten, pointAt, type Outline, type OutlineNode } from '@/core/outline';
import type { BaseShape, Piece } from '@/core/piece';
import { closedPath, openPath, toDrawing } from '@/ui/drawing/path';
import { ChoiceField, LengthField } from '@/ui/kit/fields';
import { useLength } from '@/ui/kit/settings';

type DrawnShape = Extract<BaseShape, { type: 'drawn' }>;
type Props = { piece: Piece; shape: DrawnShape; words: readonly [string, string]; apply: (shape: DrawnShape) => string | null };
type Grip = { kind: 'node' | 'c1' | 'c2' | 'rise'; index: number };

const round = (mm: number) => Math.round(mm * 10) / 10;

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
  onGrip: (event: PointerEvent<SVGGElement>, grip: Grip) => void;
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

const LINES: { id: OutlineNode['to']['kind']; name: string }[] = [
  { id: 'line', name: 'Straight' },
  { id: 'arc', name: 'An arc' },
  { id: 'smooth', name: 'Smooth' },
  { id: 'curve', name: 'By handles' },
];

/** The way on from a node, as another kind of line through about the same places. */
function asKind(kind: OutlineNode['to']['kind'], from: OutlineNode, next: OutlineNode): OutlineNode['to'] {
  if (kind === 'arc')
    return { kind, rise: from.to.kind === 'arc' ? from.to.rise : Math.round(Math.hypot(next.x - from.x, next.y - from.y) * 0.1) };
  if (kind !== 'curve') return { kind };
  if (from.to.kind === 'curve') return from.to;
  const third = (t: number): [number, number] => [from.x + (next.x - from.x) * t, from.y + (next.y - from.y) * t];
  return { kind, c1: third(1 / 3), c2: third(2 / 3) };
}

/** A node put in half way to the next one. */
function halfWay(nodes: readonly OutlineNode[], index: number, segmentMiddle: readonly [number, number]): OutlineNode[] {
  const node = nodes[index]!;
  const [x, y] = segmentMiddle;
  const on: OutlineNode['to'] = node.to.kind === 'smooth' ? { kind: 'smooth' } : { kind: 'line' };
  return [...nodes.slice(0, index), { ...node, to: on }, { x: round(x), y: round(y), radius: 0, to: on }, ...nodes.slice(index + 1)];
}

/** The base's outline to be drawn freely: points moved by drag, by arrow keys, by typing. */
export function OutlineEditor({ piece, shape, words, apply }: Props) {
  const say = useLength();
  const [live, setLive] = useState<readonly OutlineNode[] | null>(null);
  const [chosen, setChosen] = useState(0);
  const [message, setMessage] = useState<string | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ grip: Grip; inverse: DOMMatrix; moved: boolean } | null>(null);
  const frame = useRef(0);
  const nodes = live ?? shape.nodes;
  const latest = useRef(nodes);
  useEffect(() => {
    latest.current = nodes;
  });
  const count = shape.nodes.length;
  const at = Math.min(chosen, count - 1);
  // The drawing keeps its scale while a point is on the move.
  const box = useMemo(() => bounds(flatten(drawNodes(shape).outline, 1)), [shape]);
  const size = Math.max(box.width, box.height) / (count > 120 ? 220 : 110);
  const margin = size * 12;
  const outline: Outline = useMemo(() => drawNodes({ nodes, mirrored: shape.mirrored }).outline, [nodes, shape.mirrored]);
  const path = useMemo(() => closedPath(flatten(outline, 0.1)), [outline]);
  const notched = useMemo(() => {
    if (live || !piece.base.notches?.length) return null;
    const cut = piece.base.notches.reduce<Outline>((whole, notch) => {
      const next = cutNotch(whole, notch);
      return typeof next === 'string' ? whole : next;
    }, outline);
    return closedPath(flatten(cut, 0.1));
  }, [live, outline, piece.base.notches]);

  const commit = useCallback(
    (next: readonly OutlineNode[]) => {
      const wrong = apply({ ...shape, nodes: [...next] });
      setMessage(wrong);
      setLive(null);
      return wrong;
    },
    [apply, shape],
  );
  const moveTo = useCallback((grip: Grip, x: number, y: number): OutlineNode[] => {
    const list = [...latest.current];
    const node = list[grip.index]!;
    if (grip.kind === 'node') {
      const [dx, dy] = [x - node.x, y - node.y];
      const shifted = node.to.kind === 'curve' ? { ...node.to, c1: [node.to.c1[0] + dx, node.to.c1[1] + dy] as [number, number] } : node.to;
      list[grip.index] = { ...node, x, y, to: shifted };
      const before = (grip.index + list.length - 1) % list.length;
      const arriving = list[before]!;
      if (arriving.to.kind === 'curve')
        list[before] = { ...arriving, to: { ...arriving.to, c2: [arriving.to.c2[0] + dx, arriving.to.c2[1] + dy] } };
    } else if (grip.kind === 'rise') {
      const next = list[(grip.index + 1) % list.length]!;
      const [cx, cy] = [next.x - node.x, next.y - node.y];
      const chord = Math.hypot(cx, cy) || 1;
      const rise = ((x - node.x) * cy - (y - node.y) * cx) / chord;
      list[grip.index] = { ...node, to: { kind: 'arc', rise: round(rise) } };
    } else if (node.to.kind === 'curve') list[grip.index] = { ...node, to: { ...node.to, [grip.kind]: [x, y] } };
    return list;
  }, []);
  const onGrip = useCallback((event: PointerEvent<SVGGElement>, grip: Grip) => {
    const inverse = svg.current?.getScreenCTM()?.inverse();
    if (!inverse) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    setChosen(grip.index);
    drag.current = { grip, inverse, moved: false };
  }, []);
  const onMove = (event: PointerEvent<SVGSVGElement>) => {
    const from = drag.current;
    if (!from) return;
    from.moved = true;
    const to = toDrawing(from.inverse, event);
    cancelAnimationFrame(frame.current);
    // One drawing a frame, however many moves the pointer reports.
    frame.current = requestAnimationFrame(() => setLive(moveTo(from.grip, round(to.x), round(to.y))));
  };
  const onUp = (event: PointerEvent<SVGSVGElement>) => {
    const from = drag.current;
    drag.current = null;
    cancelAnimationFrame(frame.current);
    if (!from?.moved) return;
    const to = toDrawing(from.inverse, event);
    commit(moveTo(from.grip, round(to.x), round(to.y)));
  };

  const node = nodes[at]!;
  const next = nodes[(at + 1) % count]!;
  const put = (change: Partial<OutlineNode>) => commit(nodes.map((n, i) => (i === at ? { ...n, ...change } : n)));
  const middleOf = (index: number): readonly [number, number] => {
    const [a, b] = [nodes[index]!, nodes[(index + 1) % count]!];
    // Without rounding, each node begins one segment.
    const bare = drawNodes({ nodes: nodes.map((n) => ({ ...n, radius: 0 })), mirrored: shape.mirrored }).outline.segments;
    const segment = bare.find(
      (s) =>
        Math.hypot(pointAt(s, 0)[0] - a.x, pointAt(s, 0)[1] - a.y) < 1e-6 &&
        Math.hypot(pointAt(s, 1)[0] - b.x, pointAt(s, 1)[1] - b.y) < 1e-6,
    );
    return segment ? pointAt(segment, 0.5) : [(a.x + b.x) / 2, (a.y + b.y) / 2];
  };
  const lastOfHalf = shape.mirrored && at === count - 1;
  const addAfter = () => {
    if (count >= 400) return setMessage('400 points are the most');
    const index = lastOfHalf ? at - 1 : at;
    if (!commit(halfWay(nodes, index, middleOf(index)))) focusNode(index + 1);
  };
  const remove = () => {
    const least = 3;
    if (count <= least) return setMessage(`An outline keeps at least ${least} points`);
    if (!commit(nodes.filter((_, i) => i !== at))) focusNode(Math.max(0, at - 1));
  };
  const focusNode = (index: number) => {
    setChosen(index);
    requestAnimationFrame(() => svg.current?.querySelector<SVGGElement>(`[data-node="${index}"]`)?.focus());
  };
  const onKey = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 10 : 1;
    const moves: Record<string, [number, number]> = {
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
    };
    const move = moves[event.key];
    if (move) commit(moveTo({ kind: 'node', index: at }, round(node.x + move[0]), round(node.y + move[1])));
    else if (event.key === 'PageDown' || event.key === 'n') focusNode((at + 1) % count);
    else if (event.key === 'PageUp' || event.key === 'p') focusNode((at + count - 1) % count);
    else if (event.key === 'Insert' || event.key === 'a') addAfter();
    else if (event.key === 'Delete' || event.key === 'Backspace') remove();
    else if (event.key === 's' || event.key === 'l') put({ to: { kind: event.key === 's' ? 'smooth' : 'line' } });
    else return;
    event.preventDefault();
  };
  const handles =
    node.to.kind === 'curve'
      ? (['c1', 'c2'] as const).map((kind) => ({ kind, at: node.to.kind === 'curve' ? node.to[kind] : ([0, 0] as const) }))
      : node.to.kind === 'arc'
        ? [{ kind: 'rise' as const, at: middleOf(at) }]
        : [];

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
        onKeyDown={onKey}
      >
        <path
          d={`M${box.minX - margin} 0 H${box.maxX + margin} M0 ${-box.maxY - margin} V${-box.minY + margin}`}
          stroke="var(--ink)"
          strokeOpacity={0.25}
          strokeWidth={size * 0.15}
          strokeDasharray={`${size * 3} ${size}`}
          fill="none"
        />
        <path d={path} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={size * 0.45} data-outline />
        {notched && <path d={notched} fill="none" stroke="var(--ink)" strokeWidth={size * 0.3} strokeDasharray={`${size} ${size}`} />}
        {(piece.base.holes ?? []).map((hole) =>
          hole.kind === 'round' ? (
            <circle
              key={hole.id}
              cx={hole.x}
              cy={-hole.y}
              r={hole.diameter / 2}
              fill="var(--color-base-100)"
              stroke="var(--ink)"
              strokeWidth={size * 0.25}
            />
          ) : (
            <rect
              key={hole.id}
              x={hole.x - hole.width / 2}
              y={-hole.y - hole.height / 2}
              width={hole.width}
              height={hole.height}
              fill="var(--color-base-100)"
              stroke="var(--ink)"
              strokeWidth={size * 0.25}
            />
          ),
        )}
        {nodes.map((n, i) => (
          <NodeMark
            key={i}
            x={n.x}
            y={n.y}
            index={i}
            size={size}
            chosen={i === at}
            words={`Point ${i + 1} of ${count}, ${say(n.x)} right, ${say(n.y)} back`}
            onGrip={onGrip}
          />
        ))}
        {handles.map((handle) => (
          <g key={handle.kind}>
            {handle.kind !== 'rise' && (
              <path
                d={openPath([[handle.kind === 'c1' ? node.x : next.x, handle.kind === 'c1' ? node.y : next.y], handle.at])}
                stroke="var(--chalk)"
                strokeWidth={size * 0.25}
              />
            )}
            <g
              className="cursor-grab touch-none"
              onPointerDown={(event) => onGrip(event, { kind: handle.kind, index: at })}
              data-grip={handle.kind}
            >
              <circle cx={handle.at[0]} cy={-handle.at[1]} r={size * 2} fill="transparent" />
              <rect
                x={handle.at[0] - size * 0.8}
                y={-handle.at[1] - size * 0.8}
                width={size * 1.6}
                height={size * 1.6}
                fill="var(--chalk)"
              />
            </g>
          </g>
        ))}
        <text x={0} y={-box.minY + size * 8} fontSize={size * 4} textAnchor="middle" fill="var(--ink)">
          {words[0]}
        </text>
      </svg>
      <section
        aria-label="The chosen point"
        className="border-t border-base-content/25 px-3 grid grid-cols-[repeat(3,minmax(0,1fr))_auto] gap-x-4"
      >
        <LengthField
          compact
          label="Right"
          name={`node ${at} x`}
          value={node.x}
          onCommit={(x) => commit(moveTo({ kind: 'node', index: at }, x, node.y))}
        />
        <LengthField
          compact
          label="Back"
          name={`node ${at} y`}
          value={node.y}
          onCommit={(y) => commit(moveTo({ kind: 'node', index: at }, node.x, y))}
        />
        <LengthField compact label="Radius" name={`node ${at} r`} value={node.radius} onCommit={(radius) => put({ radius })} />
        <span className="text-sm self-center text-right whitespace-nowrap">
          Point {at + 1} of {count}
        </span>
        {lastOfHalf ? (
          <span className="text-sm self-center">on the centre line</span>
        ) : (
          <ChoiceField label="On by" value={node.to.kind} options={LINES} onChange={(kind) => put({ to: asKind(kind, node, next) })} />
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
          <button type="button" className="btn btn-sm btn-outline font-normal" onClick={addAfter}>
            Point after
          </button>
          <button type="button" className="btn btn-sm btn-outline font-normal" onClick={remove}>
            Take it out
          </button>
        </span>
        {message && (
          <p role="alert" className="text-xs text-error col-span-4">
            {message}
          </p>
        )}
      </section>
    </div>
  );
}
