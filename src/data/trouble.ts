/** What may be wrong with the workshop's folder or database as a whole. */
export type TroubleKind = 'newer' | 'damaged' | 'empty' | 'read-only' | 'full' | 'busy' | 'moved';

/** For each kind: what it is called, and what to do about it. */
const WORDS: Record<TroubleKind, { title: string; cure: string }> = {
  newer: {
    title: 'This workshop belongs to a newer Fovea',
    cure: 'It was left as it is. Start it with the newer application, or point this one to another folder.',
  },
  damaged: {
    title: 'The workshop’s database is damaged',
    cure: 'It was left as it is. Stop the application and restore the last good backup: fovea restore.',
  },
  empty: {
    title: 'The workshop’s database is an empty file',
    cure: 'A new workshop would hide what was there: put the database back, restore a backup, or take the empty file away.',
  },
  'read-only': {
    title: 'The workshop’s folder cannot be written',
    cure: 'Nothing was changed. Give the application the right to write there, then load this page again.',
  },
  full: {
    title: 'The disk is full',
    cure: 'Nothing was changed, and what was saved before is safe. Make room, then try again.',
  },
  moved: {
    title: 'The workshop’s database was moved or replaced while it was open',
    cure: 'Nothing was saved: keep this page open. Put the folder back, or stop the application and start it again.',
  },
  busy: {
    title: 'The workshop is busy',
    cure: 'Another process holds the database. Nothing was changed; try again in a moment.',
  },
};

/** The workshop cannot be opened or written: says so in words for its owner, without a path. */
export class WorkshopTrouble extends Error {
  override readonly name = 'WorkshopTrouble';
  readonly kind: TroubleKind;
  readonly title: string;
  readonly cure: string;
  /**
   * @param kind what is wrong
   * @param [detail] more about it, one sentence
   * @param [options.cause] the error underneath, for the event log
   */
  constructor(kind: TroubleKind, detail = '', options: { cause?: unknown } = {}) {
    const { title, cure } = WORDS[kind];
    super(`${title}. ${detail ? `${detail} ` : ''}${cure}`, options);
    this.kind = kind;
    this.title = title;
    this.cure = `${detail ? `${detail} ` : ''}${cure}`;
  }
}

/** The codes of the file system and of SQLite, by the trouble they stand for. */
const CODES: readonly [RegExp, TroubleKind][] = [
  [/^(ENOSPC|EDQUOT|SQLITE_FULL)/, 'full'],
  [/^(EACCES|EPERM|EROFS|SQLITE_READONLY|SQLITE_CANTOPEN)/, 'read-only'],
  [/^(SQLITE_CORRUPT|SQLITE_NOTADB|SQLITE_IOERR|EIO)/, 'damaged'],
  [/^(SQLITE_BUSY|SQLITE_LOCKED)/, 'busy'],
];

/**
 * The trouble that an error of the file system or of the database stands for, or null.
 *
 * @param error anything thrown
 */
export function troubleOf(error: unknown): WorkshopTrouble | null {
  if (error instanceof WorkshopTrouble) return error;
  const code = (error as { code?: unknown } | null)?.code;
  if (typeof code !== 'string') return null;
  const kind = CODES.find(([pattern]) => pattern.test(code))?.[1];
  return kind ? new WorkshopTrouble(kind, '', { cause: error }) : null;
}
