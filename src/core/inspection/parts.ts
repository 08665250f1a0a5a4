import type { SheetPlan } from '../plan-data';
import { boxOf, signedArea, together, type Point } from './geometry';

type Cover = NonNullable<SheetPlan['cover']>;
export type CoverPart = Cover['pieces'][number];
export type Station = SheetPlan['stations'][number];

/** A flat part of whatever it is cut from. */
export type FlatPart = { name: string; count: number; width: number; height: number; area: number; outline: readonly Point[] };

type Pad = SheetPlan['foam'][number];

/** Whether a pad is cut from foam that is bought: not the old one, nor out of scraps. */
export const isBought = (pad: Pad): boolean => !pad.kept && !pad.scrap;

/**
 * The stations before and after one that belong to another edge: it lies where the two go over into each other.
 *
 * @param stations in the order of the edge
 * @param k which
 */
export const besideEdges = (stations: readonly Station[], k: number): Station[] =>
  [stations.at(k - 1)!, stations[(k + 1) % stations.length]!].filter(({ edge }) => edge !== stations[k]!.edge);

/** Every flat part of a plan that somebody cuts round, those of differing pieces of the set among them. */
export function flatParts({ cover, wadding, dustCover, foam, variants = [] }: SheetPlan): FlatPart[] {
  const pads = (all: SheetPlan['foam'], of: string): FlatPart[] =>
    all.flatMap(({ pad, count, width, height, area, outline, finished }) => [
      { name: `Foam “${pad}”${of}`, count, width, height, area, outline },
      { name: `Foam “${pad}”${of}, trimmed`, count, ...finished, area: Math.abs(signedArea(finished.outline)) },
    ]);
  const templates = (cover?.pieces ?? []).flatMap(({ template }) =>
    template ? [{ ...template, name: `${template.name}, template` }] : [],
  );
  return [
    ...(cover ? [...cover.pieces, ...templates, ...cover.linings] : []),
    ...[wadding, dustCover].flatMap((part) => (part ? [part] : [])),
    ...pads(foam, ''),
    ...variants.flatMap(({ name, covers, wadding: laid, dustCover: below, foam: stack }) => [
      ...[...covers, laid, below].flatMap((part) => (part ? [{ ...part, name: `${part.name}, ${name}` }] : [])),
      ...pads(stack, `, ${name}`),
    ]),
  ];
}

/** The parts of a cover as they are sewn: of one that is quilted its template. */
export const sewnParts = ({ pieces }: Pick<Cover, 'pieces'>): CoverPart[] => pieces.map((part) => part.template ?? part);

/**
 * The pulled cover as one outline, whether it comes off the roll in one or is joined from widths; null for a cover that is sewn.
 */
export function pulledBlank({ pulled, pieces }: Cover): { parts: CoverPart[]; outline: readonly Point[]; longer: number } | null {
  const parts = pulled ? pieces.filter(({ role }) => role === 'cover') : [];
  if (parts.length === 0) return null;
  const outline = parts.length === 1 ? parts[0]!.outline : together(parts.map((part) => part.outline));
  return { parts, outline, longer: parts[0]!.longer };
}

/**
 * The plan place from which a station is measured, and the way out from there.
 *
 * @param longer how much longer the cloth is cut, since it shrinks: 1 where it does not
 */
export function rayOf({ x, y, normalX, normalY, planDistance }: Station, longer = 1): { from: Point; towards: Point } {
  return { from: [(x - normalX * planDistance) * longer, (y - normalY * planDistance) * longer], towards: [normalX, normalY] };
}

/** Whether another edge's cloth lies across a station's way out: beside an inside corner more of it is met than the station asks for. */
export function isBesideInsideCorner(stations: readonly Station[], { x, y, wrap }: Station): boolean {
  return stations.some((other) => other.turn < 0 && Math.hypot(other.x - x, other.y - y) < wrap);
}

/** Width and height of an outline, mm. */
export function sizeOf(outline: readonly Point[]): { width: number; height: number } {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  return { width: maxX - minX, height: maxY - minY };
}
