// Serves the built application: node scripts/serve.mjs [--port N] [--lan]. It looks at a request before anything else does:
// what no address and no method of ours can be is answered in words, not with a stumble.
import { fromOf } from './from.mjs';
import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import next from 'next';
import { createNetwork } from './network.mjs';

const { values } = parseArgs({ options: { port: { type: 'string' }, lan: { type: 'boolean' } }, strict: false });
const port = Number(values.port ?? process.env.PORT ?? 3000);
// Whoever finds the workshop open is told where.
process.env.FOVEA_PORT = String(port);
/** What a request from another machine carries; entrance.ts reads it. */
const FROM = 'x-fovea-from';
process.env.NEXT_TELEMETRY_DISABLED = '1';
process.env.NODE_ENV = 'production';

/** Methods that anything here answers to. */
const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'DELETE']);
/** No address of ours is longer, characters. */
const LONGEST = 4096;

/** What is wrong with a request before it is one of ours, or null. */
function wrongWith({ method, url }) {
  if (!METHODS.has(method)) return [405, `Nothing here answers to ${method.slice(0, 20)}.`];
  if (url.length > LONGEST) return [414, 'This address is too long.'];
  try {
    const path = decodeURIComponent(url.split('?')[0]);
    if (!url.startsWith('/') || path.includes('\0')) throw new URIError();
  } catch {
    return [400, 'This address cannot be read.'];
  }
  return null;
}

/** Bounds on what a client may take, ms and bytes. */
const LIMITS = { requestTimeout: 120_000, headersTimeout: 20_000, maxHeaderSize: 32_768 };

const app = next({ dev: false, hostname: '127.0.0.1', port });
// The network may be open before the application is ready: until then it is answered that it is not.
let handle = null;
const answer = (request, response) => {
  // Whoever asks may not say where from.
  delete request.headers[FROM];
  // What another server on this machine passes on comes from elsewhere too: nobody is the owner by standing behind it.
  const from = fromOf(request.socket.remoteAddress ?? 'unknown', request.headers);
  if (from !== undefined) request.headers[FROM] = from;
  const wrong = handle ? wrongWith(request) : [503, 'The workshop is starting. Try again in a moment.'];
  if (!wrong) return void handle(request, response);
  const body = JSON.stringify({ message: wrong[1] });
  response.writeHead(wrong[0], { 'content-type': 'application/json', 'x-content-type-options': 'nosniff', connection: 'close' });
  response.end(request.method === 'HEAD' ? undefined : body);
};
// The workshop's owner opens it to the network on the page Workshop; a server in front of this one may have a name of its own.
const network = createNetwork({ limits: LIMITS, answer, port, names: (process.env.FOVEA_HOSTS ?? '').split(',').filter(Boolean) });
globalThis.foveaNetwork = network;
await app.prepare();
handle = app.getRequestHandler();
const server = createServer(LIMITS, answer);
server.on('error', (error) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken: is the application running already? PORT=3001 takes another.`
      : String(error.message),
  );
  process.exit(1);
});
server.listen(port, '127.0.0.1', async () => {
  console.log(`Fovea is on http://127.0.0.1:${port}`);
  if (values.lan) await network.set(true).catch((error) => console.error(`The network could not be opened: ${error.message}`));
  if (!network.isOpen()) return;
  const [address] = network.addresses();
  if (!address) return console.log('This machine is on no network.');
  const { default: qr } = await import('qrcode');
  console.log(`On the network: http://${address}, with a passcode. Let somebody in on the page Workshop of this machine.`);
  console.log(await qr.toString(`http://${address}/`, { type: 'terminal', small: true }));
});

// A clean stop: what is being answered is answered, the database is closed, nothing is left in its log.
let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    if (stopping) process.exit(1);
    stopping = true;
    void network.set(false);
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 3000).unref();
  });
