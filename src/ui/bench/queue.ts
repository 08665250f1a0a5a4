import { createStore, del, entries, set, type UseStore } from 'idb-keyval';

/** Something that is to be told to the workshop. Each can be sent twice and counts once. */
export type Sending = {
  /** its own, in the order of their making */
  id: string;
  method: 'POST' | 'PUT' | 'DELETE';
  url: string;
  body: Record<string, unknown>;
  /** a photo that goes first; its name goes into the body */
  photo?: Blob;
};

/** Where what is to be sent is kept meanwhile. */
export type Keeping = {
  all: () => Promise<Sending[]>;
  put: (sending: Sending) => Promise<void>;
  drop: (id: string) => Promise<void>;
};

/** In the browser: it is there when the page is opened again. */
export function inBrowser(): Keeping {
  let store: UseStore | null = null;
  const local = (): UseStore => (store ??= createStore('fovea-bench', 'sendings'));
  return {
    all: async () => (await entries<string, Sending>(local())).map(([, sending]) => sending).sort((a, b) => (a.id < b.id ? -1 : 1)),
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

/**
 * Sends what is kept, oldest first. What does not reach the workshop stays, and what comes after it waits: a tick and its taking back
 * never change places. What is refused is dropped and told.
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
        if (saved.status >= 500) throw new Error('not now');
        const { name, message } = (await saved.json()) as { name?: string; message?: string };
        if (!name) refused.push(message ?? 'The photo was not taken.');
        else listed = { ...body, photo: name };
      }
      const answer = await reach(url, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(listed) });
      // What the workshop cannot do now it may do later; what it refuses it refuses for good.
      if (answer.status >= 500) throw new Error('not now');
      if (!answer.ok)
        refused.push(((await answer.json().catch(() => ({}))) as { message?: string }).message ?? `It was refused (${answer.status}).`);
      await keeping.drop(id);
      sent += 1;
    } catch {
      break;
    }
  }
  return { sent, left: all.length - sent, refused };
}
