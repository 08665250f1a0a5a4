import { stitchingFor } from '../cloth';
import { GLUES } from '../foam';
import type { HouseRules } from '../house';
import type { LayGroup, Planned } from '../nesting';
import { sizesOf } from '../sizes';
import type { SizeLine } from '../sizes';
import type { WareKind } from '../store';

/** Something that a job takes: how much of what, and which pieces take it. */
export type Need = {
  /** tells it from the others, and stays when a piece is changed */
  key: string;
  kind: WareKind;
  /** the material, by its id; nothing where any of its kind does */
  of: string;
  name: string;
  /** what is known of its size, mm */
  thickness: number | null;
  width: number | null;
  length?: number | null;
  /** mm², mm, pieces, m² covered, kg: as its kind is measured */
  amount: number;
  note: string;
  pieces: string[];
  /** fire certificates that the pieces themselves name for their cloth */
  certificates?: string[];
  /** what lies flat is bought by how it was laid: the group that it is cut from */
  group: string | null;
};

/** Lines that are for one of the set, not for all. */
const FOR_ONE = new Set(['thread']);
/** Battens are told by whole lengths: their length is what is needed. */
const stockLength = (line: SizeLine): number => line.terms.find(({ symbol }) => symbol === 'stock')?.value ?? 1;

/** How much of its kind's measure a line is. */
function amountOf(line: SizeLine, count: number, kind: WareKind): number {
  const value = line.value * (FOR_ONE.has(line.key) ? count : 1);
  if (line.key === 'frame.stock') return value * stockLength(line);
  // An area is told in mm², a can by the square metre.
  return kind === 'glue' ? value / 1e6 : value;
}

/** What a workshop sprays with where nobody has said otherwise. */
const USUAL_GLUE = GLUES[0]!.id;

/** Which of a kind is meant, and in what size: the glue, the thread by its tex, the staple by its crown and leg, the cord by its thickness. */
function particulars(kind: WareKind, sort: string, { piece, plan }: Planned): { of: string; thickness: number | null } {
  switch (kind) {
    case 'glue':
      return { of: piece.glue ?? USUAL_GLUE, thickness: null };
    case 'thread':
      return { of: `tex ${stitchingFor(piece.cloth).thread}`, thickness: null };
    case 'staple':
      return {
        of: `${plan.fixing.fastener.crown}${plan.fixing.fastener.stainless ? ' stainless' : ''}`,
        thickness: plan.fixing.fastener.leg,
      };
    case 'cord':
      return {
        of: sort === 'welt' ? '' : sort,
        thickness: sort === 'welt' ? Math.round((plan.cover.welts[0]?.cord ?? 0) * 10) / 10 : null,
      };
    default:
      return { of: '', thickness: null };
  }
}

/**
 * Everything that any step of some pieces uses: what lies flat by its groups, the rest from the shopping list.
 *
 * @param planned pieces with their plans
 * @param groups what of them lies flat, as `layGroups` gives it
 * @param house the workshop's rules
 */
export function needsOf(planned: readonly Planned[], groups: readonly LayGroup[], house: HouseRules): Need[] {
  const needs = new Map<string, Need>();
  const add = (need: Need): void => {
    const known = needs.get(need.key);
    if (!known) return void needs.set(need.key, need);
    known.amount += need.amount;
    known.pieces = [...new Set([...known.pieces, ...need.pieces])];
    if (need.note && !known.note.includes(need.note)) known.note = [known.note, need.note].filter(Boolean).join('; ');
  };
  // A customer's cloth brings its paper with the piece.
  const certificatesOf = (cloth: string): string[] =>
    planned.flatMap(({ piece }) =>
      [piece.cloth, piece.second].flatMap((known) =>
        known && known.name === cloth && known.certificate?.trim() ? [known.certificate.trim()] : [],
      ),
    );
  for (const { key, kind, of, name, thickness, width, shapes } of groups)
    add({
      ...(kind === 'cloth' ? { certificates: [...new Set(certificatesOf(of))] } : {}),
      key,
      kind,
      of,
      name,
      thickness,
      width,
      amount: 0,
      note: '',
      pieces: [...new Set(shapes.map(({ piece }) => piece))],
      group: key,
    });
  for (const item of planned) {
    const { id, piece, plan } = item;
    for (const line of sizesOf(plan, piece, house)) {
      const { ware } = line;
      // What is laid out is bought by its lay.
      if (ware === undefined || ware === 'laid' || line.value <= 0) continue;
      const { kind, name, sort = '' } = ware;
      const { of, thickness: usual } = particulars(kind, sort, item);
      const { width = null, thickness = usual, length = null } = line.sold ?? {};
      const note = kind === 'fastener' || kind === 'zip' || kind === 'batten' ? (line.note ?? '') : '';
      const separateKey =
        kind === 'batten' || kind === 'fastener'
          ? `-${line.key}-${note}`
          : kind === 'cord' || kind === 'staple'
            ? `-${thickness}`
            : kind === 'zip'
              ? `-${note}`
              : kind === 'webbing'
                ? `-${line.label}-${width}`
                : '';
      add({
        key: `${kind}-${of}-${name}${separateKey}`,
        kind,
        of: of || sort,
        name:
          kind === 'fastener' || kind === 'webbing'
            ? line.label.replace(/ for the set$/, '')
            : kind === 'cord' && thickness !== null
              ? `${name}, ${thickness} mm`
              : name,
        thickness,
        width,
        length,
        amount: amountOf(line, piece.count, kind),
        note,
        pieces: [id],
        group: null,
      });
    }
  }
  return [...needs.values()];
}
