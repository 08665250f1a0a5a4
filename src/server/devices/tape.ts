import { lineGatherer, readTapeLine } from '../../core/formats/tape-line';
import { deviceStream } from './device-stream';

/** Where the tape listens: FOVEA_TAPE=port, 4710 by default. */
const PORT = Number(process.env.FOVEA_TAPE ?? 4710);
const RETRY = 1500;
/** A tape says that it is there every second; when it has not for this long it is slow, ms. */
const SLOW = 4000;

/**
 * GET /api/tape: the workshop's tape as a stream of events `reading`, `garbled` and `state`.
 *
 * @param request whose end closes the connection to the tape
 */
export function tapeStream(request: Request): Response {
  let slow: NodeJS.Timeout | null = null;
  const still = (): void => {
    if (slow) clearTimeout(slow);
  };
  return deviceStream(request, {
    port: PORT,
    retry: RETRY,
    missing: 'No tape is plugged in',
    ended: still,
    reader: (send) => {
      let last = 0;
      const gather = lineGatherer();
      return (chunk) => {
        still();
        slow = setTimeout(() => send('state', { state: 'slow', why: 'The tape has not answered for some seconds' }), SLOW);
        for (const line of gather(chunk)) {
          const read = readTapeLine(line);
          if (!read.ok) {
            send('garbled', { why: read.why });
            continue;
          }
          const { message } = read;
          if (message.kind === 'reading') {
            // A tape repeats a reading it is not sure has arrived; its number tells.
            if (message.number === last) continue;
            last = message.number;
          }
          send('state', { state: 'connected' });
          if (message.kind === 'reading') send('reading', { mm: message.mm });
        }
      };
    },
  });
}
