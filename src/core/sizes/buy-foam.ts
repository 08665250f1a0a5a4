import { waddingFaces, wayOf } from '../cover';
import { gluedLayers, type CutPlan } from '../foam-cutting';
import { polygonPerimeter } from '../outline';
import { glueOf, isStretched, stretchedStaples } from '../foam';
import { kindOf, type Piece } from '../piece';
import { keptLayers } from '../strip';
import { count, length, type Making, type BuyLine } from './types';

/** Foam that comes cut and packed, each kind by itself. */
export function packetLines({ layouts }: CutPlan['foam'], rule: Making['rule']): BuyLine[] {
  return layouts
    .flatMap((layout) => (layout.packets === null ? [] : [{ ...layout, packets: layout.packets }]))
    .map(({ packets, materialName, thickness, width, length: long, sheets }, i): BuyLine => ({
      key: `foam.packets.${i + 1}`,
      ware: 'laid',
      group: 'Buy',
      label: `Foam packets, ${materialName.toLowerCase()}`,
      value: packets,
      unit: 'count',
      note: `${sheets.length} pieces of ${Math.round(width)} × ${Math.round(long)} × ${thickness} mm`,
      formula: 'packets = pieces that are needed ÷ pieces in one, rounded up',
      terms: [
        count('pieces', 'Pieces needed', sheets.length),
        length('width', 'One piece, width', width),
        length('length', 'One piece, length', long),
        rule('kerf', 'foamKerf'),
      ],
    }));
}

/** What holds backed foam that is stretched over all. */
export function stretchedLines({ plan, piece, rule }: Making): BuyLine[] {
  const { wadding } = plan;
  if (
    !wadding ||
    !isStretched(piece.wadding) ||
    wayOf(piece.covering.way).loose ||
    kindOf(piece.kind).traits.pan ||
    keptLayers(piece).has('wadding')
  )
    return [];
  const pitch = rule('pitch', 'staplePitch');
  const one = stretchedStaples(wadding, pitch.value);
  return [
    {
      key: 'wadding.staples',
      ware: { kind: 'staple', name: 'Staples' },
      group: 'Buy',
      label: 'Staples for the backed foam',
      value: one * piece.count,
      unit: 'count',
      note: 'inside the line of the cover',
      formula: 'staples = round the foam ÷ twice the cover’s pitch, × pieces',
      terms: [length('round', 'Round the foam', 2 * (wadding.width + wadding.height)), pitch, count('pieces', 'Pieces', piece.count)],
    },
  ];
}

/** Whether what is laid over all is held by glue: neither tucked down along rails, nor stretched and stapled, nor the old one. */
function isWaddingGlued(piece: Piece): boolean {
  if (piece.wadding === null || keptLayers(piece).has('wadding')) return false;
  const { throughFrame, pan } = kindOf(piece.kind).traits;
  const loose = Boolean(wayOf(piece.covering.way).loose);
  return isStretched(piece.wadding) ? loose || pan : loose || !throughFrame;
}

/** A layer that no staple holds is glued along its row, so wide on both faces, mm. */
const GLUED_STRIP = { width: 25, faces: 2 };

/** What is glued along the rows of the layers beside the cover, where no staple holds, mm². */
function gluedRows({ plan }: Pick<Making, 'plan'>): number {
  if (!plan.fixing || plan.fixing.stapled) return 0;
  const rows = plan.fixing.rows.filter(({ id }) => id !== 'cover');
  return rows.reduce((sum, { line }) => sum + polygonPerimeter(line) * GLUED_STRIP.width * GLUED_STRIP.faces, 0);
}

/** Glue goes on the faces of every layer that is laid, thinly on the wadding, and under what is glued over the staples. */
export function glueLines({ plan, piece, rule }: Making): BuyLine[] {
  const faces = rule('faces', 'glueFaces');
  const loose = Boolean(wayOf(piece.covering.way).loose);
  const layers = plan.foam.reduce((sum, pad, i) => sum + faces.value * pad.area * gluedLayers(pad, loose && i === 0), 0);
  // Wadding gets a light coat, on one face.
  const wadding = isWaddingGlued(piece) ? waddingFaces(piece.covering.way) * (plan.wadding?.area ?? 0) : 0;
  // The cloth is laid on its backed foam with a light coat before it is quilted.
  const backed = (plan.cover?.linings ?? []).filter(({ material }) => material === 'backed-foam').reduce((sum, { area }) => sum + area, 0);
  const one = layers + wadding + backed + gluedRows({ plan }) + (plan.fixing?.fasteners ?? []).reduce((sum, { glued }) => sum + glued, 0);
  if (one <= 0) return [];
  return [
    {
      key: 'glue',
      ware: { kind: 'glue', name: 'Glue' },
      group: 'Buy',
      label: 'Glue, to cover',
      value: one * piece.count,
      unit: 'area',
      note: `${glueOf(piece.glue) ? `${glueOf(piece.glue)!.name.toLowerCase()}, ` : ''}${faces.value > 1 ? 'both faces; see can for coverage' : 'one face; see can for coverage'}`,
      formula: 'area = (faces × every layer that is glued + wadding, backed foam and tape, once + edges that no staple holds) × pieces',
      terms: [
        faces,
        rule('oversize', 'foamOversize'),
        { symbol: 'one', label: 'On one piece', value: one, unit: 'area' },
        count('pieces', 'Pieces', piece.count),
      ],
    },
  ];
}
