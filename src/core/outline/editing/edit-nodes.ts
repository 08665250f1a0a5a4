import { drawNodes, type NodeLine, type OutlineNode } from './nodes';
import { pointAt } from '../polygon/segment';
import type { Point } from '../types';

/** What is taken hold of: a node, a handle of its curve, the rise of its arc. */
export type NodeGrip = { kind: 'node' | 'c1' | 'c2' | 'rise'; index: number };

/** Places are kept to this, mm. */
const TENTH = 10;
const round = (mm: number): number => Math.round(mm * TENTH) / TENTH;

/** A new arc rises by this share of its chord. */
const ARC_RISE = 0.1;

/**
 * The way on from a node as another kind of line through about the same places.
 *
 * @param kind wanted
 * @param from the node, with its line as it is
 * @param next where the line ends
 */
export function lineAs(kind: NodeLine['kind'], from: OutlineNode, next: Pick<OutlineNode, 'x' | 'y'>): NodeLine {
  const { to } = from;
  if (to.kind === kind) return to;
  if (kind === 'arc') return { kind, rise: Math.round(Math.hypot(next.x - from.x, next.y - from.y) * ARC_RISE) };
  if (kind !== 'curve') return { kind };
  const third = (t: number): [number, number] => [from.x + (next.x - from.x) * t, from.y + (next.y - from.y) * t];
  return { kind, c1: third(1 / 3), c2: third(2 / 3) };
}

/** The middle of the line that leaves a node, as it is drawn without rounded corners. */
export function middleAfter(nodes: readonly OutlineNode[], mirrored: boolean, index: number): Point {
  const [a, b] = [nodes[index]!, nodes[(index + 1) % nodes.length]!];
  // Without rounding, each node begins one segment.
  const { segments } = drawNodes({ nodes: nodes.map((node) => ({ ...node, radius: 0 })), mirrored }).outline;
  const near = ([x, y]: Point, node: OutlineNode): boolean => Math.hypot(x - node.x, y - node.y) < 1e-6;
  const segment = segments.find((candidate) => near(pointAt(candidate, 0), a) && near(pointAt(candidate, 1), b));
  return segment ? pointAt(segment, 0.5) : [(a.x + b.x) / 2, (a.y + b.y) / 2];
}

/** The nodes with one more, half way from a node to the next. */
export function withNodeAfter(nodes: readonly OutlineNode[], mirrored: boolean, index: number): OutlineNode[] {
  const node = nodes[index]!;
  const [x, y] = middleAfter(nodes, mirrored, index);
  const on: NodeLine = node.to.kind === 'smooth' ? { kind: 'smooth' } : { kind: 'line' };
  return [...nodes.slice(0, index), { ...node, to: on }, { x: round(x), y: round(y), radius: 0, to: on }, ...nodes.slice(index + 1)];
}

/** A node moved, and the handles that hang on it. */
function nodeMoved(nodes: readonly OutlineNode[], index: number, x: number, y: number): OutlineNode[] {
  const node = nodes[index]!;
  const [dx, dy] = [x - node.x, y - node.y];
  const before = (index + nodes.length - 1) % nodes.length;
  const shifted = ([px, py]: readonly [number, number]): [number, number] => [px + dx, py + dy];
  return nodes.map((item, i) => {
    let { to } = item;
    if (i === before && to.kind === 'curve') to = { ...to, c2: shifted(to.c2) };
    if (i === index && to.kind === 'curve') to = { ...to, c1: shifted(to.c1) };
    return i === index ? { ...item, x, y, to } : to === item.to ? item : { ...item, to };
  });
}

/**
 * The nodes with what is taken hold of moved to a place.
 *
 * @param nodes as they are
 * @param grip what is moved
 * @param to where, mm
 */
export function nodesMoved(nodes: readonly OutlineNode[], { kind, index }: NodeGrip, [x, y]: Point): OutlineNode[] {
  if (kind === 'node') return nodeMoved(nodes, index, x, y);
  const node = nodes[index]!;
  const next = nodes[(index + 1) % nodes.length]!;
  let to: NodeLine = node.to;
  if (kind === 'rise') {
    const [cx, cy] = [next.x - node.x, next.y - node.y];
    const chord = Math.hypot(cx, cy) || 1;
    to = { kind: 'arc', rise: round(((x - node.x) * cy - (y - node.y) * cx) / chord) };
  } else if (to.kind === 'curve') to = { ...to, [kind]: [x, y] };
  return nodes.map((item, i) => (i === index ? { ...item, to } : item));
}
