import { LONGEST_LINE, readMatLine } from '../../core/seat-check/mat-frame';
import { deviceStream } from './device-stream';

/** Where the mat plays: FOVEA_MAT=port, 4720 by default. */
const PORT = Number(process.env.FOVEA_MAT ?? 4720);
const RETRY = 2000;

/**
 * GET /api/mat: the workshop's pressure mat as a stream of events `frame` and `state`.
 *
 * @param request whose end closes the connection to the mat
 */
export function matStream(request: Request): Response {
  return deviceStream(request, {
    port: PORT,
    retry: RETRY,
    missing: 'No mat is plugged in',
    reader: (send) => {
      let holdId = '';
      return (chunk) => {
        const lines = (holdId + chunk).split('\n');
        holdId = lines.pop()!;
        if (holdId.length > LONGEST_LINE) holdId = '';
        for (const line of lines) {
          if (line.startsWith('H FOVEA-MAT ')) {
            send('state', { state: 'connected' });
            continue;
          }
          const read = readMatLine(line);
          if (read.ok) send('frame', read.frame);
          else send('state', { state: 'garbled', why: `A frame was garbled: ${read.why}.` });
        }
      };
    },
  });
}
