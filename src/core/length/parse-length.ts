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

/** Below the line of a fraction on an inch tape, and thirds. */
const FRACTIONS = [2, 3, 4, 8, 16, 32, 64];
const INCHES_IN_A_FOOT = 12;
const METRIC: readonly string[] = ['mm', 'cm', 'm'];

function fail(message: string): ParsedLength {
  return { ok: false, message };
}

/** Brings the many ways of writing quotes, fractions and spaces to one. */
function normalise(text: string): string {
  return (
    text
      .toLowerCase()
      .replace(/[¼½¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${VULGAR[glyph]}`)
      .replace(/[″”“]|''/g, '"')
      .replace(/[′’‘]/g, "'")
      .replace(/⁄/g, '/')
      .replace(/−/g, '-')
      .replace(/\s+/g, ' ')
      .trim()
      // 1 200 and 1m20 as they are written where a space parts thousands and the metre stands for the point.
      .replace(/^([+-]?\d{1,3})((?: \d{3})+)(?![\d./])/, (_, first: string, rest: string) => first + rest.replace(/ /g, ''))
      .replace(/^([+-]?\d+) ?m ?(\d{2})$/, '$1.$2 m')
  );
}

/** A mark between the first and the last three figures may part thousands or begin a fraction: which, only the writer knows. */
function twoMeanings(body: string, unit: Unit): string | null {
  const found = /^(\d{1,3})([.,])(\d{3})(?!\d)\s*(\S*)/.exec(body);
  if (!found) return null;
  const [, whole, mark, rest, word] = found;
  if (whole === '0') return null;
  const kind = word ? UNIT_WORDS[word.replace(/\.$/, '')] : unit;
  // Metres are written to the millimetre, and inches to the thousandth with a point.
  if (kind === 'm' || (kind === 'in' && mark === '.')) return null;
  const small = String(Number(`${whole}.${rest}`));
  return `“${body}”: ${whole}${rest} or ${small}? Write ${whole}${rest}, or ${small}`;
}

/** Why a fraction is none that a tape shows, or null. */
function wrongFraction(over: string, under: string, word: string | undefined, figure: string | undefined): string | null {
  if (Number(under) === 0) return `“${over}/${under}” has nothing below the line`;
  const text = `${figure ? `${figure} ` : ''}${over}/${under}`;
  if (Number(over) >= Number(under))
    return `“${over}/${under}” reads as a sum: write ${String(Number((Number(over) / Number(under)).toFixed(3)))}`;
  if (!FRACTIONS.includes(Number(under))) return `No tape shows “${over}/${under}”; halves, quarters, eighths and so on do`;
  if (word !== undefined && METRIC.includes(UNIT_WORDS[word]!)) return `Nobody writes fractions of a millimetre: “${text} in” for inches?`;
  return null;
}

/** One figure with its fraction and its unit. */
const PART =
  /^(?:(\d+(?:\.\d+)?|\.\d+)(?![\d./])(?:\s*-\s*(?=\d+\s*\/)|\s+)?)?(?:(\d+)\s*\/\s*(\d+))?\s*(millimetres?|centimetres?|metres?|mm|cm|m|inch(?:es)?|in|"|'|foot|feet|ft)?\.?\s*/;

/**
 * Reads a length as people write it: `412`, `41.2 cm`, `41,2 cm`, `1 200`, `1m20`, `16 1/4`, `16-1/4"`, `1' 4 1/4"`,
 * `5'-6 1/2"`. A bare figure is in the user's unit; a fraction without a unit is always inches, since nobody writes
 * fractions of a millimetre. What can be read in two ways is asked, not chosen.
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
  const asked = twoMeanings(body, unit);
  if (asked) return fail(asked);
  let rest = body.replace(/(\d),(\d)/g, '$1.$2');
  let total = 0;
  const seen: string[] = [];
  while (rest !== '') {
    const found = PART.exec(rest);
    if (!found || found[0] === '' || (found[1] === undefined && found[2] === undefined)) {
      return fail(`“${text.trim()}” is not a length; ${EXAMPLES}`);
    }
    const [whole, figure, over, under, word] = found;
    const wrong = over !== undefined ? wrongFraction(over, under!, word, figure) : null;
    if (wrong) return fail(wrong);
    const fraction = over !== undefined ? Number(over) / Number(under) : 0;
    const kind = word !== undefined ? UNIT_WORDS[word]! : over !== undefined || seen.at(-1) === 'ft' ? 'in' : unit;
    if (seen.length > 0 && !(seen.length === 1 && seen[0] === 'ft' && kind === 'in')) {
      return fail(`“${text.trim()}” reads as more than one length; ${EXAMPLES}`);
    }
    const value = Number(figure ?? 0) + fraction;
    if (seen.length > 0 && value >= INCHES_IN_A_FOOT)
      return fail(`“${text.trim()}”: after the feet come less than 12 inches. ${body.replace(/\D/g, '')} mm? Write it so`);
    seen.push(kind);
    total += value * MM_PER[kind];
    rest = rest.slice(whole.length);
    // A dash joins feet and inches: 5'-6".
    if (kind === 'ft') rest = rest.replace(/^-\s*(?=\d)/, '');
  }
  if (!Number.isFinite(total) || total > LARGEST_MM) return fail(`“${text.trim()}” is longer than any workshop`);
  return { ok: true, mm: negative ? -total : total };
}
