import { foamThickness, rollLength, saidLength, threadLength, type Unit } from '@/core/length';
import { knownPrice, SOLD_AS, wareKind, type KeptStock, type KeptWare, type Ware } from '@/core/store';

/** How a thing is sold, in a few words: its sizes and what one is. */
export function saysSold(ware: Ware, unit: Unit): string {
  const say = (mm: number): string => saidLength(mm, unit);
  const { name } = SOLD_AS.find(({ id }) => id === ware.sold)!;
  const sheet = ware.width !== undefined && ware.length !== undefined ? `${say(ware.width)} × ${say(ware.length)}` : '';
  switch (ware.sold) {
    case 'metre':
      return ware.width === undefined ? 'by the metre' : `by the metre, ${say(ware.width)} wide`;
    case 'sheet':
      return `sheet ${sheet}${ware.thickness === undefined ? '' : `, ${ware.kind === 'foam' ? foamThickness(ware.thickness, unit) : say(ware.thickness)}`}`;
    case 'packet':
      return `${ware.each ?? 1} of ${sheet}`;
    case 'roll':
      return ware.length === undefined ? name.toLowerCase() : `roll of ${threadLength(ware.length, unit)}`;
    case 'can':
      return `can for ${ware.covers ?? 0} m²`;
    case 'box':
      return `box of ${ware.each ?? 1}`;
    case 'bag':
      return `bag of ${ware.mass ?? 0} kg`;
    case 'each':
      return ware.length === undefined ? 'singly' : `singly, ${say(ware.length)}`;
  }
}

/** What there is of a thing, in a few words. */
export function saysStock(ware: KeptWare, stock: readonly KeptStock[], unit: Unit): string {
  const matching = stock.filter((saved) => saved.ware === ware.id);
  const full = matching.filter(({ form }) => form === 'full').reduce((sum, { count }) => sum + count, 0);
  const parts = matching.filter(({ form }) => form === 'part').reduce((sum, { count }) => sum + count, 0);
  const offcuts = matching.filter(({ form }) => form === 'offcut').reduce((sum, { count }) => sum + count, 0);
  return [
    ...(full > 0 ? [ware.sold === 'metre' ? rollLength(full * 1000, unit) : `${full}`] : []),
    ...(parts > 0 ? [`${parts} part ${parts === 1 ? 'roll' : 'rolls'}`] : []),
    ...(offcuts > 0 ? [`${offcuts} ${offcuts === 1 ? 'offcut' : 'offcuts'}`] : []),
  ].join(', ');
}

/** What one of a thing in stock is, in a few words. */
export function saysOne(stock: KeptStock, ware: KeptWare, unit: Unit): string {
  const say = (mm: number): string => saidLength(mm, unit);
  if (stock.form === 'full') return ware.sold === 'metre' ? `${rollLength(stock.count * 1000, unit)} as sold` : `${stock.count} as sold`;
  const size = `${say(stock.width ?? ware.width ?? 0)} × ${say(stock.length ?? 0)}`;
  const many = stock.count > 1 ? `${stock.count} of ` : '';
  const flaws = stock.flaws?.length ? `, ${stock.flaws.length} ${stock.flaws.length === 1 ? 'flaw' : 'flaws'}` : '';
  return `${many}${stock.form === 'part' ? 'part roll' : 'offcut'} ${size}${flaws}`;
}

/** What one costs, as it is said. */
export function saysPrice(ware: Ware, money: (amount: number) => string): string {
  const price = knownPrice(ware);
  if (price === null) return '–';
  return `${money(price)}${ware.sold === 'metre' ? ' a metre' : ''}`;
}

/** Whether a kind lies flat and is cut from parts. */
export function isFlat(ware: Pick<Ware, 'kind'>): boolean {
  return wareKind(ware.kind).flat === true;
}
