import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import { bounds, flatten, pointAt, UNNAMED, type Outline, type Point, type Segment } from '../outline';
import type { Hole } from '../piece';
import { arcByRise, scaledBy } from '../outline/polygon/segment';
import { DRAWING_UNITS, FileProblem, LARGEST_TEXT, MOST_SEGMENTS, type DrawingUnit } from '../file-problem';
import { ringsOf, type ReadOutline } from './rings';

/** Groups nested deeper than this are not a drawing. */
const DEEPEST = 60;

type Element = { [name: string]: unknown; ':@'?: Record<string, string> };

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  // Entities are never expanded: a drawing needs none, and nested ones can grow without end.
  processEntities: false,
  parseTagValue: false,
  parseAttributeValue: false,
});

const UNIT_OF: Record<string, DrawingUnit> = { mm: 'mm', cm: 'cm', m: 'm', in: 'in', px: 'px' };

function number(text: string | undefined, fallback = 0): number {
  const value = Number.parseFloat(text ?? '');
  return Number.isFinite(value) ? value : fallback;
}

/** The path data of a drawn element, or null for anything that is not a line. */
function pathData(name: string, at: Record<string, string>): string | null {
  const n = (key: string): number => number(at[key]);
  switch (name) {
    case 'path':
      return at.d ?? '';
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
    case 'polygon': {
      const figures = (at.points ?? '')
        .trim()
        .split(/[\s,]+/)
        .map(Number);
      if (figures.length < 4) return '';
      const pairs: string[] = [];
      for (let i = 0; i + 1 < figures.length; i += 2) pairs.push(`${figures[i]} ${figures[i + 1]}`);
      return `M${pairs.join('L')}${name === 'polygon' ? 'Z' : ''}`;
    }
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')];
      const rx = Math.min(number(at.rx, n('ry')), w / 2);
      const ry = Math.min(number(at.ry, rx), h / 2);
      if (!(w > 0) || !(h > 0)) return '';
      if (!(rx > 0) || !(ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}z`;
      const arc = `a${rx} ${ry} 0 0 1 `;
      return `M${x + rx} ${y}h${w - 2 * rx}${arc}${rx} ${ry}v${h - 2 * ry}${arc}${-rx} ${ry}h${2 * rx - w}${arc}${-rx} ${-ry}v${2 * ry - h}${arc}${rx} ${-ry}z`;
    }
    case 'circle':
    case 'ellipse': {
      const [rx, ry] = name === 'circle' ? [n('r'), n('r')] : [n('rx'), n('ry')];
      if (!(rx > 0) || !(ry > 0)) return '';
      const [cx, cy] = [n('cx'), n('cy')];
      return `M${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}Z`;
    }
    default:
      return null;
  }
}

/** An SVG arc between two points as one arc of ours; null when it is not circular. */
function circularArc(from: Point, [rx, ry, , large, sweep, x, y]: number[]): Segment | null {
  if (Math.abs(rx! - ry!) > 1e-6 * Math.max(rx!, ry!)) return null;
  const to: Point = [x!, y!];
  const chord = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (chord < 1e-9) return null;
  const radius = Math.max(Math.abs(rx!), chord / 2);
  const flat = Math.sqrt(Math.max(0, radius * radius - (chord * chord) / 4));
  const rise = large ? radius + flat : radius - flat;
  // Still counted with y down, what the file sweeps one way lies on the other side of the way.
  return arcByRise(UNNAMED, from, to, sweep ? rise : -rise);
}

/** Splits path data into runs of segments, y still down. */
function segmentsOf(data: string, transforms: readonly string[]): Segment[][] {
  let path = svgpath(data);
  for (const transform of [...transforms].reverse()) path = path.transform(transform);
  path = path.abs().unshort();
  const runs: Segment[][] = [];
  let run: Segment[] = [];
  let start: Point = [0, 0];
  let curved = false;
  path.iterate((segment) => {
    if (segment[0] === 'A' && Math.abs(segment[1] - segment[2]) > 1e-6 * Math.max(segment[1], segment[2])) curved = true;
  });
  if (curved) path = path.unarc();
  path.iterate((segment, _, x, y) => {
    const from: Point = [x, y];
    const [command, ...rest] = segment as [string, ...number[]];
    const push = (next: Segment): void => void run.push(next);
    switch (command) {
      case 'M':
        if (run.length > 0) runs.push(run);
        run = [];
        start = [rest[0]!, rest[1]!];
        break;
      case 'L':
        push({ kind: 'line', edge: UNNAMED, from, to: [rest[0]!, rest[1]!] });
        break;
      case 'H':
        push({ kind: 'line', edge: UNNAMED, from, to: [rest[0]!, y] });
        break;
      case 'V':
        push({ kind: 'line', edge: UNNAMED, from, to: [x, rest[0]!] });
        break;
      case 'C':
        push({ kind: 'curve', edge: UNNAMED, from, c1: [rest[0]!, rest[1]!], c2: [rest[2]!, rest[3]!], to: [rest[4]!, rest[5]!] });
        break;
      case 'Q': {
        const [qx, qy, tx, ty] = rest as [number, number, number, number];
        push({
          kind: 'curve',
          edge: UNNAMED,
          from,
          c1: [x + (2 / 3) * (qx - x), y + (2 / 3) * (qy - y)],
          c2: [tx + (2 / 3) * (qx - tx), ty + (2 / 3) * (qy - ty)],
          to: [tx, ty],
        });
        break;
      }
      case 'A': {
        const arc = circularArc(from, rest);
        if (arc) push(arc);
        break;
      }
      default:
        if (run.length > 0 && Math.hypot(start[0] - x, start[1] - y) > 1e-9) push({ kind: 'line', edge: UNNAMED, from, to: start });
    }
    if (run.length > MOST_SEGMENTS) throw new FileProblem(`One line in this drawing has more than ${MOST_SEGMENTS} pieces`);
  });
  if (run.length > 0) runs.push(run);
  return runs;
}

/** SVG counts y downwards; plans count it upwards. */
function turnedUp(segment: Segment): Segment {
  const up = ([x, y]: Point): Point => [x, -y];
  if (segment.kind === 'line') return { ...segment, from: up(segment.from), to: up(segment.to) };
  if (segment.kind === 'curve') return { ...segment, from: up(segment.from), c1: up(segment.c1), c2: up(segment.c2), to: up(segment.to) };
  return { ...segment, centre: up(segment.centre), start: -segment.start, sweep: -segment.sweep };
}

type Length = { value: number; unit: DrawingUnit | null };

/** A width or height as a drawing gives it; shares of something else are none. */
function lengthOf(text: string | undefined): Length | null {
  const found = /^\s*([\d.]+(?:e[+-]?\d+)?)\s*(mm|cm|m|in|px)?\s*$/i.exec(text ?? '');
  const value = Number(found?.[1]);
  return found && value > 0 && Number.isFinite(value) ? { value, unit: found[2] ? UNIT_OF[found[2].toLowerCase()]! : null } : null;
}

type View = { x: number; y: number; width: number; height: number };

function viewOf(text: string | undefined): View | null {
  const [x, y, width, height] = (text ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number) as [number, number, number, number];
  return width > 0 && height > 0 && Number.isFinite(x + y + width + height) ? { x, y, width, height } : null;
}

/** How many units of a window one of the drawing inside it takes, each way, by the window's own rule for other proportions. */
function fitOf(at: Record<string, string>, view: View, width: number, height: number): [number, number] {
  const [x, y] = [width / view.width, height / view.height];
  const rule = at.preserveAspectRatio ?? '';
  if (/\bnone\b/.test(rule)) return [x, y];
  const both = /\bslice\b/.test(rule) ? Math.max(x, y) : Math.min(x, y);
  return [both, both];
}

/** Millimetres in one unit of the drawing's own coordinates each way, or null when the file does not say. */
function scaleOf(at: Record<string, string>): { unit: DrawingUnit; factor: [number, number] } | null {
  const [width, height] = [lengthOf(at.width), lengthOf(at.height)];
  const reported = width?.unit ? width : height?.unit ? height : null;
  if (!reported?.unit) return null;
  const view = viewOf(at.viewBox);
  if (!view) return { unit: reported.unit, factor: [1, 1] };
  // In the unit that is said first; the other side may be in another.
  const inSaid = (length: Length): number => (length.value * DRAWING_UNITS[length.unit ?? reported.unit!]) / DRAWING_UNITS[reported.unit!];
  const factor: [number, number] =
    width && height
      ? fitOf(at, view, inSaid(width), inSaid(height))
      : [reported.value / (width ? view.width : view.height), reported.value / (width ? view.width : view.height)];
  return factor.every((value) => Number.isFinite(value) && value > 0) ? { unit: reported.unit, factor } : null;
}

/** How a drawing inside a drawing is placed and scaled, as a transform. */
function nestedTransform(at: Record<string, string>): string[] {
  const move = `translate(${number(at.x)} ${number(at.y)})`;
  const view = viewOf(at.viewBox);
  const [width, height] = [lengthOf(at.width), lengthOf(at.height)];
  if (!view) return [move];
  if (!width || !height || width.unit || height.unit)
    throw new FileProblem('A drawing inside this SVG does not say how large it is; ungroup it, or save it as plain SVG');
  const [sx, sy] = fitOf(at, view, width.value, height.value);
  // What is left over at the sides is shared between them, as the format has it unless it says otherwise.
  const [left, top] = [(width.value - view.width * sx) / 2, (height.value - view.height * sy) / 2];
  return [move, `translate(${left} ${top}) scale(${sx} ${sy}) translate(${-view.x} ${-view.y})`];
}

/**
 * Reads the outline out of an SVG drawing. Nothing in the file is run, fetched or expanded.
 *
 * @param text the file
 * @param options.unit of its coordinates, when the file does not say
 * @param options.close whether an open outline is closed by a straight line
 * @throws FileProblem in words for the person who chose the file
 */
export function readSvg(text: string, options: { unit?: DrawingUnit; close?: boolean } = {}): ReadOutline {
  if (text.length > LARGEST_TEXT) throw new FileProblem('This SVG is larger than 4 MB; an outline is a few kilobytes');
  if (!/<svg[\s>]/i.test(text.slice(0, 20_000))) throw new FileProblem('This is not an SVG drawing: there is no <svg> at its beginning');
  if (/<!ENTITY/i.test(text))
    throw new FileProblem('This SVG defines entities of its own, which a drawing does not need; save it as plain SVG');
  let tree: Element[];
  try {
    tree = parser.parse(text) as Element[];
  } catch (error) {
    throw new FileProblem(`This SVG cannot be read: ${error instanceof Error ? error.message.slice(0, 160) : 'it breaks off'}`);
  }
  const runs: Segment[][] = [];
  let root: Record<string, string> | null = null;
  const walk = (elements: Element[], transforms: readonly string[], depth: number): void => {
    if (depth > DEEPEST) throw new FileProblem(`Groups in this SVG are nested more than ${DEEPEST} deep`);
    for (const element of elements) {
      const name = Object.keys(element).find((key) => key !== ':@');
      if (!name || name === 'defs' || name === 'clipPath' || name === 'mask' || name === 'symbol' || name === 'pattern') continue;
      const at = element[':@'] ?? {};
      const inside = name === 'svg' && root !== null ? nestedTransform(at) : [];
      if (name === 'svg') root ??= at;
      const names = [...transforms, ...(at.transform ? [at.transform] : []), ...inside];
      const data = pathData(name, at);
      if (data !== null) {
        try {
          runs.push(...segmentsOf(data, names));
        } catch (error) {
          if (error instanceof FileProblem) throw error;
          throw new FileProblem(
            `A line in this SVG cannot be read: ${error instanceof Error ? error.message.slice(0, 120) : String(error)}`,
          );
        }
      }
      if (Array.isArray(element[name])) walk(element[name] as Element[], names, depth + 1);
    }
  };
  walk(tree, [], 0);
  if (!root) throw new FileProblem('This is not an SVG drawing: there is no <svg> in it');
  if (runs.length === 0) throw new FileProblem('There is no line in this SVG; text and pictures are not outlines');
  const reported = scaleOf(root);
  if (!reported && !options.unit) throw new FileProblem('This SVG does not say in which unit it is drawn; choose one', { needsUnit: true });
  // A unit chosen by hand is what one of the drawing's own coordinates counts.
  const [across, down] = options.unit ? [1, 1] : reported!.factor;
  if (Math.abs(down / across - 1) > 1e-6)
    throw new FileProblem('This SVG is stretched one way to fill its frame; save it at its own proportions');
  const upright = runs.map((run) => run.map((segment) => scaledBy(turnedUp(segment), across)));
  return ringsOf(upright, options.unit ?? reported!.unit, options);
}

const f = (value: number): string => String(Math.round(value * 1e5) / 1e5);

function pathOf(outline: Outline): string {
  const first = pointAt(outline.segments[0]!, 0);
  const parts = [`M${f(first[0])} ${f(-first[1])}`];
  for (const segment of outline.segments) {
    const [x, y] = pointAt(segment, 1);
    if (segment.kind === 'line') parts.push(`L${f(x)} ${f(-y)}`);
    else if (segment.kind === 'curve')
      parts.push(`C${f(segment.c1[0])} ${f(-segment.c1[1])} ${f(segment.c2[0])} ${f(-segment.c2[1])} ${f(x)} ${f(-y)}`);
    else {
      // A full turn has no chord: two halves do.
      const halves = Math.abs(segment.sweep) > Math.PI ? 2 : 1;
      for (let k = 1; k <= halves; k++) {
        const [ax, ay] = pointAt(segment, k / halves);
        parts.push(`A${f(segment.radius)} ${f(segment.radius)} 0 0 ${segment.sweep > 0 ? 0 : 1} ${f(ax)} ${f(-ay)}`);
      }
    }
  }
  return `${parts.join('')}Z`;
}

/**
 * Writes an outline and its holes as an SVG in millimetres.
 *
 * @param outline of the base
 * @param holes drawn as circles and rectangles
 */
export function writeSvg(outline: Outline, holes: readonly Hole[] = []): string {
  const box = bounds(flatten(outline));
  const size = `${f(box.minX)} ${f(-box.maxY)} ${f(box.width)} ${f(box.height)}`;
  const line = 'fill="none" stroke="black" stroke-width="0.5"';
  const drawn = holes.map((hole) =>
    hole.kind === 'round'
      ? `  <circle cx="${f(hole.x)}" cy="${f(-hole.y)}" r="${f(hole.diameter / 2)}" ${line}/>`
      : `  <rect x="${f(hole.x - hole.width / 2)}" y="${f(-hole.y - hole.height / 2)}" width="${f(hole.width)}" height="${f(hole.height)}" ${line}/>`,
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${f(box.width)}mm" height="${f(box.height)}mm" viewBox="${size}">`,
    `  <path d="${pathOf(outline)}" ${line}/>`,
    ...drawn,
    '</svg>',
    '',
  ].join('\n');
}
