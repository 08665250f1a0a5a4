import { deckOf } from '../foam';
import { count, length, type BuyLine, type Making } from './types';

/** Webbing or springs, and what holds them. */
export function deckLines({ plan, piece, rule }: Making): BuyLine[] {
  const { deck } = plan.base;
  if (!deck || deck.stays || deck.straps.length === 0) return [];
  const pieces = count('pieces', 'Pieces', piece.count);
  const each = count('straps', 'On one piece', deck.straps.length);
  const roll = rule('roll', 'dustRoll');
  const { width, height } = deck.hessian;
  const beside = Math.max(1, Math.floor(roll.value / width));
  const hessian: BuyLine = {
    key: 'deck.hessian.length',
    ware: { kind: 'hessian', name: 'Hessian' },
    group: 'Buy',
    label: 'Hessian',
    value: Math.ceil(piece.count / beside) * height,
    unit: 'roll',
    note: `from a ${Math.round(roll.value)} mm roll`,
    formula: 'length = rows × depth of one, as many beside each other as the roll is wide',
    terms: [length('width', 'One piece, width', width), length('depth', 'One piece, depth', height), roll, pieces],
  };
  const sizeLine: BuyLine = {
    key: 'deck.fasteners',
    ware: deckOf(deck.kind).holds,
    group: 'Buy',
    label: deck.clips > 0 ? 'Nails for the clips' : 'Staples for the webbing',
    value: deck.fasteners * piece.count,
    unit: 'count',
    formula: 'both ends of each × pieces',
    terms: [count('one', 'On one piece', deck.fasteners), pieces],
  };
  if (deck.clips > 0)
    return [
      {
        key: 'deck.springs',
        ware: deckOf(deck.kind).ware,
        group: 'Buy',
        label: deck.name,
        value: deck.straps.length * piece.count,
        unit: 'count',
        note: `${Math.round(Math.max(...deck.straps.map(({ cut }) => cut)))} mm at the longest`,
        formula: 'springs on one × pieces',
        terms: [each, pieces],
      },
      {
        key: 'deck.clips',
        ware: { kind: 'spring', sort: 'spring-clip', name: 'Spring clips' },
        group: 'Buy',
        label: 'Spring clips',
        value: deck.clips * piece.count,
        unit: 'count',
        formula: 'two for each spring',
        terms: [each, pieces],
      },
      hessian,
      sizeLine,
    ];
  return [
    {
      key: 'deck.webbing',
      ware: deckOf(deck.kind).ware,
      group: 'Buy',
      label: deck.name,
      value: deck.total * piece.count,
      unit: 'roll',
      note: `${deck.width} mm wide`,
      sold: { width: deck.width },
      formula: 'webbing = every strap as cut × pieces',
      terms: [length('one', 'For one piece', deck.total), each, pieces],
    },
    hessian,
    sizeLine,
  ];
}
