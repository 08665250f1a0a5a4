import { connect, type Socket } from 'node:net';
import { LONGEST_LINE, readMatLine } from '../core/formats/mat-frame';

/** Where the mat plays: FOVEA_MAT=port, 4720 by default. */
const PORT = Number(process.env.FOVEA_MAT ?? 4720);
const RETRY = 2000;

/**
 * GET /api/mat: the workshop's pressure mat as a stream of events `frame` and `state`.
 *
 * @param request whose end closes the connection to the mat
 */
export function matStream(request: Request): Response {
  const encoder = new TextEncoder();
  let socket: Socket | null = null;
  let timer: NodeJS.Timeout | null = null;
  let ended = false;
  const stop = (): void => {
    ended = true;
    socket?.destroy();
    if (timer) clearTimeout(timer);
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
      const open = (): void => {
        if (ended) return;
        let held = '';
        socket = connect({ port: PORT, host: '127.0.0.1' });
        socket.setEncoding('latin1');
        socket.on('data', (chunk) => {
          held += String(chunk);
          const lines = held.split('\n');
          held = lines.pop()!;
          if (held.length > LONGEST_LINE) held = '';
          for (const line of lines) {
            if (line.startsWith('H FOVEA-MAT ')) {
              send('state', { state: 'connected' });
              continue;
            }
            const read = readMatLine(line);
            if (read.ok) send('frame', read.frame);
            else send('state', { state: 'garbled', why: `A frame was garbled: ${read.why}.` });
          }
        });
        socket.on('error', () => undefined);
        socket.on('close', () => {
          send('state', { state: 'looking', why: 'No mat is plugged in' });
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
