import { MM_PER, type Unit } from './units';

/** What a typed length was understood to be, or why it was not. */
export type ParsedLength = { ok: true; mm: number } | { ok: false; message: string };

const VULGAR: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

const UNIT_WORDS: Record<string, keyof typeof MM_PER> = {
  mm: 'mm',
  millimetre: 'mm',
  millimetres: 'mm',
  cm: 'cm',
  centimetre: 'cm',
  centimetres: 'cm',
  m: 'm',
  metre: 'm',
  metres: 'm',
  '"': 'in',
  in: 'in',
  inch: 'in',
  inches: 'in',
  "'": 'ft',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
};

const EXAMPLES = 'write it like 412, 41.2 cm, 16 1/4 or 1\' 4 1/4"';
/** Longer than any way of writing a length; keeps hostile text away from the pattern. */
const LONGEST = 40;
/** Nothing in a workshop is longer; a larger figure is a slip of the finger. */
const LARGEST_MM = 1e6;

function fail(message: string): ParsedLength {
  return { ok: false, message };
}

/** Brings the many ways of writing quotes, fractions and points to one. */
function normalise(text: string): string {
  return text
    .toLowerCase()
    .replace(/[¼½¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${VULGAR[glyph]}`)
    .replace(/[″”“]|''/g, '"')
    .replace(/[′’‘]/g, "'")
    .replace(/⁄/g, '/')
    .replace(/−/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ')
    .trim();
}

/**
 * Reads a length as people write it: `412`, `41.2 cm`, `41,2 cm`, `16 1/4`, `16-1/4"`, `1' 4 1/4"`.
 * A bare figure is in the user's unit; a fraction without a unit is always inches, since nobody writes
 * fractions of a millimetre.
 *
 * @param text what was typed
 * @param unit the user's unit, for bare figures
 * @returns millimetres, or a message that says what would be right
 */
export function parseLength(text: string, unit: Unit): ParsedLength {
  if (text.trim() === '') return fail(`Nothing typed yet; ${EXAMPLES}`);
  if (text.length > LONGEST) return fail(`That is too long to be a length; ${EXAMPLES}`);
  const clean = normalise(text);
  const negative = /^-\s*/.test(clean);
  const body = clean.replace(/^[-+]\s*/, '');
  const part =
    /^(?:(\d+(?:\.\d+)?|\.\d+)(?![\d./])(?:\s*-\s*|\s+)?)?(?:(\d+)\s*\/\s*(\d+))?\s*(mm|cm|m|millimetres?|centimetres?|metres?|"|in(?:ch(?:es)?)?|'|ft|foot|feet)?\.?\s*/;
  let rest = body;
  let total = 0;
  const seen: string[] = [];
  while (rest !== '') {
    const found = part.exec(rest);
    if (!found || found[0] === '' || (found[1] === undefined && found[2] === undefined)) {
      return fail(`“${text.trim()}” is not a length; ${EXAMPLES}`);
    }
    const [whole, figure, over, under, word] = found;
    if (under !== undefined && Number(under) === 0) return fail(`“${over}/${under}” has nothing below the line`);
    const fraction = over !== undefined ? Number(over) / Number(under) : 0;
    const kind = word !== undefined ? UNIT_WORDS[word]! : over !== undefined || seen.at(-1) === 'ft' ? 'in' : unit;
    if (seen.length > 0 && !(seen.length === 1 && seen[0] === 'ft' && kind === 'in')) {
      return fail(`“${text.trim()}” reads as more than one length; ${EXAMPLES}`);
    }
    seen.push(kind);
    total += (Number(figure ?? 0) + fraction) * MM_PER[kind];
    rest = rest.slice(whole.length);
  }
  if (!Number.isFinite(total) || total > LARGEST_MM) return fail(`“${text.trim()}” is longer than any workshop`);
  return { ok: true, mm: negative ? -total : total };
}
