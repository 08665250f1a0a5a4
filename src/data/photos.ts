import { createHash } from 'node:crypto';
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { dataFolder, syncFolder } from './database';

/** Photos are files beside the database, named by what is in them. */
const NAME = /^[0-9a-f]{64}\.(jpg|png|webp)$/;
const MIMES: Record<string, string> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };

function folder(): string {
  return join(dataFolder(), 'photos');
}

/**
 * Keeps a photo.
 *
 * @param bytes its content, already checked
 * @param extension of its kind
 * @returns its name; the same photo twice is one file
 */
export function keepPhoto(bytes: Uint8Array, extension: string): string {
  const name = `${createHash('sha256').update(bytes).digest('hex')}.${extension}`;
  const path = join(folder(), name);
  if (!existsSync(path)) {
    mkdirSync(folder(), { recursive: true });
    // Written aside first, and down to the disk: a photo is there whole or not at all, also after a power cut.
    const aside = `${path}.${process.pid}.part`;
    try {
      const handle = openSync(aside, 'w');
      try {
        for (let at = 0; at < bytes.byteLength;) at += writeSync(handle, bytes, at);
        fsyncSync(handle);
      } finally {
        closeSync(handle);
      }
      renameSync(aside, path);
    } catch (error) {
      rmSync(aside, { force: true });
      throw error;
    }
    syncFolder(folder());
  }
  return name;
}

/** A photo that takes longer than this to come is not coming any more, ms. */
const ABANDONED = 3_600_000;

/**
 * Takes away photos that were only half written when the application was stopped.
 *
 * @param [photos] the folder they are in
 */
export function sweepPhotos(photos = folder()): void {
  if (!existsSync(photos)) return;
  for (const name of readdirSync(photos)) {
    const path = join(photos, name);
    if (name.endsWith('.part') && Date.now() - statSync(path).mtimeMs > ABANDONED) rmSync(path, { force: true });
  }
}

/** A kept photo and its type, or null. */
export function readPhoto(name: string): { bytes: Buffer; mime: string } | null {
  if (!NAME.test(name)) return null;
  const path = join(folder(), name);
  return existsSync(path) ? { bytes: readFileSync(path), mime: MIMES[name.split('.')[1]!]! } : null;
}
