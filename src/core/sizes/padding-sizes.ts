import { isMoulded, type Room } from '../base';
import type { FormLeft } from '../padding';
import type { FoamPiece } from '../foam-cutting';
import { formOf } from '../pad-forms';
import { formedPad, kindOf, KEPT, PAD_ROLES, thickest, thinnest, type Piece } from '../piece';
import { growingSums } from './sums';
import { length, type Making, type SizeLine } from './types';

/** A middle within this of its rim is level, mm. */
const LEVEL = 0.75;

/** What is said of a pad beside its size. */
function padNote({ materialName, layers, count, scrap, blocks, kept, trimmed, finished }: FoamPiece): string {
  const what = `${materialName.toLowerCase()}, ${layers.join(' + ')} mm`;
  if (kept) return `${what}, ${KEPT.find(({ id }) => id === kept)!.name.toLowerCase()}`;
  return [
    what,
    `${count} to cut${scrap ? ' from scraps' : ''}`,
    ...(blocks.length > 1 ? [`${blocks.length} blocks each`] : []),
    ...(trimmed ? [`trimmed to ${Math.round(finished.width)} × ${Math.round(finished.height)} mm once glued`] : []),
  ].join(', ');
}

/** What is left beside it in the opening it goes into. */
function roomNote(room: Room | null): string {
  if (!room) return 'at its widest';
  const left = [
    ...(room.width === null ? [] : [`${Math.round(room.width * 10) / 10} mm left and right`]),
    ...(room.depth === null ? [] : [`${Math.round(room.depth * 10) / 10} mm near and far`]),
  ];
  return left.length > 0 ? `free beside it: ${left.join(', ')}` : 'at its widest';
}

/** What is let into a pad: the insert of a pocket, or fresh foam in an old one. */
function insertLine(insert: FoamPiece, { pads }: Piece): SizeLine {
  const pad = pads.find(({ id }) => id === insert.insertOf)!;
  const name = PAD_ROLES.find(({ id }) => id === pad.role)!.name.toLowerCase();
  return {
    key: `foam.${insert.pad}`,
    group: 'Padding',
    label: `${pad.kept ? 'Patch' : 'Insert'}${insert.nth > 1 ? ` ${insert.nth}` : ''} in the ${name}`,
    value: insert.width,
    by: insert.height,
    unit: 'length',
    note: `${insert.materialName.toLowerCase()}, ${insert.layers.join(' + ')} mm, oval, ${insert.count} to cut, ${insert.thickness} mm deep${insert.blend > 0 ? `, rim sloping over ${Math.round(insert.blend)} mm` : ''}`,
    formula: 'size = the pocket’s own; trimmed flush once it is glued in',
    terms: [length('deep', 'Depth of the pocket', insert.thickness), length('pad', 'Thickness of the pad', pad.thickness)],
  };
}

/** Less than this share of what was cut, and the cover bridges it, or flattens it. */
const BRIDGED = 0.5;

/** What the pulled cover leaves of a form, in words, and what cures it where that is too little. */
function leftWords(cure: string | undefined, left: FormLeft | undefined): string {
  if (!left) return '';
  const words = `; ${Math.round(left.left)} mm of it left under the pulled cover`;
  return left.left >= BRIDGED * left.cut || !cure ? words : `${words}: ${cure}`;
}

/** What the form of a pad's top is marked out by. */
function formLines({ pads }: Piece, forms: readonly FormLeft[]): SizeLine[] {
  return pads.flatMap((pad): SizeLine[] => {
    const { profile } = pad;
    if (!profile) return [];
    const form = formOf(profile);
    const left = leftWords(
      form.cure,
      forms.find(({ pad: of }) => of === pad.id),
    );
    const extremes = { least: thinnest(pad), most: thickest(pad), reused: Boolean(pad.kept) };
    const { terms, note, ...size } = form.size(profile, { ...formedPad(pad), ...extremes });
    return [
      {
        key: `form.${pad.id}`,
        group: 'Padding',
        label: `${form.noun} of the ${PAD_ROLES.find(({ id }) => id === pad.role)!.name.toLowerCase()}`,
        unit: 'length',
        ...size,
        note: note + left,
        terms: [length('pad', 'Thickness of the pad', pad.thickness), ...terms.map((term) => length(term.key, term.name, term.value))],
      },
    ];
  });
}

/**
 * The crown as it is said: less than a millimetre nobody calls one. Over a pan the middle and the rim differ by the pan's curve,
 * which is no crown.
 *
 * @param piece the piece
 * @param measured middle over rim, mm
 * @returns null where it says nothing
 */
export function crownOf(piece: Piece, measured: number): number | null {
  if (isMoulded(piece.base) || kindOf(piece.kind).traits.pan) return null;
  return Math.abs(measured) < LEVEL ? 0 : measured;
}

/** The crown with what it is made of. */
function crownLine(crown: number, { plan: { surface }, piece, rule }: Making): SizeLine {
  return {
    key: 'crown',
    group: 'Padding',
    label: 'Crown',
    value: crown,
    unit: 'length',
    formula: 'crown = covered middle − wadding − rim of the pad as cut',
    note: 'middle over rim',
    terms: [
      length('free', 'Crown before covering', surface.freeCrown),
      ...piece.pads.filter((p) => p.role === 'crown').map((p) => length(p.id, 'Crown pad thickness', p.thickness)),
      rule('inset', 'crownInset'),
    ],
  };
}

/** The padding: heights over the board and the pads to cut. */
export function paddingSizes(making: Making): SizeLine[] {
  const { plan, piece, rule } = making;
  const { surface } = plan;
  const crown = crownOf(piece, surface.crown);
  return [
    {
      key: 'height',
      group: 'Padding',
      label: 'Covered height at the middle',
      value: surface.height,
      unit: 'length',
      formula: 'height = pads + loft × share − what the pull presses away',
      note: 'over the board',
      terms: [
        length('pads', 'All pads at the middle', surface.free),
        length('loft × share', 'Wadding under the cover', plan.settledWadding),
        rule('share', 'waddingUnderCover'),
      ],
    },
    ...(crown === null ? [] : [crownLine(crown, making)]),
    {
      key: 'covered',
      group: 'Padding',
      label: 'Covered size',
      value: plan.room.covered.width,
      by: plan.room.covered.depth,
      unit: 'length',
      note: roomNote(plan.room.opening),
      formula: 'covered = board + 2 × (what stands out beyond its edge under the cover + cloth)',
      terms: [
        length('board', 'Board width', plan.outline.width),
        length('depth', 'Board depth', plan.outline.depth),
        length('cloth', 'Cloth', piece.cloth.thickness),
        rule('overhang', 'overhang'),
      ],
    },
    ...formLines(piece, surface.forms),
    ...plan.foam.filter(({ insertOf }) => insertOf !== null).map((insert) => insertLine(insert, piece)),
    ...plan.foam
      .filter(({ insertOf }) => insertOf === null)
      .map((foam, i): SizeLine => ({
        key: `foam.${foam.pad}`,
        group: 'Padding',
        label: PAD_ROLES.find(({ id }) => id === foam.role)!.name,
        value: foam.width,
        by: foam.height,
        unit: 'length',
        note: padNote(foam),
        answers: { name: 'Foam', thickness: foam.layers.reduce((sum, layer) => sum + layer, 0) },
        formula: foam.trimmed ? 'rough-cut = board + 2 × offset + 2 × oversize; trimmed once glued' : 'size = board + 2 × offset',
        terms: [
          length('board', 'Board width', plan.outline.width),
          ...(piece.pads[i]!.offset === null
            ? [rule('offset', foam.role === 'crown' ? 'crownInset' : 'overhang')]
            : [length('offset', 'This pad’s own overhang', piece.pads[i]!.offset)]),
          ...(foam.trimmed ? [rule('oversize', 'foamOversize'), length('trimmed', 'Width it is trimmed to', foam.finished.width)] : []),
        ],
        sums: growingSums('Board', { width: plan.outline.width, height: plan.outline.depth }, [
          [foam.finished.width < plan.outline.width ? 'In from the board, both edges' : 'Over the board, both edges', foam.finished],
          ['Left on to be trimmed, both edges', foam],
        ]),
      })),
  ];
}
