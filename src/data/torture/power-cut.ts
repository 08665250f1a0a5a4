import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

/** One thing a process did to a file: opened (anew), written, cut to a size, put down to the disk, renamed, removed. */
type Deed = { kind: 'O' | 'N' | 'W' | 'T' | 'S' | 'R' | 'U'; at: number; name: string; data: Buffer };

/** The record of `watch.c`. */
export function deedsIn(record: Buffer): Deed[] {
  const deeds: Deed[] = [];
  for (let p = 0; p + 17 <= record.length;) {
    const [named, size] = [record.readUInt32LE(p + 9), record.readUInt32LE(p + 13)];
    const name = record.toString('utf8', p + 17, p + 17 + named - 1);
    const data = record.subarray(p + 17 + named, p + 17 + named + size);
    deeds.push({ kind: String.fromCharCode(record[p]!) as Deed['kind'], at: Number(record.readBigInt64LE(p + 1)), name, data });
    p += 17 + named + size;
  }
  return deeds;
}

/** A file as the disk has it, and what was written to it since. */
type Held = { safe: Buffer; since: Deed[] };

function applied(content: Buffer, { kind, at, data }: Deed): Buffer {
  if (kind === 'T') return content.length > at ? content.subarray(0, at) : Buffer.concat([content, Buffer.alloc(at - content.length)]);
  if (kind === 'N') return Buffer.alloc(0);
  const grown = Buffer.alloc(Math.max(content.length, at + data.length));
  content.copy(grown);
  data.copy(grown, at);
  return grown;
}

/**
 * A disk that may lose everything that was not put down to it: contents until their file is, names until their folder is.
 * It is harsher than most file systems are.
 */
export class Disk {
  private readonly names = new Map<string, Held>();
  private safeNames = new Map<string, Held>();

  constructor(private readonly folder: string) {}

  /** Takes one deed in. */
  do(deed: Deed): void {
    const { kind, name, data } = deed;
    if (kind === 'R') {
      const file = this.names.get(name);
      this.names.delete(name);
      if (file) this.names.set(data.toString('utf8', 0, data.length - 1), file);
    } else if (kind === 'U') this.names.delete(name);
    else if (kind === 'S' && !this.names.has(name)) this.settleFolder(name);
    else if (kind === 'S') {
      const file = this.names.get(name)!;
      file.safe = file.since.reduce(applied, file.safe);
      file.since = [];
    } else {
      let file = this.names.get(name);
      if (!file) this.names.set(name, (file = { safe: Buffer.alloc(0), since: [] }));
      if (kind !== 'O') file.since.push(deed);
    }
  }

  private settleFolder(folder: string): void {
    for (const name of this.safeNames.keys()) if (dirname(name) === folder && !this.names.has(name)) this.safeNames.delete(name);
    for (const [name, file] of this.names) if (dirname(name) === folder) this.safeNames.set(name, file);
  }

  /**
   * What is found after the power comes back.
   *
   * @param to a folder for it
   * @param roll chances in [0, 1) by which what was not put down has arrived all the same; 1 loses all of it
   */
  cut(to: string, roll: () => number): void {
    const names = new Map(this.safeNames);
    // A name that was not put down may be there or not, the old one and the new one each for itself.
    for (const [name, file] of this.names) if (!names.has(name) && roll() < 0.5) names.set(name, file);
    for (const name of [...names.keys()]) if (!this.names.has(name) && roll() < 0.5) names.delete(name);
    for (const [name, { safe, since }] of names) {
      // The index beside the log is made anew; it is never trusted.
      if (name.endsWith('-shm')) continue;
      const path = join(to, relative(this.folder, name));
      mkdirSync(dirname(path), { recursive: true });
      writeFileSync(path, since.filter(() => roll() < 0.5).reduce(applied, safe));
    }
  }
}
