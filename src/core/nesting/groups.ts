import { boughtLonger } from '../cloth';
import { clothFor, isMatched, type CoverPiece, type LiningPiece } from '../cover';
import type { FoamPiece, RollLayout } from '../foam-cutting';
import { figuresFor, readerOf, type HouseRules } from '../house';
import { bounds, type Point, type Polygon } from '../outline';
import type { Cloth, Packet, Piece } from '../piece';
import { firstOutlineCount, type Plan } from '../plan-data';
import { biasBlocks } from '../foam-cutting';
import { newOf } from '../strip';
import type { WareKind } from '../store';
import { atOrigin } from './turned';
import type { LayRepeat, LayShape, Turn } from './types';

/** A piece of the floor with its plan. */
export type Planned = { id: string; piece: Piece; plan: Plan };

/** All that is cut from one material, over all the pieces that are laid together. */
export type LayGroup = {
  /** tells it from the others of the job, and stays when a piece is changed */
  key: string;
  kind: WareKind;
  /** the material, by its id; cloth by its name */
  of: string;
  name: string;
  thickness: number | null;
  packet: Packet | null;
  /** of the roll that the pieces were planned for; null where sheets are sold in any size */
  width: number | null;
  gap: number;
  repeat: LayRepeat | null;
  /** the cloth loses so much before it is cut: so many times as much is bought as is laid */
  more: number;
  /** the length that the pieces' own cut sheets give together, mm as laid; null for what is sold in sheets */
  planned: number | null;
  /** the size line that says that length; null where several do */
  line: string | null;
  shapes: LayShape[];
};

const ALL: readonly Turn[] = [0, 90, 180, 270];
const rectangle = (width: number, height: number): Polygon => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];

/** How a piece may lie: boxes are the same the other way up. */
function without180(outline: Polygon, turns: readonly Turn[]): readonly Turn[] {
  if (outline.length !== 4) return turns;
  const box = bounds(outline);
  const plain = outline.every(([x, y]) => (x === 0 || Math.abs(x - box.width) < 1e-6) && (y === 0 || Math.abs(y - box.height) < 1e-6));
  return plain ? turns.filter((turn, k) => turns.findIndex((value) => value % 180 === turn % 180) === k) : turns;
}

/** How a cloth may be turned: a pile or a pattern with an upside only one way, any other also upside down. */
function turnsOf(cloth: Cloth, matched: boolean): readonly Turn[] {
  const oneWay = (cloth.nap ?? 'none') !== 'none' || matched;
  const patterned = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  const first: Turn = cloth.direction === 'across' ? 90 : 0;
  if (oneWay) return [first];
  if (cloth.direction === 'any' && !patterned) return ALL;
  return [first, (first + 180) as Turn];
}

type Add = (
  group: Omit<LayGroup, 'shapes'>,
  shape: { label: string; outline: Polygon; motif: Point | null; turns: readonly Turn[] },
  piece: string,
  count: number,
) => void;

/** What is sold in sheets has no pattern, loses nothing, and is bought by no length. */
const SHEETS = { width: null, repeat: null, more: 1, planned: null, line: null } as const;

/** Pads, in every thickness of foam that makes them up. */
function addFoam(add: Add, { id, plan }: Planned, gap: number): void {
  const sets: { foam: readonly FoamPiece[]; count: number; name: string }[] = [
    { foam: plan.foam, count: firstOutlineCount(plan), name: '' },
    ...plan.variants.map((variant) => ({ foam: variant.foam, count: variant.count, name: ` ${variant.name}` })),
  ];
  for (const { foam, count, name } of sets) {
    for (const foamPiece of foam) {
      if (foamPiece.scrap || foamPiece.kept) continue;
      for (const thickness of foamPiece.layers) {
        const packet = foamPiece.packet ? `-${foamPiece.packet.width}x${foamPiece.packet.length}x${foamPiece.packet.each}` : '';
        const group: Omit<LayGroup, 'shapes'> = {
          key: `foam-${foamPiece.material}-${thickness}${packet}`,
          kind: 'foam',
          of: foamPiece.material,
          name: foamPiece.materialName,
          thickness,
          packet: foamPiece.packet,
          gap,
          ...SHEETS,
        };
        const blocks = foamPiece.pair
          ? [rectangle(Math.max(...foamPiece.blocks.map(({ width }) => width)), Math.max(...foamPiece.blocks.map(({ height }) => height)))]
          : foamPiece.blocks.map(({ outline }) => outline);
        const each = foamPiece.pair ? Math.ceil((count * foamPiece.blocks.length) / 2) : count;
        for (const outline of blocks) add(group, { label: `${foamPiece.pad}${name}`, outline, motif: null, turns: ALL }, id, each);
      }
    }
  }
}

/** Boards that are sawn new: sheets of board lie like any other. */
function addBoards(add: Add, { id, plan }: Planned, gap: number): void {
  const { board } = plan.cut;
  if (!board) return;
  const group: Omit<LayGroup, 'shapes'> = {
    key: `board-${board.material}-${board.thickness}`,
    kind: 'board',
    of: board.material,
    name: board.materialName,
    thickness: board.thickness,
    packet: null,
    gap,
    ...SHEETS,
  };
  const sets = [
    { label: 'Board', outline: plan.outline.points, count: firstOutlineCount(plan) },
    ...plan.variants.map(({ name, outline, count }) => ({ label: `Board, ${name}`, outline: outline.points, count })),
  ];
  for (const { label, outline, count } of sets) add(group, { label, outline: [...outline], motif: null, turns: ALL }, id, count);
}

/** Covers and their strips, of the piece's own cloth or its second one. */
function addCloth(add: Add, { id, piece, plan }: Planned, gap: number, which: 'cover' | 'second'): void {
  const cloth = clothFor(piece, which);
  const patterned = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  const matched = patterned && isMatched(piece.covering);
  const motif = which === 'cover' ? plan.cover.motif : null;
  const repeat = matched ? { across: cloth.repeatAcross, along: cloth.repeatAlong, between: false } : null;
  // Between two stripes on one piece and on a stripe on the next: each piece's own place is moved, the roll's repeat is one.
  const half = motif?.on === 'between' ? ([cloth.repeatAcross / 2, cloth.repeatAlong / 2] as const) : ([0, 0] as const);
  const sideways = cloth.direction === 'across';
  const group: Omit<LayGroup, 'shapes'> = {
    key: `cloth-${cloth.name.trim().toLowerCase() || 'not named'}-${Math.round(cloth.rollWidth)}`,
    kind: 'cloth',
    of: cloth.name,
    name: cloth.name || 'Cloth, not named',
    thickness: null,
    packet: null,
    width: cloth.rollWidth,
    gap,
    repeat,
    more: boughtLonger(cloth),
    planned: (which === 'cover' ? plan.cut.cloth : plan.cut.second)?.length ?? 0,
    line: which === 'cover' ? 'cloth.length' : 'second.length',
  };
  // An old cover that goes on again is not cut.
  const cover = newOf(plan.cover, piece);
  const covers: readonly CoverPiece[] = [...cover.pieces, ...plan.variants.flatMap((variant) => variant.covers)];
  const turns = turnsOf(cloth, matched);
  for (const coverPiece of covers) {
    if (coverPiece.cloth !== which) continue;
    const { outline, by } = atOrigin(coverPiece.outline);
    const box = bounds(coverPiece.outline);
    const on: Point = coverPiece.motif ? [coverPiece.motif.x - by[0], coverPiece.motif.y - by[1]] : [box.width / 2, box.height / 2];
    // Railroaded the piece's depth lies across the roll.
    const at: Point = sideways ? [on[0] - half[1], on[1] + half[0]] : [on[0] - half[0], on[1] - half[1]];
    add(group, { label: coverPiece.name, outline, motif: repeat ? at : null, turns }, id, coverPiece.count);
  }
  for (const welt of cover.welts.filter((weltPlan) => weltPlan.cloth === which)) {
    const label = `Piping, ${welt.name.toLowerCase()}`;
    const strip = welt.stripLength / welt.strips;
    if (welt.cut === 'straight')
      add(
        group,
        { label, outline: rectangle(Math.min(cloth.rollWidth, strip), welt.stripWidth), motif: null, turns: [0] },
        id,
        piece.count * welt.strips,
      );
    else
      biasBlocks(piece.count * welt.strips, strip, welt.stripWidth, cloth.rollWidth).forEach(({ width, height }, k, { length }) =>
        add(
          group,
          { label: `${label}, bias block${length > 1 ? ` ${k + 1}` : ''}`, outline: rectangle(width, height), motif: null, turns: [0] },
          id,
          1,
        ),
      );
  }
}

/** Wadding, linings, film, dust cloth: rolls of their own. */
function addLinings(add: Add, { id, plan, piece }: Planned, gap: number, rule: (key: string) => number): void {
  const { cut } = plan;
  const cover = newOf(plan.cover, piece);
  type Rolled = { kind: WareKind; of?: string; name: string; line: keyof typeof cut };
  const roll = ({ kind, of = '', name, line }: Rolled, width: number, pieces: readonly LiningPiece[]): void => {
    const { length: planned } = cut[line] as RollLayout;
    const common = { thickness: null, packet: null, width, gap, repeat: null, more: 1, planned, line: `${line}.length` };
    for (const liningPiece of pieces)
      add(
        { key: `${kind}-${of}-${Math.round(width)}`, kind, of, name, ...common },
        { label: liningPiece.name, outline: rectangle(liningPiece.width, liningPiece.height), motif: null, turns: [0, 90] },
        id,
        liningPiece.count,
      );
  };
  if (cut.wadding)
    roll({ kind: 'wadding', of: piece.wadding ?? '', name: plan.wadding?.name ?? 'Wadding', line: 'wadding' }, rule('waddingRoll'), [
      ...(plan.wadding ? [plan.wadding] : []),
      ...plan.variants.flatMap((variant) => variant.wadding ?? []),
    ]);
  if (cut.dustCover)
    roll({ kind: 'dust', name: 'Dust cloth', line: 'dustCover' }, rule('dustRoll'), [
      ...(plan.dustCover ? [plan.dustCover] : []),
      ...plan.variants.flatMap((variant) => variant.dustCover ?? []),
    ]);
  const liner = [
    ...[...cover.pieces, ...plan.variants.flatMap((variant) => variant.covers)].filter(({ cloth }) => cloth === 'lining'),
    ...cover.linings.filter(({ material }) => material === 'liner'),
  ];
  if (cut.lining) roll({ kind: 'lining', name: 'Lining cloth', line: 'lining' }, rule('waddingRoll'), liner as readonly LiningPiece[]);
  const of = (material: string): LiningPiece[] => cover.linings.filter((lining) => lining.material === material);
  if (cut.film) roll({ kind: 'film', name: 'Slip film', line: 'film' }, rule('filmRoll'), of('film'));
  if (cut.waterproof) roll({ kind: 'waterproof', name: 'Waterproof cloth', line: 'waterproof' }, rule('filmRoll'), of('waterproof'));
  const backing = Math.round(cover.channels?.backing ?? 0);
  if (cut.backedFoam)
    roll(
      { kind: 'wadding', of: `backed-${backing}`, name: `Backed foam, ${backing} mm`, line: 'backedFoam' },
      rule('waddingRoll'),
      of('backed-foam'),
    );
}

/** More pieces than this are laid in several lays. */
const MOST = 600;

/**
 * All that lies flat and is cut for some pieces, by material: what a lay is made of.
 *
 * @param planned pieces of a job, of several, or one
 * @param house the workshop's rules
 */
export function layGroups(planned: readonly Planned[], house: HouseRules): LayGroup[] {
  const groups = new Map<string, LayGroup>();
  const counted = new Set<string>();
  const add: Add = (group, { label, outline, motif, turns }, piece, count) => {
    const layGroup = groups.get(group.key) ?? { ...group, planned: group.planned === null ? null : 0, shapes: [] };
    groups.set(group.key, layGroup);
    // Each length that a cut sheet says is counted once, however many parts lie on it.
    const sheet = `${piece} ${group.line} ${group.key}`;
    if (layGroup.planned !== null && !counted.has(sheet)) layGroup.planned += group.planned ?? 0;
    counted.add(sheet);
    if (group.line !== layGroup.line) layGroup.line = null;
    // What is matched on one piece of a cloth is matched on the repeat for all of it.
    if (group.repeat && !layGroup.repeat) layGroup.repeat = group.repeat;
    // Whoever wants more room between gets it for all of them.
    layGroup.gap = Math.max(layGroup.gap, group.gap);
    const home = atOrigin(outline);
    const at: Point | null = motif;
    for (let n = 1; n <= count && layGroup.shapes.length < MOST; n++) {
      const nth = layGroup.shapes.filter((shape) => shape.piece === piece && shape.label === label).length + 1;
      layGroup.shapes.push({
        key: `${piece} ${label} ${nth}`,
        label,
        piece,
        outline: home.outline,
        turns: without180(home.outline, turns),
        motif: at,
      });
    }
  };
  for (const item of planned) {
    const rule = readerOf(figuresFor(house, item.piece.overrides));
    addFoam(add, item, rule('foamKerf'));
    addBoards(add, item, rule('boardKerf'));
    addCloth(add, item, rule('clothGap'), 'cover');
    addCloth(add, item, rule('clothGap'), 'second');
    addLinings(add, item, rule('clothGap'), rule);
  }
  return [...groups.values()];
}
