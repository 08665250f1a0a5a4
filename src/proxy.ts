import { NextResponse, type NextRequest } from 'next/server';
import { contentSecurityPolicy, refuse } from './server/guard';

/** Stands before every request: own host, own origin for writes, a policy for every page. */
export function proxy(request: NextRequest): NextResponse {
  const { headers: said, method } = request;
  const why = refuse({
    method,
    host: said.get('host'),
    origin: said.get('origin'),
    site: said.get('sec-fetch-site'),
    mode: said.get('sec-fetch-mode'),
    path: request.nextUrl.pathname,
  });
  if (why) return NextResponse.json({ message: why }, { status: 403 });
  const policy = contentSecurityPolicy(Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64'));
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  return response;
}
