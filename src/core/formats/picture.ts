import { imageSize } from 'image-size';
import { FileProblem } from '../file-problem';

/** Larger photos are not needed to find an edge by, bytes. */
export const LARGEST_PICTURE = 20_000_000;
/** A picture with more dots than this would fill the memory when it is opened. */
const MOST_DOTS = 60_000_000;

/** What a photo is, by its first bytes. */
export type Picture = { extension: 'jpg' | 'png' | 'webp'; mime: string; width: number; height: number };

/** Where a row of bytes comes last, or −1. */
function lastMark(bytes: Uint8Array, mark: readonly number[]): number {
  for (let i = bytes.length - mark.length; i >= 0; i--) if (mark.every((byte, k) => bytes[i + k] === byte)) return i;
  return -1;
}

const KINDS: { extension: Picture['extension']; mime: string; is: (b: Uint8Array) => boolean; ends: (b: Uint8Array) => boolean }[] = [
  {
    extension: 'png',
    mime: 'image/png',
    is: (b) => [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a].every((byte, i) => b[i] === byte),
    ends: (b) => lastMark(b, [0x49, 0x45, 0x4e, 0x44]) > 0,
  },
  {
    extension: 'jpg',
    mime: 'image/jpeg',
    is: (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff,
    // Cameras add things after the end mark, a whole short film among them.
    ends: (b) => lastMark(b, [0xff, 0xd9]) > 2,
  },
  {
    extension: 'webp',
    mime: 'image/webp',
    is: (b) =>
      new TextDecoder('latin1').decode(b.subarray(0, 4)) === 'RIFF' && new TextDecoder('latin1').decode(b.subarray(8, 12)) === 'WEBP',
    ends: (b) => new DataView(b.buffer, b.byteOffset).getUint32(4, true) + 8 <= b.byteLength,
  },
];

/**
 * Looks at a photo's own first bytes, whatever it is called.
 *
 * @param bytes the file
 * @throws FileProblem when it is not a picture this application shows, is broken off, or is far too large
 */
export function checkPicture(bytes: Uint8Array): Picture {
  if (bytes.byteLength > LARGEST_PICTURE) throw new FileProblem('This photo is larger than 20 MB; take it smaller');
  if (bytes.byteLength < 32) throw new FileProblem('This is not a photo: it is too short');
  const kind = KINDS.find(({ is }) => is(bytes));
  if (!kind) throw new FileProblem('This is not a JPEG, PNG or WebP photo');
  if (!kind.ends(bytes)) throw new FileProblem('This photo breaks off: copy it again');
  let size;
  try {
    size = imageSize(bytes);
  } catch {
    throw new FileProblem('This photo cannot be read: its size is missing');
  }
  const { width, height } = size;
  if (!(width > 0) || !(height > 0)) throw new FileProblem('This photo cannot be read: it has no size');
  if (width * height > MOST_DOTS)
    throw new FileProblem(`This photo has ${Math.round((width * height) / 1e6)} million dots; ${MOST_DOTS / 1e6} million maximum`);
  return { extension: kind.extension, mime: kind.mime, width, height };
}
