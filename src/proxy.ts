import { NextResponse, type NextRequest } from 'next/server';
import { database } from './data/database';
import { troubleOf } from './data/trouble';
import { FROM, isDoor, lanAddresses, mayNot, whoIs } from './server/entrance/entrance';
import { contentSecurityPolicy, refuse } from './server/entrance/guard';

/** A page that is for the owner alone. */
const OWNERS_PAGE = /^\/workshop(\/|$)/;

const says = (message: string, status: number): NextResponse => NextResponse.json({ message }, { status });

/** What keeps somebody on another machine from what they ask for, or null. */
function closed(request: NextRequest): NextResponse | null {
  const path = request.nextUrl.pathname;
  if (isDoor(path)) return null;
  try {
    const who = whoIs(database(), request.headers);
    if (who) {
      // What of the interface somebody may ask for, its table of routes says.
      const why = OWNERS_PAGE.test(path) ? mayNot(who, 'owner') : null;
      return why ? says(why, 403) : null;
    }
  } catch (error) {
    const trouble = troubleOf(error);
    if (!trouble) throw error;
    return says(trouble.message, 503);
  }
  if (path.startsWith('/api/')) return says('Sign in first: the page /enter asks for your passcode.', 401);
  return NextResponse.redirect(new URL('/enter', `http://${request.headers.get('host')}`));
}

/** Stands before every request: own host, own origin for writes, who may what over the network, a policy for every page. */
export function proxy(request: NextRequest): NextResponse {
  const { headers: reported, method } = request;
  const from = reported.get(FROM);
  const why = refuse({
    method,
    host: reported.get('host'),
    origin: reported.get('origin'),
    site: reported.get('sec-fetch-site'),
    mode: reported.get('sec-fetch-mode'),
    path: request.nextUrl.pathname,
    from,
    lan: lanAddresses(),
  });
  if (why) return says(why, 403);
  const saved = from ? closed(request) : null;
  if (saved) return saved;
  const policy = contentSecurityPolicy(Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64'));
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  return response;
}
