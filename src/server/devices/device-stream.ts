import { connect, type Socket } from 'node:net';

/** What is passed on to the page: an event's name and its data. */
export type Send = (event: string, data: object) => void;

/** So many events may wait for the page to take them. */
const MOST_WAITING = 64;

/** A device that speaks lines on a port of this machine. */
export type Device = {
  port: number;
  /** after the connection ends, it is looked for again after this, ms */
  retry: number;
  /** what is said while it is not there */
  missing: string;
  /** a fresh reader for each connection: takes what came in, and passes on what it says */
  reader: (send: Send) => (chunk: string) => void;
  /** told when the connection ends */
  ended?: () => void;
};

/**
 * A device's messages as a stream of events. A page cannot open a plain connection; the server does, and passes on.
 *
 * @param request whose end closes the connection to the device
 * @param device how it is reached and read
 */
export function deviceStream(request: Request, device: Device): Response {
  const encoder = new TextEncoder();
  let socket: Socket | null = null;
  let timer: NodeJS.Timeout | null = null;
  let ended = false;
  const stop = (): void => {
    ended = true;
    socket?.destroy();
    if (timer) clearTimeout(timer);
    device.ended?.();
  };
  const body = new ReadableStream<Uint8Array>(
    {
      start(controller) {
        const send: Send = (event, data) => {
          if (ended) return;
          try {
            controller.enqueue(encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
          } catch {
            stop();
          }
        };
        const open = (): void => {
          if (ended) return;
          const read = device.reader(send);
          socket = connect({ port: device.port, host: '127.0.0.1' });
          socket.setEncoding('latin1');
          socket.on('data', (chunk) => {
            read(String(chunk));
            // A device that says more than the page takes is not listened to until the page has caught up.
            if ((controller.desiredSize ?? 0) <= 0) socket?.pause();
          });
          socket.on('error', () => undefined);
          socket.on('close', () => {
            device.ended?.();
            send('state', { state: 'looking', why: device.missing });
            timer = setTimeout(open, device.retry);
          });
        };
        request.signal.addEventListener('abort', stop);
        open();
      },
      pull: () => void socket?.resume(),
      cancel: stop,
    },
    new CountQueuingStrategy({ highWaterMark: MOST_WAITING }),
  );
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' } });
}
