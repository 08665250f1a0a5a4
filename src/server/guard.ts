/** Names by which this machine calls itself. */
const OWN_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Methods that change nothing. */
const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Says why a request must be refused, or null. A foreign Host means that somebody's page has made its own name
 * point here; a write from another origin means that a page elsewhere is pressing our buttons.
 *
 * @param request method and the two headers
 */
export function refuse(request: { method: string; host: string | null; origin: string | null }): string | null {
  const name = request.host?.replace(/:\d+$/, '').toLowerCase() ?? '';
  if (!OWN_NAMES.has(name)) return 'This workshop answers only on its own machine.';
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
