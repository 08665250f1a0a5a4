import { NextResponse, type NextRequest } from 'next/server';
import { contentSecurityPolicy, refuse } from './server/guard';

/** Stands before every request: own host, own origin for writes, a policy for every page. */
export function proxy(request: NextRequest): NextResponse {
  const why = refuse({ method: request.method, host: request.headers.get('host'), origin: request.headers.get('origin') });
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
