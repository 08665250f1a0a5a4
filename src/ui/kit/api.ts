/** What a write answered. */
export type Answer<T> = { ok: boolean; status: number; data: T & { message?: string } };

/**
 * Sends a change to the server.
 *
 * @param method HTTP method
 * @param url path on this server
 * @param body sent as JSON; text is sent as it is
 * @param [more.keepalive] goes on when the page is left meanwhile
 * @throws TypeError when the server cannot be reached
 */
export async function send<T>(
  method: 'POST' | 'PUT' | 'DELETE',
  url: string,
  body?: unknown,
  { keepalive = false }: { keepalive?: boolean } = {},
): Promise<Answer<T>> {
  const response = await fetch(url, {
    method,
    headers: { 'content-type': 'application/json' },
    body: typeof body === 'string' ? body : JSON.stringify(body ?? {}),
    keepalive,
  });
  const data = (await response.json().catch(() => ({ message: `The server answered ${response.status}` }))) as T & { message?: string };
  return { ok: response.ok, status: response.status, data };
}
