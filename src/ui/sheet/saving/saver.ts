import type { Piece } from '@/core/piece';
import type { PieceRecord, StaleSave } from '@/data/pieces';
import type { Answer } from '@/ui/kit/api';
import { isLater, UNREACHED } from '@/ui/kit/api';

export type SaveStatus = 'saved' | 'saving' | 'offline' | 'refused' | 'conflict';
/** Two versions of one piece: what is on the floor now, and what this page wanted to save. */
export type Conflict = { current: PieceRecord; mine: Piece; keptAs: number };

/** What is known of the saving of a piece. */
export type Saving = {
  piece: Piece;
  canUndo: boolean;
  canRedo: boolean;
  status: SaveStatus;
  message: string | null;
  conflict: Conflict | null;
  /** a change from before the page was opened that the workshop refused: it is offered, not taken up by itself */
  refused: Piece | null;
};

type Sent = PieceRecord & { current?: PieceRecord; keptAs?: number };

/** What a saver needs of the world. */
export type SaverMeans = {
  send: (method: 'POST' | 'PUT' | 'DELETE', url: string, body: unknown) => Promise<Answer<Sent>>;
  /** what stays in this browser when the page is closed */
  storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
  wait: (ms: number) => Promise<void>;
  /** an id that no other save has */
  newId: () => string;
  /** told of every change */
  onChange: (change: Partial<Saving>) => void;
};

/** A piece that saves itself. */
export type Saver = {
  /** the newest piece, also while a drag is under way */
  latest: () => Piece;
  /** `live` is shown but not saved until it ends */
  change: (next: Piece, options?: { live?: boolean }) => void;
  step: (direction: 'undo' | 'redo') => Promise<void>;
  /** theirs stays, or mine is saved over it as a new revision */
  settle: (choice: 'theirs' | 'mine') => Promise<void>;
  /** what was refused before: taken up again, or forgotten */
  refused: (choice: 'take-up' | 'forget') => void;
  /** takes up what a closed page could not save */
  resume: () => void;
};

type Kept = { base: number; piece: Piece; refused?: true; saveId?: string; after?: string };
/** A change on its way: sent again under the same id, it is known again. */
type Waiting = { saveId: string; piece: Piece; after?: string };
const RETRY = 3000;

/** How a piece's saving stands when its page is opened. */
export function savingOf(initial: PieceRecord, stale: StaleSave | null): Saving {
  return {
    piece: initial.piece,
    canUndo: initial.canUndo,
    canRedo: initial.canRedo,
    status: stale ? 'conflict' : 'saved',
    message: null,
    conflict: stale && { current: initial, mine: stale.piece, keptAs: stale.id },
    refused: null,
  };
}

/**
 * Saves a piece: every finished change becomes one revision, in order. What could not be saved is kept in the browser and
 * tried again.
 */
export function createSaver(initial: PieceRecord, stale: StaleSave | null, means: SaverMeans): Saver {
  return new PieceSaver(initial, stale, means);
}

class PieceSaver implements Saver {
  private readonly url: string;
  private readonly key: string;
  private revision: number;
  private newest: Piece;
  private conflict: Conflict | null;
  private held: Piece | null = null;
  private readonly queue: Waiting[] = [];
  private running: Promise<void> | null = null;

  constructor(
    private readonly initial: PieceRecord,
    stale: StaleSave | null,
    private readonly means: SaverMeans,
  ) {
    this.url = `/api/pieces/${initial.id}`;
    this.key = `unsaved ${initial.id}`;
    this.revision = initial.revision;
    this.newest = initial.piece;
    this.conflict = savingOf(initial, stale).conflict;
  }

  latest = (): Piece => this.newest;

  change: Saver['change'] = (next, { live = false } = {}) => {
    this.newest = next;
    this.means.onChange({ piece: next });
    if (live) return;
    this.queue.push({ saveId: this.means.newId(), piece: next });
    this.rememberWaiting();
    void this.flush();
  };

  step: Saver['step'] = async (direction) => {
    const { send, onChange } = this.means;
    await this.flush();
    try {
      const answer = await send('POST', `${this.url}/step`, { direction, base: this.revision });
      if (answer.ok) this.adopt(answer.data);
      else if (answer.data.current) this.adopt(answer.data.current);
      onChange({ message: answer.ok ? null : (answer.data.message ?? null) });
    } catch {
      onChange({ message: UNREACHED });
    }
  };

  settle: Saver['settle'] = async (choice) => {
    if (!this.conflict) return;
    const { send, onChange } = this.means;
    // The newest of what waited may still be on its way to where it is put aside: what is saved now comes after it.
    await this.running;
    const settled = this.conflict;
    const { current, mine, keptAs } = settled;
    this.adopt(current);
    if (choice === 'mine') {
      this.change(mine);
      await this.flush();
    } else onChange({ status: 'saved' });
    await send('DELETE', `${this.url}/stale`, { stale: keptAs }).catch(() => undefined);
    // Someone else may have saved once more meanwhile: that is another choice, and it stands.
    if (this.conflict !== settled) return;
    this.conflict = null;
    onChange({ conflict: null });
  };

  refused: Saver['refused'] = (choice) => {
    const piece = this.held;
    this.held = null;
    this.remember(null);
    this.means.onChange({ refused: null, message: null, status: 'saved' });
    if (choice === 'take-up' && piece) this.change(piece);
  };

  resume: Saver['resume'] = () => {
    const saved = this.kept();
    if (!saved || JSON.stringify(saved.piece) === JSON.stringify(this.initial.piece)) return;
    if (saved.refused) {
      this.held = saved.piece;
      this.means.onChange({ refused: saved.piece });
      return;
    }
    this.revision = saved.base;
    this.newest = saved.piece;
    this.means.onChange({ piece: saved.piece });
    this.queue.push({ saveId: saved.saveId ?? this.means.newId(), piece: saved.piece, ...(saved.after ? { after: saved.after } : {}) });
    void this.flush();
  };

  private kept(): Kept | null {
    try {
      return JSON.parse(this.means.storage.getItem(this.key) ?? 'null') as Kept | null;
    } catch {
      this.remember(null);
      return null;
    }
  }

  private remember(saved: Kept | null): void {
    const { storage } = this.means;
    if (saved) storage.setItem(this.key, JSON.stringify(saved));
    else storage.removeItem(this.key);
  }

  /**
   * Keeps the newest of what waits. A page that is closed now need not know whether the one on its way arrived: the newest
   * says after which it came.
   */
  private rememberWaiting(): void {
    const [first, last] = [this.queue[0]!, this.queue.at(-1)!];
    const after = first === last ? first.after : first.saveId;
    this.remember({ base: this.revision, piece: last.piece, saveId: last.saveId, ...(after ? { after } : {}) });
  }

  private adopt(record: PieceRecord): void {
    this.revision = record.revision;
    this.newest = record.piece;
    this.means.onChange({ piece: record.piece, canUndo: record.canUndo, canRedo: record.canRedo });
  }

  private flush(): Promise<void> {
    this.running ??= (async () => {
      while (this.queue.length > 0 && (await this.saveOne()));
    })().finally(() => {
      this.running = null;
    });
    return this.running;
  }

  /** Saves the oldest of the queue; says whether there is more to do. */
  private async saveOne(): Promise<boolean> {
    const { send, wait, onChange } = this.means;
    onChange({ status: 'saving' });
    const { saveId, piece, after } = this.queue[0]!;
    this.rememberWaiting();
    let answer: Answer<Sent>;
    try {
      answer = await send('PUT', this.url, { base: this.revision, piece, save: saveId, ...(after ? { after } : {}) });
    } catch {
      onChange({ status: 'offline' });
      await wait(RETRY);
      return true;
    }
    if (isLater(answer.status)) {
      onChange({ status: 'offline', message: answer.data.message ?? null });
      await wait(RETRY);
      return true;
    }
    if (answer.status === 409 && answer.data.current) return this.clash(answer.data);
    const sent = this.queue.shift()!.piece;
    if (!answer.ok) return this.refuse(sent, answer.data.message ?? 'Not saved');
    this.revision = answer.data.revision;
    onChange({ canUndo: answer.data.canUndo, canRedo: answer.data.canRedo });
    if (this.queue.length > 0) return true;
    this.remember(null);
    onChange({ message: null, status: 'saved' });
    return false;
  }

  /**
   * Another save came first: nothing is overwritten. What was put aside is the oldest of what waits here; the newest, which
   * has all of it, takes its place, and stays in the browser until it has.
   */
  private async clash({ current, keptAs }: Sent): Promise<boolean> {
    const { send, onChange } = this.means;
    const more = this.queue.length > 1;
    const mine = this.queue.at(-1)!.piece;
    this.queue.length = 0;
    this.conflict = { current: current!, mine, keptAs: keptAs! };
    onChange({ conflict: this.conflict, status: 'conflict' });
    if (!more) {
      this.remember(null);
      return false;
    }
    const renewed = await send('PUT', `${this.url}/stale`, { stale: keptAs, piece: mine }).catch(() => null);
    if (renewed?.ok) this.remember(null);
    return false;
  }

  /** What was refused is not sent again, now or when the page is opened anew; the next change is saved by itself. */
  private refuse(sent: Piece, message: string): boolean {
    if (this.queue.length > 0) return true;
    this.remember({ base: this.revision, piece: sent, refused: true });
    this.means.onChange({ message, status: 'refused' });
    return false;
  }
}
