import { count, length, type Making, type SizeLine } from './types';

/** What the base itself is cut to: the straps or springs in a frame. */
export function baseSizes({ plan, piece }: Making): SizeLine[] {
  const { deck } = plan.base;
  if (!deck) return [];
  const stretched = { symbol: 'stretched', label: 'Stretched by', value: deck.stretch, unit: 'percent' as const };
  const hessian: SizeLine = {
    key: 'deck.hessian',
    group: 'Base',
    label: 'Hessian over it, cut size',
    value: deck.hessian.width,
    by: deck.hessian.height,
    unit: 'length',
    note: `${piece.count} to cut`,
    formula: 'size = frame + 2 × (turned over − in from the edge)',
    terms: [length('frame', 'Frame width', plan.outline.width)],
  };
  const straps = (['along', 'across'] as const).flatMap((way): SizeLine[] => {
    const own = deck.straps.filter((strap) => strap.way === way);
    if (own.length === 0) return [];
    const longest = own.reduce((most, strap) => (strap.cut > most.cut ? strap : most));
    const shortest = Math.min(...own.map(({ cut }) => cut));
    return [
      {
        key: `deck.${way}`,
        group: 'Base',
        label: `${deck.part} ${way === 'along' ? 'front to back' : 'side to side'}, cut`,
        value: longest.cut,
        unit: 'length',
        note: [
          `${own.length * piece.count} to cut`,
          ...(longest.cut - shortest > 1 ? [`the shortest ${Math.round(shortest)} mm`] : []),
          `stretched by ${Math.round(deck.stretch)} %`,
        ].join(', '),
        formula: 'cut = span ÷ (1 + stretch) + what either end is folded over',
        terms: [length('span', 'Fastening to fastening', longest.span), stretched, count('straps', 'On one piece', own.length)],
      },
    ];
  });
  return [...straps, hessian];
}
