/** What is said wherever the server does not answer. */
export const UNREACHED = 'The workshop cannot be reached. Nothing is lost; try again.';

/** Nobody is signed in, it took too long, it came too early, or there were too many: the same may be done later. */
const LATER = new Set([401, 408, 425, 429]);

/** Whether what the workshop answered may be another answer later. */
export const isLater = (status: number): boolean => status >= 500 || LATER.has(status);

/** What a write answered. */
export type Answer<T> = { ok: boolean; status: number; data: T & { message?: string } };

/** What browsers let go on after a page is left: 64 KiB altogether, with some room for what the headers take. */
const AFTER_LEAVING = 60_000;
let leaving = 0;

/**
 * Sends a change to the server. What was pressed before the page is left arrives all the same, as far as the browser goes on with it;
 * what is bigger goes as any other request does.
 *
 * @param method HTTP method
 * @param url path on this server
 * @param body sent as JSON; text is sent as it is
 * @throws TypeError when the server cannot be reached
 */
export async function send<T>(method: 'POST' | 'PUT' | 'DELETE', url: string, body?: unknown): Promise<Answer<T>> {
  const text = typeof body === 'string' ? body : JSON.stringify(body ?? {});
  const size = new Blob([text]).size;
  const keepalive = leaving + size <= AFTER_LEAVING;
  leaving += keepalive ? size : 0;
  try {
    const response = await fetch(url, { method, headers: { 'content-type': 'application/json' }, body: text, keepalive });
    const data = (await response.json().catch(() => ({ message: `The server answered ${response.status}` }))) as T & { message?: string };
    return { ok: response.ok, status: response.status, data };
  } finally {
    leaving -= keepalive ? size : 0;
  }
}
