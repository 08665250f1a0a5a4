import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { isLater } from '@/ui/kit/api';

/** Something that is to be told to the workshop. Each can be sent twice and counts once. */
export type Sending = {
  /** its own, in the order of their making */
  id: string;
  method: 'POST' | 'PUT' | 'DELETE';
  url: string;
  body: Record<string, unknown>;
  /** a photo that goes first; its name goes into the body */
  photo?: Blob;
  /** why the workshop refused it, where it was set aside */
  why?: string;
};

/** Where what is to be sent is kept meanwhile. */
export type Keeping = {
  all: () => Promise<Sending[]>;
  put: (sending: Sending) => Promise<void>;
  drop: (id: string) => Promise<void>;
  /** what was refused: kept apart until somebody has seen to it */
  asides: () => Promise<Sending[]>;
  setAside: (sending: Sending) => Promise<void>;
  dropAside: (id: string) => Promise<void>;
};

/** In the browser: it is there when the page is opened again. */
export function inBrowser(): Keeping {
  const stores = new Map<string, UseStore>();
  const named = (name: string): UseStore => {
    const store = stores.get(name) ?? createStore(name, 'sendings');
    stores.set(name, store);
    return store;
  };
  const local = (): UseStore => named('fovea-bench');
  const aside = (): UseStore => named('fovea-bench-refused');
  const listed = async (store: UseStore): Promise<Sending[]> =>
    (await entries<string, Sending>(store)).map(([, sending]) => sending).sort((a, b) => (a.id < b.id ? -1 : 1));
  return {
    all: () => listed(local()),
    asides: () => listed(aside()),
    setAside: (sending) => set(sending.id, sending, aside()),
    dropAside: (id) => del(id, aside()),
    put: (sending) => set(sending.id, sending, local()),
    drop: (id) => del(id, local()),
  };
}

let last = 0;

/** An id that sorts by when it was made, also within one moment. */
export function nextId(now = Date.now(), roll = Math.random): string {
  last = Math.max(now, last + 1);
  return `${last.toString(36).padStart(9, '0')}-${Math.floor(roll() * 2 ** 32)
    .toString(36)
    .padStart(7, '0')}`;
}

/** What became of a try to send. */
export type Sent = { sent: number; left: number; refused: string[] };

/** At a bench several people work on one tablet: what one of them may not do another one may, once signed in. */
const mustWait = (status: number): boolean => isLater(status) || status === 403;

/**
 * Sends what is kept, oldest first. What does not reach the workshop, or must wait until somebody signs in, stays, and what comes after
 * it waits: a tick and its taking back never change places. What is refused for good is set aside with its reason.
 *
 * @param keeping where it is kept
 * @param reach a fetch
 */
export async function sendAll(keeping: Keeping, reach: typeof fetch = fetch): Promise<Sent> {
  const all = await keeping.all();
  const refused: string[] = [];
  let sent = 0;
  for (const { id, method, url, body, photo } of all) {
    try {
      let listed = body;
      if (photo) {
        const saved = await reach('/api/photos', { method: 'POST', headers: { 'content-type': photo.type || 'image/jpeg' }, body: photo });
        if (mustWait(saved.status)) throw new Error('not now');
        const { name, message } = (await saved.json()) as { name?: string; message?: string };
        if (!name) refused.push(message ?? 'The photo was not taken.');
        else listed = { ...body, photo: name };
      }
      const answer = await reach(url, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(listed) });
      if (mustWait(answer.status)) throw new Error('not now');
      if (!answer.ok) {
        const why = ((await answer.json().catch(() => ({}))) as { message?: string }).message ?? `It was refused (${answer.status}).`;
        refused.push(why);
        await keeping.setAside({ id, method, url, body, ...(photo ? { photo } : {}), why });
      }
      await keeping.drop(id);
      sent += 1;
    } catch {
      break;
    }
  }
  return { sent, left: all.length - sent, refused };
}
