/**
 * The line protocol of a digital tape (docs/tape.md). Each line is ASCII, ends in a newline and carries a checksum:
 * the sum of the character codes before the `*`, modulo 256, as two hexadecimal digits.
 *
 *     H FOVEA-TAPE 1*5A          sent once on connecting
 *     R 17 412.5 mm*C3           reading number 17
 *     P*50                       still here
 */
export type TapeMessage = { kind: 'hello'; version: number } | { kind: 'reading'; number: number; mm: number } | { kind: 'alive' };
export type TapeLine = { ok: true; message: TapeMessage } | { ok: false; why: string };

const TO_MM: Record<string, number> = { mm: 1, cm: 10, m: 1000, in: 25.4 };
/** A longer line is not a tape's. */
const LONGEST = 80;
/** A tape is at most this long, mm. */
const LONGEST_TAPE = 10_000;

/** The checksum of a line's body. */
export function tapeChecksum(body: string): string {
  let sum = 0;
  for (let i = 0; i < body.length; i++) sum = (sum + body.charCodeAt(i)) % 256;
  return sum.toString(16).toUpperCase().padStart(2, '0');
}

/** A line ready to send. */
export function tapeLine(body: string): string {
  return `${body}*${tapeChecksum(body)}\n`;
}

/**
 * Reads one line of the protocol.
 *
 * @param line without its newline
 * @returns what it says, or why it cannot be trusted
 */
export function readTapeLine(line: string): TapeLine {
  const clean = line.replace(/\r$/, '');
  if (clean.length > LONGEST) return { ok: false, why: 'the line is too long' };
  const parts = /^(.*)\*([0-9A-Fa-f]{2})$/.exec(clean);
  if (!parts) return { ok: false, why: 'the line has no checksum' };
  const [, body = '', sum = ''] = parts;
  if (tapeChecksum(body) !== sum.toUpperCase()) return { ok: false, why: 'the checksum does not fit' };
  if (body === 'P') return { ok: true, message: { kind: 'alive' } };
  const hello = /^H FOVEA-TAPE (\d+)$/.exec(body);
  if (hello)
    return hello[1] === '1'
      ? { ok: true, message: { kind: 'hello', version: 1 } }
      : { ok: false, why: `protocol ${hello[1]} is not known` };
  const reading = /^R (\d{1,9}) (-?\d{1,6}(?:\.\d{1,4})?) (mm|cm|m|in)$/.exec(body);
  if (!reading) return { ok: false, why: 'the line has no known command' };
  const mm = Number(reading[2]) * TO_MM[reading[3]!]!;
  if (!(mm >= 0 && mm <= LONGEST_TAPE)) return { ok: false, why: 'the reading is longer than a tape' };
  return { ok: true, message: { kind: 'reading', number: Number(reading[1]), mm } };
}

/** Gathers what comes in pieces into whole lines; a line that never ends, beyond `most` signs, is thrown away. */
export function lineGatherer(most = LONGEST * 4): (chunk: string) => string[] {
  let holdId = '';
  return (chunk) => {
    holdId += chunk;
    const lines = holdId.split('\n');
    holdId = lines.pop()!;
    if (holdId.length > most) holdId = '';
    return lines;
  };
}
