import { connect, type Socket } from 'node:net';
import { lineGatherer, readTapeLine } from '../core/formats/tape-line';

/** Where the tape listens: FOVEA_TAPE=port, 4710 by default. */
const PORT = Number(process.env.FOVEA_TAPE ?? 4710);
const RETRY = 1500;
/** A tape says that it is there every second; when it has not for this long it is slow, ms. */
const SLOW = 4000;

/**
 * GET /api/tape: the workshop's tape as a stream of events. The page cannot speak the tape's own line protocol; the
 * server does, and passes on `reading`, `garbled` and `state`.
 *
 * @param request whose end closes the connection to the tape
 */
export function tapeStream(request: Request): Response {
  const encoder = new TextEncoder();
  let socket: Socket | null = null;
  let timer: NodeJS.Timeout | null = null;
  let slow: NodeJS.Timeout | null = null;
  let ended = false;
  const stop = (): void => {
    ended = true;
    socket?.destroy();
    if (timer) clearTimeout(timer);
    if (slow) clearTimeout(slow);
  };
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (event: string, data: object): void => {
        if (ended) return;
        try {
          controller.enqueue(encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
        } catch {
          stop();
        }
      };
      const alive = (): void => {
        if (slow) clearTimeout(slow);
        slow = setTimeout(() => send('state', { state: 'slow', why: 'The tape has not answered for some seconds' }), SLOW);
      };
      const open = (): void => {
        if (ended) return;
        let last = 0;
        const gather = lineGatherer();
        socket = connect({ port: PORT, host: '127.0.0.1' });
        socket.setEncoding('latin1');
        socket.on('data', (chunk) => {
          alive();
          for (const line of gather(String(chunk))) {
            const read = readTapeLine(line);
            if (!read.ok) send('garbled', { why: read.why });
            else if (read.message.kind === 'hello') send('state', { state: 'connected' });
            else if (read.message.kind === 'reading') {
              // A tape repeats a reading it is not sure has arrived; its number tells.
              if (read.message.number === last) continue;
              last = read.message.number;
              send('state', { state: 'connected' });
              send('reading', { mm: read.message.mm });
            } else send('state', { state: 'connected' });
          }
        });
        socket.on('error', () => undefined);
        socket.on('close', () => {
          if (slow) clearTimeout(slow);
          send('state', { state: 'looking', why: 'No tape is plugged in' });
          timer = setTimeout(open, RETRY);
        });
      };
      request.signal.addEventListener('abort', stop);
      open();
    },
    cancel: stop,
  });
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' } });
}
