/** The words of the trade that a workshop reads: British as everything is written, or American. */
export const DIALECTS = [
  { id: 'british', name: 'British', says: 'piping, calico, hessian, wadding' },
  { id: 'american', name: 'American', says: 'welt cord, muslin, burlap, batting' },
] as const;

export type Dialect = (typeof DIALECTS)[number]['id'];

/** Whether something names a dialect. */
export const isDialect = (value: unknown): value is Dialect => DIALECTS.some(({ id }) => id === value);

/**
 * British words and their American ones, longer ones first. No American word contains a British one, so that a text can be taken
 * through twice.
 */
export const AMERICAN: readonly (readonly [british: string, american: string])[] = [
  ['piping cord', 'welt cord'],
  ['piping strips', 'welt strips'],
  ['piping strip', 'welt strip'],
  ['piping', 'welt cord'],
  ['piped', 'welted'],
  ['calico', 'muslin'],
  ['hessian', 'burlap'],
  ['waddings', 'battings'],
  ['wadding', 'batting'],
  ['wadded', 'batted'],
  ['millimetres', 'millimeters'],
  ['millimetre', 'millimeter'],
  ['centimetres', 'centimeters'],
  ['centimetre', 'centimeter'],
  ['metres', 'meters'],
  ['metre', 'meter'],
  ['litres', 'liters'],
  ['litre', 'liter'],
  ['centred', 'centered'],
  ['centres', 'centers'],
  ['centre', 'center'],
  ['mitred', 'mitered'],
  ['mitres', 'miters'],
  ['mitre', 'miter'],
  ['moulded', 'molded'],
  ['mouldy', 'moldy'],
  ['moulds', 'molds'],
  ['mould', 'mold'],
  ['fibres', 'fibers'],
  ['fibre', 'fiber'],
  ['coloured', 'colored'],
  ['colours', 'colors'],
  ['colour', 'color'],
  ['neighbours', 'neighbors'],
  ['neighbour', 'neighbor'],
  ['grey', 'gray'],
  ['towards', 'toward'],
  ['afterwards', 'afterward'],
  ['learnt', 'learned'],
  ['spoilt', 'spoiled'],
  ['cancelled', 'canceled'],
  ['labelled', 'labeled'],
  ['aluminium', 'aluminum'],
];

const WORD = new RegExp(`\\b(?:${AMERICAN.map(([british]) => british).join('|')})\\b`, 'gi');
const BY_WORD = new Map(AMERICAN);

/** Capitals as the word had them that it replaces. */
function inCase(word: string, like: string): string {
  if (like === like.toUpperCase() && like.length > 1) return word.toUpperCase();
  return like[0] === like[0]!.toUpperCase() ? word[0]!.toUpperCase() + word.slice(1) : word;
}

/**
 * A text in the workshop's words.
 *
 * @param text as it is written, in British words
 * @param dialect the workshop's
 */
export function inDialect(text: string, dialect: Dialect): string {
  if (dialect === 'british') return text;
  return text.replace(WORD, (found) => inCase(BY_WORD.get(found.toLowerCase())!, found));
}
