import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import Piscina from 'piscina';
import QuickLRU from 'quick-lru';
import type { Printed } from '../../core/formats/pdf';
import { eventLog } from '../event-log';
import { answerOf, type Refused } from './refused';
import { createTurns } from './turns';
import type { Asked, Look } from './thread';
import type * as thread from './thread';

export type { BoardPicture, CornerPicture, FasteningPicture, FlatPicture } from './pictures';
export type { Look, SmallSection } from './thread';

/** Looks on their way: what is asked for twice at once is worked out once. */
const MOST_LOOKS = 40;
/** A thread with nothing to do is let go after this, ms. */
const IDLE = 30_000;

/**
 * Plans pieces on threads of their own: no request is answered on a thread that plans. What is asked for waits its turn, the first
 * first; nothing that is saved or ticked waits behind it.
 */
export type Planning = {
  /** what a row of the floor shows */
  look: (asked: Asked) => Promise<Look>;
  /** `signal` takes it off the queue when nobody waits for it any more */
  print: (asked: Parameters<typeof thread.print>[0], signal?: AbortSignal) => Promise<Uint8Array>;
  /** the same as pages to be looked at */
  pages: (asked: Parameters<typeof thread.pages>[0], signal?: AbortSignal) => Promise<Printed>;
  /** every piece at full size as a drawing, or the cut list */
  patterns: (asked: Parameters<typeof thread.patterns>[0], signal?: AbortSignal) => Promise<string>;
  /** what some pieces are cut from, and all that they take */
  needs: (asked: Parameters<typeof thread.needs>[0], signal?: AbortSignal) => Promise<ReturnType<typeof thread.needs>>;
  things: (asked: Parameters<typeof thread.things>[0], signal?: AbortSignal) => Promise<ReturnType<typeof thread.things>>;
  offers: (asked: Parameters<typeof thread.offers>[0], signal?: AbortSignal) => Promise<ReturnType<typeof thread.offers>>;
  /** what to buy, solved exactly */
  buy: (asked: Parameters<typeof thread.buy>[0], signal?: AbortSignal) => ReturnType<typeof thread.buy>;
  /** each template's cut line, for a cutter */
  templates: (asked: Asked, signal?: AbortSignal) => Promise<ReturnType<typeof thread.templates>>;
  close: () => Promise<void>;
};

function createPlanning(): Planning {
  const threads = Math.max(1, availableParallelism() - 1);
  const pool = new Piscina({
    filename: join(process.cwd(), 'dist/planning.mjs'),
    minThreads: 0,
    maxThreads: threads,
    idleTimeout: IDLE,
    // A plan makes much that lives for a moment: with room for it a fifth of the time is saved.
    resourceLimits: { maxYoungGenerationSizeMb: 64 },
  });
  // A thread that is ended in the middle of something may still answer: nobody is there to hear it, and that is no fault.
  pool.on('error', (error: Error) => eventLog().warn({ err: new Error(error.message.split('\n')[0]) }, 'A planning thread failed'));
  // What nobody waits for any more loses its turn. What has begun goes on: a thread that is ended forgets all it planned,
  // and what comes next would be planned from nothing – or, ended at the wrong moment, not at all.
  const turns = createTurns(threads);
  const run = async <T>(name: string, asked: unknown, signal?: AbortSignal): Promise<T> => {
    const over = await turns.take(signal);
    try {
      return answerOf((await pool.run(asked, { name })) as T | Refused);
    } finally {
      over();
    }
  };
  const looks = new QuickLRU<string, Promise<Look>>({ maxSize: MOST_LOOKS });
  return {
    look: (asked) => {
      const key = JSON.stringify([asked.piece, asked.house]);
      const known = looks.get(key) ?? run<Look>('look', asked);
      looks.set(key, known);
      // What failed is tried anew when it is asked for again.
      known.catch(() => looks.delete(key));
      return known;
    },
    print: (asked, signal) => run('print', asked, signal),
    pages: (asked, signal) => run('pages', asked, signal),
    patterns: (asked, signal) => run('patterns', asked, signal),
    needs: (asked, signal) => run('needs', asked, signal),
    things: (asked, signal) => run('things', asked, signal),
    offers: (asked, signal) => run('offers', asked, signal),
    buy: (asked, signal) => run('buy', asked, signal),
    templates: (asked, signal) => run('templates', asked, signal),
    close: () => pool.destroy(),
  };
}

const shared = globalThis as { foveaPlanning?: Planning };

/** The one planning of this process; development reloads share it. */
export function planning(): Planning {
  shared.foveaPlanning ??= createPlanning();
  return shared.foveaPlanning;
}
