import { plateScrew } from '../base';
import { HARDWARE_KINDS, hardwareKind } from '../piece';
import { WARE_SORTS, type Bought } from '../wares';
import { count, length, type BuyLine, type Making } from './types';

const { hardware: SORTS } = WARE_SORTS;

/** Sheets of board, where it is sawn new. */
function boardLine({ plan, piece, rule }: Making): BuyLine[] {
  const board = plan.cut?.board;
  if (!board) return [];
  return [
    {
      key: 'board.sheets',
      ware: 'laid',
      group: 'Buy',
      label: 'Sheets of board',
      value: board.sheets.length,
      unit: 'count',
      note: `${board.materialName}, ${board.thickness} mm${board.tooLarge.length > 0 ? '; larger than a sheet: ask for a larger one' : ''}`,
      formula: 'sheets = the fewest that the set’s boards fit on',
      terms: [
        length('across', 'Board, width', plan.outline.width),
        length('along', 'Board, depth', plan.outline.depth),
        count('pieces', 'Pieces', piece.count),
        rule('width', 'boardSheetWidth'),
        rule('length', 'boardSheetLength'),
        rule('kerf', 'boardKerf'),
      ],
    },
  ];
}

/**
 * What is fixed to the board and bought new, with its screws, and the board itself where it is sawn.
 *
 * @param making the piece with its plan
 */
export function hardwareLines(making: Making): BuyLine[] {
  const { piece } = making;
  const fresh = (piece.base.hardware ?? []).filter(({ comes }) => comes === 'new');
  const set = count('pieces', 'Pieces', piece.count);
  const lines = HARDWARE_KINDS.flatMap(({ id }): BuyLine[] => {
    const one = fresh.filter(({ kind }) => kind === id).length;
    if (one === 0) return [];
    const ware: Bought = { kind: 'hardware', sort: id, name: SORTS.find((sort) => sort.id === id)!.name };
    return [
      {
        key: `hardware.${id}`,
        ware,
        group: 'Buy',
        label: ware.name,
        value: one * piece.count,
        unit: 'count',
        formula: 'on one piece × pieces',
        terms: [count('one', 'On one piece', one), set],
      },
    ];
  });
  const screws = new Map<number, number>();
  for (const item of fresh) {
    const { screws: each } = hardwareKind(item.kind);
    const long = plateScrew(item);
    if (each > 0 && long !== null) screws.set(long, (screws.get(long) ?? 0) + each);
  }
  return [
    ...boardLine(making),
    ...lines,
    ...[...screws].map(([long, one]): BuyLine => ({
      key: `hardware.screws.${long}`,
      ware: { kind: 'fastener', sort: 'wood-screw', name: 'Wood screws' },
      group: 'Buy',
      label: `Screws of ${long} mm for hardware`,
      value: one * piece.count,
      unit: 'count',
      note: 'no longer, or they come through into the padding',
      sold: { length: long },
      formula: 'screws = holes in the plates × pieces',
      terms: [count('one', 'On one piece', one), set],
    })),
  ];
}
