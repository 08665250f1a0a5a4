/** Names by which this machine calls itself. */
const OWN_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Methods that change nothing. */
const READS = new Set(['GET', 'HEAD']);
/** Methods that are known here at all. */
const KNOWN = new Set([...READS, 'POST', 'PUT', 'DELETE']);
/** Where a browser may say that a request comes from. */
const OWN_SITES = new Set(['same-origin', 'none']);

/** What is looked at of a request. */
export type Asked = {
  method: string;
  host: string | null;
  origin: string | null;
  site?: string | null;
  mode?: string | null;
  path?: string;
  /** the other machine that it comes from, where it does */
  from?: string | null;
  /** where this workshop is on the network: host and port */
  lan?: readonly string[];
};

/** Whether an address can be read at all: its parts must be well encoded. */
function readable(path: string): boolean {
  try {
    decodeURIComponent(path);
    return !path.includes('\0') && !/%00/.test(path);
  } catch {
    return false;
  }
}

/**
 * Says why a request must be refused, or null. A foreign Host means that somebody's page has made its own name
 * point here; a write from another origin, or one that the browser itself says comes from another site, means that a page
 * elsewhere is pressing our buttons. A page elsewhere may link here, and read nothing.
 *
 * @param request method, path and the headers
 */
export function refuse(request: Asked): string | null {
  const name = request.host?.replace(/:\d+$/, '').toLowerCase() ?? '';
  // What comes from another machine must call this one by its address there: a name could be made to point anywhere.
  const known = request.from ? (request.lan ?? []).includes(request.host ?? '') : OWN_NAMES.has(name);
  if (!known) return request.from ? 'This workshop is not known by that name.' : 'This workshop answers only on its own machine.';
  if (!KNOWN.has(request.method)) return `Nothing here answers to ${request.method.slice(0, 20)}.`;
  if (request.path !== undefined && !readable(request.path)) return 'This address cannot be read.';
  const foreign = request.site !== undefined && request.site !== null && !OWN_SITES.has(request.site);
  if (foreign && !(READS.has(request.method) && request.mode === 'navigate'))
    return 'A page elsewhere may not ask this workshop for anything.';
  if (READS.has(request.method)) return null;
  if (request.origin === null) return 'A change must come from the application’s own pages.';
  let from: string;
  try {
    from = new URL(request.origin).host;
  } catch {
    return 'A change must come from the application’s own pages.';
  }
  return from.toLowerCase() === request.host!.toLowerCase() ? null : 'A change must come from the application’s own pages.';
}

/**
 * The content security policy of a page.
 *
 * @param nonce the mark that this page's own scripts carry
 */
export function contentSecurityPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}
