/** An address on this machine. */
const HERE = /^(127\.|::1$|::ffff:127\.)/;

/** The last hop of a list: what the server in front of this one added itself; the ones before it anybody may have written. */
const lastOf = (list) => String(list).split(',').at(-1).trim();

/** The address in the last element of a Forwarded header (RFC 7239). */
function forwardedFor(header) {
  const [, quoted, plain] = /(?:^|;)\s*for=(?:"([^"]*)"|([^;,\s]*))/i.exec(lastOf(header)) ?? [];
  return quoted ?? plain ?? 'unknown';
}

/** An address without a port. */
const bare = (address) => /^\[([^\]]*)\]/.exec(address)?.[1] ?? (/^[\d.]+:\d+$/.test(address) ? address.split(':')[0] : address);

/**
 * Where a request comes from: nothing for this machine itself, else the address. Only a server in front on this machine may say
 * for whom it asks, and only what it added itself counts; a request from another machine says nothing of that kind.
 *
 * @param remoteAddress of the connection
 * @param headers of the request
 */
export function fromOf(remoteAddress, headers) {
  if (!HERE.test(remoteAddress)) return bare(remoteAddress);
  const hops = headers['x-forwarded-for'];
  if (hops !== undefined) return bare(lastOf(hops)).slice(0, 80) || 'unknown';
  return headers.forwarded === undefined ? undefined : bare(forwardedFor(headers.forwarded)).slice(0, 80) || 'unknown';
}
